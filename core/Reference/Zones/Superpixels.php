<?php

declare(strict_types=1);

namespace Prism\Reference\Zones;

use Prism\Reference\Image\Field;

/**
 * A picture cut into many small patches whose borders lie on its edges: a watershed of the gradient, flooded from one seed
 * in each cell of a grid (Vincent & Soille 1991; seeds and compactness as in Machairas et al. 2015).
 */
final readonly class Superpixels
{
    private const LEVELS = 256;

    /** Gradients above this all count as the same wall. */
    private const STEEPEST = 40.0;

    /**
     * @param  array<int, int>  $labels  0 up to count - 1, for each pixel
     */
    private function __construct(public int $width, public int $height, public array $labels, public int $count)
    {
    }

    /**
     * @param  int  $cell  edge of a cell in pixels: about the diameter of a patch
     * @param  float  $compactness  how much a pixel's distance from its seed counts against its gradient
     */
    public static function of(Field $field, int $cell = 10, float $compactness = 0.5): self
    {
        [$width, $height] = [$field->width, $field->height];
        $gradient = self::gradient($field);
        $count = $width * $height;
        $labels = array_fill(0, $count, -1);
        $buckets = array_fill(0, self::LEVELS, []);
        $seedX = $seedY = [];
        $label = 0;
        for ($top = 0; $top < $height; $top += $cell) {
            for ($left = 0; $left < $width; $left += $cell) {
                $seed = self::seed($gradient, $width, $height, $left, $top, $cell);
                $labels[$seed] = $label;
                $seedX[] = $seed % $width;
                $seedY[] = intdiv($seed, $width);
                $buckets[0][] = $seed;
                $label++;
            }
        }
        $scale = $compactness * self::LEVELS / (2.0 * $cell * 10.0);
        for ($level = 0; $level < self::LEVELS; $level++) {
            // What is flooded at this level may add more to it.
            while ($buckets[$level] !== []) {
                $batch = $buckets[$level];
                $buckets[$level] = [];
                $size = count($batch);
                for ($i = 0; $i < $size; $i++) {
                    $at = $batch[$i];
                    $own = $labels[$at];
                    $x = $at % $width;
                    for ($k = 0; $k < 4; $k++) {
                        if ($k === 0) {
                            if ($x === 0) {
                                continue;
                            }
                            $next = $at - 1;
                        } elseif ($k === 1) {
                            if ($x === $width - 1) {
                                continue;
                            }
                            $next = $at + 1;
                        } elseif ($k === 2) {
                            $next = $at - $width;
                        } else {
                            $next = $at + $width;
                        }
                        if ($next < 0 || $next >= $count || $labels[$next] >= 0) {
                            continue;
                        }
                        $labels[$next] = $own;
                        $dx = $next % $width - $seedX[$own];
                        $dy = intdiv($next, $width) - $seedY[$own];
                        $wall = (int) ($gradient[$next] + $scale * sqrt($dx * $dx + $dy * $dy));
                        $buckets[max($level, min(self::LEVELS - 1, $wall))][] = $next;
                    }
                }
            }
        }

        return new self($width, $height, $labels, $label);
    }

    /**
     * Steepness of the picture at each pixel, 0-255.
     *
     * @return list<float>
     */
    private static function gradient(Field $field): array
    {
        [$width, $height, $L, $a, $b] = [$field->width, $field->height, $field->L, $field->a, $field->b];
        $scale = (self::LEVELS - 1) / self::STEEPEST;
        $gradient = [];
        for ($y = 0; $y < $height; $y++) {
            $up = $y > 0 ? -$width : 0;
            $down = $y < $height - 1 ? $width : 0;
            for ($x = 0; $x < $width; $x++) {
                $at = $y * $width + $x;
                $l = $x > 0 ? $at - 1 : $at;
                $r = $x < $width - 1 ? $at + 1 : $at;
                $u = $at + $up;
                $d = $at + $down;
                $dx = ($L[$r] - $L[$l]) ** 2 + ($a[$r] - $a[$l]) ** 2 + ($b[$r] - $b[$l]) ** 2;
                $dy = ($L[$d] - $L[$u]) ** 2 + ($a[$d] - $a[$u]) ** 2 + ($b[$d] - $b[$u]) ** 2;
                $gradient[] = min(255.0, $scale * sqrt($dx + $dy));
            }
        }

        return $gradient;
    }

    /** @param  list<float>  $gradient */
    private static function seed(array $gradient, int $width, int $height, int $left, int $top, int $cell): int
    {
        // Not in the margin of the cell, where two seeds could touch.
        $margin = min(2, intdiv($cell - 1, 2));
        $best = min($height - 1, $top + intdiv($cell, 2)) * $width + min($width - 1, $left + intdiv($cell, 2));
        $least = INF;
        for ($y = $top + $margin; $y < min($height, $top + $cell - $margin); $y++) {
            for ($x = $left + $margin; $x < min($width, $left + $cell - $margin); $x++) {
                if ($gradient[$y * $width + $x] < $least) {
                    $least = $gradient[$y * $width + $x];
                    $best = $y * $width + $x;
                }
            }
        }

        return $best;
    }
}
