<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\ToothModel;
use Prism\Matching\Manner;

/**
 * Sets each turn to one pressure, and its coats at each place by what they come to there.
 *
 * The recipes of the places were found each at a pressure of its own; at that of the turn a coat more or less makes up for the
 * difference. Turn by turn, in their order, the rung is taken that serves all places together; what is laid after it is
 * reckoned as it stands. Recipes that the artist has chosen keep their pressures and coats.
 */
final class Pressing
{
    /** Pressures of turns stand on rungs this far apart. */
    private const RUNG_PERCENT = 5.0;

    /** The second time, turns see what those after them have become. */
    private const PASSES = 3;

    /** A step has so many coats more or less than in its recipe. */
    private const COATS = 2;

    /** What a coat costs, in dE00: it takes time. */
    private const COAT = 0.04;

    /** Error of L* counts beside dE00 by this much: values before hues. */
    private const VALUE = 0.4;

    /** What a pressure that falls over the form may cost each value, in dE00: it spares counting coats at each. And by how much it falls at least, percent. */
    private const FADE = 0.25;

    private const FALLS = 10.0;

    /** Colours of less paper count as if they had so much, mm². */
    private const LEAST_AREA = 40.0;

    /** @var array<string, array<int, Step>> by colour, as it is laid */
    private array $stacks = [];

    /** @var array<int, int> by step, its place in its stack */
    private array $at = [];

    /** @var array<string, true> colours of which a step is not as in its recipe any more */
    private array $changed = [];

    /** @var array<string, float> by stack in notation: how far from its target */
    private array $misses = [];

    /** @var array<int, PlanStep> */
    private array $steps = [];

    /** @param  array<string, ToothModel>  $grounds  by colour, for those that stand on a ground of their own */
    public function __construct(private readonly ToothModel $model, private readonly array $grounds = [])
    {
    }

    /**
     * @param  array<int, PlanStep>  $steps  of each colour in the order of its stack
     * @param  list<non-empty-list<int>>  $turns  indices of the steps
     * @return array<int, PlanStep> the same, at the pressures of the turns
     */
    public function of(array $steps, array $turns): array
    {
        $this->steps = $steps;
        $this->stacks = $this->at = $this->changed = [];
        foreach ($steps as $i => $step) {
            $id = $step->zone->id;
            $this->stacks[$id] ??= [];
            if ($step->step !== null) {
                $this->at[$i] = count($this->stacks[$id]);
                $this->stacks[$id][] = $step->step;
            }
        }
        for ($pass = 0; $pass < self::PASSES; $pass++) {
            foreach ($turns as $turn) {
                if ($steps[$turn[0]]->step?->pencil !== null) {
                    $this->press($turn);
                    $this->fade($turn);
                }
            }
        }
        foreach ($this->at as $i => $at) {
            $step = $steps[$i];
            $steps[$i] = $step->laid($this->stacks[$step->zone->id][$at], $step->before, $step->after, $step->sigma);
        }

        return $steps;
    }

    /** @param  non-empty-list<int>  $turn */
    private function press(array $turn): void
    {
        $least = INF;
        $taken = [];
        $rungs = $this->rungs($turn);
        foreach ($rungs as $pressure) {
            $sum = 0.0;
            $laid = [];
            foreach ($turn as $i) {
                [$laid[$i], $miss] = $this->best($i, $pressure, count($rungs) > 1 || isset($this->changed[$this->steps[$i]->zone->id]));
                $sum += max(self::LEAST_AREA, $this->steps[$i]->zone->areaMm2) * $miss;
            }
            if ($sum < $least - 1e-9) {
                $least = $sum;
                $taken = $laid;
            }
        }
        foreach ($taken as $i => $step) {
            $this->stacks[$this->steps[$i]->zone->id][$this->at[$i]] = $step;
            if ((string) $step !== (string) $this->steps[$i]->step) {
                $this->changed[$this->steps[$i]->zone->id] = true;
            }
        }
    }

    /**
     * Where values of one form would take unlike coats of the turn, the pressure falls from one end to the other instead, if that is as near.
     *
     * @param  non-empty-list<int>  $turn
     */
    private function fade(array $turn): void
    {
        $zones = [];
        foreach ($turn as $i) {
            $step = $this->steps[$i];
            if ($step->step?->pencil !== null && $step->step->pressurePercent <= Manner::FIRM_PERCENT && $step->zone->role->isOfForm() && ! $step->zone->own) {
                $zones[$step->zone->zone][] = $i;
            }
        }
        foreach ($zones as $of) {
            usort($of, fn (int $a, int $b): int => $this->steps[$a]->zone->target->L <=> $this->steps[$b]->zone->target->L);
            $laid = array_map(fn (int $i): Step => $this->stacks[$this->steps[$i]->zone->id][$this->at[$i]], $of);
            $coats = array_map(static fn (Step $step): int => $step->passes, $laid);
            if (min($coats) === max($coats)) {
                continue;
            }
            $most = self::FADE * count($of) + $this->sumOf($of, $laid);
            $best = null;
            foreach ($this->fades($laid) as $faded) {
                $sum = $this->sumOf($of, $faded);
                if ($sum <= $most) {
                    $most = $sum;
                    $best = $faded;
                }
            }
            foreach ($best ?? [] as $n => $step) {
                $this->stacks[$this->steps[$of[$n]]->zone->id][$this->at[$of[$n]]] = $step;
            }
        }
    }

