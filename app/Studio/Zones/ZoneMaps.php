<?php

declare(strict_types=1);

namespace App\Studio\Zones;

use App\Models\Piece;
use App\Models\Zone;
use Prism\Reference\PictureReading;
use Prism\Reference\Zones\ZoneMap;

/** The map of a piece: unpacked, cut from a reading, cropped, compared. */
final class ZoneMaps
{
    /** A zone found anew is the same as one there was if they share this much of both together. */
    private const SAME = 0.5;

    public static function whole(Piece $piece): ?ZoneMap
    {
        return $piece->zone_map === null ? null : ZoneMap::unpack($piece->zone_map);
    }

    public static function cropped(ZoneMap $map, Piece $piece): ZoneMap
    {
        $crop = $piece->crop;

        return $crop === null ? $map : $map->within($crop['x'], $crop['y'], $crop['width'], $crop['height']);
    }

    /** The photo cut so that within the crop there are so many zones, or as near to that as it can be cut. */
    public static function cut(Piece $piece, PictureReading $reading, int $count): ZoneMap
    {
        $map = $reading->tree->cut($count);
        if ($piece->crop === null) {
            return $map;
        }
        for ($more = $count + 1; $more <= $reading->tree->most() && count(self::cropped($map, $piece)->areas()) < $count; $more++) {
            $map = $reading->tree->cut($more);
        }

        return $map;
    }

    public static function blank(Piece $piece): ZoneMap
    {
        $reference = $piece->reference();
        $scale = min(1.0, PictureReading::EDGE / max($reference->width, $reference->height));

        return ZoneMap::none(max(1, (int) round($reference->width * $scale)), max(1, (int) round($reference->height * $scale)));
    }

    /**
     * Which zone of the new map each old one is.
     *
     * @return array<int, int> old label to new
     */
    public static function sameZones(ZoneMap $before, ZoneMap $after): array
    {
        $old = $before->areas();
        $new = $after->areas();
        $same = [];
        foreach ($before->overlap($after) as $was => $row) {
            arsort($row);
            $is = (int) array_key_first($row);
            if ($was > 0 && $is > 0 && $row[$is] / ($old[$was] + $new[$is] - $row[$is]) >= self::SAME) {
                $same[$was] = $is;
            }
        }

        return $same;
    }
}
