<?php

declare(strict_types=1);

use Prism\Reference\LookRefused;
use Prism\Reference\PaperLine;

it('tells how long a line is on the paper and how it leans, whichever end comes first', function (array $ends, float $length, float $lean, string $words): void {
    foreach ([$ends, [$ends[2], $ends[3], $ends[0], $ends[1]]] as $of) {
        $line = PaperLine::between(...$of);
        expect($line->length())->toEqualWithDelta($length, 1e-9)->and($line->lean())->toEqualWithDelta($lean, 1e-9)->and($line->words())->toBe($words);
    }
})->with([
    'plumb' => [[40.0, 10.0, 40.0, 60.0], 50.0, 0.0, '50 mm long, plumb'],
    'level' => [[10.0, 30.0, 25.0, 30.0], 15.0, 90.0, '15.0 mm long, level'],
    'to the right' => [[10.0, 60.0, 40.0, 20.0], 50.0, rad2deg(atan(0.75)), '50 mm long, leans 37° to the right of plumb'],
    'to the left' => [[40.0, 60.0, 10.0, 20.0], 50.0, -rad2deg(atan(0.75)), '50 mm long, leans 37° to the left of plumb'],
    'rising' => [[10.0, 40.0, 50.0, 10.0], 50.0, 90.0 - rad2deg(atan(0.75)), '50 mm long, rises 37° to the right'],
    'falling' => [[10.0, 10.0, 50.0, 40.0], 50.0, rad2deg(atan(0.75)) - 90.0, '50 mm long, falls 37° to the right'],
]);

it('tells how a line of the drawing differs from the photo’s, and nothing where no hand could do better', function (array $ends, string $words): void {
    $photo = PaperLine::between(40.0, 60.0, 40.0, 10.0);
    expect(PaperLine::between(...$ends)->against($photo))->toBe($words);
})->with([
    'elsewhere on the sheet' => [[90.0, 10.0, 90.0, 60.0], 'as in the photo'],
    'less than a millimetre off' => [[40.0, 60.0, 40.8, 9.4], 'as in the photo'],
    'longer' => [[40.0, 60.0, 40.0, 6.0], '4.0 mm too long'],
    'shorter' => [[40.0, 60.0, 40.0, 32.0], '22 mm too short'],
    'to the right' => [[40.0, 60.0, 45.0, 10.25], 'turned 6° too far clockwise'],
    'both' => [[40.0, 60.0, 34.0, 20.0], '9.6 mm too short, turned 9° too far counter-clockwise'],
]);

it('takes level lines that lean to either side as nearly alike', function (): void {
    $up = PaperLine::between(0.0, 10.0, 100.0, 8.0);
    $down = PaperLine::between(0.0, 8.0, 100.0, 10.0);
    expect($down->against($up))->toBe('turned 2.3° too far clockwise')->and($up->against($down))->toBe('turned 2.3° too far counter-clockwise');
});

it('is told in inches where one draws in inches', function (): void {
    $line = PaperLine::between(40.0, 10.0, 40.0, 60.8);
    expect($line->words(true))->toBe('2.00 in long, plumb')->and(PaperLine::between(40.0, 10.0, 40.0, 73.5)->against($line, true))->toBe('0.50 in too long');
});

it('refuses two ends on one spot', function (): void {
    PaperLine::between(10.0, 10.0, 10.2, 10.2);
})->throws(LookRefused::class, 'Both ends lie on one spot');
