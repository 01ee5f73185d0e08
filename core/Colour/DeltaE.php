<?php

declare(strict_types=1);

namespace Prism\Colour;

/**
 * CIEDE2000 with kL = kC = kH = 1.
 *
 * Source: Sharma, Wu & Dalal 2005, "The CIEDE2000 color-difference formula: implementation notes, supplementary test
 * data, and mathematical observations". Their 34 pairs are a test.
 */
final class DeltaE
{
    private const POW25_7 = 6103515625.0;

    public static function ciede2000(float $L1, float $a1, float $b1, float $L2, float $a2, float $b2): float
    {
        [$l, $c, $h] = self::components($L1, $a1, $b1, $L2, $a2, $b2);

        return sqrt($l * $l + $c * $c + $h * $h);
    }

    /**
     * The difference as a vector whose length is dE00: lightness, chroma with its share of the rotation, hue.
     *
     * @return array{float, float, float}
     */
    public static function components(float $L1, float $a1, float $b1, float $L2, float $a2, float $b2): array
    {
        $meanChroma = (sqrt($a1 * $a1 + $b1 * $b1) + sqrt($a2 * $a2 + $b2 * $b2)) / 2.0;
        $c7 = $meanChroma ** 7;
        $g = 1.5 - 0.5 * sqrt($c7 / ($c7 + self::POW25_7));
        $a1 *= $g;
        $a2 *= $g;
        $c1 = sqrt($a1 * $a1 + $b1 * $b1);
        $c2 = sqrt($a2 * $a2 + $b2 * $b2);
        $h1 = $c1 === 0.0 ? 0.0 : atan2($b1, $a1);
        $h2 = $c2 === 0.0 ? 0.0 : atan2($b2, $a2);
        if ($h1 < 0.0) {
            $h1 += 2.0 * M_PI;
        }
        if ($h2 < 0.0) {
            $h2 += 2.0 * M_PI;
        }

        $product = $c1 * $c2;
        $dh = 0.0;
        $hSum = $h1 + $h2;
        if ($product !== 0.0) {
            $dh = $h2 - $h1;
            if ($dh > M_PI) {
                $dh -= 2.0 * M_PI;
            } elseif ($dh < -M_PI) {
                $dh += 2.0 * M_PI;
            }
            if (abs($h1 - $h2) > M_PI) {
                $hSum += $hSum < 2.0 * M_PI ? 2.0 * M_PI : -2.0 * M_PI;
            }
            $hMean = $hSum / 2.0;
        } else {
            $hMean = $hSum;
        }
        $dL = $L2 - $L1;
        $dC = $c2 - $c1;
        $dH = 2.0 * sqrt($product) * sin($dh / 2.0);

        $lMean = ($L1 + $L2) / 2.0 - 50.0;
        $cMean = ($c1 + $c2) / 2.0;
        $t = 1.0 - 0.17 * cos($hMean - M_PI / 6.0) + 0.24 * cos(2.0 * $hMean)
            + 0.32 * cos(3.0 * $hMean + M_PI / 30.0) - 0.20 * cos(4.0 * $hMean - 63.0 * M_PI / 180.0);
        $lMean *= $lMean;
        $sL = 1.0 + 0.015 * $lMean / sqrt(20.0 + $lMean);
        $sC = 1.0 + 0.045 * $cMean;
        $sH = 1.0 + 0.015 * $cMean * $t;
        $c7 = $cMean ** 7;
        $spread = ($hMean * 180.0 / M_PI - 275.0) / 25.0;
        $rT = -sin(M_PI / 3.0 * exp(-$spread * $spread)) * 2.0 * sqrt($c7 / ($c7 + self::POW25_7));

        $l = $dL / $sL;
        $c = $dC / $sC;
        $h = $dH / $sH;

        // l2 + c2 + h2 + rT c h, with the mixed term taken into the second component.
        return [$l, $c + 0.5 * $rT * $h, $h * sqrt(max(0.0, 1.0 - 0.25 * $rT * $rT))];
    }
}
