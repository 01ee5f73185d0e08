<?php

declare(strict_types=1);

namespace Prism\Reference\Lines;

use Prism\Reference\Zones\ZoneMap;

/**
 * The areas that lines close, gaps of the lines bridged: the distance from the lines is flooded from its heights, and where two
 * waters meet, they are one area unless the opening between them is small, in itself and against both (a watershed by the depth of
 * its saddles; Meyer and Beucher 1990, Grimaud 1992).
 */
final readonly class ClosedAreas
{
    /** A gap of a line is at most this share of the long edge: 5 mm of a drawing on A4. */
    private const GAP = 0.02;

    /** And at most this share as wide as the narrower of the areas that it would join: else an area only narrows there. */
    private const NARROWS = 0.6;

    /** What is smaller is part of the line: pixels, and thirds of a pixel from its borders. */
    private const SMALLEST = 40;

    private const THINNEST = 6;

    /** An opening of less, thirds of a pixel, is a leak between pixels and not a gap. */
    private const LEAK = 6;

    public const MOST = 120;

    private const NONE = -1;

    /** @param  int  $more  areas there are beyond the largest {@see self::MOST} */
    private function __construct(public ZoneMap $map, public int $gaps, public int $more)
    {
    }

    /** @param  string  $walls  a byte a pixel, 1 for a line */
    public static function of(string $walls, int $width, int $height): self
    {
        $depths = Depths::of($walls, $width, $height);
        [$waters, $into, $peaks, $saddles] = self::flooded($depths, $width, $height);
        $root = static function (int $water) use (&$into): int {
            while ($into[$water] !== $water) {
                $water = $into[$water] = $into[$into[$water]];
            }

            return $water;
        };
        $sizes = [];
        foreach ($waters as $at => $water) {
            if ($water !== self::NONE) {
                $waters[$at] = $root($water);
                $sizes[$waters[$at]] = ($sizes[$waters[$at]] ?? 0) + 1;
            }
        }
        $areas = array_filter($sizes, static fn (int $size, int $water): bool => $size >= self::SMALLEST && $peaks[$water] >= self::THINNEST, ARRAY_FILTER_USE_BOTH);
        arsort($areas);
        $kept = array_slice($areas, 0, self::MOST, true);
        $numbers = [];
        $labels = str_repeat("\0", $width * $height);
        foreach ($waters as $at => $water) {
            if (isset($kept[$water])) {
                $labels[$at] = chr($numbers[$water] ??= count($numbers) + 1);
            }
        }
        $gaps = [];
        foreach ($saddles as $pair => $opening) {
            [$one, $other] = array_map(intval(...), explode(' ', $pair));
            [$one, $other] = [$root($one), $root($other)];
            if ($one !== $other && $opening >= self::LEAK && isset($kept[$one], $kept[$other])) {
                $gaps[min($one, $other).' '.max($one, $other)] = true;
            }
        }

        return new self(ZoneMap::of($width, $height, $labels), count($gaps), count($areas) - count($kept));
    }

    /**
     * @param  list<int>  $depths
     * @return array{array<int, int>, array<int, int>, array<int, int>, array<string, int>} the water of each pixel; into which one each has
     *                                                                                      flowed; how deep each is; the openings that were kept shut
     */
    private static function flooded(array $depths, int $width, int $height): array
    {
        $count = $width * $height;
        $gap = (int) round(self::GAP * max($width, $height) * Depths::PIXEL);
        $waters = array_fill(0, $count, self::NONE);
        $into = $peaks = $saddles = [];
        foreach (self::deepestFirst($depths) as $at) {
            $depth = $depths[$at];
            $x = $at % $width;
            $own = self::NONE;
            $highest = -1;
            foreach ([$x > 0 ? $at - 1 : -1, $x < $width - 1 ? $at + 1 : -1, $at - $width, $at + $width] as $beside) {
                if ($beside < 0 || $beside >= $count || $waters[$beside] === self::NONE) {
                    continue;
                }
                $water = $waters[$beside];
                while ($into[$water] !== $water) {
                    $water = $into[$water] = $into[$into[$water]];
                }
                if ($own === self::NONE || $own === $water) {
                    $own = $water;
                    $highest = max($highest, $depths[$beside]);

                    continue;
                }
                $narrower = min($peaks[$own], $peaks[$water]);
                if (2 * $depth <= $gap && $depth <= self::NARROWS * $narrower) {
                    $pair = min($own, $water).' '.max($own, $water);
                    $saddles[$pair] = max($saddles[$pair] ?? 0, $depth);
                    if ($depths[$beside] > $highest) {
                        $own = $water;
                        $highest = $depths[$beside];
                    }

                    continue;
                }
                [$stays, $goes] = $peaks[$own] >= $peaks[$water] ? [$own, $water] : [$water, $own];
                $into[$goes] = $stays;
                $own = $stays;
                $highest = max($highest, $depths[$beside]);
            }
            if ($own === self::NONE) {
                $own = count($into);
                $into[] = $own;
                $peaks[] = $depth;
            }
            $waters[$at] = $own;
        }

        return [$waters, $into, $peaks, $saddles];
    }

    /**
     * @param  list<int>  $depths
     * @return list<int> pixels that are on no line
     */
    private static function deepestFirst(array $depths): array
    {
        $of = [];
        foreach ($depths as $at => $depth) {
            if ($depth > 0) {
                $of[$depth][] = $at;
            }
        }
        krsort($of);

        return array_merge(...array_values($of));
    }
}
