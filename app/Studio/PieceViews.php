<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\Piece;
use App\Models\Zone;
use App\Models\ZoneTarget;
use App\Studio\Planning\SeenRecipes;

/** Gathers what is shown of a piece, a zone, a colour: with the recipes of the colours as the engine sees them now. */
final class PieceViews
{
    public function __construct(private readonly SeenRecipes $recipes)
    {
    }

    public function piece(Piece $piece): Piece
    {
        foreach ($piece->zones->load('targets.recipe') as $zone) {
            $zone->setRelation('piece', $piece);
            foreach ($zone->targets as $target) {
                $target->setRelation('zone', $zone);
            }
        }
        $seen = $this->recipes->ofPiece($piece);
        foreach ($piece->zones as $zone) {
            foreach ($zone->targets as $target) {
                $target->setRelation('seen', $seen[$target->id] ?? null);
            }
        }

        return $piece;
    }

    /** @param  Zone  $zone  with its piece */
    public function zone(Zone $zone): Zone
    {
        foreach ($zone->targets as $target) {
            $this->target($target->setRelation('zone', $zone));
        }

        return $zone;
    }

    public function target(ZoneTarget $target): ZoneTarget
    {
        return $target->setRelation('seen', $this->recipes->of($target));
    }
}
