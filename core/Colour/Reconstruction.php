<?php

declare(strict_types=1);

namespace Prism\Colour;

use Prism\Maths\LinearSystem;

/**
 * The smoothest reflectance that has a given colour.
 *
 * Reflectance is written r = (1 + tanh z) / 2, so it stays within 0-1; the sum of squared steps of z is made least
 * under the three colour equations, by Newton's method on the Lagrangian. Source of the method: S. A. Burns 2020,
 * "Numerical methods for smoothest reflectance reconstruction", Color Research & Application 45.
 */
final class Reconstruction
{
    private const ITERATIONS = 60;

    private const TOLERANCE = 1e-10;

    /**
     * @param  list<array<int, float>>  $weights  rows X, Y, Z relative to white, one weight a band
     * @return array<int, float> reflectances 0-1, one a band; for colours no surface can have, the nearest towards grey
     */
    public static function smoothest(Lab $lab, array $weights): array
    {
        $lightness = max(0.4, min(99.8, $lab->L));
        // No surface reaches the rim of the solid; draw in until one does.
        for ($share = 1.0; $share > 0.0; $share -= 0.04) {
            [$x, $y, $z] = Lab::of($lightness, $lab->a * $share, $lab->b * $share)->toRelativeXyz();
            if ($x <= 0.0 || $z <= 0.0) {
                continue;
            }
            $found = self::solve([$x, $y, $z], $weights);
            if ($found !== null) {
                return $found;
            }
        }

        return array_fill(0, count($weights[0]), Lab::of($lightness, 0, 0)->toRelativeXyz()[1]);
    }

    /**
     * @param  array{float, float, float}  $target
     * @param  list<array<int, float>>  $weights
     * @return array<int, float>|null
     */
    private static function solve(array $target, array $weights): ?array
    {
        $n = count($weights[0]);
        $start = atanh(max(-0.98, min(0.98, 2.0 * $target[1] - 1.0)));
        $z = array_fill(0, $n, $start);
        $lambda = [0.0, 0.0, 0.0];
        for ($iteration = 0; $iteration < self::ITERATIONS; $iteration++) {
            $size = $n + 3;
            $matrix = array_fill(0, $size, array_fill(0, $size, 0.0));
            $right = array_fill(0, $size, 0.0);
            $residual = $target;
            for ($i = 0; $i < $n; $i++) {
                $tanh = tanh($z[$i]);
                $slope = (1.0 - $tanh * $tanh) / 2.0;
                $bend = -2.0 * $tanh * $slope;
                $gradient = 0.0;
                $pull = 0.0;
                foreach ([-1, 1] as $side) {
                    if ($i + $side >= 0 && $i + $side < $n) {
                        $gradient += 2.0 * ($z[$i] - $z[$i + $side]);
                        $matrix[$i][$i] += 2.0;
                        $matrix[$i][$i + $side] -= 2.0;
                    }
                }
                for ($c = 0; $c < 3; $c++) {
                    $w = $weights[$c][$i];
                    $residual[$c] -= $w * (1.0 + $tanh) / 2.0;
                    $matrix[$i][$n + $c] = $w * $slope;
                    $matrix[$n + $c][$i] = $w * $slope;
                    $gradient += $lambda[$c] * $w * $slope;
                    $pull += $lambda[$c] * $w * $bend;
                }
                $matrix[$i][$i] += $pull;
                $right[$i] = -$gradient;
            }
            for ($c = 0; $c < 3; $c++) {
                $right[$n + $c] = $residual[$c];
            }
            try {
                $step = LinearSystem::solve($matrix, $right);
            } catch (\DomainException) {
                return null;
            }
            $largest = 0.0;
            foreach ($step as $value) {
                if (! is_finite($value)) {
                    return null;
                }
            }
            for ($i = 0; $i < $n; $i++) {
                $largest = max($largest, abs($step[$i]));
            }
            $damp = $largest > 1.5 ? 1.5 / $largest : 1.0;
            for ($i = 0; $i < $n; $i++) {
                $z[$i] += $damp * $step[$i];
                if (abs($z[$i]) > 9.0) {
                    return null;
                }
            }
            for ($c = 0; $c < 3; $c++) {
                $lambda[$c] += $damp * $step[$n + $c];
            }
            if ($largest < self::TOLERANCE) {
                return array_map(static fn (float $v): float => (1.0 + tanh($v)) / 2.0, $z);
            }
        }

        return null;
    }
}
