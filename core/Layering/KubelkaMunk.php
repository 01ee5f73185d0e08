<?php

declare(strict_types=1);

namespace Prism\Layering;

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
}
