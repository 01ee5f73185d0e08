<?php

declare(strict_types=1);

namespace App\Studio\Zones;

use App\Models\Piece;
use Prism\Reference\Image\Field;
use Prism\Reference\Zones\ZoneMap;

/** What of a reference is drawn: all of it, or what its crop leaves. */
final class DrawnPart
{
    /** @return array{Field, ZoneMap} */
    public static function of(Piece $piece, Field $reference, ZoneMap $map): array
    {
        $crop = $piece->crop;
        if ($crop === null) {
            return [$reference, $map];
        }

        return [$reference->within($crop['x'], $crop['y'], $crop['width'], $crop['height']), $map->clipped($crop['x'], $crop['y'], $crop['width'], $crop['height'])];
    }
}
