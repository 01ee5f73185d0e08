<?php

declare(strict_types=1);

namespace Prism\Reference\Zones;

use Prism\Colour\Lab;
use Prism\Reference\Image\Field;

/**
 * The colours of a zone: its local light, middle and dark, and what glints or shimmers in it.
 */
final class ZoneColours
{
    /** With less than this between its dark and light ends, in L*, a zone has one value only. */
    private const ONE_VALUE = 7.0;

    /** The ends of a zone's values: this share lies beyond. */
    private const ENDS = 0.03;

    /** An accent is at least this far from light, middle and dark, in CIELAB units; and so much of the zone. */
    private const ACCENT_DISTANCE = 16.0;

    private const ACCENT_SHARE = 0.002;

    /** A shimmer differs in hue: this far in a*, b* from the colour of its own value; and so much of the zone. */
    private const SHIMMER_DISTANCE = 8.0;

    private const SHIMMER_SHARE = 0.03;

    /** Outliers are gathered in cubes of this edge in CIELAB. */
    private const CELL = 10.0;

    private const MOST_OF_A_KIND = 2;

    /** Where values change by less from pixel to pixel, L*, an edge is taken to be as soft as this. */
    private const LEAST_STEEP = 0.5;

    /** Share of the pixels of a line that show its colour; the others mix with what lies beside it. */
    private const LINE_CORE = 0.5;

    /** Pixels this near to a border may show both sides of it. */
    private const BORDER = 2.0;

    /** A lightest part that is so small and so far above the rest, in L*, is a glint and not the local light. */
    private const GLINT_SHARE = 0.1;

    private const GLINT = 20.0;

    /**
     * @param  non-empty-list<int>  $pixels  of the zone
     * @param  list<float>  $depths  of all pixels from the zone borders
     * @return non-empty-list<ZoneTarget> light, middle, dark, then the others by share
     */
    public static function of(Field $field, array $pixels, array $depths): array
    {
        $bars = array_fill(0, 101, 0);
        foreach ($pixels as $at) {
            $bars[(int) $field->L[$at]]++;
        }
        $count = count($pixels);
        $dark = self::quantile($bars, self::ENDS * $count);
        $light = self::quantile($bars, (1.0 - self::ENDS) * $count);
        if ($light - $dark < self::ONE_VALUE) {
            return self::withOutliers($field, $pixels, $depths, [[TargetRole::Middle, $dark, $light]]);
        }
        [$low, $high, $share, $gap] = self::parted($bars, $dark, $light);
        if ($share < self::GLINT_SHARE && $gap > self::GLINT) {
            [$low, $high] = self::parted($bars, $dark, $high);
        }

        return self::withOutliers($field, $pixels, $depths, [
            [TargetRole::Light, $high, 100.0],
            [TargetRole::Middle, $low, $high],
            [TargetRole::Dark, 0.0, $low],
        ]);
    }

    /**
     * Two limits that part values in three with the least variance within the parts, of all that there are (Otsu 1979); what lies
     * beyond the ends does not pull.
     *
     * @param  array<int, int>  $bars
     * @return array{float, float, float, float} the limits, the share of the lightest part, and how far it lies above the middle
     */
    private static function parted(array $bars, float $dark, float $light): array
    {
        [$first, $end] = [(int) $dark, (int) $light + 1];
        // Pixels, and sums of their values, below each limit.
        $counts = $sums = [$first => 0.0];
        for ($L = $first; $L < $end; $L++) {
            $counts[$L + 1] = $counts[$L] + $bars[$L];
            $sums[$L + 1] = $sums[$L] + $bars[$L] * ($L + 0.5);
        }
        $part = static fn (int $from, int $to): array => [$counts[$to] - $counts[$from], $sums[$to] - $sums[$from]];
        $best = -1.0;
        $means = [$dark, ($dark + $light) / 2.0, $light];
        $lightest = 0.0;
        for ($low = $first + 1; $low < $end; $low++) {
            [$n0, $s0] = $part($first, $low);
            for ($high = $low; $n0 > 0.0 && $high < $end; $high++) {
                [$n1, $s1] = $part($low, $high);
                [$n2, $s2] = $part($high, $end);
                if ($n2 <= 0.0) {
                    break;
                }
                // The least variance within is the most between.
                $between = $s0 * $s0 / $n0 + ($n1 > 0.0 ? $s1 * $s1 / $n1 : 0.0) + $s2 * $s2 / $n2;
                if ($between > $best) {
                    $best = $between;
                    $means = [$s0 / $n0, $n1 > 0.0 ? $s1 / $n1 : ($s0 / $n0 + $s2 / $n2) / 2.0, $s2 / $n2];
                    $lightest = $n2;
                }
            }
        }

        return [($means[0] + $means[1]) / 2.0, ($means[1] + $means[2]) / 2.0, $lightest / max(1.0, $counts[$end]), $means[2] - $means[1]];
    }

