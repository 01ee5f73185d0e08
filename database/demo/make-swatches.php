<?php

declare(strict_types=1);

// Has the simulated studio swatch the demo box and writes swatches.csv beside itself: every pencil of the box at four
// settings on cartridge, overlays, burnishes, washes, blends, lifts, and a dozen pencils on the smooth and the toned paper.
// Usage: php database/demo/make-swatches.php

require __DIR__.'/../../vendor/autoload.php';

use Prism\Colour\Lab;
use Prism\Colour\Spectrum;
use Prism\Layering\Stack;
use Standin\Dice;
use Standin\Studio;

const COATS = ['@30', '@55', '@55x3', '@90x2'];

$rows = static function (string $file): array {
    $lines = array_map(static fn (string $line): array => str_getcsv($line), file(__DIR__.'/'.$file, FILE_IGNORE_NEW_LINES) ?: []);
    $head = array_shift($lines);

    return array_map(static fn (array $line): array => array_combine($head, $line), $lines);
};
$pencils = [];
foreach ($rows('pencils.csv') as $row) {
    $samples = array_map(static fn (int $nm): float => (float) $row["R$nm"], range(380, 730, 10));
    $pencils[$row['range'].':'.$row['number']] = ['coat' => Spectrum::of($samples), 'wax' => $row['binder'] === 'wax', 'opacity' => $row['opacity']];
}
$box = array_map(static fn (array $row): string => $row['range'].':'.$row['number'], $rows('box.csv'));

$studio = Studio::of($pencils);
foreach (['harbour-cartridge' => [95.4, -0.6, 1.5], 'slipway-smooth' => [96.0, -0.5, 0.9], 'fog-toned' => [66.5, 0.8, 3.0]] as $slug => [$L, $a, $b]) {
    $studio->paper($slug, Lab::of($L, $a, $b));
}

$wanted = [['harbour-cartridge', ''], ['slipway-smooth', ''], ['fog-toned', '']];
foreach ($box as $id) {
    foreach (COATS as $coat) {
        $wanted[] = ['harbour-cartridge', $id.$coat];
    }
}
$dice = new Dice('demo swatches');
$any = static fn (array $of): mixed => $of[(int) ($dice->uniform() * count($of))];
for ($i = 0; $i < 36; $i++) {
    $wanted[] = ['harbour-cartridge', $any($box).$any(['@35', '@45x2', '@50', '@55x2']).' > '.$any($box).$any(['@40', '@50', '@45x2', '@60x2'])];
}
for ($i = 0; $i < 8; $i++) {
    $wanted[] = ['harbour-cartridge', $any($box).'@50x2 > '.$any($box).$any(['@90', '@85', '@95x2'])];
}
for ($i = 0; $i < 24; $i++) {
    // As it is drawn: rounds of two or three pencils, back and forth.
    $round = array_map(static fn (): string => $any($box).$any(['@35x2', '@40', '@45x2', '@50', '@50x3']), range(1, 2 + $i % 2));
    $wanted[] = ['harbour-cartridge', implode(' > ', [...$round, ...$round, ...($i % 3 === 0 ? [$any($box).'@65x2'] : [])])];
}
foreach (['wash', 'wash', 'wash', 'wash', 'blend', 'blend', 'blend', 'blend', 'lift', 'lift', 'lift'] as $finish) {
    $wanted[] = ['harbour-cartridge', $any($box).'@50x2 > '.$any($box).'@45 > '.$finish];
}
foreach (array_slice($box, 0, 48, true) as $i => $id) {
    if ($i % 4 === 0) {
        foreach (COATS as $coat) {
            $wanted[] = ['slipway-smooth', $id.$coat];
            $wanted[] = ['fog-toned', $id.$coat];
        }
    }
}
// Every pencil once below and once above another, built up as it is in a drawing (docs/decisions/0016).
foreach ($box as $i => $id) {
    $wanted[] = ['harbour-cartridge', $id.'@50x3 > '.$box[($i * 7 + 5) % count($box)].'@50x3'];
}
// How much the eraser takes differs from hand to hand: of a light and of a firm passage, dabbed once and three times.
foreach ([5, 14, 27, 40] as $i) {
    foreach (['@40x2 > lift', '@55x3 > lift > lift > lift', '@80x2 > lift > lift > lift'] as $lifted) {
        $wanted[] = ['harbour-cartridge', $box[$i].$lifted];
    }
}

$out = fopen(__DIR__.'/swatches.csv', 'wb');
fwrite($out, "id,paper,steps,L,a,b,note\n");
foreach ($wanted as $i => [$paper, $steps]) {
    $read = $studio->draw($paper, Stack::parse($steps), 'swatch'.$i);
    fwrite($out, sprintf("s%03d,%s,%s,%.2f,%.2f,%.2f,simulated\n", $i + 1, $paper, $steps, $read->L, $read->a, $read->b));
}
fclose($out);
printf("%d swatches\n", count($wanted));
