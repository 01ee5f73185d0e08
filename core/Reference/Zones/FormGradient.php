<?php

declare(strict_types=1);

namespace Prism\Reference\Zones;

use Prism\Reference\Image\Field;
use Prism\Reference\Light\LightDirection;

/**
 * How a form goes from light to dark: in which direction, over what length, and how light it is along the way. The direction
 * is that of the plane which fits its lightness best (least squares), so it follows the form and not the border.
 */
final readonly class FormGradient
{
    /** Stretches in which lightness is told along the way. */
    private const STRETCHES = 16;

    /** What lies beyond at either end, as a share of the pixels, is a tip and no length. */
    private const TIPS = 0.03;

    /** With less of its lightness explained by one plane than this share, values lie in patches and go no one way. */
    private const LEAST_FIT = 0.12;

    private const LEAST_PIXELS = 24;

    /**
     * @param  float  $degrees  from light to dark, from the right of the picture, counter-clockwise, 0 up to 360
     * @param  float  $length  share of the picture's width
     * @param  list<float>  $profile  mean L* of equal stretches from the light end to the dark end; never rises
     *
     * @throws \InvalidArgumentException without a length or a profile
     */
    public function __construct(public float $degrees, public float $length, public array $profile)
    {
        if ($length <= 0.0 || $profile === []) {
            throw new \InvalidArgumentException('A form has a length, and some lightness along it.');
        }
    }

    /** @param  non-empty-list<int>  $pixels  of the form; null if it goes no one way */
    public static function of(Field $field, array $pixels): ?self
    {
        $n = count($pixels);
        if ($n < self::LEAST_PIXELS) {
            return null;
        }
        $slope = self::slope($field, $pixels);
        if ($slope === null) {
            return null;
        }
        [$gx, $gy] = $slope;
        $steep = hypot($gx, $gy);
        // Downhill: from light to dark.
        [$ux, $uy] = [-$gx / $steep, -$gy / $steep];
        $along = [];
        foreach ($pixels as $at) {
            $along[] = $at % $field->width * $ux + intdiv($at, $field->width) * $uy;
        }
        $sorted = $along;
        sort($sorted);
        $tip = (int) (self::TIPS * $n);
        $from = $sorted[$tip];
        $length = $sorted[$n - 1 - $tip] - $from;
        if ($length <= 0.0) {
            return null;
        }
        $sums = array_fill(0, self::STRETCHES, 0.0);
        $counts = array_fill(0, self::STRETCHES, 0);
        foreach ($pixels as $i => $at) {
            $stretch = (int) max(0, min(self::STRETCHES - 1, floor(($along[$i] - $from) / $length * self::STRETCHES)));
            $sums[$stretch] += $field->L[$at];
            $counts[$stretch]++;
        }
        $degrees = rad2deg(atan2(-$uy, $ux));

        return new self($degrees < 0.0 ? $degrees + 360.0 : $degrees, $length / $field->width, self::falling(array_map(static fn (float $sum, int $count): array => [$sum, $count], $sums, $counts)));
    }

    /** In words: where the dark end lies from the light one. */
    public function words(): string
    {
        return LightDirection::corrected($this->degrees)->words();
    }

    /**
     * Lightness by place, as a plane.
     *
     * @param  non-empty-list<int>  $pixels
     * @return ?array{float, float} L* per pixel to the right and down; null if no plane tells much of it
     */
    private static function slope(Field $field, array $pixels): ?array
    {
        $n = count($pixels);
        $mx = $my = $mL = 0.0;
        foreach ($pixels as $at) {
            $mx += $at % $field->width;
            $my += intdiv($at, $field->width);
            $mL += $field->L[$at];
        }
        [$mx, $my, $mL] = [$mx / $n, $my / $n, $mL / $n];
        $xx = $yy = $xy = $xL = $yL = $LL = 0.0;
        foreach ($pixels as $at) {
            $x = $at % $field->width - $mx;
            $y = intdiv($at, $field->width) - $my;
            $L = $field->L[$at] - $mL;
            $xx += $x * $x;
            $yy += $y * $y;
            $xy += $x * $y;
            $xL += $x * $L;
            $yL += $y * $L;
            $LL += $L * $L;
        }
        $determinant = $xx * $yy - $xy * $xy;
        if ($determinant <= 1e-9 * $xx * $yy || $LL <= 0.0) {
            return null;
        }
        $gx = ($xL * $yy - $yL * $xy) / $determinant;
        $gy = ($yL * $xx - $xL * $xy) / $determinant;

        return ($gx * $xL + $gy * $yL) / $LL < self::LEAST_FIT ? null : [$gx, $gy];
    }

    /**
     * Means that never rise: neighbours that do are pooled (pool adjacent violators; Ayer et al. 1955).
     *
     * @param  list<array{float, int}>  $stretches  sum of L* and number of pixels
     * @return list<float>
     */
    private static function falling(array $stretches): array
    {
        $pools = [];
        foreach ($stretches as [$sum, $count]) {
            $pools[] = [$sum, $count, 1];
            while (count($pools) > 1) {
                [$before, $last] = array_slice($pools, -2);
                if ($last[1] > 0 && $before[1] > 0 && $last[0] / $last[1] <= $before[0] / $before[1]) {
                    break;
                }
                array_splice($pools, -2, 2, [[$before[0] + $last[0], $before[1] + $last[1], $before[2] + $last[2]]]);
            }
        }
        $profile = [];
        foreach ($pools as [$sum, $count, $length]) {
            array_push($profile, ...array_fill(0, $length, round($sum / max(1, $count), 2)));
        }

        return $profile;
    }
}
