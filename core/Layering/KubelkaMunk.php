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
     * A film of one pencil over a ground, bin by bin, from its decay -2 q and its reflectance without end Ri: with
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
     * The same for a mixture, of which the optical depths are known.
     *
     * @param  array<int, float>  $k  bands by bins
     * @param  array<int, float>  $s  bands by bins
     * @param  array<int, float>  $ground  bands by bins
     * @return array<int, float>
     */
    public static function mixture(array $k, array $s, array $ground): array
    {
        // As in film(), written out: a firm hand asks for it sixty times a film.
        $seen = $ground;
        foreach ($ground as $i => $value) {
            $absorbs = $k[$i];
            $scatters = $s[$i];
            $q = sqrt($absorbs * ($absorbs + 2.0 * $scatters));
            $e = exp(-2.0 * $q);
            $sh = $q < self::SMALL_Q ? 1.0 - $q : (1.0 - $e) / (2.0 * $q);
            $d = 0.5 * (1.0 + $e) + ($absorbs + $scatters) * $sh;
            $own = $scatters * $sh;
            $through = $d - $own * $value;
            $seen[$i] = ($own * $through + $e * $value) / ($d * $through);
        }

        return $seen;
    }

    /**
     * One film of optical depths k and s over a ground: with q = sqrt(k (k + 2 s)) it is R1 = s sinh(q)/q / D and
     * T1^2 = 1 / D^2, D = cosh(q) + (k + s) sinh(q)/q, all scaled by exp(-q) so that nothing overflows and thickness 0 needs
     * no special case.
     */
    public static function film(float $k, float $s, float $ground): float
    {
        $q = sqrt($k * ($k + 2.0 * $s));
        $e = exp(-2.0 * $q);
        $sh = $q < self::SMALL_Q ? 1.0 - $q : (1.0 - $e) / (2.0 * $q);
        $d = 0.5 * (1.0 + $e) + ($k + $s) * $sh;
        $own = $s * $sh;
        $through = $d - $own * $ground;

        return ($own * $through + $e * $ground) / ($d * $through);
    }

    /**
     * The colour of such a film over a ground, with the bins seen together as in {@see Passage::bands()}, and the spread of L*
     * between them as in {@see Passage::grain()}.
     *
     * @param  array<int, float>  $thickness  by bin
     * @param  array<int, float>  $ground  bands by bins
     * @return array{Lab, float}
     */
    public static function colour(Touch $film, array $thickness, array $ground, float $yuleNielsen): array
    {
        $decay = $film->decay;
        $deep = $film->deep;
        $inverse = $film->inverse;
        [$t0, $t1, $t2, $t3, $t4] = $thickness;
        [$w0, $w1, $w2, $w3, $w4] = Tooth::SHARES;
        [$wx, $wy, $wz] = Bands::WEIGHTS;
        $sideways = 0.25 * $yuleNielsen;
        $x = $y = $z = 0.0;
        $y0 = $y1 = $y2 = $y3 = $y4 = 0.0;
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
            $light = $wy[$band];
            $y0 += $light * $seen;
            $mean = $w0 * $seen;
            $square = $w0 * $seen * $seen;
            $g = $ground[$i + 1];
            $u = exp($q * $t1) * ($g - $r);
            $v = $g - $p;
            $seen = ($u * $p - $v * $r) / ($u - $v);
            $y1 += $light * $seen;
            $mean += $w1 * $seen;
            $square += $w1 * $seen * $seen;
            $g = $ground[$i + 2];
            $u = exp($q * $t2) * ($g - $r);
            $v = $g - $p;
            $seen = ($u * $p - $v * $r) / ($u - $v);
            $y2 += $light * $seen;
            $mean += $w2 * $seen;
            $square += $w2 * $seen * $seen;
            $g = $ground[$i + 3];
            $u = exp($q * $t3) * ($g - $r);
            $v = $g - $p;
            $seen = ($u * $p - $v * $r) / ($u - $v);
            $y3 += $light * $seen;
            $mean += $w3 * $seen;
            $square += $w3 * $seen * $seen;
            $g = $ground[$i + 4];
            $u = exp($q * $t4) * ($g - $r);
            $v = $g - $p;
            $seen = ($u * $p - $v * $r) / ($u - $v);
            $y4 += $light * $seen;
            $mean += $w4 * $seen;
            $square += $w4 * $seen * $seen;
            $i += 5;

            $mean -= $sideways * ($square / $mean - $mean);
            $x += $wx[$band] * $mean;
            $y += $light * $mean;
            $z += $wz[$band] * $mean;
        }

        return [Lab::fromRelativeXyz($x, $y, $z), self::spread([$y0, $y1, $y2, $y3, $y4])];
    }

    /**
     * Spread of L* between the bins, one standard deviation.
     *
     * @param  array<int, float>  $luminance  relative Y by bin
     */
    public static function spread(array $luminance): float
    {
        $mean = $square = 0.0;
        foreach (Tooth::SHARES as $bin => $share) {
            $y = $luminance[$bin];
            $L = 116.0 * ($y > Lab::EPSILON ? $y ** (1.0 / 3.0) : (Lab::KAPPA * max(0.0, $y) + 16.0) / 116.0) - 16.0;
            $mean += $share * $L;
            $square += $share * $L * $L;
        }

        return sqrt(max(0.0, $square - $mean * $mean));
    }
}
