<?php

declare(strict_types=1);

// Draws two small things, a red jug and a blue wall behind it, by every school of every question, with the demo box on cartridge as the
// engine sees it, and writes how they look after each fifth of the turns: resources/js/studio/schools.json, the pictures of the studio page.
// Usage: php database/demo/make-schools.php

require __DIR__.'/../../vendor/autoload.php';

use App\Studio\Planning\SchoolChoices;
use Prism\Calibration\Calibrator;
use Prism\Colour\Lab;
use Prism\Exchange\Csv;
use Prism\Exchange\PencilTable;
use Prism\Layering\Stack;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Materials\Paper;
use Prism\Materials\PencilId;
use Prism\Planning\Order\PlannedZone;
use Prism\Planning\Order\Planner;
use Prism\Reference\Zones\TargetRole;
use Prism\Schools\BlackAndWhite;
use Prism\Schools\Progress;
use Prism\Schools\SchoolSet;

const SNAPSHOTS = 5;
// zone, role, L*, a*, b*: light to dark, as an artist would lay them side by side.
const COLOURS = [
    ['jug', 'light', 76.0, 26.0, 30.0], ['jug', 'middle', 54.0, 44.0, 38.0], ['jug', 'dark', 30.0, 24.0, 14.0],
    ['wall', 'light', 78.0, -8.0, -14.0], ['wall', 'middle', 56.0, -8.0, -26.0], ['wall', 'dark', 32.0, -2.0, -22.0],
];

$table = PencilTable::read((string) file_get_contents(__DIR__.'/pencils.csv'));
$box = array_map(static fn (array $row): PencilId => PencilId::of($row['range'].':'.$row['number']), Csv::parse((string) file_get_contents(__DIR__.'/box.csv'), ['range', 'number'])->rows);
$kit = $table->kit->only(array_values($box));
$calibration = Calibrator::fit($table->kit, []);

/**
 * @return list<list<string>> by snapshot, from bare paper on, the colours as hex
 */
$drawn = static function (SchoolSet $schools, Progress $progress, Paper $paper) use ($kit, $calibration): array {
    $predictor = $calibration->predictor($paper);
    $search = new Search($predictor, $kit, PairLibrary::build($predictor->model, $kit->ids()));
    $zones = [];
    foreach (COLOURS as $i => [$zone, $role, $L, $a, $b]) {
        $recipe = $search->find(Target::colour(Lab::of($L, $a, $b)), new Limits(top: 1, schools: $schools), $kit)[0];
        $zones[] = new PlannedZone("c$i", $zone, "$role of the $zone", Lab::of($L, $a, $b), $recipe->stack, $recipe->underlayer, 900.0, [$zone === 'jug' ? 'wall' : 'jug'], $schools, $schools->highlights, TargetRole::from($role), ucfirst($zone));
    }
    $plan = (new Planner($predictor, $kit, $progress))->plan($zones);
    $snapshots = [];
    for ($i = 0; $i <= SNAPSHOTS; $i++) {
        $laid = $plan->laid((int) round(count($plan->steps) * $i / SNAPSHOTS));
        $snapshots[] = array_map(static fn (PlannedZone $zone): string => $predictor->model->draw($laid[$zone->id] ?? Stack::of())->lab()->toHex(), $zones);
    }

    return $snapshots;
};

$pictures = [];
foreach (SchoolChoices::QUESTIONS as $question => [, $schools]) {
    foreach ($schools::cases() as $school) {
        $set = $question === 'background' ? new SchoolSet : (new SchoolSet)->with([$question => $school]);
        $paper = $school === BlackAndWhite::Toned ? Paper::of('toned', 'Toned', Lab::of(66.5, 0.8, 3.0), 0.95) : Paper::cartridge();
        $pictures[$question][$school->value] = $drawn($set, $question === 'background' ? $school : Progress::ZoneByZone, $paper);
        echo "$question $school->value\n";
    }
}
file_put_contents(__DIR__.'/../../resources/js/studio/schools.json', json_encode($pictures)."\n");
