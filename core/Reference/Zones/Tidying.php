<?php

declare(strict_types=1);

namespace Prism\Reference\Zones;

/** Gives the borders of zones a drawable line, and takes away what has come loose. */
final class Tidying
{
    /**
     * Each pixel goes to the zone that most of the 5 x 5 around it belong to: a ragged border becomes a line, and one that
     * follows an edge stays where it is.
     */
    public static function smoothed(ZoneMap $map, int $passes = 2): ZoneMap
    {
        [$width, $height, $labels] = [$map->width, $map->height, $map->labels];
        for ($pass = 0; $pass < $passes; $pass++) {
            $next = $labels;
            for ($y = 2; $y < $height - 2; $y++) {
                for ($x = 2; $x < $width - 2; $x++) {
                    $at = $y * $width + $x;
                    $own = $labels[$at];
                    // Inside a zone there is nothing to decide; this is nearly all of the picture.
                    if ($labels[$at - 2] === $own && $labels[$at + 2] === $own && $labels[$at - 2 * $width] === $own && $labels[$at + 2 * $width] === $own) {
                        continue;
                    }
                    $votes = [$own => 0];
                    for ($k = -2; $k <= 2; $k++) {
                        $row = $at + $k * $width;
                        for ($i = $row - 2; $i <= $row + 2; $i++) {
                            $votes[$labels[$i]] = ($votes[$labels[$i]] ?? 0) + 1;
                        }
                    }
                    $most = max($votes);
                    if ($most > $votes[$own]) {
                        $next[$at] = (string) array_search($most, $votes, true);
                    }
                }
            }
            $labels = $next;
        }

        return ZoneMap::of($width, $height, $labels);
    }

    /** A zone, or what was in none (0), is no more: each of its pixels goes to the neighbour that reaches it first. */
    public static function dissolved(ZoneMap $map, int $zone): ZoneMap
    {
        [$width, $height, $labels] = [$map->width, $map->height, $map->labels];
        $count = $width * $height;
        $gone = chr($zone);
        $front = [];
        for ($at = 0; $at < $count; $at++) {
            if ($labels[$at] !== $gone && $labels[$at] !== "\0") {
                $front[] = $at;
            }
        }
        while ($front !== []) {
            $next = [];
            foreach ($front as $at) {
                $x = $at % $width;
                foreach ([$x > 0 ? $at - 1 : -1, $x < $width - 1 ? $at + 1 : -1, $at - $width, $at + $width] as $to) {
                    if ($to >= 0 && $to < $count && $labels[$to] === $gone) {
                        $labels[$to] = $labels[$at];
                        $next[] = $to;
                    }
                }
            }
            $front = $next;
        }

        return ZoneMap::of($width, $height, str_replace($gone, "\0", $labels));
    }

    /**
     * Pieces of a zone that are smaller than this go to the neighbour they touch most. A zone that is all crumbs keeps its
     * largest piece.
     *
     * @param  ?int  $only  look after this zone alone
     */
    public static function withoutCrumbs(ZoneMap $map, int $smallest, ?int $only = null): ZoneMap
    {
        [$width, $height, $labels] = [$map->width, $map->height, $map->labels];
        $count = $width * $height;
        $seen = array_fill(0, $count, false);
        $pieces = [];
        $largest = [];
        for ($start = 0; $start < $count; $start++) {
            if ($seen[$start] || $labels[$start] === "\0" || ($only !== null && ord($labels[$start]) !== $only)) {
                continue;
            }
            $own = $labels[$start];
            $seen[$start] = true;
            $piece = [$start];
            $neighbours = [];
            for ($head = 0; $head < count($piece); $head++) {
                $at = $piece[$head];
                $x = $at % $width;
                for ($k = 0; $k < 4; $k++) {
                    if (($k === 0 && $x === 0) || ($k === 1 && $x === $width - 1)) {
                        continue;
                    }
                    $next = $k === 0 ? $at - 1 : ($k === 1 ? $at + 1 : ($k === 2 ? $at - $width : $at + $width));
                    if ($next < 0 || $next >= $count) {
                        continue;
                    }
                    $other = $labels[$next];
                    if ($other !== $own) {
                        $neighbours[ord($other)] = ($neighbours[ord($other)] ?? 0) + 1;
                    } elseif (! $seen[$next]) {
                        $seen[$next] = true;
                        $piece[] = $next;
                    }
                }
            }
            $zone = ord($own);
            $largest[$zone] = max($largest[$zone] ?? 0, count($piece));
            if (count($piece) < $smallest) {
                $pieces[] = [$zone, $piece, $neighbours];
            }
        }
        foreach ($pieces as [$zone, $piece, $neighbours]) {
            if (count($piece) === $largest[$zone] || $neighbours === []) {
                $largest[$zone] = -1;

                continue;
            }
            arsort($neighbours);
            $to = chr((int) array_key_first($neighbours));
            foreach ($piece as $at) {
                $labels[$at] = $to;
            }
        }

        return ZoneMap::of($width, $height, $labels);
    }
}
