<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use App\Models\Piece;
use App\Studio\Zones\Grounds;
use Prism\Materials\PencilId;
use Prism\Planning\Build\Apart;
use Prism\Planning\Build\ZoneBases;
use Prism\Planning\Order\Plan;

/** How the zones of a planned piece are begun: on which ground and base, and what the palette found said of colours that stand apart. */
final class Beginnings
{
    /** @return list<array{zone: string, name: string, sentence: string}> in the order of the zones */
    public static function of(Piece $piece, Plan $plan): array
    {
        $apart = array_map(static fn (array $one): Apart => new Apart(PencilId::of($one['base']), $one['local'], $one['further']), $piece->palette['apart'] ?? []);
        $bases = [];
        foreach (ZoneBases::of($plan->colours(), $apart) as $base) {
            $bases[$base->zone] = $base->sentence();
        }
        $begun = [];
        foreach ($piece->zones as $zone) {
            $ground = Grounds::of($zone);
            $sentence = trim(($ground === null ? '' : Grounds::sentence($ground).' ').($bases[$zone->id] ?? ''));
            if ($sentence !== '') {
                $begun[] = ['zone' => $zone->id, 'name' => $zone->name, 'sentence' => $sentence];
            }
        }

        return $begun;
    }
}
