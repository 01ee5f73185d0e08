<?php

declare(strict_types=1);

namespace Prism\Charts;

use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Layering\Stack;
use Prism\Materials\Paper;
use Prism\Reference\Image\Raster;

/**
 * Reads rows of fields that were drawn by hand on a plain sheet, each told by its first and its last field: finds the fields between
 * them, and measures each against the paper around it.
 *
 * @phpstan-import-type Field from ChartReading
 *
 * @phpstan-type Row array{from: array{float, float}, to: array{float, float}, fields: int}
 *     middles of its first and last field, as shares of width and height
 */
final class PointedRows
{
    /** Steps of the line in which fields are looked for, of the way from field to field. */
    private const STEPS = 40;

    /** Colour differs this much from the paper where a field begins, dE76. */
    private const BEGINS = 4.0;

    /** Fields are at least and at most so long, of the way from field to field. */
    private const LENGTHS = [0.22, 1.25];

    /** Half of what is read along and across where no edges show. */
    private const HALF = 0.28;

    /** Fields are looked for so far across the row, of the way from field to field. */
    private const ACROSS = 1.1;

    /** Of a field that was found this share is read. */
    private const WITHIN = 0.7;

    /** Of the places around a field, the lightest after the very lightest are its paper. */
    private const PAPER_RANKS = [0.72, 0.94];

    /** The fewest pixels from field to field. */
    private const LEAST_PITCH = 12.0;

    /**
     * @param  list<Row>  $rows
     * @param  list<Stack>  $stacks  what was laid, field after field and row after row
     * @param  Lab  $paper  what the paper is known to look like
     *
     * @throws ChartRefused if the rows cannot hold what is said, or the picture cannot be read
     */
    public static function read(Raster $picture, array $rows, array $stacks, Lab $paper): ChartReading
    {
        if ($paper->L < Paper::TONED_BELOW_L) {
            // Its fields may be lighter than it, and nothing printed tells what is paper.
            throw new ChartRefused('On toned paper a plain sheet cannot be told from what was laid on it. Print the chart on it, and photograph that.');
        }
        $told = array_sum(array_column($rows, 'fields'));
        if ($told !== count($stacks)) {
            throw new ChartRefused(sprintf('The rows you pointed at hold %d fields, and there are %d to read. Point at every row, and say how many fields it has.', $told, count($stacks)));
        }
        $cells = $papers = [];
        foreach ($rows as $number => $row) {
            [$fields, $whites] = self::row($picture, $row, $number + 1, array_slice($stacks, count($cells), $row['fields']), count($cells), $paper);
            array_push($cells, ...$fields);
            array_push($papers, ...$whites);
        }
        $brightest = max([1e-6, ...$papers]);
        if ($brightest < FieldMeter::LEAST_WHITE) {
            throw new ChartRefused(FieldMeter::TOO_DARK);
        }
        foreach ($cells as $i => $cell) {
            if ($papers[$i] < FieldMeter::DEEP_SHADE * $brightest) {
                $cells[$i]['doubts'] = [FieldMeter::IN_DEEP_SHADE, ...$cell['doubts']];
            }
        }

        return new ChartReading(1, [], $cells, $brightest / max(1e-6, min([1.0, ...$papers])));
    }

    /**
     * @param  Row  $row
     * @param  list<Stack>  $stacks
     * @return array{list<Field>, list<float>} and the luminance of the paper around each
     */
    private static function row(Raster $picture, array $row, int $number, array $stacks, int $before, Lab $paper): array
    {
        $from = [$row['from'][0] * $picture->width, $row['from'][1] * $picture->height];
        $to = [$row['to'][0] * $picture->width, $row['to'][1] * $picture->height];
        $length = hypot($to[0] - $from[0], $to[1] - $from[1]);
        $pitch = $length / max(1, $row['fields'] - 1);
        if ($row['fields'] < 2 || $pitch < self::LEAST_PITCH) {
            throw new ChartRefused(sprintf('Row %d is too short for %d fields: point at the middle of its first field and of its last, and have two fields or more in it.', $number, $row['fields']));
        }
        $along = [($to[0] - $from[0]) / $length, ($to[1] - $from[1]) / $length];
        $at = static fn (float $x, float $y): array => [$from[0] + $x * $along[0] - $y * $along[1], $from[1] + $x * $along[1] + $y * $along[0]];
        $runs = self::runs($picture, $at, $pitch, $row['fields'], $paper);
        $meter = new FieldMeter($picture, $paper);
        $cells = $papers = [];
        foreach ($stacks as $i => $stack) {
            $middle = $i * $pitch;
            [$left, $right] = self::run($runs, $middle, $pitch) ?? [null, null];
            $isFound = $left !== null && $right !== null;
            [$left, $right] = $isFound ? [$left, $right] : [$middle - self::HALF * $pitch, $middle + self::HALF * $pitch];
            $white = self::paper($picture, $at, ($left + $right) / 2.0, $pitch);
            [$top, $bottom] = self::height($picture, $at, ($left + $right) / 2.0, $pitch, $white, $paper);
            $field = $meter->read(
                static fn (float $across, float $down): array => $at(($left + $right) / 2.0 + self::WITHIN * ($across - 0.5) * ($right - $left), ($top + $bottom) / 2.0 + self::WITHIN * ($down - 0.5) * ($bottom - $top)),
                static fn (): array => $white,
                count($stack) === 0,
            );
            // What is paler than that has no edges to be found, and is no worse for it.
            if (! $isFound && $field['colour']->differenceTo($paper) > 2.0 * self::BEGINS) {
                $field['doubts'][] = 'its edges cannot be seen: is it where the row says?';
            }
            $cells[] = ['number' => $before + $i + 1, ...$field, 'over' => null, 'outline' => [$at($left, $top), $at($right, $top), $at($right, $bottom), $at($left, $bottom)]];
            $papers[] = Srgb::luminance($white);
        }

        return [$cells, $papers];
    }

