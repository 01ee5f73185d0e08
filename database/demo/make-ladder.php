<?php

declare(strict_types=1);

// Lays a ladder of nine values with pencils of the ranges that ship, as the engine sees them on cartridge, and writes it for
// the entrance: resources/js/account/ladder.json. Each step by another family where there is one, as colourful as its value
// allows.
// Usage: php database/demo/make-ladder.php

require __DIR__.'/../../vendor/autoload.php';

use Prism\Calibration\Calibrator;
use Prism\Colour\Lab;
use Prism\Colour\ValueScale;
use Prism\Exchange\PencilTable;
use Prism\Layering\GrainSection;
use Prism\Layering\Stack;
use Prism\Materials\Paper;

const LAID = ['@35', '@50', '@50x2', '@65x2', '@80x2'];
// A step whose lightness is off by more does not stand for its value.
const NEAR = 1.5;

/** An eighth of the wheel; greys are a part of their own. */
function part(Lab $lab): string
{
    return $lab->isNeutral() ? 'grey' : (string) intdiv((int) $lab->hueDegrees(), 45);
}

$kit = PencilTable::read((string) file_get_contents(__DIR__.'/pencils.csv'))->kit;
$model = Calibrator::fit($kit, [])->model(Paper::cartridge());
$candidates = [];
foreach ($kit as $pencil) {
    $id = (string) $pencil->id;
    foreach (LAID as $laid) {
        $passage = $model->draw(Stack::parse($id.$laid));
        $candidates[] = ['pencil' => $id, 'name' => $pencil->name, 'laid' => $laid, 'lab' => $passage->lab(), 'passage' => $passage];
    }
}
$ladder = [];
$taken = [];
for ($step = ValueScale::STEPS; $step >= 1; $step--) {
    $fits = array_filter($candidates, static fn (array $one): bool => abs($one['lab']->L - ValueScale::lightnessOf($step)) <= NEAR);
    $fresh = array_filter($fits, static fn (array $one): bool => ! isset($taken[part($one['lab'])]));
    $of = $fresh === [] ? $fits : $fresh;
    if ($of === []) {
        $of = $candidates;
        usort($of, static fn (array $a, array $b): int => abs($a['lab']->L - ValueScale::lightnessOf($step)) <=> abs($b['lab']->L - ValueScale::lightnessOf($step)));
    } else {
        usort($of, static fn (array $a, array $b): int => $b['lab']->chroma() <=> $a['lab']->chroma());
    }
    $best = $of[0];
    $taken[part($best['lab'])] = true;
    $ladder[] = [
        'step' => $step,
        'number' => explode(':', $best['pencil'])[1],
        'name' => $best['name'],
        'laid' => $best['laid'],
        // What a swatch with its grain is painted by.
        'section' => array_map(static fn (array $bin): array => ['depth' => $bin['depth'], 'share' => $bin['share'], 'looks' => $bin['looks']], GrainSection::of($best['passage'], $model->tooth)->jsonSerialize()),
    ];
}
file_put_contents(__DIR__.'/../../resources/js/account/ladder.json', json_encode($ladder, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE)."\n");
foreach ($ladder as ['step' => $step, 'number' => $number, 'name' => $name, 'laid' => $laid]) {
    echo "$step $number $name $laid\n";
}
