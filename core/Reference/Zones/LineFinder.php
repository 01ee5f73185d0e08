<?php

declare(strict_types=1);

namespace Prism\Reference\Zones;

use Prism\Reference\Image\Field;

/**
 * Finds the lines within a zone: seams, strands, veins, edges of facets; darker or lighter than what lies on both sides of them.
 *
 * A pixel lies on a line where those a few pixels off to both sides, in one of four directions, differ from it the same way; what
 * hangs together is a line if it is long and thin. Steps from one value to another have two different sides and are none.
 */
final readonly class LineFinder
{
    /** Looked to both sides at these distances, in shares of the width of the picture: half a pencil line to a wide one. */
    private const REACHES = [0.0035, 0.007];

    /** A line stands out by so much from both sides, L*. */
    private const STANDS_OUT = 5.0;

    /** It is so long, share of the width, and so many times longer than wide. */
    private const LONG = 0.07;

    private const TIMES = 8.0;

    /** Its pixels do so by this on the mean; weaker ones are texture. */
    private const PLAIN = 7.5;

    /** Lines of a zone are so long together at least, share of the width, and cover no more of it than this: else it is one itself. */
    private const ALL = 0.24;

    private const MOST = 0.2;

    /** Nearer to the border of the zone it is an edge of it, pixels. */
    private const BORDER = 2.0;

    public function __construct(private Field $field)
    {
    }

    /**
     * @param  non-empty-list<int>  $pixels  of the zone
     * @param  list<float>  $depths  of all pixels from the zone borders
     * @return array{dark: ?FoundLines, light: ?FoundLines}
     */
    public function of(array $pixels, array $depths): array
    {
        return ['dark' => $this->found($pixels, $depths, 1.0), 'light' => $this->found($pixels, $depths, -1.0)];
    }

    /**
     * @param  non-empty-list<int>  $pixels
     * @param  list<float>  $depths
     * @param  float  $sign  1: darker than its sides, -1: lighter
     */
    private function found(array $pixels, array $depths, float $sign): ?FoundLines
    {
        $on = $this->standingOut($pixels, $depths, $sign);
        $lines = [];
        $length = 0.0;
        $area = 0;
        foreach ($this->pieces($on) as $piece) {
            [$long, $wide] = $this->extent($piece);
            $out = array_sum(array_map(static fn (int $at): float => $on[$at], $piece)) / count($piece);
            if ($long >= self::LONG * $this->field->width && $long >= self::TIMES * $wide && $out >= self::PLAIN) {
                array_push($lines, ...$piece);
                $length += $long;
                $area += count($piece);
            }
        }

        return $lines === [] || $area > self::MOST * count($pixels) || $length < self::ALL * $this->field->width
            ? null : new FoundLines($lines, $length / $this->field->width, max(1.0, $area / $length) / $this->field->width);
    }

    /**
     * By how much both sides differ from a pixel, the less of them, in the direction in which that is most.
     *
     * @param  non-empty-list<int>  $pixels
     * @param  list<float>  $depths
     * @return array<int, float> by pixel, L*; of those that may lie on a line
     */
    private function standingOut(array $pixels, array $depths, float $sign): array
    {
        [$width, $height, $L] = [$this->field->width, $this->field->height, $this->field->L];
        $reaches = array_values(array_unique(array_map(static fn (float $share): int => max(1, (int) round($share * $width)), self::REACHES)));
        $margin = max($reaches);
        $offsets = [];
        foreach ($reaches as $reach) {
            array_push($offsets, $reach, $reach * $width, $reach * ($width + 1), $reach * ($width - 1));
        }
        $on = [];
        foreach ($pixels as $at) {
            $x = $at % $width;
            $y = intdiv($at, $width);
            if ($depths[$at] <= self::BORDER || $x < $margin || $x >= $width - $margin || $y < $margin || $y >= $height - $margin) {
                continue;
            }
            $least = $sign * $L[$at] + self::STANDS_OUT;
            $most = 0.0;
            foreach ($offsets as $offset) {
                $one = $sign * $L[$at + $offset];
                if ($one < $least) {
                    continue;
                }
                $other = $sign * $L[$at - $offset];
                if ($other >= $least) {
                    $most = max($most, min($one, $other) - $least);
                }
            }
            if ($most > 0.0) {
                $on[$at] = $most + self::STANDS_OUT;
            }
        }

        return $on;
    }

    /**
     * What hangs together.
     *
     * @param  array<int, float>  $on
     * @return list<non-empty-list<int>>
     */
    private function pieces(array $on): array
    {
        $width = $this->field->width;
        $pieces = [];
        while ($on !== []) {
            $start = array_key_first($on);
            unset($on[$start]);
            $piece = [$start];
            for ($head = 0; $head < count($piece); $head++) {
                $x = $piece[$head] % $width;
                for ($k = 0; $k < 9; $k++) {
                    $dx = $k % 3 - 1;
                    $next = $piece[$head] + (intdiv($k, 3) - 1) * $width + $dx;
                    if ($x + $dx >= 0 && $x + $dx < $width && isset($on[$next])) {
                        unset($on[$next]);
                        $piece[] = $next;
                    }
                }
            }
            $pieces[] = $piece;
        }

        return $pieces;
    }

    /**
     * How long a piece is from end to end, by the two ends that are furthest apart, and how wide on the mean; pixels.
     *
     * @param  non-empty-list<int>  $piece
     * @return array{float, float}
     */
    private function extent(array $piece): array
    {
        $width = $this->field->width;
        $furthest = static function (int $from) use ($piece, $width): array {
            $best = [$from, 0.0];
            foreach ($piece as $at) {
                $distance = hypot($at % $width - $from % $width, intdiv($at, $width) - intdiv($from, $width));
                if ($distance > $best[1]) {
                    $best = [$at, $distance];
                }
            }

            return $best;
        };
        [$end] = $furthest($piece[0]);
        $long = $furthest($end)[1] + 1.0;

        return [$long, count($piece) / $long];
    }
}
