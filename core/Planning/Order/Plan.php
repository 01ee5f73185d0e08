<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Layering\Prediction;
use Prism\Layering\Stack;
use Prism\Materials\Pencil;

/** Which pencils to take out of the box, what to mind, and every turn in order. */
final readonly class Plan
{
    /**
     * @param  list<array{pencil: Pencil, layers: int, zones: int, share: float}>  $pullList  in box order; share of all that is laid
     * @param  list<Caution>  $cautions
     * @param  list<PlanStep>  $steps  of all turns, in order
     * @param  float  $minutes  from the first step to the last, breaks left out
     * @param  float  $idleMinutes  of these, with idle hands
     * @param  float  $apartMinutes  what finishing one zone after the other would take, by the same rules
     * @param  list<Turn>  $turns
     * @param  array<string, Prediction>  $built  by colour, what it comes to at the pressures of the turns
     */
    public function __construct(public array $pullList, public array $cautions, public array $steps, public float $minutes = 0.0, public float $idleMinutes = 0.0, public float $apartMinutes = 0.0, public array $turns = [], public array $built = [])
    {
    }

    /** @return list<PlannedZone> every colour that is planned, once */
    public function colours(): array
    {
        $colours = [];
        foreach ($this->steps as $step) {
            $colours[$step->zone->id] = $step->zone;
        }

        return array_values($colours);
    }

    /** Another where anything of its steps is another, or what they take. */
    public function version(): string
    {
        return hash('xxh128', implode('|', array_map(static fn (PlanStep $step): string => "$step->key $step->turn $step->step ".implode(' ', $step->lies()), $this->steps)).$this->minutes);
    }

    public function sessions(): int
    {
        return $this->steps === [] ? 0 : max(array_map(static fn (PlanStep $step): int => $step->session, $this->steps));
    }

    /**
     * What lies on the paper after so many steps.
     *
     * @param  ?int  $steps  null for all
     * @return array<string, Stack> by colour; none where nothing is laid
     */
    public function laid(?int $steps = null): array
    {
        $laid = [];
        foreach (array_slice($this->steps, 0, $steps) as $step) {
            foreach ($step->lies() as $lies) {
                $laid[$step->zone->id] = ($laid[$step->zone->id] ?? Stack::of())->then($lies);
            }
        }

        return $laid;
    }

    /** How far the drawing as the turns lay it will be from what is to be drawn, mean dE00 by area; null where nothing is planned. */
    public function meanDifference(): ?float
    {
        $sum = $all = 0.0;
        $seen = [];
        foreach ($this->steps as $step) {
            $zone = $step->zone;
            if (isset($seen[$zone->id]) || ! isset($this->built[$zone->id])) {
                continue;
            }
            $seen[$zone->id] = true;
            $sum += $zone->areaMm2 * $this->built[$zone->id]->colour->differenceTo($zone->target);
            $all += $zone->areaMm2;
        }

        return $all > 0.0 ? $sum / $all : null;
    }
}
