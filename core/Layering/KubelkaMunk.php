<?php

declare(strict_types=1);

namespace Prism\Layering;

use Prism\Colour\Bands;
use Prism\Colour\Lab;

/**
 * Kubelka-Munk for films of finite thickness (Kubelka & Munk 1931), stacked as in Kubelka 1954:
 * R = R1 + T1^2 Rg / (1 - R1 Rg).
 */
final class KubelkaMunk
{
    /** Below this q = sqrt(k (k + 2 s)) the quotient sinh(q)/q is taken from its series. */
    private const SMALL_Q = 1e-4;

    /**
     * Reflectance of a film of optical depths k = K t, s = S t over a ground.
     *
     * With q = sqrt(k (k + 2 s)): R1 = s sinh(q)/q / D and T1^2 = 1 / D^2, D = cosh(q) + (k + s) sinh(q)/q, all scaled
     * by exp(-q) so that nothing overflows and thickness 0 needs no special case.
     *
     * @param  array<int, float>  $k
     * @param  array<int, float>  $s
     * @param  array<int, float>  $ground
     * @return array<int, float>
     */
    public static function over(array $k, array $s, array $ground): array
    {
        $result = [];
        foreach ($k as $i => $ki) {
            $si = $s[$i];
            $q = sqrt($ki * ($ki + 2.0 * $si));
            $e = exp(-2.0 * $q);
            $sh = $q < self::SMALL_Q ? 1.0 - $q : (1.0 - $e) / (2.0 * $q);
            $d = 0.5 * (1.0 + $e) + ($ki + $si) * $sh;
            $r = $si * $sh / $d;
            $g = $ground[$i];
            $result[$i] = $r + $e / ($d * $d) * $g / (1.0 - $r * $g);
        }

        return $result;
    }

    /**
     * The same for a film of one pencil, bin by bin, from its decay -2 q and its reflectance without end Ri: with
     * u = exp(-2 q t) (Rg - Ri) and v = Rg - 1 / Ri it is R = (u / Ri - v Ri) / (u - v). Kubelka & Munk 1931, solved for
     * the ground; safe down to thickness 0 as long as K and S are above it.
     *
     * @param  array<int, float>  $thickness  by bin
     * @param  array<int, float>  $ground  bands by bins
     * @return array<int, float>
     */
    public static function coat(Touch $film, array $thickness, array $ground): array
    {
        $decay = $film->decay;
        $deep = $film->deep;
        $inverse = $film->inverse;
        [$t0, $t1, $t2, $t3, $t4] = $thickness;
        $seen = $ground;
        $n = count($decay);
        $i = 0;
        for ($band = 0; $band < $n; $band++) {
            $q = $decay[$band];
            $r = $deep[$band];
            $p = $inverse[$band];

            $g = $ground[$i];
            $u = exp($q * $t0) * ($g - $r);
            $v = $g - $p;
            $seen[$i] = ($u * $p - $v * $r) / ($u - $v);
            $i++;
            $g = $ground[$i];
            $u = exp($q * $t1) * ($g - $r);
            $v = $g - $p;
            $seen[$i] = ($u * $p - $v * $r) / ($u - $v);
            $i++;
            $g = $ground[$i];
            $u = exp($q * $t2) * ($g - $r);
            $v = $g - $p;
            $seen[$i] = ($u * $p - $v * $r) / ($u - $v);
            $i++;
            $g = $ground[$i];
            $u = exp($q * $t3) * ($g - $r);
            $v = $g - $p;
            $seen[$i] = ($u * $p - $v * $r) / ($u - $v);
            $i++;
            $g = $ground[$i];
            $u = exp($q * $t4) * ($g - $r);
            $v = $g - $p;
            $seen[$i] = ($u * $p - $v * $r) / ($u - $v);
            $i++;
        }

        return $seen;
    }

    /**
     * The colour of such a film over a ground, with the bins seen together as in {@see Passage::bands()}.
     *
     * @param  array<int, float>  $thickness  by bin
     * @param  array<int, float>  $ground  bands by bins
     */
    public static function colour(Touch $film, array $thickness, array $ground, float $yuleNielsen): Lab
    {
        $decay = $film->decay;
        $deep = $film->deep;
        $inverse = $film->inverse;
        [$t0, $t1, $t2, $t3, $t4] = $thickness;
        [$w0, $w1, $w2, $w3, $w4] = Tooth::SHARES;
        [$wx, $wy, $wz] = Bands::WEIGHTS;
        $sideways = 0.25 * $yuleNielsen;
        $x = $y = $z = 0.0;
        $n = count($decay);
        $i = 0;
        for ($band = 0; $band < $n; $band++) {
            $q = $decay[$band];
            $r = $deep[$band];
            $p = $inverse[$band];

            $g = $ground[$i];
            $u = exp($q * $t0) * ($g - $r);
            $v = $g - $p;
            $seen = ($u * $p - $v * $r) / ($u - $v);
            $mean = $w0 * $seen;
            $square = $w0 * $seen * $seen;
            $g = $ground[$i + 1];
            $u = exp($q * $t1) * ($g - $r);
            $v = $g - $p;
            $seen = ($u * $p - $v * $r) / ($u - $v);
            $mean += $w1 * $seen;
            $square += $w1 * $seen * $seen;
            $g = $ground[$i + 2];
            $u = exp($q * $t2) * ($g - $r);
            $v = $g - $p;
            $seen = ($u * $p - $v * $r) / ($u - $v);
            $mean += $w2 * $seen;
            $square += $w2 * $seen * $seen;
            $g = $ground[$i + 3];
            $u = exp($q * $t3) * ($g - $r);
            $v = $g - $p;
            $seen = ($u * $p - $v * $r) / ($u - $v);
            $mean += $w3 * $seen;
            $square += $w3 * $seen * $seen;
            $g = $ground[$i + 4];
            $u = exp($q * $t4) * ($g - $r);
            $v = $g - $p;
            $seen = ($u * $p - $v * $r) / ($u - $v);
            $mean += $w4 * $seen;
            $square += $w4 * $seen * $seen;
            $i += 5;

            $mean -= $sideways * ($square / $mean - $mean);
            $x += $wx[$band] * $mean;
            $y += $wy[$band] * $mean;
            $z += $wz[$band] * $mean;
        }

        return Lab::fromRelativeXyz($x, $y, $z);
    }
}
