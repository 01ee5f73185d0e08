<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Charts\Homography;
use Prism\Maths\FloodFill;

/**
 * Finds the sheet in a picture: the largest light surface, by the threshold of Otsu 1979 between it and the desk; its outline is the
 * convex hull, and its sides are straight.
 */
final class SheetFinder
{
    /** The picture is looked through in squares of so many pixels. */
    private const BLOCK = 2;

    /** A sheet covers at least so much of the picture. */
    private const LEAST_AREA = 0.12;

    /** Another surface of such a share of the largest, and of the picture, whose middle lies so far beside the sheet is a second one. */
    private const ANOTHER = 0.35;

    private const LEAST_ANOTHER = 0.05;

    /** Smaller surfaces, as a share of the picture, are no paper. */
    private const LEAST_SURFACE = 0.01;

    private const BESIDE = 0.05;

    /** Four corners enclose so much of the hull of a sheet. */
    private const STRAIGHT = 0.93;

    /** Points of the outline count for a side if they lie so near to it, as a share of the sheet. */
    private const NEAR = 0.012;

    /** @return ?Corners clockwise from the one nearest to the upper left; null where no sheet stands out from what is round it */
    public static function find(LinearPicture $picture): ?Corners
    {
        [$columns, $rows, $light] = self::light($picture);
        $outline = self::outline($columns, $rows, $light);
        if (count($outline) < 4) {
            return null;
        }
        $hull = self::hull($outline);
        $four = self::largestFour($hull);
        if ($four === null || self::area($four) < self::LEAST_AREA * $columns * $rows) {
            return null;
        }
        $sides = self::straightened($four, $outline);

        return self::fromUpperLeft(array_map(static fn (array $point): array => [self::BLOCK * $point[0], self::BLOCK * $point[1]], $sides));
    }

