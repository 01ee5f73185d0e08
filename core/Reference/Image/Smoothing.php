<?php

declare(strict_types=1);

namespace Prism\Reference\Image;

/**
 * Takes grain and noise out of a picture and leaves its edges: an edge-avoiding a trous filter, each pass with its taps
 * twice as far apart. After Dammertz, Sewtz, Hanika & Lensch 2010, with a plain mean of the neighbours that are near in colour.
 */
final class Smoothing
{
    /**
     * @param  int  $passes  the taps reach 2^passes - 1 pixels in all
     * @param  float  $tolerance  neighbours further away than this (sum of |dL*|, |da*| and |db*|) do not count
     */
    public static function of(Field $field, int $passes = 3, float $tolerance = 9.0): Field
    {
        [$width, $height, $L, $a, $b] = [$field->width, $field->height, $field->L, $field->a, $field->b];
        for ($pass = 0; $pass < $passes; $pass++) {
            $step = 1 << $pass;
            [$L, $a, $b] = self::pass($width, $height, $L, $a, $b, $step, $tolerance);
        }

        return Field::ofPlanes($width, $height, $L, $a, $b);
    }

    /**
     * @param  list<float>  $L
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @return array{list<float>, list<float>, list<float>}
     */
    private static function pass(int $width, int $height, array $L, array $a, array $b, int $step, float $tolerance): array
    {
        $newL = $newA = $newB = [];
        for ($y = 0; $y < $height; $y++) {
            $rows = [$y >= $step ? -$step * $width : 0, 0, $y + $step < $height ? $step * $width : 0];
            for ($x = 0; $x < $width; $x++) {
                $at = $y * $width + $x;
                $left = $x >= $step ? $step : 0;
                $right = $x + $step < $width ? $step : 0;
                $cL = $L[$at];
                $cA = $a[$at];
                $cB = $b[$at];
                $sL = $sA = $sB = 0.0;
                $n = 0;
                for ($k = 0; $k < 3; $k++) {
                    $middle = $at + $rows[$k];
                    $from = $middle - $left;
                    $to = $middle + $right;
                    // Column by column, written out: the tracing JIT of PHP 8.2 has been seen to go wrong on nested choices here.
                    $l = $L[$from];
                    $g = $a[$from];
                    $h = $b[$from];
                    if (abs($l - $cL) + abs($g - $cA) + abs($h - $cB) < $tolerance) {
                        $sL += $l;
                        $sA += $g;
                        $sB += $h;
                        $n++;
                    }
                    $l = $L[$middle];
                    $g = $a[$middle];
                    $h = $b[$middle];
                    if (abs($l - $cL) + abs($g - $cA) + abs($h - $cB) < $tolerance) {
                        $sL += $l;
                        $sA += $g;
                        $sB += $h;
                        $n++;
                    }
                    $l = $L[$to];
                    $g = $a[$to];
                    $h = $b[$to];
                    if (abs($l - $cL) + abs($g - $cA) + abs($h - $cB) < $tolerance) {
                        $sL += $l;
                        $sA += $g;
                        $sB += $h;
                        $n++;
                    }
                }
                $newL[] = $sL / $n;
                $newA[] = $sA / $n;
                $newB[] = $sB / $n;
            }
        }

        return [$newL, $newA, $newB];
    }
}
