<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\Piece;
use Prism\Matching\Nudge;
use Prism\Materials\Kit;
use Prism\Planning\Joins;
use Prism\Planning\Neighbours;
use Prism\Planning\Pair;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
use Prism\Planning\Plan;
use Prism\Planning\ZoneAdvice;
use Prism\Reference\TargetRole;

/** What brings the zones of a piece together, beside their colours: joins within them, neighbours apart, edges and depth. */
final class PictureAdvice
{
    /** Pairs for which it is found out what pushes them: a search each. */
    private const PUSHED = 4;

    private const VALUES = [TargetRole::Light, TargetRole::Middle, TargetRole::Dark];

    public function __construct(private readonly PictureZones $zones, private readonly StackAdvice $stacks)
    {
    }

    /** @return list<PictureZone> */
    public function zones(Piece $piece): array
    {
        return $this->zones->of($piece);
    }

    /**
     * How the values of each zone are feathered into one another, from light to dark: along the form as it was read, or, where it
     * goes no one way, over the side of a square of its area.
     *
     * @param  list<PictureZone>  $zones
     * @return list<array{zone: string, towards: string|null, lengthMm: float, steps: int, spans: list<array{target: string, from: float, to: float, fromMm: float, toMm: float}>}>
     */
    public function joins(Piece $piece, array $zones): array
    {
        $joins = [];
        $width = $piece->width_mm / ($piece->crop['width'] ?? 1.0);
        $height = $piece->height_mm / ($piece->crop['height'] ?? 1.0);
        foreach ($zones as $zone) {
            $values = array_values(array_filter($zone->targets, static fn (PictureTarget $target): bool => in_array($target->role, self::VALUES, true)));
            if (count($values) < 2 || $zone->share <= 0.0) {
                continue;
            }
            usort($values, static fn (PictureTarget $a, PictureTarget $b): int => $b->read->L <=> $a->read->L);
            $gradient = $zone->gradient;
            $length = $gradient === null ? sqrt($zone->share * $width * $height) : $gradient->length * $width;
            $spans = $gradient === null
                ? Joins::spans(count($values), $length)
                : Joins::along(array_map(static fn (PictureTarget $target): float => $target->read->L, $values), $gradient->profile, $length);
            $joins[] = [
                'zone' => $zone->id, 'towards' => $gradient?->words(), 'lengthMm' => round($length, 1), 'steps' => Joins::steps(count($values)),
                'spans' => array_map(static fn (PictureTarget $target, array $span): array => [
                    'target' => $target->id, 'from' => round($span['from'], 3), 'to' => round($span['to'], 3), 'fromMm' => round($span['fromMm'], 1), 'toMm' => round($span['toMm'], 1),
                ], $values, $spans),
            ];
        }

        return $joins;
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