    /**
     * @param  non-empty-list<int>  $pixels
     * @param  list<float>  $depths
     * @param  non-empty-list<array{TargetRole, float, float}>  $parts  role, and from and up to which L*
     * @return non-empty-list<ZoneTarget>
     */
    private static function withOutliers(Field $field, array $pixels, array $depths, array $parts): array
    {
        $single = count($parts) === 1;
        $of = [];
        foreach ($parts as $part => [, $from, $to]) {
            $of[$part] = [];
            foreach ($pixels as $at) {
                if ($single || ($field->L[$at] >= $from && $field->L[$at] < $to) || ($to === 100.0 && $field->L[$at] === 100.0)) {
                    $of[$part][] = $at;
                }
            }
        }
        $targets = [];
        $means = [];
        foreach ($parts as $part => [$role]) {
            if ($of[$part] === []) {
                continue;
            }
            $means[$part] = self::mean($field, $of[$part]);
        }
        $outliers = [];
        foreach ($means as $part => [$L, $a, $b]) {
            if ($of[$part] === []) {
                continue;
            }
            $inner = [];
            foreach ($of[$part] as $at) {
                $dL = $field->L[$at] - $L;
                $chromatic = hypot($field->a[$at] - $a, $field->b[$at] - $b);
                if (hypot($dL, $chromatic) > self::ACCENT_DISTANCE || $chromatic > self::SHIMMER_DISTANCE) {
                    if ($depths[$at] <= self::BORDER) {
                        // At a border two zones mix in one pixel; that is no colour of either.
                        continue;
                    }
                    $key = ((int) floor($field->L[$at] / self::CELL) * 64 + (int) floor($field->a[$at] / self::CELL) + 32) * 64 + (int) floor($field->b[$at] / self::CELL) + 32;
                    $outliers[$key][] = $at;
                } else {
                    $inner[] = $at;
                }
            }
            $targets[] = self::target($field, $inner === [] ? $of[$part] : $inner, $depths, $parts[$part][0], count($of[$part]) / count($pixels));
        }
        assert($targets !== []);

        return [...$targets, ...self::others($field, $pixels, $depths, $targets, $outliers)];
    }

    /**
     * @param  non-empty-list<int>  $pixels
     * @param  list<float>  $depths
     * @param  non-empty-list<ZoneTarget>  $locals
     * @param  array<int, non-empty-list<int>>  $outliers
     * @return list<ZoneTarget>
     */
    private static function others(Field $field, array $pixels, array $depths, array $locals, array $outliers): array
    {
        uasort($outliers, static fn (array $x, array $y): int => count($y) <=> count($x));
        $found = [];
        $kinds = ['accent' => 0, 'shimmer' => 0];
        foreach ($outliers as $cell) {
            $share = count($cell) / count($pixels);
            if ($share < self::ACCENT_SHARE) {
                break;
            }
            [$L, $a, $b] = self::mean($field, $cell);
            $nearest = INF;
            foreach ([...$locals, ...$found] as $known) {
                $nearest = min($nearest, sqrt(($L - $known->colour->L) ** 2 + ($a - $known->colour->a) ** 2 + ($b - $known->colour->b) ** 2));
            }
            $role = $nearest > self::ACCENT_DISTANCE ? TargetRole::Accent : ($nearest > self::SHIMMER_DISTANCE && $share >= self::SHIMMER_SHARE ? TargetRole::Shimmer : null);
            if ($role === null || $kinds[$role->value] >= self::MOST_OF_A_KIND) {
                continue;
            }
            $kinds[$role->value]++;
            $target = self::target($field, $cell, $depths, $role, $share);
            $found[] = $role === TargetRole::Accent ? new ZoneTarget($role, $target->colour, $share, $target->spread, $target->x, $target->y, edgeWidth: self::edgeWidth($field, $pixels, $target->colour->L, $locals)) : $target;
        }

        return $found;
    }

