<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\Piece;
use Prism\Matching\Advice\Nudge;
use Prism\Materials\Kit;
use Prism\Planning\Neighbours;
use Prism\Planning\Order\Plan;
use Prism\Planning\Pair;
use Prism\Planning\PictureZone;
use Prism\Planning\ZoneAdvice;
use Prism\Planning\ZoneJoin;

/** What brings the zones of a piece together, beside their colours: joins within them, neighbours apart, edges and depth. */
final class PictureAdvice
{
    /** Pairs for which it is found out what pushes them: a search each. */
    private const PUSHED = 4;

    public function __construct(private readonly PictureZones $zones, private readonly StackAdvice $stacks)
    {
    }

    /** @return list<PictureZone> */
    public function zones(Piece $piece): array
    {
        return $this->zones->of($piece);
    }

    /**
     * @param  list<PictureZone>  $zones
     * @return list<ZoneJoin> of those that have more than one value
     */
    public function joins(Piece $piece, array $zones): array
    {
        $width = $piece->width_mm / ($piece->crop['width'] ?? 1.0);
        $height = $piece->height_mm / ($piece->crop['height'] ?? 1.0);

        return array_values(array_filter(array_map(static fn (PictureZone $zone): ?ZoneJoin => ZoneJoin::of($zone, $width, $height), $zones)));
    }

    /**
     * @param  list<PictureZone>  $zones
     * @return list<ZoneAdvice>
     */
    public function advice(array $zones, Plan $plan): array
    {
        return ZoneAdvice::of($zones, Kit::of(array_column($plan->pullList, 'pencil')));
    }

    /** @return list<array{pair: Pair, with: string|null}> touching zones that will merge, as their recipes come out, and what pushes the worst of them */
    public function neighbours(Piece $piece, Plan $plan): array
    {
        $looks = $mains = [];
        foreach ($plan->steps as $step) {
            $looks[$step->zone->id] = $step->after;
            if ($step->step !== null) {
                $mains[$step->zone->zone] = $step->zone->stack;
            }
        }
        $told = [];
        foreach (Neighbours::tooAlike($this->zones->of($piece), $looks) as $pair) {
            $main = $mains[$pair->pushed->id] ?? null;
            $changes = $main === null || count($told) >= self::PUSHED ? [] : $this->stacks->nudged($piece, $main, $pair->darker ? Nudge::Darker : Nudge::Lighter);
            $told[] = ['pair' => $pair, 'with' => $changes === [] ? null : (string) $changes[0]->stack];
        }

        return $told;
    }
}
