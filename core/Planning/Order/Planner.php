<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Colour\Difference;
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
use Prism\Reference\Zones\TargetRole;
use Prism\Schools\Blending;
use Prism\Schools\DrawingHand;
use Prism\Schools\FirstValue;
use Prism\Schools\Highlights;
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
    private const LONG_DRAWING_STEPS = 24;

    /** L* of a middle value; stands for what is no pencil, too. */
    private const MIDDLE_LIGHTNESS = 55.0;

    /** How hard a highlight is protected, and how firmly white is laid first. */
    private const PALE_PERCENT = 35.0;

    private const WHITE_PERCENT = 80.0;

    /** A pale pencil that marks has a little colour of its own. */
    private const PALE_CHROMA = 3.0;

    /** Zones that are worked on together where one finishes them one after the other: as many as dry in turn. */
    private const GROUP_ZONES = 12;

    /** A turn that goes only to colours darker than this, L*, is one of the darks. */
    private const DARK_LIGHTNESS = 38.0;

    /** Reasons that a turn tells for its place. */
    private const REASONS = 2;

    /** A last coat is laid on seeing that it is needed, where without it the colour is no further off than this, dE00, and what it gains is within doubt. */
    private const MAY_DO = 4.0;

    /** A last coat brings its colour or its value nearer by so much, dE00 and L*. */
    private const NEARER = 0.3;

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
        $lines = Lines::of($zones, $this->box);
        $chains = $this->onGrounds(array_map(fn (PlannedZone $zone): array => $lines->around($zone, $this->chain($zone)), $zones));
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
        [$ordered, $turns] = self::told($pressed, $rules, $schedule);

        return new Plan($this->pullList($ordered), self::cautions($ordered), $ordered, $schedule->total, $schedule->idle, $apart->total, $turns, $built);
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

        return [$schedule, $pressed, $built];
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
     * The steps of one colour, in the order of its stack; what they look like follows when their pressures are known.
     *
     * @return non-empty-list<PlanStep>
     */
    private function chain(PlannedZone $zone): array
    {
        if (count($zone->stack) === 0) {
            return [$this->highlight($zone)];
        }
        $chain = [];
        $last = count($zone->stack) - 1;
        foreach ($zone->stack->steps as $index => $step) {
            $role = self::role($zone, $index, $step);
            $chain[] = new PlanStep(PlanStep::keyOf($zone, $index + 1), $zone, $role, $step, $index + 1, $zone->target, $zone->target, 0.0, self::why($role, $index, $last, $step->pressurePercent > Manner::FIRM_PERCENT).self::point($zone, $index, $last));
            if (self::isRubbed($zone, $step) && ! self::isRubbed($zone, $zone->stack->steps[$index + 1] ?? null)) {
                $chain[] = self::rubbing($zone, $index + 1);
            }
        }

        assert($chain !== []);

        return $chain;
    }

    /**
     * Each zone with its ground before all else, once.
     *
     * @param  list<non-empty-list<PlanStep>>  $chains
     * @return list<non-empty-list<PlanStep>>
     */
    private function onGrounds(array $chains): array
    {
        $laid = [];
        foreach ($chains as $i => $chain) {
            $zone = $chain[0]->zone;
            if (isset($this->grounds[$zone->id]) && ! isset($laid[$zone->zone])) {
                $laid[$zone->zone] = true;
                $ground = new PlanStep(PlanStep::keyOf($zone, 0).'-ground', $zone, StepRole::Ground, null, 0, $zone->target, $zone->target, 0.0, 'Lay the ground over all of the zone, thin and even, and let it dry.');
                $chains[$i] = [$ground, ...$chain];
            }
        }

        return $chains;
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

    /** A colour that the paper itself is, kept or made as the school of the zone says. */
    private function highlight(PlannedZone $zone): PlanStep
    {
        $pale = match ($zone->highlights) {
            Highlights::PalePencil => $this->palest(false),
            Highlights::WhiteFirst => $this->palest(true),
            default => null,
        };
        $step = $pale === null ? null : Step::layer($pale->id, $zone->highlights === Highlights::WhiteFirst ? self::WHITE_PERCENT : self::PALE_PERCENT);

        return new PlanStep(
            PlanStep::keyOf($zone, 0).($step === null ? '' : '-'.substr(sha1((string) $step), 0, 4)),
            $zone,
            $zone->highlights->isLast() ? StepRole::Sparkle : StepRole::Reserve,
            $step,
            $step === null ? 0 : 1,
            $zone->target,
            $zone->target,
            0.0,
            $zone->highlights->sentence(),
        );
    }

    /** The palest pencil of the box; or its whitest. */
    private function palest(bool $white): ?Pencil
    {
        $best = null;
        $most = -INF;
        foreach ($this->box as $pencil) {
            $coat = $pencil->fullCoat;
            if ($coat === null || (! $white && $coat->chroma() < self::PALE_CHROMA)) {
                continue;
            }
            $score = $coat->L - ($white ? 2.0 : 0.2) * $coat->chroma();
            if ($score > $most) {
                $most = $score;
                $best = $pencil;
            }
        }

        return $best;
    }

    /**
     * The steps as scheduled, and the turns they make, with the reasons for their places.
     *
     * @param  array<int, PlanStep>  $steps
     * @param  list<Precedence>  $rules
     * @return array{list<PlanStep>, list<Turn>}
     */
    private static function told(array $steps, array $rules, Schedule $schedule): array
    {
        $turnOf = $because = [];
        foreach ($schedule->turns as $number => $turn) {
            foreach ($turn as $i) {
                $turnOf[$i] = $number;
            }
        }
        foreach ($rules as $rule) {
            if ($rule->why !== '' && isset($turnOf[$rule->before], $turnOf[$rule->after]) && $turnOf[$rule->before] !== $turnOf[$rule->after]) {
                $because[$rule->before][$rule->why] = true;
            }
        }
        $values = [];
        foreach ($steps as $step) {
            $values[$step->zone->zone][$step->zone->role->value] ??= $step;
        }
        $ordered = $turns = $visits = [];
        foreach ($schedule->turns as $number => $turn) {
            $of = $counts = [];
            $minutes = 0.0;
            foreach ($turn as $i) {
                $reasons = array_keys($because[$i] ?? []);
                $of[] = $ordered[] = $steps[$i]->scheduled($schedule->starts[$i], $schedule->minutes[$i], $schedule->sessions[$i], $number + 1, array_slice($reasons, 0, self::REASONS));
                $minutes += $schedule->minutes[$i];
                foreach ($reasons as $why) {
                    $counts[$why] = ($counts[$why] ?? 0) + 1;
                }
            }
            arsort($counts);
            $first = $of[0];
            $round = 1;
            foreach ($first->step?->pencil === null ? [] : $of as $step) {
                $visit = "{$step->zone->id} {$first->step?->pencil}";
                $visits[$visit] = ($visits[$visit] ?? 0) + ($step->role === StepRole::Map ? 0 : 1);
                $round = max($round, $visits[$visit]);
            }
            $stage = self::stage($of);
            $turns[] = new Turn(
                $number + 1, $stage, $first->role, $first->step?->kind, $first->step?->pencil, $first->step?->pencil === null ? null : max(array_map(static fn (PlanStep $step): float => $step->step->pressurePercent ?? 0.0, $of)),
                self::placed($of, $values), self::whyOf($of), array_slice(array_keys($counts), 0, self::REASONS), $minutes, $first->session, $round,
            );
        }

        return [$ordered, $turns];
    }

    /**
     * The places of a turn: by zone, what is laid in as many coats together.
     *
     * @param  non-empty-list<PlanStep>  $steps
     * @param  array<string, array<string, PlanStep>>  $values  by zone and role, one step of each colour
     * @return non-empty-list<Place>
     */
    private static function placed(array $steps, array $values): array
    {
        $form = [TargetRole::Light, TargetRole::Middle, TargetRole::Dark];
        $by = [];
        foreach ($steps as $step) {
            $own = ZonePart::ownOf($step->zone->role);
            $by[$step->zone->zone.' '.($own->value ?? '').' '.($step->step->passes ?? 1)][] = $step;
        }
        $places = [];
        foreach ($by as $of) {
            usort($of, static fn (PlanStep $a, PlanStep $b): int => $b->zone->areaMm2 <=> $a->zone->areaMm2);
            $zone = $of[0]->zone;
            $roles = static fn (array $given): array => array_values(array_filter($form, static fn (TargetRole $role): bool => isset($given[$role->value])));
            $all = $values[$zone->zone];
            $part = $of[0]->role === StepRole::Ground ? ZonePart::All : ZonePart::ownOf($zone->role) ?? ZonePart::of(
                $roles(array_flip(array_map(static fn (PlanStep $step): string => $step->zone->role->value, $of))) ?: [TargetRole::Middle],
                $roles($all) ?: [TargetRole::Middle],
                $roles(array_filter($all, static fn (PlanStep $step): bool => $step->step === null)),
            );
            $places[] = new Place($zone->zone, $zone->zoneName(), $part, $of[0]->step->passes ?? 1, $of);
        }

        return $places;
    }

    /** @param  non-empty-list<PlanStep>  $steps */
    private static function stage(array $steps): Stage
    {
        $first = $steps[0];
        $all = static fn (\Closure $is): bool => array_filter($steps, static fn (PlanStep $step): bool => ! $is($step)) === [];

        return match (true) {
            $first->role === StepRole::Reserve => Stage::Reserve,
            $first->role === StepRole::Map => Stage::Map,
            $first->role === StepRole::Ground => Stage::Underlayer,
            in_array($first->role, [StepRole::Line, StepRole::Burnish, StepRole::Blend, StepRole::Sparkle], true) => Stage::Finish,
            $first->step?->pencil !== null && $first->step->pressurePercent > Manner::FIRM_PERCENT => Stage::Finish,
            $all(static fn (PlanStep $step): bool => in_array($step->role, [StepRole::Underlayer, StepRole::Redraw], true)) => Stage::Underlayer,
            $all(static fn (PlanStep $step): bool => $step->zone->target->L < self::DARK_LIGHTNESS) => Stage::Dark,
            default => Stage::Build,
        };
    }

    /**
     * What most of its area says of it.
     *
     * @param  non-empty-list<PlanStep>  $steps
     */
    private static function whyOf(array $steps): string
    {
        $areas = [];
        foreach ($steps as $step) {
            $areas[$step->why] = ($areas[$step->why] ?? 0.0) + max(1.0, $step->zone->areaMm2);
        }
        arsort($areas);

        return (string) array_key_first($areas);
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

    /**
     * @param  list<PlanStep>  $steps
     * @return list<Caution>
     */
    private static function cautions(array $steps): array
    {
        $cautions = [];
        if (array_filter($steps, static fn (PlanStep $step): bool => $step->role === StepRole::Wash) !== []) {
            $cautions[] = Caution::Solvent;
        }
        if (array_filter($steps, static fn (PlanStep $step): bool => $step->step?->pencil !== null) !== []) {
            array_push($cautions, Caution::Pigment, Caution::Blade);
        }
        if (count($steps) >= self::LONG_DRAWING_STEPS) {
            $cautions[] = Caution::Breaks;
        }

        return $cautions;
    }

    private static function role(PlannedZone $zone, int $index, Step $step): StepRole
    {
        return match ($step->kind) {
            StepKind::Wash => StepRole::Wash,
            StepKind::Blend => StepRole::Blend,
            StepKind::Lift => StepRole::Lift,
            StepKind::Layer => match (true) {
                $step->pressurePercent >= Pressure::BURNISH_PERCENT => StepRole::Burnish,
                $zone->underlayer === $index => StepRole::Underlayer,
                default => StepRole::Layer,
            },
        };
    }

    /** Where the school blends with tissue, light layers are rubbed; a heavy one does not move. */
    private static function isRubbed(PlannedZone $zone, ?Step $step): bool
    {
        return $zone->schools->blending === Blending::Tissue && $step !== null && $step->kind === StepKind::Layer && $step->pressurePercent <= Pressure::LIGHT_PERCENT;
    }

    /** After the last of some light layers. What it does to their colour is too little to reckon with. */
    private static function rubbing(PlannedZone $zone, int $after): PlanStep
    {
        return new PlanStep(
            PlanStep::keyOf($zone, $after).'-rub', $zone, StepRole::Rub, null, $after, $zone->target, $zone->target, 0.0,
            'Rub once over it with tissue or cotton, lightly: it evens the grain of light layers, and moves no heavy one.',
        );
    }

    /** What the point must be for lines. */
    private static function point(PlannedZone $zone, int $index, int $last): string
    {
        return $zone->lineMm === null || $index < $last ? '' : sprintf(' Lines of about %.1f mm: needle point, held near the tip.', $zone->lineMm);
    }

    private static function why(StepRole $role, int $index, int $last, bool $firm): string
    {
        return match ($role) {
            StepRole::Ground, StepRole::Reserve, StepRole::Map, StepRole::Redraw, StepRole::Line, StepRole::Sparkle, StepRole::Rub => '',
            StepRole::Underlayer => 'Lies under the local colour: it dulls and darkens what follows. Keep it light and even.',
            StepRole::Wash => 'Floods the valleys and gives tooth back. Let it dry, 5 to 15 minutes, before the next layer here.',
            StepRole::Blend => 'Closes the grain and ends the layering. Start in the lightest area.',
            StepRole::Lift => 'Dab, do not rub: takes off part of what lies loose.',
            StepRole::Burnish => $index < $last ? 'Heavy: fills the valleys. What follows will take less.' : 'Last and heavy: closes the grain. Start in the lightest area and work into the dark.',
            StepRole::Layer => match (true) {
                $firm && $index === $last => 'Last and firm: press evenly, and look at the target before you stop.',
                $index === 0 => 'First coat: sharp point, light hand, even strokes.',
                $index === $last => 'Last coat here: look at the target before you stop.',
                default => 'Builds on the coat below; let the grain show.',
            },
        };
    }
}
