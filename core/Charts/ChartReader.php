<?php

declare(strict_types=1);

namespace Prism\Charts;

use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Reference\Image\Raster;

/**
 * @phpstan-import-type Cell from ChartSheet
 * @phpstan-import-type Field from ChartReading
 *
 * Reads a filled chart sheet from a picture taken at an angle and in uneven light: sets it straight by its corner marks,
 * measures every field against the paper beside it, and says which readings are doubtful.
 */
final class ChartReader
{
    /** Of a field this share is read. */
    private const WITHIN = 0.78;

    /** Of a stripe. */
    private const WITHIN_STRIPE = 0.5;

    /** Paper left and right of a field may differ by this share. */
    private const SHADE = 0.14;

    /** Of the paper's three channels the weakest has this share of the strongest at least: a candle leaves 0.1. */
    private const LEAST_BALANCE = 0.04;

    /**
     * @param  list<ChartSheet>  $sheets  of the chart that the picture may show
     * @param  Lab  $paper  what the paper is known to look like
     *
     * @throws ChartRefused
     */
    public static function read(Raster $picture, array $sheets, Lab $paper): ChartReading
    {
        $found = CornerMarks::find($picture);
        [$view, $corners] = self::straight($picture, $sheets[0], $found);
        $number = ChartSheet::numberOf(array_map(static fn (array $place): bool => self::isBlack($picture, $view, $place), ChartSheet::codePlaces()));
        $sheet = $sheets[($number ?? 0) - 1] ?? null;
        if ($sheet === null) {
            throw new ChartRefused($number === null
                ? 'The squares that tell the number of the sheet cannot be read. Take the picture from nearer, or in more light.'
                : sprintf('This is sheet %d, and this chart has only %d. Is it of another chart?', $number, count($sheets)));
        }
        $whites = self::whites($picture, $view, $sheet);
        $levels = array_map(Srgb::luminance(...), array_merge(...$whites));
        $brightest = max([0.0, ...$levels]);
        if ($brightest < FieldMeter::LEAST_WHITE) {
            throw new ChartRefused(FieldMeter::TOO_DARK);
        }
        foreach (array_merge(...$whites) as $white) {
            if (min($white) < self::LEAST_BALANCE * max($white)) {
                throw new ChartRefused('The light of this picture is so coloured that the paper shows in one colour only. Take it anew in daylight or by a white lamp.');
            }
        }
        $cells = [];
        foreach ($sheet->cells as $i => $cell) {
            $cells[] = self::cell($picture, $view, $cell, $whites, $i, $paper, $brightest);
        }

        return new ChartReading($sheet->number, $corners, $cells, $brightest / max(1e-6, min([1.0, ...$levels])));
    }

    /**
     * Which of the marks is the upper left one is told by the bar beside it.
     *
     * @param  list<array{float, float}>  $found  clockwise
     * @return array{Homography, list<array{float, float}>}
     */
    private static function straight(Raster $picture, ChartSheet $sheet, array $found): array
    {
        for ($turn = 0; $turn < 4; $turn++) {
            $corners = [...array_slice($found, $turn), ...array_slice($found, 0, $turn)];
            $view = Homography::of($sheet->marks(), $corners);
            if (self::isBlack($picture, $view, $sheet->bar())) {
                return [$view, $corners];
            }
        }

        throw new ChartRefused('The corner marks are there, but not the black bar beside the upper left one. Is something lying on it?');
    }

    /** @param  array{float, float, float, float}  $place */
    private static function isBlack(Raster $picture, Homography $view, array $place): bool
    {
        [$x, $y, $width, $height] = $place;
        $inside = $outside = 0.0;
        for ($i = 0; $i < 9; $i++) {
            $inside += Srgb::luminance($picture->linear(...$view->map($x + $width * (0.25 + 0.25 * ($i % 3)), $y + $height * (0.3 + 0.2 * intdiv($i, 3)))));
            $outside += Srgb::luminance($picture->linear(...$view->map($x + $width * (0.25 + 0.25 * ($i % 3)), $y + ($i < 5 ? -2.0 : $height + 2.0))));
        }

        return $inside < 0.55 * $outside;
    }

