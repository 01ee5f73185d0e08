<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Colour\Words\Difference;
use Prism\Layering\Prediction;
use Prism\Layering\Predictor;
use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\StepKind;
use Prism\Layering\ToothModel;
use Prism\Matching\Manner;
use Prism\Materials\Kit;
use Prism\Materials\Pencil;
use Prism\Schools\DrawingHand;
use Prism\Schools\FirstValue;
use Prism\Schools\Progress;

/**
 * Puts the steps of all zones into turns, and those into one order: {@see OrderRules} say what must come before what,
 * {@see Schedule} which places a tool goes to while it is in the hand, and weaves drying in.
 *
 * Where that leaves a choice, reserves come first, then light steps before dark ones (or by school), and whatever closes the
 * paper last; in groups of zones, or colour by colour. What a colour comes to is predicted at the pressures of the turns.
 */
final readonly class Planner
{
    /** L* of a middle value; stands for what is no pencil, too. */
    private const MIDDLE_LIGHTNESS = 55.0;

    /** Zones that are worked on together where one finishes them one after the other: as many as dry in turn. */
    private const GROUP_ZONES = 12;

    /** A last coat is laid on seeing that it is needed, where without it the colour is no further off than this, dE00, and what it gains is within doubt. */
    private const MAY_DO = 4.0;

    /** A last coat brings its colour or its value nearer by so much, dE00 and L*. */
    private const NEARER = 0.3;

    /** Nobody lays a colour that comes out so much farther than its recipe for the sake of a shared turn, dE00. */
    private const SPOILT = 2.5;

    /** @param  array<string, Predictor>  $grounds  by colour, for those that stand on a ground of their own */
    public function __construct(
        private Predictor $predictor,
        private Kit $box,
        private Progress $progress = Progress::ColourByColour,
        private Pace $pace = new Pace,
        private DrawingHand $hand = DrawingHand::Right,
        private array $grounds = [],
    ) {
    }

    /**
     * @param  list<PlannedZone>  $zones
     *
     * @throws \Prism\Layering\UnknownPencil
     */
    public function plan(array $zones): Plan
    {
        $chains = Chains::for($zones, $this->box, $this->grounds);
        $steps = array_merge(...$chains);
        $rules = OrderRules::of($chains, $this->box);
        $places = self::places($zones);
        $rank = $this->rank();
        $apart = Schedule::zoneAfterZone($steps, $rules, $this->pace, $rank, static fn (PlanStep $step): int => self::group($step, $places[$step->zone->zone]));
        $group = $this->progress === Progress::ColourByColour
            ? static fn (PlanStep $step): int => self::group($step, 0)
            : static fn (PlanStep $step): int => self::group($step, intdiv($places[$step->zone->zone], self::GROUP_ZONES));
        $schedule = Schedule::of($steps, $rules, $this->pace, $rank, $group)->orShorter($apart);
        [$schedule, $pressed, $built] = $this->pressed($steps, $rules, $schedule, $rank, $group);
        [$ordered, $turns] = Telling::told($pressed, $rules, $schedule);

        return new Plan($this->pullList($ordered), Telling::cautions($ordered), $ordered, $schedule->total, $schedule->idle, $apart->total, $turns, $built);
    }

    /**
     * The schedule with each turn at one pressure: without the coats that nobody needs then, and with the turns made one that have come
     * to pressures near one another.
     *
     * @param  list<PlanStep>  $steps  of each colour in the order of its stack
     * @param  list<Precedence>  $rules
     * @param  \Closure(PlanStep): list<int|float>  $rank
     * @param  \Closure(PlanStep): int  $group
     * @return array{Schedule, array<int, PlanStep>, array<string, Prediction>}
     */
    private function pressed(array $steps, array $rules, Schedule $schedule, \Closure $rank, \Closure $group): array
    {
        $pressing = new Pressing($this->predictor->model, array_map(static fn (Predictor $ground): ToothModel => $ground->model, $this->grounds));
        do {
            [$pressed, $built] = $this->predicted($pressing->of($steps, $schedule->turns));
            $turns = count($schedule->turns);
            $needless = self::needless($pressed);
            $steps = array_diff_key($steps, array_flip($needless));
            $schedule = $schedule->without($needless, $steps, $rules, $this->pace)->gathered($steps, $pressed, $rules, $this->pace, $rank, $group);
        } while ($needless !== [] || count($schedule->turns) < $turns);
        $spoilt = $this->spoilt($steps, $pressed, $built);
        if ($spoilt !== []) {
            $schedule = $schedule->apart($spoilt, $steps, $rules, $this->pace);
            [$pressed, $built] = $this->predicted($pressing->of($steps, $schedule->turns));
        }

        return [$schedule, $pressed, $built];
    }

    /**
     * Steps that the pressure of their turn has taken far from their recipe, of colours that come out much farther by it.
     *
     * @param  array<int, PlanStep>  $steps  as their recipes were found
     * @param  array<int, PlanStep>  $pressed  the same at the pressures of the turns
     * @param  array<string, Prediction>  $built  by colour
     * @return list<int>
     */
    private function spoilt(array $steps, array $pressed, array $built): array
    {
        [$found] = array_slice($this->predicted($steps), 1);
        $spoilt = [];
        foreach ($steps as $i => $step) {
            $zone = $step->zone;
            $worse = $built[$zone->id]->colour->differenceTo($zone->target) - $found[$zone->id]->colour->differenceTo($zone->target);
            if ($worse > self::SPOILT && ! $zone->valueOnly && $step->step?->pencil !== null && abs(($pressed[$i]->step->pressurePercent ?? 0.0) - $step->step->pressurePercent) > 0.0) {
                $spoilt[] = $i;
            }
        }

        return $spoilt;
    }

    /** Reserves are marked and lines mapped before all else; lines are made final, and the last lights set, after it. */
    private static function group(PlanStep $step, int $group): int
    {
        return match (true) {
            $step->role === StepRole::Ground => -2,
            $step->role === StepRole::Reserve, $step->role === StepRole::Map => -1,
            $step->role === StepRole::Sparkle => PHP_INT_MAX,
            $step->role === StepRole::Line => PHP_INT_MAX - 1,
            default => $group,
        };
    }

    /**
     * What each step looks like before and after, at the pressures of the turns; and what each colour comes to.
     *
     * @param  array<int, PlanStep>  $steps  of each colour in the order of its stack
     * @return array{array<int, PlanStep>, array<string, Prediction>}
     */
    private function predicted(array $steps): array
    {
        $stacks = $strips = $built = [];
        foreach ($steps as $step) {
            $stacks[$step->zone->id] ??= [];
            if ($step->step !== null) {
                $stacks[$step->zone->id][] = $step->step;
            }
        }
        foreach ($stacks as $id => $laid) {
            $strips[$id] = ($this->grounds[$id] ?? $this->predictor)->strip(Stack::of(...$laid));
            $built[$id] = $strips[$id][count($laid)];
        }
        $at = [];
        foreach ($steps as $i => $step) {
            $id = $step->zone->id;
            $before = $strips[$id][$at[$id] ?? 0];
            $at[$id] = ($at[$id] ?? 0) + ($step->step === null ? 0 : 1);
            $after = $strips[$id][$at[$id]];
            $steps[$i] = $step->laid($step->step, $before->colour, $after->colour, $after->sigma, $at[$id] === count($stacks[$id]) ? self::onlyIf($step, $before, $after) : null);
        }

        return [$steps, $built];
    }

    /**
     * Last coats that, at the pressure of their turn, bring their colour no nearer: nobody would lay them.
     *
     * @param  array<int, PlanStep>  $steps  of each colour in the order of its stack
     * @return list<int>
     */
    private static function needless(array $steps): array
    {
        $last = [];
        foreach ($steps as $i => $step) {
            if ($step->step !== null) {
                $last[$step->zone->id] = $i;
            }
        }

        return array_values(array_filter($last, static function (int $i) use ($steps): bool {
            $step = $steps[$i];
            $target = $step->zone->target;
            $nearer = $step->zone->valueOnly ? 0.0 : $step->before->differenceTo($target) - $step->after->differenceTo($target);

            return $step->role === StepRole::Layer && $step->layer > 1 && $step->step?->pencil !== null && ! $step->zone->own
                && $nearer < self::NEARER && abs($step->before->L - $target->L) - abs($step->after->L - $target->L) < self::NEARER;
        }));
    }

    /** Of the last coat of a colour: what must still be seen for it to be laid, if it may as well do without. */
    private static function onlyIf(PlanStep $last, Prediction $before, Prediction $after): ?string
    {
        if ($last->step?->pencil === null || $last->role !== StepRole::Layer || $last->layer < 2 || $last->zone->own) {
            return null;
        }
        $miss = Difference::between($before->colour, $last->zone->target);
        $gain = $miss->dE00 - $after->colour->differenceTo($last->zone->target);

        return $miss->dE00 <= self::MAY_DO && $gain < $after->sigma ? $miss->words : null;
    }

    /**
     * In which order zones are taken up: the one with the lightest light first; or last, where darks come first in most of them.
     *
     * @param  list<PlannedZone>  $zones
     * @return array<string, int>
     */
    private static function places(array $zones): array
    {
        $places = [];
        foreach ($zones as $zone) {
            $places[$zone->zone] = max($places[$zone->zone] ?? -INF, $zone->target->L);
        }
        $darkFirst = 2 * count(array_filter($zones, static fn (PlannedZone $zone): bool => in_array($zone->schools->value, [FirstValue::DarkToLight, FirstValue::FormFirst], true))) > count($zones);
        uasort($places, static fn (float $a, float $b): int => $darkFirst ? $a <=> $b : $b <=> $a);

        return array_flip(array_keys($places));
    }

    /**
     * What comes first where the rules leave a choice: at last, of the places of one pencil, that from which the hand moves away.
     *
     * @return \Closure(PlanStep): list<int|float> the phase, and whether nothing has to dry after it, before all else
     */
    private function rank(): \Closure
    {
        return function (PlanStep $step): array {
            $pencil = $step->step?->pencil;
            $L = $pencil !== null && $this->box->has($pencil) ? ($this->box->get($pencil)->fullCoat->L ?? self::MIDDLE_LIGHTNESS) : self::MIDDLE_LIGHTNESS;
            $value = match ($step->zone->schools->value) {
                FirstValue::DarkToLight, FirstValue::FormFirst => $L,
                FirstValue::MiddleFirst => abs($L - self::MIDDLE_LIGHTNESS),
                FirstValue::BothEnds => -abs($L - self::MIDDLE_LIGHTNESS),
                FirstValue::LightToDark => -$L,
            };
            $waits = self::leadsToDrying($step);

            return [
                match (true) {
                    $waits && $step->role === StepRole::Wash => StepRole::Layer->phase(),
                    // What is pressed to end a passage waits for what is laid softly.
                    self::isFirmEnd($step) => StepRole::Wash->phase(),
                    default => $step->role->phase(),
                },
                // What will have to dry is begun early, so that other work fills the time.
                $waits ? 0 : 1,
                $step->role === StepRole::Underlayer ? 0 : 1,
                $value, crc32((string) $pencil), $this->hand->sweep($step->zone->across, $step->zone->down), $step->layer,
            ];
        };
    }

    private static function isFirmEnd(PlanStep $step): bool
    {
        return $step->role === StepRole::Layer && $step->step !== null && $step->step->pressurePercent > Manner::FIRM_PERCENT && $step->layer === count($step->zone->stack);
    }

    /** Whether a wash, here or later in its stack, must dry before something else goes over it. */
    private static function leadsToDrying(PlanStep $step): bool
    {
        $rest = array_slice($step->zone->stack->steps, max(0, $step->layer - 1));
        foreach ($rest as $i => $later) {
            if ($later->kind === StepKind::Wash && $i < count($rest) - 1) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  list<PlanStep>  $steps  as they are laid
     * @return list<array{pencil: \Prism\Materials\Pencil, layers: int, zones: int, share: float}>
     */
    private function pullList(array $steps): array
    {
        $layers = $laid = $in = [];
        foreach ($steps as $step) {
            if ($step->step?->pencil !== null) {
                $id = (string) $step->step->pencil;
                $layers[$id] = ($layers[$id] ?? 0) + $step->step->passes;
                $in[$id][$step->zone->id] = true;
                $laid[$id] = ($laid[$id] ?? 0.0) + $step->step->passes * $step->zone->areaMm2;
            }
        }
        $all = max(1e-9, array_sum($laid));
        $list = [];
        foreach ($this->box as $id => $pencil) {
            if (isset($layers[$id])) {
                $list[] = ['pencil' => $pencil, 'layers' => $layers[$id], 'zones' => count($in[$id]), 'share' => $laid[$id] / $all];
            }
        }

        return $list;
    }
}
