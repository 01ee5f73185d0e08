<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

/** A pressure that falls over a place, along its form: "45 falling to 20 % towards the light". */
final readonly class Fade
{
    private function __construct(public float $fromPercent, public float $toPercent, public bool $towardsLight)
    {
    }

    /**
     * @param  non-empty-list<PlanStep>  $steps  of one place
     * @return ?self null where all of it is pressed alike
     */
    public static function of(array $steps): ?self
    {
        usort($steps, static fn (PlanStep $a, PlanStep $b): int => $a->zone->target->L <=> $b->zone->target->L);
        $pressures = array_map(static fn (PlanStep $step): float => $step->step->pressurePercent ?? 0.0, $steps);
        [$dark, $light] = [$pressures[0], $pressures[count($pressures) - 1]];

        return $dark === $light ? null : new self(max($dark, $light), min($dark, $light), $light < $dark);
    }

    public function words(): string
    {
        return sprintf('%.0f falling to %.0f %% towards the %s', $this->fromPercent, $this->toPercent, $this->towardsLight ? 'light' : 'dark');
    }
}