    /**
     * Linear light of the paper, by row and gap.
     *
     * @return array<int, array<int, array{float, float, float}>>
     */
    private static function whites(Raster $picture, Homography $view, ChartSheet $sheet): array
    {
        $whites = [];
        foreach ($sheet->whites() as $row => $gaps) {
            foreach ($gaps as $gap => [$x, $y]) {
                $channels = [[], [], []];
                for ($i = 0; $i < 27; $i++) {
                    $light = $picture->linear(...$view->map($x + 0.8 * ($i % 3 - 1), $y + 1.2 * (intdiv($i, 3) - 4)));
                    foreach ($light as $channel => $value) {
                        $channels[$channel][] = $value;
                    }
                }
                $whites[$row][$gap] = array_map(static function (array $values): float {
                    sort($values);

                    // Above the median: a stray stroke darkens paper, nothing brightens it.
                    return array_sum(array_slice($values, 12, 10)) / 10.0;
                }, $channels);
            }
        }

        return $whites;
    }

    /**
     * @param  Cell  $cell
     * @param  array<int, array<int, array{float, float, float}>>  $whites
     * @return Field
     */
    private static function cell(Raster $picture, Homography $view, array $cell, array $whites, int $index, Lab $paper, float $brightest): array
    {
        $row = intdiv($index, ChartSheet::COLUMNS);
        $gap = $index % ChartSheet::COLUMNS;
        $meter = new FieldMeter($picture, $paper);
        $reads = static fn (float $x, float $width, float $share): array => $meter->read(
            static fn (float $across, float $down): array => $view->map($x + $width * (0.5 + $share * ($across - 0.5)), $cell['y'] + $cell['height'] * (0.5 + $share * ($down - 0.5))),
            static fn (float $across, float $down): array => self::whiteAt($whites, $row, $gap, ($x - $cell['x'] + $across * $width) / $cell['width'], $down),
            count($cell['stack']) === 0,
        );
        $field = $reads($cell['x'], $cell['width'] - ($cell['stripe'][2] ?? 0.0), self::WITHIN);
        $over = $cell['stripe'] === null ? null : $reads($cell['stripe'][0], $cell['stripe'][2], self::WITHIN_STRIPE)['colour'];
        if ($over !== null && ! Covering::isBare($over)) {
            // A white on white paper: the bar shows that it is there.
            $field['doubts'] = array_values(array_diff($field['doubts'], [FieldMeter::SEEMS_EMPTY]));
        }
        $left = Srgb::luminance($whites[$row][$gap]);
        $right = Srgb::luminance($whites[$row][$gap + 1]);
        $doubts = [];
        if (abs($left - $right) > self::SHADE * max($left, $right)) {
            $doubts[] = 'the edge of a shadow crosses it';
        }
        if (min($left, $right) < FieldMeter::DEEP_SHADE * $brightest) {
            $doubts[] = FieldMeter::IN_DEEP_SHADE;
        }
        $corner = static fn (float $x, float $y): array => $view->map($cell['x'] + $x * $cell['width'], $cell['y'] + $y * $cell['height']);

        return [
            'number' => $cell['number'], ...$field, 'doubts' => [...$doubts, ...$field['doubts']],
            'over' => $over,
            'outline' => [$corner(0, 0), $corner(1, 0), $corner(1, 1), $corner(0, 1)],
        ];
    }

    /**
     * The paper's light at a place of a field, between the four places around it.
     *
     * @param  array<int, array<int, array{float, float, float}>>  $whites
     * @return array{float, float, float}
     */
    private static function whiteAt(array $whites, int $row, int $gap, float $across, float $down): array
    {
        // Fields are about half as high as rows are apart.
        $away = ($down - 0.5) * 0.45;
        $other = $whites[$row + ($away < 0.0 ? -1 : 1)] ?? $whites[$row];
        $share = abs($away);
        $white = [];
        for ($channel = 0; $channel < 3; $channel++) {
            $here = $whites[$row][$gap][$channel] + $across * ($whites[$row][$gap + 1][$channel] - $whites[$row][$gap][$channel]);
            $there = $other[$gap][$channel] + $across * ($other[$gap + 1][$channel] - $other[$gap][$channel]);
            $white[] = $here + $share * ($there - $here);
        }

        return [$white[0], $white[1], $white[2]];
    }
}
