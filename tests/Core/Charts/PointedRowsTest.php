<?php

declare(strict_types=1);

use Prism\Charts\ChartReading;
use Prism\Charts\ChartRefused;
use Prism\Charts\PointedRows;
use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Layering\Stack;
use Prism\Reference\Image\Raster;
use Standin\ChartPhoto;
use Standin\Dice;
use Standin\Sheet;

// Rows of fields drawn by hand on a plain sheet: nothing is quite where it should be.

const PLAIN = [95.4, -0.6, 1.5];

/** Two rows of six, the last of them nearly as pale as the paper. */
function handDrawn(): array
{
    static $colours = null;

    return $colours ??= array_map(static fn (array $lab): Lab => Lab::of(...$lab), [
        [78, 20, 12], [55, 42, 25], [38, 40, 22], [84, -4, 38], [72, -6, 60], [60, -8, 58],
        [70, -12, -18], [48, -14, -30], [30, 4, -36], [62, 2, 4], [24, 1, 0], [91, 2, 9],
    ]);
}

/** @return array{ChartPhoto, list<array{float, float}>} the sheet, and the middles of its fields, mm */
function plainSheet(float $wobble = 1.2, ?int $without = null): array
{
    $photo = new ChartPhoto(180.0, 120.0, Lab::of(...PLAIN), 900);
    $dice = new Dice("wobble $wobble");
    $middles = [];
    foreach (handDrawn() as $i => $colour) {
        $x = 18.0 + 27.0 * ($i % 6) + $wobble * $dice->normal();
        $y = 25.0 + 50.0 * intdiv($i, 6) + $wobble * $dice->normal();
        [$width, $height] = [17.0 + $wobble * $dice->normal(), 22.0 + $wobble * $dice->normal()];
        if ($i !== $without) {
            $photo->patch($x - $width / 2.0, $y - $height / 2.0, $width, $height, array_fill(0, Sheet::SIZE ** 2, Srgb::linear($colour)));
        }
        $middles[] = [$x, $y];
    }

    return [$photo, $middles];
}

/** @param  list<array{float, float}>  $middles */
function readRows(ChartPhoto $photo, array $middles, float $slant = 0.1, float $turn = 4.0, float $off = 0.0, ?array $fields = null): ChartReading
{
    [$width, $height, $bytes] = $photo->taken('rows', $slant, $turn);
    $seen = array_map(static fn (array $at): array => [($at[0] + $off) / $width, ($at[1] - $off) / $height], $photo->seenAt([$middles[0], $middles[5], $middles[6], $middles[11]], $slant, $turn));
    [$one, $other] = $fields ?? [6, 6];

    return PointedRows::read(Raster::of($width, $height, $bytes), [['from' => $seen[0], 'to' => $seen[1], 'fields' => $one], ['from' => $seen[2], 'to' => $seen[3], 'fields' => $other]], array_fill(0, 12, Stack::parse('QW:6858@60')), Lab::of(...PLAIN));
}

it('finds and reads every field between the first and the last of a row', function (float $slant, float $turn, float $off, float $wobble): void {
    [$photo, $middles] = plainSheet($wobble);
    $cells = readRows($photo, $middles, $slant, $turn, $off)->cells;
    $errors = array_map(static fn (array $cell): float => $cell['colour']->differenceTo(handDrawn()[$cell['number'] - 1]), $cells);
    expect(array_column($cells, 'number'))->toBe(range(1, 12))->and(max($errors))->toBeLessThan(3.0)->and(array_sum($errors) / 12.0)->toBeLessThan(1.2);
    foreach ($cells as $cell) {
        expect($cell['doubts'])->toBe([]);
    }
})->with([
    'from above' => [0.0, 0.0, 0.0, 0.6],
    'at an angle, pointed at carelessly' => [0.1, 5.0, 9.0, 1.2],
    'turned, drawn unevenly' => [0.05, -12.0, 5.0, 2.0],
]);

it('doubts a field that was left empty, and reads the rest', function (): void {
    [$photo, $middles] = plainSheet(1.2, without: 3);
    $doubts = array_column(readRows($photo, $middles)->cells, 'doubts', 'number');
    expect($doubts[4])->toBe(['it seems to be empty'])->and(array_filter($doubts))->toHaveCount(1);
});

it('refuses rows that cannot be, in words', function (array $fields, float $off, string $why): void {
    [$photo, $middles] = plainSheet();
    expect(static fn () => readRows($photo, $middles, off: $off, fields: $fields))->toThrow(ChartRefused::class, $why);
})->with([
    'another number' => [[6, 5], 0.0, 'hold 11 fields, and there are 12'],
    'one field' => [[1, 11], 0.0, 'Row 1 is too short for 1 fields'],
]);

it('does not take pale fields on black paper for the paper', function (): void {
    [$photo] = plainSheet();
    expect(static fn () => PointedRows::read(Raster::of(...$photo->taken('rows')), [['from' => [0.1, 0.2], 'to' => [0.9, 0.2], 'fields' => 2]], [Stack::of(), Stack::of()], Lab::of(17, 0, 0)))->toThrow(ChartRefused::class, 'On toned paper');
});
