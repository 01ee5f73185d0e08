<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Layering\Stack;
use Prism\Layering\Step;

/** Of one colour: what lies on the paper by now, and what is still to come. */
final readonly class Passed
{
    /**
     * @param  Stack  $present  what lies there, lines that were mapped too
     * @param  Stack  $own  of that, what stands for its recipe's steps
     * @param  list<bool>  $isOwn  which of what lies there does, bottom to top
     * @param  Stack  $rest  that is still to come
     * @param  Stack  $restOwn  of that, what belongs to its recipe
     * @param  Stack  $planned  all of it, had it been laid as planned
     * @param  bool  $otherwise  whether something was laid otherwise, or left out
     */
    private function __construct(public PlannedZone $zone, public Stack $present, public Stack $own, public array $isOwn, public Stack $rest, public Stack $restOwn, public Stack $planned, public bool $otherwise)
    {
    }

    /** All of a recipe laid, as the log has it; and as it was planned. */
    public static function laid(PlannedZone $zone, Stack $present, Stack $planned): self
    {
        return new self($zone, $present, $present, array_fill(0, count($present), true), Stack::of(), Stack::of(), $planned, false);
    }

    /**
     * @param  array<string, string>  $states  of steps that are done or skipped, by key
     * @return array<string, self> by colour
     */
    public static function through(Plan $plan, array $states): array
    {
        $chains = [];
        foreach ($plan->steps as $step) {
            $chains[$step->zone->id][] = $step;
        }

        return array_map(static fn (array $chain): self => self::of($chain, $states), $chains);
    }

    /**
     * @param  non-empty-list<PlanStep>  $chain
     * @param  array<string, string>  $states
     */
    private static function of(array $chain, array $states): self
    {
        $present = $own = $ownAt = $rest = $restOwn = $planned = [];
        $otherwise = false;
        foreach ($chain as $step) {
            $isOwn = $step->isOfRecipe();
            $planned = [...$planned, ...($step->step === null ? [] : [$step->step])];
            if (isset($states[$step->key])) {
                $present = [...$present, ...$step->lies()];
                $own = [...$own, ...($isOwn ? $step->lies() : [])];
                $ownAt = [...$ownAt, ...array_fill(0, count($step->lies()), $isOwn)];
                $otherwise = $otherwise || $step->laid !== null;
            } else {
                $rest = [...$rest, ...$step->lies()];
                $restOwn = [...$restOwn, ...($isOwn ? $step->lies() : [])];
            }
        }
        $of = static fn (array $steps): Stack => Stack::of(...array_filter($steps, static fn (mixed $step): bool => $step instanceof Step));

        return new self($chain[0]->zone, $of($present), $of($own), $ownAt, $of($rest), $of($restOwn), $of($planned), $otherwise);
    }
}
