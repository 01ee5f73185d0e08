<?php

declare(strict_types=1);

namespace Prism\Colour;

/**
 * The twelve bands in which the engine computes, and their way to Lab.
 *
 * A band is the mean of three neighbouring 10 nm samples around its centre; centres lie from 408 to 683 nm, 25 nm
 * apart, where the observer sees. The weights come from {@see BandFit}; against the 36 samples they are within dE00 0.1
 * for layered pencils (measured in the tests).
 */
final class Bands
{
    public const COUNT = 12;

    public const FIRST_NM = 408.0;

    public const STEP_NM = 25.0;

    /** Rows X, Y, Z relative to white, by band. Derived by BandFit. */
    public const WEIGHTS = [
        [0.0014817, 0.0504781, 0.073615, 0.0141922, -0.003716, 0.0481758, 0.136938, 0.2357583, 0.2523879, 0.1444285, 0.0362075, 0.010053],
        [9.5E-5, 0.0015323, 0.0117282, 0.0302067, 0.1027623, 0.224076, 0.2416523, 0.1953021, 0.1222127, 0.0538524, 0.0131499, 0.0034303],
        [0.0078024, 0.2905394, 0.467626, 0.188342, 0.0338585, 0.0113047, -0.0004489, 0.0011137, -0.0002815, 0.0001937, -9.94E-5, 4.94E-5],
    ];

    /**
     * @param  array<int, float>  $samples  36 reflectances, 380-730 nm
     * @return array<int, float> 12 reflectances
     */
    public static function fromSamples(array $samples): array
    {
        $bands = [];
        for ($band = 0; $band < self::COUNT; $band++) {
            $at = (self::FIRST_NM + $band * self::STEP_NM - Observer::FIRST_NM) / Observer::STEP_NM;
            $sum = 0.0;
            for ($offset = -1; $offset <= 1; $offset++) {
                $position = max(0.0, min(Observer::SAMPLES - 1.000001, $at + $offset));
                $low = (int) $position;
                $sum += $samples[$low] + ($position - $low) * ($samples[$low + 1] - $samples[$low]);
            }
            $bands[] = $sum / 3.0;
        }

        return $bands;
    }

    /**
     * @param  array<int, float>  $reflectance  12 bands, 0-1
     */
    public static function toLab(array $reflectance): Lab
    {
        [$wx, $wy, $wz] = self::WEIGHTS;
        $x = $y = $z = 0.0;
        for ($i = 0; $i < self::COUNT; $i++) {
            $r = $reflectance[$i];
            $x += $wx[$i] * $r;
            $y += $wy[$i] * $r;
            $z += $wz[$i] * $r;
        }

        return Lab::fromRelativeXyz($x, $y, $z);
    }
}