    /**
     * From the end that has most coats, at their pressure, to the other, all in as many coats.
     *
     * @param  non-empty-list<Step>  $laid  from the darkest value to the lightest
     * @return list<non-empty-list<Step>>
     */
    private function fades(array $laid): array
    {
        $last = count($laid) - 1;
        $towardsLight = $laid[0]->passes > $laid[$last]->passes;
        $pencil = $laid[0]->pencil;
        $strong = $laid[0]->pressurePercent;
        $coats = array_map(static fn (Step $step): int => $step->passes, $laid);
        $fades = [];
        for ($passes = min($coats); $pencil !== null && $passes <= max($coats); $passes++) {
            for ($weak = $strong - self::FALLS; $weak >= Manner::LEAST_PERCENT; $weak -= self::RUNG_PERCENT) {
                $fades[] = array_map(static function (int $n) use ($pencil, $strong, $weak, $last, $towardsLight, $passes): Step {
                    $share = $towardsLight ? $n / $last : 1.0 - $n / $last;

                    return Step::layer($pencil, self::RUNG_PERCENT * round(($strong + $share * ($weak - $strong)) / self::RUNG_PERCENT), $passes);
                }, range(0, $last));
            }
        }

        return $fades;
    }

    /**
     * How far colours are when a step of each is laid so, all together.
     *
     * @param  list<int>  $of
     * @param  list<Step>  $laid
     */
    private function sumOf(array $of, array $laid): float
    {
        $sum = 0.0;
        foreach ($of as $n => $i) {
            $zone = $this->steps[$i]->zone;
            $stack = $this->stacks[$zone->id];
            $stack[$this->at[$i]] = $laid[$n];
            $sum += $this->miss($zone, Stack::of(...$stack)) + self::COAT * $laid[$n]->passes;
        }

        return $sum;
    }

    /**
     * What the turn may be pressed with: between the lightest and the firmest of its places.
     *
     * @param  non-empty-list<int>  $turn
     * @return non-empty-list<float>
     */
    private function rungs(array $turn): array
    {
        $pressures = array_map(fn (int $i): float => $this->steps[$i]->step->pressurePercent ?? 0.0, $turn);
        [$low, $high] = [min($pressures), max($pressures)];
        if ($low === $high) {
            return [$low];
        }
        $rungs = [];
        for ($rung = self::RUNG_PERCENT * ceil($low / self::RUNG_PERCENT); $rung <= $high; $rung += self::RUNG_PERCENT) {
            $rungs[] = $rung;
        }

        return $rungs === [] ? [$low] : $rungs;
    }

    /**
     * @param  bool  $makesUp  whether coats may make up for a pressure that is not the recipe's
     * @return array{Step, float} the step at this pressure with the coats that serve, and how far its colour is then
     */
    private function best(int $i, float $pressure, bool $makesUp): array
    {
        $own = $this->steps[$i]->step;
        $pencil = $own?->pencil;
        assert($own !== null && $pencil !== null);
        $zone = $this->steps[$i]->zone;
        $stack = $this->stacks[$zone->id];
        $reach = ! $makesUp || $zone->own || $this->steps[$i]->role === StepRole::Map || $own->pressurePercent >= Pressure::BURNISH_PERCENT ? 0 : self::COATS;
        $others = array_sum(array_map(static fn (Step $step): int => $step->passes, $stack)) - $stack[$this->at[$i]]->passes;
        $best = null;
        $least = INF;
        for ($coats = max(1, $own->passes - $reach); $coats <= min(max($own->passes, $pressure > Manner::FIRM_PERCENT ? Manner::FIRM_COATS : Manner::LAYER_COATS), $own->passes + $reach); $coats++) {
            if ($coats > $own->passes && $others + $coats > Manner::COATS) {
                break;
            }
            $stack[$this->at[$i]] = $step = Step::layer($pencil, $pressure, $coats);
            $miss = $this->miss($zone, Stack::of(...$stack)) + self::COAT * $coats;
            if ($miss < $least) {
                $least = $miss;
                $best = $step;
            }
        }
        assert($best !== null);

        return [$best, $least];
    }

    private function miss(PlannedZone $zone, Stack $stack): float
    {
        $key = $zone->id.' '.$stack;
        if (! isset($this->misses[$key])) {
            $seen = ($this->grounds[$zone->id] ?? $this->model)->draw($stack)->lab();
            $value = abs($seen->L - $zone->target->L);
            $this->misses[$key] = $zone->valueOnly ? $value : $seen->differenceTo($zone->target) + self::VALUE * $value;
        }

        return $this->misses[$key];
    }
}
