<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use App\Models\Piece;
use App\Models\Zone;
use App\Studio\Zones\Targets;
use App\Studio\Zones\ZoneTraits;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
use Prism\Reference\Light\ZoneLight;
use Prism\Reference\Zones\Distance;
use Prism\Reference\Zones\FormGradient;
use Prism\Schools\Surface;

/** The zones of a piece as planning needs them. */
final class PictureZones
{
    /** @return list<PictureZone> what is to be drawn */
    public function of(Piece $piece): array
    {
        $picture = [];
        foreach ($piece->zones()->with('targets')->get() as $zone) {
            $zone->setRelation('piece', $piece);
            $traits = ZoneTraits::of($zone);
            $schools = SchoolChoices::ofZone($zone);
            $targets = [];
            foreach ($zone->targets as $row) {
                $row->setRelation('zone', $zone);
                $targets[] = new PictureTarget($row->id, $row->role, Targets::read($row), Targets::drawn($row), $row->share, $row->line_width, $row->edge_width);
            }
            $picture[] = new PictureZone(
                $zone->id, $zone->name, $zone->label ?? 0, $zone->share, (int) ($traits['importance'] ?? 2),
                Surface::from($traits['surface'] ?? Surface::Smooth->value), ZoneLight::from($traits['light'] ?? 'lit'), Distance::from($traits['distance'] ?? 'between'),
                (bool) ($traits['crisp'] ?? true), isset($traits['direction']) ? (float) $traits['direction'] : null,
                array_map(intval(...), array_keys($zone->estimates['touching'] ?? [])), $targets, $schools->schools(), $schools->highlights(), self::gradient($zone), $zone->x, $zone->y,
            );
        }

        return $picture;
    }

    private static function gradient(Zone $zone): ?FormGradient
    {
        $read = $zone->estimates['gradient'] ?? null;

        return $read === null ? null : new FormGradient((float) $read['degrees'], (float) $read['length'], array_map(floatval(...), array_values($read['profile'])));
    }
}
