<?php

declare(strict_types=1);

namespace Prism\Reference\Zones;

use Prism\Reference\Image\Field;

/** How rough a zone is, and which way its strands run. */
final class ZoneTexture
{
    /** Second difference of L* over this many pixels tells texture from form. */
    private const REACH = 3;

    /**
     * Texture by second differences, direction by the structure tensor (Bigun & Granlund 1987).
     *
     * @param  array<int, float|int>  $depths  of each pixel within its zone
     * @param  non-empty-list<int>  $pixels
     * @return array{float, float, float} root mean square in L*, degrees 0-180, agreement 0-1
     */
    public static function of(Field $field, array $depths, array $pixels): array
    {
        $reach = self::REACH;
        $width = $field->width;
        $L = $field->L;
        $squares = 0.0;
        $n = 0;
        $xx = $yy = $xy = 0.0;
        foreach ($pixels as $at) {
            if ($depths[$at] <= $reach + 1) {
                continue;
            }
            $dx = $L[$at + $reach] - $L[$at - $reach];
            $dy = $L[$at + $reach * $width] - $L[$at - $reach * $width];
            $bend = $L[$at] - 0.25 * ($L[$at + $reach] + $L[$at - $reach] + $L[$at + $reach * $width] + $L[$at - $reach * $width]);
            $squares += $bend * $bend;
            $xx += $dx * $dx;
            $yy += $dy * $dy;
            $xy += $dx * $dy;
            $n++;
        }
        if ($n === 0 || $xx + $yy < 1e-9) {
            return [0.0, 0.0, 0.0];
        }
        $agreement = hypot($xx - $yy, 2.0 * $xy) / ($xx + $yy);
        // Across the gradient; the picture's y runs down.
        $degrees = rad2deg(0.5 * atan2(-2.0 * $xy, $xx - $yy)) + 90.0;

        return [sqrt($squares / $n), fmod($degrees + 180.0, 180.0), $agreement];
    }
}
