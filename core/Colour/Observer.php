<?php

declare(strict_types=1);

namespace Prism\Colour;

/**
 * The CIE 1931 2 degree standard observer under illuminant D50, tabulated 380-730 nm in steps of 10 nm.
 *
 * Source: CIE 15:2004 tables T.4 (colour matching functions) and T.1 (daylight D50). The sums are normalised so that
 * a perfect white has Y = 1; white is then the sum of the tables themselves and not the rounded textbook triple, so
 * that a flat spectrum has a* = b* = 0 exactly.
 */
final class Observer
{
    public const FIRST_NM = 380;

    public const STEP_NM = 10;

    public const SAMPLES = 36;

    private const X = [
        0.001368, 0.004243, 0.014310, 0.043510, 0.134380, 0.283900, 0.348280, 0.336200, 0.290800, 0.195360, 0.095640, 0.032010,
        0.004900, 0.009300, 0.063270, 0.165500, 0.290400, 0.433450, 0.594500, 0.762100, 0.916300, 1.026300, 1.062200, 1.002600,
        0.854450, 0.642400, 0.447900, 0.283500, 0.164900, 0.087400, 0.046770, 0.022700, 0.011359, 0.005790, 0.002899, 0.001440,
    ];

    private const Y = [
        0.000039, 0.000120, 0.000396, 0.001210, 0.004000, 0.011600, 0.023000, 0.038000, 0.060000, 0.090980, 0.139020, 0.208020,
        0.323000, 0.503000, 0.710000, 0.862000, 0.954000, 0.994950, 0.995000, 0.952000, 0.870000, 0.757000, 0.631000, 0.503000,
        0.381000, 0.265000, 0.175000, 0.107000, 0.061000, 0.032000, 0.017000, 0.008210, 0.004102, 0.002091, 0.001047, 0.000520,
    ];

    private const Z = [
        0.006450, 0.020050, 0.067850, 0.207400, 0.645600, 1.385600, 1.747060, 1.772110, 1.669200, 1.287640, 0.812950, 0.465180,
        0.272000, 0.158200, 0.078250, 0.042160, 0.020300, 0.008750, 0.003900, 0.002100, 0.001650, 0.001100, 0.000800, 0.000340,
        0.000190, 0.000050, 0.000020, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0,
    ];

    private const D50 = [
        24.49, 29.87, 49.31, 56.51, 60.03, 57.82, 74.82, 87.25, 90.61, 91.37, 95.11, 91.96,
        95.72, 96.61, 97.13, 102.10, 100.75, 102.32, 100.00, 97.74, 98.92, 93.50, 97.69, 99.27,
        99.04, 95.72, 98.86, 95.67, 98.19, 103.00, 99.13, 87.38, 91.60, 92.89, 76.85, 86.51,
    ];

    /**
     * X, Y, Z of a light, Y = 1.
     *
     * @param  array<int, float>  $power  36 values of its spectrum, in any unit
     * @return array{float, float, float}
     */
    public static function white(array $power): array
    {
        return self::underLight(array_fill(0, self::SAMPLES, 1.0), $power);
    }

    /**
     * X, Y, Z of a surface under a light; a perfect white has Y = 1.
     *
     * @param  array<int, float>  $reflectance  36 factors 0-1
     * @param  array<int, float>  $power  36 values of the light's spectrum, in any unit
     * @return array{float, float, float}
     */
    public static function underLight(array $reflectance, array $power): array
    {
        $total = $x = $y = $z = 0.0;
        foreach ($power as $i => $p) {
            $total += $p * self::Y[$i];
            $x += $p * self::X[$i] * $reflectance[$i];
            $y += $p * self::Y[$i] * $reflectance[$i];
            $z += $p * self::Z[$i] * $reflectance[$i];
        }

        return [$x / $total, $y / $total, $z / $total];
    }

    /**
     * Weights that turn 36 reflectances into X, Y, Z (perfect white: Y = 1).
     *
     * @return array{array<int, float>, array<int, float>, array<int, float>}
     */
    public static function weights(): array
    {
        $total = 0.0;
        foreach (self::Y as $i => $y) {
            $total += $y * self::D50[$i];
        }
        $of = static function (array $curve) use ($total): array {
            $weights = [];
            foreach (self::D50 as $i => $power) {
                $weights[] = $curve[$i] * $power / $total;
            }

            return $weights;
        };

        return [$of(self::X), $of(self::Y), $of(self::Z)];
    }
}
