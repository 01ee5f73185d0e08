<?php

declare(strict_types=1);

namespace Prism\Charts;

use Prism\Reference\Image\Raster;

/**
 * Finds the four corner marks of a chart sheet in a picture: black squares with a white hole in the middle, told from what
 * surrounds them by a threshold that follows the light (Bradley & Roth 2007).
 */
final class CornerMarks
{
    private const WORKING_EDGE = 900;

    /** Darker than this share of the mean around is black. */
    private const DARK = 0.5;

    /** Edge of the window of that mean, as a share of the picture's longer edge. */
    private const WINDOW = 0.09;

    private const LEAST_EDGE = 0.008;

    private const MOST_EDGE = 0.12;

    /** A mark seen flat fills 8/9 of its box; turned and slanted, less. */
    private const LEAST_FILL = 0.38;

    private const MOST_FILL = 0.96;

    /** The nearest mark covers at most so many times what the farthest does. */
    private const MOST_RATIO = 5.0;

    private const MOST_CANDIDATES = 14;

    /**
     * @return list<array{float, float}> their middles in pixels, clockwise
     *
     * @throws ChartRefused if there are not four
     */
    public static function find(Raster $picture): array
    {
        $block = max(1, (int) ceil(max($picture->width, $picture->height) / self::WORKING_EDGE));
        [$columns, $rows, $luminance] = $picture->luminance($block);
        $dark = self::dark($columns, $rows, $luminance);
        $found = self::marks($columns, $rows, $dark);
        usort($found, static fn (array $one, array $other): int => $other['area'] <=> $one['area']);
        $four = self::four(array_slice($found, 0, self::MOST_CANDIDATES));
        if ($four === null) {
            throw new ChartRefused(sprintf(
                'Of the four corner marks %s can be seen. Take the picture anew so that the whole sheet with its four black squares is sharp and in it.',
                match (min(3, count($found))) {
                    0 => 'none', 1 => 'only one', 2 => 'only two', default => 'only three',
                },
            ));
        }

        return array_map(static fn (array $mark): array => [($mark['x'] + 0.5) * $block, ($mark['y'] + 0.5) * $block], $four);
    }

    /**
     * @param  list<float>  $luminance
     * @return list<bool>
     */
    private static function dark(int $columns, int $rows, array $luminance): array
    {
        $sum = array_fill(0, ($columns + 1) * ($rows + 1), 0.0);
        for ($y = 0; $y < $rows; $y++) {
            $line = 0.0;
            for ($x = 0; $x < $columns; $x++) {
                $line += $luminance[$y * $columns + $x];
                $sum[($y + 1) * ($columns + 1) + $x + 1] = $sum[$y * ($columns + 1) + $x + 1] + $line;
            }
        }
        $half = (int) max(4, self::WINDOW / 2.0 * max($columns, $rows));
        $dark = [];
        for ($y = 0; $y < $rows; $y++) {
            $top = max(0, $y - $half) * ($columns + 1);
            $bottom = min($rows, $y + $half + 1) * ($columns + 1);
            for ($x = 0; $x < $columns; $x++) {
                $left = max(0, $x - $half);
                $right = min($columns, $x + $half + 1);
                $mean = ($sum[$bottom + $right] - $sum[$bottom + $left] - $sum[$top + $right] + $sum[$top + $left]) / (($right - $left) * ($bottom - $top) / ($columns + 1));
                $dark[] = $luminance[$y * $columns + $x] < self::DARK * $mean;
            }
        }

        return $dark;
    }