    /** Whether another light surface of about its size lies beside a sheet. */
    public static function hasAnother(LinearPicture $picture, Corners $sheet): bool
    {
        [$columns, $rows, $light] = self::light($picture);
        $within = Homography::of($sheet->points, [[0.0, 0.0], [1.0, 0.0], [1.0, 1.0], [0.0, 1.0]]);
        $found = [];
        foreach (FloodFill::regions($columns, $rows, $light) as $region) {
            if (count($region) < self::LEAST_SURFACE * $columns * $rows) {
                continue;
            }
            // By what it encloses: most of a sheet may be drawn on, and dark.
            $outline = self::ends($columns, $region);
            $hull = self::hull($outline);
            $found[] = [$region, $outline, $hull, self::area($hull)];
        }
        $largest = max([0.0, ...array_column($found, 3)]);
        foreach ($found as [$region, $outline, $hull, $encloses]) {
            if ($encloses < max(self::ANOTHER * $largest, self::LEAST_ANOTHER * $columns * $rows)) {
                continue;
            }
            $x = array_sum(array_map(static fn (int $at): int => $at % $columns, $region)) / count($region);
            $y = array_sum(array_map(static fn (int $at): int => intdiv($at, $columns), $region)) / count($region);
            [$u, $v] = $within->map(self::BLOCK * $x, self::BLOCK * $y);
            if ((min($u, $v) < -self::BESIDE || max($u, $v) > 1.0 + self::BESIDE) && self::isSheet($outline, $hull)) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether a surface has four straight sides: whatever lies on it, it fills what they enclose.
     *
     * @param  list<array{float, float}>  $outline
     * @param  list<array{float, float}>  $hull
     */
    private static function isSheet(array $outline, array $hull): bool
    {
        $four = count($outline) < 4 ? null : self::largestFour($hull);

        return $four !== null && self::area($four) > self::STRAIGHT * self::area($hull);
    }

    /** @return array{int, int, string} columns and rows of squares, and which of them are light */
    private static function light(LinearPicture $picture): array
    {
        $columns = intdiv($picture->width, self::BLOCK);
        $rows = intdiv($picture->height, self::BLOCK);
        $Y = $picture->luminance();
        $levels = [];
        for ($row = 0; $row < $rows; $row++) {
            for ($column = 0; $column < $columns; $column++) {
                $at = self::BLOCK * ($row * $picture->width + $column);
                $levels[] = sqrt(max(0.0, ($Y[$at] + $Y[$at + 1] + $Y[$at + $picture->width] + $Y[$at + $picture->width + 1]) / 4.0));
            }
        }
        $limit = self::otsu($levels);

        return [$columns, $rows, implode('', array_map(static fn (float $level): string => $level > $limit ? "\1" : "\0", $levels))];
    }

    /** @param  list<float>  $levels  0-1 */
    private static function otsu(array $levels): float
    {
        $histogram = array_fill(0, 128, 0);
        foreach ($levels as $level) {
            $histogram[min(127, (int) (128.0 * $level))]++;
        }
        $all = count($levels);
        $sum = 0.0;
        foreach ($histogram as $bin => $count) {
            $sum += $bin * $count;
        }
        $below = 0;
        $sumBelow = 0.0;
        $most = -1.0;
        $limit = 64;
        foreach ($histogram as $bin => $count) {
            $below += $count;
            $sumBelow += $bin * $count;
            if ($below === 0 || $below === $all) {
                continue;
            }
            $between = ($sumBelow / $below - ($sum - $sumBelow) / ($all - $below)) ** 2 * $below * ($all - $below);
            if ($between > $most) {
                $most = $between;
                $limit = $bin + 1;
            }
        }

        return $limit / 128.0;
    }

    /**
     * Both ends of each row of the largest light surface.
     *
     * @return list<array{float, float}>
     */
    private static function outline(int $columns, int $rows, string $light): array
    {
        $largest = [];
        foreach (FloodFill::regions($columns, $rows, $light) as $region) {
            if (count($region) > count($largest)) {
                $largest = $region;
            }
        }

        return self::ends($columns, $largest);
    }

    /**
     * @param  list<int>  $region
     * @return list<array{float, float}> both ends of each of its rows
     */
    private static function ends(int $columns, array $region): array
    {
        $ends = [];
        foreach ($region as $at) {
            $row = intdiv($at, $columns);
            $column = $at % $columns;
            $ends[$row] = [min($ends[$row][0] ?? $column, $column), max($ends[$row][1] ?? $column, $column)];
        }
        $points = [];
        foreach ($ends as $row => [$left, $right]) {
            // Corners of pixels: the surface reaches to their edges.
            array_push($points, [(float) $left, (float) $row], [(float) $left, $row + 1.0], [$right + 1.0, (float) $row], [$right + 1.0, $row + 1.0]);
        }

        return $points;
    }

    /**
     * Monotone chain, after Andrew 1979.
     *
     * @param  list<array{float, float}>  $points
     * @return list<array{float, float}> clockwise as the picture is seen
     */
    private static function hull(array $points): array
    {
        sort($points);
        $half = static function (array $points): array {
            $chain = [];
            foreach ($points as $point) {
                while (($n = count($chain)) >= 2 && self::turn($chain[$n - 2], $chain[$n - 1], $point) <= 0.0) {
                    array_pop($chain);
                }
                $chain[] = $point;
            }
            array_pop($chain);

            return $chain;
        };

        return [...$half($points), ...$half(array_reverse($points))];
    }

    /**
     * @param  array{float, float}  $a
     * @param  array{float, float}  $b
     * @param  array{float, float}  $c
     */
    private static function turn(array $a, array $b, array $c): float
    {
        return ($b[0] - $a[0]) * ($c[1] - $a[1]) - ($b[1] - $a[1]) * ($c[0] - $a[0]);
    }

    /**
     * The four points of a hull with the largest area between them.
     *
     * @param  list<array{float, float}>  $hull
     * @return ?list<array{float, float}>
     */
    private static function largestFour(array $hull): ?array
    {
        // Rounded corners and steps of pixels make many points; every so-manieth says the same.
        $step = max(1, intdiv(count($hull), 60));
        $points = [];
        for ($i = 0; $i < count($hull); $i += $step) {
            $points[] = $hull[$i];
        }
        $n = count($points);
        $most = 0.0;
        $best = null;
        for ($i = 0; $i < $n; $i++) {
            for ($k = $i + 2; $k < $n; $k++) {
                $one = $other = 0.0;
                $j = $l = null;
                for ($at = $i + 1; $at < $k; $at++) {
                    $area = self::turn($points[$i], $points[$at], $points[$k]);
                    if ($area > $one) {
                        $one = $area;
                        $j = $at;
                    }
                }
                for ($at = $k + 1; $at < $n + $i; $at++) {
                    $area = self::turn($points[$k], $points[$at % $n], $points[$i]);
                    if ($area > $other) {
                        $other = $area;
                        $l = $at % $n;
                    }
                }
                if ($j !== null && $l !== null && $one + $other > $most) {
                    $most = $one + $other;
                    $best = [$points[$i], $points[$j], $points[$k], $points[$l]];
                }
            }
        }

        return $best;
    }

    /** @param  list<array{float, float}>  $hull  convex, in order */
    private static function area(array $hull): float
    {
        $twice = 0.0;
        for ($i = 2, $count = count($hull); $i < $count; $i++) {
            $twice += self::turn($hull[0], $hull[$i - 1], $hull[$i]);
        }

        return abs($twice) / 2.0;
    }

    /**
     * Each side as the straight line through the points of the outline beside it; corners where these meet.
     *
     * @param  list<array{float, float}>  $four
     * @param  list<array{float, float}>  $outline
     * @return list<array{float, float}>
     */
    private static function straightened(array $four, array $outline): array
    {
        $reach = self::NEAR * sqrt(self::area($four));
        $lines = [];
        for ($side = 0; $side < 4; $side++) {
            [$x, $y] = $four[$side];
            [$u, $v] = $four[($side + 1) % 4];
            $length = max(1e-6, hypot($u - $x, $v - $y));
            [$nx, $ny] = [($v - $y) / $length, -($u - $x) / $length];
            [$sum, $weights] = [[0.0, 0.0, 0.0, 0.0], 0];
            foreach ($outline as [$px, $py]) {
                $along = (($px - $x) * ($u - $x) + ($py - $y) * ($v - $y)) / $length ** 2;
                $off = ($px - $x) * $nx + ($py - $y) * $ny;
                if ($along > 0.06 && $along < 0.94 && abs($off) < $reach) {
                    $sum[0] += $along;
                    $sum[1] += $off;
                    $sum[2] += $along * $along;
                    $sum[3] += $along * $off;
                    $weights++;
                }
            }
            $slope = $shift = 0.0;
            $spread = $weights === 0 ? 0.0 : $sum[2] - $sum[0] ** 2 / $weights;
            if ($weights > 8 && $spread > 1e-6) {
                $slope = ($sum[3] - $sum[0] * $sum[1] / $weights) / $spread;
                $shift = ($sum[1] - $slope * $sum[0]) / $weights;
            }
            $lines[] = [[$x + $shift * $nx, $y + $shift * $ny], [$u + ($shift + $slope) * $nx, $v + ($shift + $slope) * $ny]];
        }

        return array_map(static fn (int $side): array => self::meet($lines[($side + 3) % 4], $lines[$side]) ?? $four[$side], range(0, 3));
    }

    /**
     * @param  array{array{float, float}, array{float, float}}  $one
     * @param  array{array{float, float}, array{float, float}}  $other
     * @return ?array{float, float}
     */
    private static function meet(array $one, array $other): ?array
    {
        [[$x, $y], [$u, $v]] = $one;
        [[$p, $q], [$r, $s]] = $other;
        $cross = ($u - $x) * ($s - $q) - ($v - $y) * ($r - $p);
        if (abs($cross) < 1e-9) {
            return null;
        }
        $t = (($p - $x) * ($s - $q) - ($q - $y) * ($r - $p)) / $cross;

        return [$x + $t * ($u - $x), $y + $t * ($v - $y)];
    }

    /** @param  list<array{float, float}>  $points  clockwise */
    private static function fromUpperLeft(array $points): Corners
    {
        $first = 0;
        foreach ($points as $i => [$x, $y]) {
            if ($x + $y < $points[$first][0] + $points[$first][1]) {
                $first = $i;
            }
        }

        return Corners::of([...array_slice($points, $first), ...array_slice($points, 0, $first)]);
    }
}
