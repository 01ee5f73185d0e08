<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Closure;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\UnknownPencil;

/** A plan as it goes on from what the hand has really laid: what each place looks like before and after, and comes to. */
final class AsDrawn
{
    /**
     * @param  array<string, Stack>  $laid  by key of a step, what lies in its place; empty where it was left out
     * @param  Closure(string): Predictor  $predictor  for what a colour stands on, by its id
     *
     * @throws UnknownPencil
     */
    public static function of(Plan $plan, array $laid, Closure $predictor): Plan
    {
        $otherwise = $chains = [];
        foreach ($plan->steps as $step) {
            $lies = $laid[$step->key] ?? null;
            if ($lies !== null && (string) $lies !== (string) $step->step) {
                $otherwise[$step->key] = $step->drawn($lies);
            }
        }
        if ($otherwise === []) {
            return $plan;
        }
        $touched = [];
        foreach ($otherwise as $step) {
            $touched[$step->zone->id] = true;
        }
        foreach ($plan->steps as $step) {
            if (isset($touched[$step->zone->id])) {
                $chains[$step->zone->id][] = $otherwise[$step->key] ?? $step;
            }
        }
        $now = [];
        $built = $plan->built;
        foreach ($chains as $id => $chain) {
            $strip = $predictor($id)->strip(Stack::of(...array_merge(...array_map(static fn (PlanStep $step): array => $step->lies(), $chain))));
            $at = 0;
            foreach ($chain as $step) {
                $before = $strip[$at];
                $at += count($step->lies());
                $now[$step->key] = $step->looking($before->colour, $strip[$at]->colour, $strip[$at]->sigma);
            }
            $built[$id] = $strip[$at];
        }
        $as = static fn (PlanStep $step): PlanStep => $now[$step->key] ?? $step;
        $turns = array_map(static fn (Turn $turn): Turn => $turn->with(array_map(static fn (Place $place): Place => $place->with(array_map($as, $place->steps)), $turn->places)), $plan->turns);

        return new Plan($plan->pullList, $plan->cautions, array_map($as, $plan->steps), $plan->minutes, $plan->idleMinutes, $plan->apartMinutes, $turns, $built);
    }
}