    /**
     * Connected dark places that look like a mark.
     *
     * @param  list<bool>  $dark
     * @return list<array{x: float, y: float, area: int}>
     */
    private static function marks(int $columns, int $rows, array $dark): array
    {
        $edge = max($columns, $rows);
        $seen = array_fill(0, count($dark), false);
        $found = [];
        foreach ($dark as $start => $isDark) {
            if (! $isDark || $seen[$start]) {
                continue;
            }
            $seen[$start] = true;
            $open = [$start];
            $area = $sumX = $sumY = 0;
            $left = $columns;
            $top = $rows;
            $right = $bottom = 0;
            while ($open !== []) {
                $at = array_pop($open);
                $x = $at % $columns;
                $y = intdiv($at, $columns);
                $area++;
                $sumX += $x;
                $sumY += $y;
                $left = min($left, $x);
                $right = max($right, $x);
                $top = min($top, $y);
                $bottom = max($bottom, $y);
                if ($x > 0 && $dark[$at - 1] && ! $seen[$at - 1]) {
                    $seen[$at - 1] = true;
                    $open[] = $at - 1;
                }
                if ($x < $columns - 1 && $dark[$at + 1] && ! $seen[$at + 1]) {
                    $seen[$at + 1] = true;
                    $open[] = $at + 1;
                }
                if ($y > 0 && $dark[$at - $columns] && ! $seen[$at - $columns]) {
                    $seen[$at - $columns] = true;
                    $open[] = $at - $columns;
                }
                if ($y < $rows - 1 && $dark[$at + $columns] && ! $seen[$at + $columns]) {
                    $seen[$at + $columns] = true;
                    $open[] = $at + $columns;
                }
            }
            $width = $right - $left + 1;
            $height = $bottom - $top + 1;
            $fill = $area / ($width * $height);
            if (min($width, $height) < self::LEAST_EDGE * $edge || max($width, $height) > self::MOST_EDGE * $edge
                || max($width, $height) > 2.5 * min($width, $height) || $fill < self::LEAST_FILL || $fill > self::MOST_FILL) {
                continue;
            }
            $x = $sumX / $area;
            $y = $sumY / $area;
            if (self::hasHole($dark, $columns, (int) round($x), (int) round($y), [$left, $top, $right, $bottom])) {
                $found[] = ['x' => $x, 'y' => $y, 'area' => $area];
            }
        }

        return $found;
    }

    /**
     * Light in the middle, and dark on the way out to all sides.
     *
     * @param  list<bool>  $dark
     * @param  array{int, int, int, int}  $box
     */
    private static function hasHole(array $dark, int $columns, int $x, int $y, array $box): bool
    {
        if ($dark[$y * $columns + $x]) {
            return false;
        }
        [$left, $top, $right, $bottom] = $box;
        foreach ([[1, 0], [-1, 0], [0, 1], [0, -1], [1, 1], [-1, -1], [1, -1], [-1, 1]] as [$dx, $dy]) {
            $hit = false;
            for ($i = $x, $j = $y; $i >= $left && $i <= $right && $j >= $top && $j <= $bottom; $i += $dx, $j += $dy) {
                if ($dark[$j * $columns + $i]) {
                    $hit = true;

                    break;
                }
            }
            if (! $hit) {
                return false;
            }
        }

        return true;
    }

    /**
     * The four that span most, of those that are about as large as one another.
     *
     * @param  list<array{x: float, y: float, area: int}>  $marks
     * @return ?list<array{x: float, y: float, area: int}> clockwise
     */
    private static function four(array $marks): ?array
    {
        $best = null;
        $most = 0.0;
        $count = count($marks);
        for ($a = 0; $a < $count; $a++) {
            for ($b = $a + 1; $b < $count; $b++) {
                for ($c = $b + 1; $c < $count; $c++) {
                    for ($d = $c + 1; $d < $count; $d++) {
                        if ($marks[$a]['area'] > self::MOST_RATIO * $marks[$d]['area']) {
                            continue;
                        }
                        $four = self::clockwise([$marks[$a], $marks[$b], $marks[$c], $marks[$d]]);
                        $spanned = self::spanned($four);
                        if ($spanned > $most) {
                            $most = $spanned;
                            $best = $four;
                        }
                    }
                }
            }
        }

        return $best;
    }

    /**
     * @param  list<array{x: float, y: float, area: int}>  $marks
     * @return list<array{x: float, y: float, area: int}>
     */
    private static function clockwise(array $marks): array
    {
        $x = array_sum(array_column($marks, 'x')) / count($marks);
        $y = array_sum(array_column($marks, 'y')) / count($marks);
        usort($marks, static fn (array $one, array $other): int => atan2($one['y'] - $y, $one['x'] - $x) <=> atan2($other['y'] - $y, $other['x'] - $x));

        return $marks;
    }

    /**
     * Area of the quadrilateral; 0 if it is not convex.
     *
     * @param  list<array{x: float, y: float, area: int}>  $marks
     */
    private static function spanned(array $marks): float
    {
        $area = 0.0;
        for ($i = 0; $i < 4; $i++) {
            [$p, $q, $r] = [$marks[$i], $marks[($i + 1) % 4], $marks[($i + 2) % 4]];
            if (($q['x'] - $p['x']) * ($r['y'] - $q['y']) - ($q['y'] - $p['y']) * ($r['x'] - $q['x']) <= 0.0) {
                return 0.0;
            }
            $area += $p['x'] * $q['y'] - $q['x'] * $p['y'];
        }

        return $area / 2.0;
    }
}