    /**
     * Stretches of the line that are no paper.
     *
     * @param  \Closure(float, float): array{float, float}  $at  pixels of a place along and across the row
     * @return list<array{float, float}>
     */
    private static function runs(Raster $picture, \Closure $at, float $pitch, int $fields, Lab $paper): array
    {
        $runs = [];
        $begun = null;
        $end = (int) (($fields - 0.3) * self::STEPS);
        for ($step = (int) (-0.7 * self::STEPS); $step <= $end; $step++) {
            $x = $step / self::STEPS * $pitch;
            if ($step % 8 === 0 || ! isset($white)) {
                $white = self::paper($picture, $at, $x, $pitch);
            }
            $light = [0.0, 0.0, 0.0];
            for ($i = -2; $i <= 2; $i++) {
                foreach ($picture->linear(...$at($x, 0.05 * $i * $pitch)) as $channel => $value) {
                    $light[$channel] += $value / 5.0;
                }
            }
            $isField = self::apart($light, $white, $paper) > self::BEGINS;
            if ($isField && $begun === null) {
                $begun = $x;
            } elseif (! $isField && $begun !== null) {
                $runs[] = [$begun, $x];
                $begun = null;
            }
        }
        if ($begun !== null) {
            $runs[] = [$begun, $end / self::STEPS * $pitch];
        }

        return $runs;
    }

    /**
     * The stretch that is the field whose middle should be there.
     *
     * @param  list<array{float, float}>  $runs
     * @return ?array{float, float}
     */
    private static function run(array $runs, float $middle, float $pitch): ?array
    {
        foreach ($runs as [$left, $right]) {
            $length = ($right - $left) / $pitch;
            if (abs(($left + $right) / 2.0 - $middle) < 0.45 * $pitch && $length >= self::LENGTHS[0] && $length <= self::LENGTHS[1]) {
                return [$left, $right];
            }
        }

        return null;
    }

    /**
     * How far a field goes up and down.
     *
     * @param  \Closure(float, float): array{float, float}  $at
     * @param  array{float, float, float}  $white
     * @return array{float, float}
     */
    private static function height(Raster $picture, \Closure $at, float $x, float $pitch, array $white, Lab $paper): array
    {
        $edges = [];
        foreach ([-1.0, 1.0] as $way) {
            $edge = self::HALF * $pitch;
            for ($step = 1; $step <= self::ACROSS * self::STEPS; $step++) {
                $y = $step / self::STEPS * $pitch;
                if (self::apart($picture->linear(...$at($x, $way * $y)), $white, $paper) <= self::BEGINS) {
                    // A stroke of paper in the grain is no edge yet.
                    if (self::apart($picture->linear(...$at($x, $way * ($y + 0.06 * $pitch))), $white, $paper) <= self::BEGINS) {
                        $edge = max(0.1 * $pitch, $y);

                        break;
                    }
                }
            }
            $edges[] = $way * min($edge, self::ACROSS * $pitch);
        }

        return [$edges[0], $edges[1]];
    }

    /**
     * Linear light of the paper around a place of the row.
     *
     * @param  \Closure(float, float): array{float, float}  $at
     * @return array{float, float, float}
     */
    private static function paper(Raster $picture, \Closure $at, float $x, float $pitch): array
    {
        $lights = [];
        for ($i = -8; $i <= 8; $i++) {
            for ($j = -12; $j <= 12; $j++) {
                [$px, $py] = $at($x + 0.1 * $i * $pitch, 0.1 * $j * $pitch);
                if ($px >= 0.0 && $py >= 0.0 && $px < $picture->width && $py < $picture->height) {
                    $lights[] = $picture->linear($px, $py);
                }
            }
        }
        usort($lights, static fn (array $one, array $other): int => Srgb::luminance($one) <=> Srgb::luminance($other));
        $count = count($lights);
        $papers = array_slice($lights, (int) (self::PAPER_RANKS[0] * $count), max(1, (int) ((self::PAPER_RANKS[1] - self::PAPER_RANKS[0]) * $count)));
        $mean = [0.0, 0.0, 0.0];
        foreach ($papers as $light) {
            foreach ($light as $channel => $value) {
                $mean[$channel] += $value / count($papers);
            }
        }

        return [$mean[0], $mean[1], $mean[2]];
    }

    /**
     * dE76 of a light from the paper, as the paper is known.
     *
     * @param  array{float, float, float}  $light
     * @param  array{float, float, float}  $white
     */
    private static function apart(array $light, array $white, Lab $paper): float
    {
        $own = Srgb::linear($paper);
        $lab = Srgb::linearToLab(...array_map(static fn (int $channel): float => $light[$channel] / max(1e-4, $white[$channel]) * $own[$channel], [0, 1, 2]));

        return sqrt(($lab->L - $paper->L) ** 2 + ($lab->a - $paper->a) ** 2 + ($lab->b - $paper->b) ** 2);
    }
}
