<?php

declare(strict_types=1);

namespace Prism\Reference\Lines;

use Prism\Reference\Zones\ZoneMap;

/**
 * The form that outlines suggest: each area swells from its border like a skin blown up, so that a disc becomes half a ball and a
 * strip half a tube. The height is the root of the solution of Poisson's equation with nothing at the border, found from coarse to
 * fine by successive over-relaxation (Young 1954).
 */
final class Relief
{
    /** Long edges of the grids, coarse to fine, in pixels; and sweeps over each. */
    private const GRIDS = [90 => 90, 180 => 60, 360 => 30];

    private const RELAXATION = 1.85;

    /**
     * The squared height of each pixel above the paper, in pixels of the map squared.
     *
     * @param  list<int>  $zones  that swell; all else is flat
     * @return list<float>
     */
    public static function of(ZoneMap $map, array $zones): array
    {
        $long = max($map->width, $map->height);
        $before = $map;
        $height = [];
        foreach (self::GRIDS as $edge => $sweeps) {
            $scale = min(1.0, $edge / $long);
            $grid = $map->scaled(max(1, (int) round($map->width * $scale)), max(1, (int) round($map->height * $scale)));
            $height = self::swollen($grid, $zones, $sweeps, $height === [] ? null : self::enlarged($before, $height, $grid));
            $before = $grid;
            if ($scale === 1.0) {
                return $height;
            }
        }

        return self::enlarged($before, $height, $map);
    }

    /**
     * @param  list<int>  $zones
     * @param  ?list<float>  $start
     * @return list<float>
     */
    private static function swollen(ZoneMap $grid, array $zones, int $sweeps, ?array $start): array
    {
        [$width, $labels] = [$grid->width, $grid->labels];
        $count = $width * $grid->height;
        $height = $start ?? array_fill(0, $count, 0.0);
        $inside = [];
        $swells = array_fill_keys(array_map(chr(...), $zones), true);
        for ($at = 0; $at < $count; $at++) {
            $own = $labels[$at];
            $x = $at % $width;
            // At the border of the picture and of the area the height is nothing.
            if (! isset($swells[$own]) || $x === 0 || $x === $width - 1 || $at < $width || $at >= $count - $width) {
                $height[$at] = 0.0;

                continue;
            }
            if ($labels[$at - 1] === $own && $labels[$at + 1] === $own && $labels[$at - $width] === $own && $labels[$at + $width] === $own) {
                $inside[] = $at;
            } else {
                $height[$at] = 0.0;
            }
        }
        for ($sweep = 0; $sweep < $sweeps; $sweep++) {
            foreach ($inside as $at) {
                // The height squared falls by 4 for each pixel squared in all: then a disc of radius r is half a ball of radius r.
                $height[$at] += self::RELAXATION * (0.25 * ($height[$at - 1] + $height[$at + 1] + $height[$at - $width] + $height[$at + $width] + 4.0) - $height[$at]);
            }
        }

        return array_values($height);
    }

    /**
     * @param  array<int, float>  $height
     * @return list<float>
     */
    private static function enlarged(ZoneMap $from, array $height, ZoneMap $to): array
    {
        $square = ($to->width / $from->width) ** 2;
        $enlarged = [];
        for ($y = 0; $y < $to->height; $y++) {
            $v = max(0.0, min($from->height - 1.0, ($y + 0.5) * $from->height / $to->height - 0.5));
            $row = (int) $v;
            $down = $v - $row;
            $below = min($from->height - 1, $row + 1) * $from->width;
            $row *= $from->width;
            for ($x = 0; $x < $to->width; $x++) {
                $u = max(0.0, min($from->width - 1.0, ($x + 0.5) * $from->width / $to->width - 0.5));
                $column = (int) $u;
                $right = $u - $column;
                $next = min($from->width - 1, $column + 1);
                $enlarged[] = $square * max(0.0, (1.0 - $down) * ((1.0 - $right) * $height[$row + $column] + $right * $height[$row + $next])
                    + $down * ((1.0 - $right) * $height[$below + $column] + $right * $height[$below + $next]));
            }
        }

        return $enlarged;
    }
}