    /**
     * Over how much an accent fades into what lies beside it: its contrast by how steep the values are half way down, as in most places.
     *
     * @param  non-empty-list<int>  $pixels  of the zone
     * @param  float  $L  of the accent
     * @param  non-empty-list<ZoneTarget>  $locals
     * @return ?float share of the width of the picture; null where it ends nowhere within the picture
     */
    private static function edgeWidth(Field $field, array $pixels, float $L, array $locals): ?float
    {
        // What most of the zone is: the colour next to a soft accent is its own edge.
        usort($locals, static fn (ZoneTarget $one, ZoneTarget $other): int => $other->share <=> $one->share);
        $beside = $locals[0]->colour->L;
        $contrast = abs($L - $beside);
        $side = $L > $beside ? 1.0 : -1.0;
        $own = array_fill_keys(array_filter($pixels, static fn (int $at): bool => $side * ($field->L[$at] - ($L + $beside) / 2.0) > 0.0), true);
        $widths = [];
        foreach (array_keys($own) as $at) {
            $x = $at % $field->width;
            foreach ([[1, 0], [-1, 0], [0, 1], [0, -1]] as [$dx, $dy]) {
                $next = $at + $dx + $dy * $field->width;
                $beyond = $next + $dx + $dy * $field->width;
                if (isset($own[$next]) || $x + 2 * $dx < 0 || $x + 2 * $dx >= $field->width || ! isset($field->L[$beyond])) {
                    continue;
                }
                $steep = max(abs($field->L[$next] - $field->L[$at]), abs($field->L[$beyond] - $field->L[$next]));
                $widths[] = $contrast / max(self::LEAST_STEEP, $steep);
            }
        }
        sort($widths);

        return $widths === [] ? null : $widths[intdiv(count($widths), 2)] / $field->width;
    }

    /**
     * The colour of lines, by those of their pixels that show least of what lies beside them.
     *
     * @param  bool  $dark  darker than their sides; else lighter
     * @param  int  $area  of the zone, in pixels
     */
    public static function line(Field $field, FoundLines $lines, bool $dark, int $area): ZoneTarget
    {
        $pixels = $lines->pixels;
        usort($pixels, static fn (int $one, int $other): int => $dark ? $field->L[$one] <=> $field->L[$other] : $field->L[$other] <=> $field->L[$one]);
        $core = array_slice($pixels, 0, max(1, (int) (self::LINE_CORE * count($pixels))));
        $target = self::target($field, $core, array_fill_keys($core, 0.0), TargetRole::Line, count($pixels) / $area);

        return new ZoneTarget($target->role, $target->colour, $target->share, $target->spread, $target->x, $target->y, $lines->width);
    }

    /**
     * @param  non-empty-list<int>  $pixels
     * @param  array<int, float>  $depths
     */
    private static function target(Field $field, array $pixels, array $depths, TargetRole $role, float $share): ZoneTarget
    {
        [$L, $a, $b] = self::mean($field, $pixels);
        $squares = 0.0;
        $best = $pixels[0];
        $least = INF;
        foreach ($pixels as $at) {
            $square = ($field->L[$at] - $L) ** 2 + ($field->a[$at] - $a) ** 2 + ($field->b[$at] - $b) ** 2;
            $squares += $square;
            // True to the colour, and not at a border.
            $miss = sqrt($square) - 0.25 * min(16.0, $depths[$at]);
            if ($miss < $least) {
                $least = $miss;
                $best = $at;
            }
        }

        return new ZoneTarget(
            $role,
            Lab::of(round(max(0.0, min(100.0, $L)), 3), round($a, 3), round($b, 3)),
            $share,
            sqrt($squares / count($pixels)),
            ($best % $field->width + 0.5) / $field->width,
            (intdiv($best, $field->width) + 0.5) / $field->height,
        );
    }

    /**
     * @param  non-empty-list<int>  $pixels
     * @return array{float, float, float}
     */
    private static function mean(Field $field, array $pixels): array
    {
        $L = $a = $b = 0.0;
        foreach ($pixels as $at) {
            $L += $field->L[$at];
            $a += $field->a[$at];
            $b += $field->b[$at];
        }
        $n = count($pixels);

        return [$L / $n, $a / $n, $b / $n];
    }

    /** @param  array<int, int>  $bars */
    private static function quantile(array $bars, float $rank): float
    {
        $sum = 0;
        foreach ($bars as $L => $n) {
            if ($sum + $n >= $rank) {
                return $L + ($rank - $sum) / max(1, $n);
            }
            $sum += $n;
        }

        return 100.0;
    }
}
