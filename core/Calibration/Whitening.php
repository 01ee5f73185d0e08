<?php

declare(strict_types=1);

namespace Prism\Calibration;

use Prism\Layering\Sensitivity;

/**
 * Weighs the difference between a swatch and its prediction by what noise would explain: the reader's in all directions,
 * the hand's along those in which the colour follows the pressure. A swatch that hangs on its pressure teaches less of
 * everything else. The factor is the inverse of the Cholesky root of the covariance.
 */
final readonly class Whitening
{
    /** Noise of reader and paper, dE00. */
    public const READING = 0.8;

    /** Noise of a hand's pressure, as a share. */
    public const HAND = 0.07;

    /** @param  array{float, float, float, float, float, float}  $root  lower triangle, row by row */
    private function __construct(private array $root)
    {
    }

    public static function of(Sensitivity $sensitivity): self
    {
        $share = (self::HAND / Sensitivity::STEP) ** 2;
        $xx = $yy = $zz = self::READING ** 2;
        $xy = $xz = $yz = 0.0;
        foreach ($sensitivity->probes as [$x, $y, $z]) {
            $xx += $share * $x * $x;
            $yy += $share * $y * $y;
            $zz += $share * $z * $z;
            $xy += $share * $x * $y;
            $xz += $share * $x * $z;
            $yz += $share * $y * $z;
        }
        $a = sqrt($xx);
        $b = $xy / $a;
        $c = sqrt(max(1e-6, $yy - $b * $b));
        $d = $xz / $a;
        $e = ($yz - $d * $b) / $c;
        $f = sqrt(max(1e-6, $zz - $d * $d - $e * $e));

        return new self([$a, $b, $c, $d, $e, $f]);
    }

    /**
     * @param  array{float, float, float}  $difference
     * @return array{float, float, float} in standard deviations
     */
    public function apply(array $difference): array
    {
        [$a, $b, $c, $d, $e, $f] = $this->root;
        $x = $difference[0] / $a;
        $y = ($difference[1] - $b * $x) / $c;

        return [$x, $y, ($difference[2] - $d * $x - $e * $y) / $f];
    }
}
