<?php

declare(strict_types=1);

namespace Prism\Reference\Zones;

use Prism\Reference\Image\Field;
use Prism\Reference\Image\Smoothing;

/** Parts a zone in two: as the merge tree last joined it, else into its lighter and its darker part. */
final class ZoneSplit
{
    /** A part is at least this share of the zone, and so many pixels. */
    private const SMALLEST_SHARE = 0.04;

    private const SMALLEST_PIXELS = 40;

    /** Light and dark parts must lie this far apart, in L*. */
    private const LEAST_STEP = 3.0;

    /**
     * @param  int  $new  number of the second part, which no zone has
     * @return ?ZoneMap null if there are no two parts worth a name
     */
    public static function of(ZoneMap $map, int $zone, int $new, ?MergeTree $tree, Field $field): ?ZoneMap
    {
        return ($tree === null ? null : self::byTree($map, $zone, $new, $tree)) ?? self::byValue($map, $zone, $new, $field);
    }

    private static function byTree(ZoneMap $map, int $zone, int $new, MergeTree $tree): ?ZoneMap
    {
        if ($tree->finest->width !== $map->width || $tree->finest->height !== $map->height) {
            return null;
        }
        $leaves = $map->overlap($tree->finest)[$zone] ?? [];
        $least = max(self::SMALLEST_PIXELS, self::SMALLEST_SHARE * array_sum($leaves));
        for ($count = MergeTree::FEWEST; $count <= $tree->most(); $count++) {
            $groups = $tree->groups($count);
            $parts = [];
            foreach ($leaves as $leaf => $pixels) {
                $group = $groups[$leaf] ?? 0;
                $parts[$group] = ($parts[$group] ?? 0) + $pixels;
            }
            $large = array_filter($parts, static fn (int $pixels): bool => $pixels >= $least);
            if (count($large) < 2) {
                continue;
            }
            arsort($large);
            $second = array_keys($large)[1];
            $labels = $map->labels;
            for ($at = 0, $end = strlen($labels); $at < $end; $at++) {
                if (ord($labels[$at]) === $zone && ($groups[ord($tree->finest->labels[$at])] ?? 0) === $second) {
                    $labels[$at] = chr($new);
                }
            }

            return ZoneMap::of($map->width, $map->height, $labels);
        }

        return null;
    }

    private static function byValue(ZoneMap $map, int $zone, int $new, Field $field): ?ZoneMap
    {
        $labels = $map->labels;
        $count = strlen($labels);
        $smooth = Smoothing::of($field)->L;
        [$dark, $light] = [INF, -INF];
        for ($at = 0; $at < $count; $at++) {
            if (ord($labels[$at]) === $zone) {
                $dark = min($dark, $smooth[$at]);
                $light = max($light, $smooth[$at]);
            }
        }
        for ($round = 0; $round < 8; $round++) {
            $sum = $n = [0.0, 0.0];
            for ($at = 0; $at < $count; $at++) {
                if (ord($labels[$at]) === $zone) {
                    $part = $smooth[$at] > ($dark + $light) / 2.0 ? 1 : 0;
                    $sum[$part] += $smooth[$at];
                    $n[$part]++;
                }
            }
            $dark = $n[0] > 0.0 ? $sum[0] / $n[0] : $dark;
            $light = $n[1] > 0.0 ? $sum[1] / $n[1] : $light;
        }
        if ($light - $dark < self::LEAST_STEP) {
            return null;
        }
        for ($at = 0; $at < $count; $at++) {
            if (ord($labels[$at]) === $zone && $smooth[$at] <= ($dark + $light) / 2.0) {
                $labels[$at] = chr($new);
            }
        }
        $least = (int) max(self::SMALLEST_PIXELS, self::SMALLEST_SHARE * substr_count($map->labels, chr($zone)));
        $parted = Tidying::withoutCrumbs(Tidying::withoutCrumbs(ZoneMap::of($map->width, $map->height, $labels), $least, $new), $least, $zone);
        $areas = $parted->areas();

        return min($areas[$zone] ?? 0, $areas[$new] ?? 0) >= $least ? $parted : null;
    }
}
