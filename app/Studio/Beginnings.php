<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\Piece;
use Prism\Materials\PencilId;
use Prism\Planning\Build\Apart;
use Prism\Planning\Build\ZoneBases;
use Prism\Planning\Order\Plan;

/** How the zones of a planned piece are begun: on which base each colour stands, and what the palette found said of those that stand apart. */
final class Beginnings
{
    /** @return list<ZoneBases> in the order of the zones */
    public static function of(Piece $piece, Plan $plan): array
    {
        $apart = array_map(static fn (array $one): Apart => new Apart(PencilId::of($one['base']), $one['local'], $one['further']), $piece->palette['apart'] ?? []);
        $order = array_flip($piece->zones->pluck('id')->all());
        $bases = ZoneBases::of($plan->colours(), $apart);
        usort($bases, static fn (ZoneBases $a, ZoneBases $b): int => ($order[$a->zone] ?? 0) <=> ($order[$b->zone] ?? 0));

        return $bases;
    }
}
