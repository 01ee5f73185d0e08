<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Layering\Prediction;
use Prism\Layering\Predictor;
use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\StepKind;
use Prism\Materials\Kit;
use Prism\Materials\Pencil;
use Prism\Schools\Blending;
use Prism\Schools\FirstValue;
use Prism\Schools\Highlights;
use Prism\Schools\Progress;

/**
 * Puts the steps of all zones into one order: {@see OrderRules} say what must come before what, {@see Schedule} weaves drying in.
 *
 * Where that leaves a choice, reserves come first, then light steps before dark ones (or by school), and whatever closes the
 * paper last; zone by zone, or colour by colour.
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

    /** Reasons that a step tells for its place. */
    private const REASONS = 2;

    public function __construct(
        private Predictor $predictor,
        private Kit $box,
        private Progress $progress = Progress::ColourByColour,
        private Pace $pace = new Pace,
    ) {
    }

    /**
     * @param  list<PlannedZone>  $zones
     *
     * @throws \Prism\Layering\UnknownPencil
     */
    public function plan(array $zones): Plan
    {
        $chains = array_map($this->chain(...), $zones);
        $steps = array_merge(...$chains);
        $rules = OrderRules::of($chains, $this->box);
        $schedule = Schedule::of($steps, $rules, $this->pace, $this->rank($zones));
        $ordered = self::told($steps, $rules, $schedule);

        return new Plan($this->pullList($zones), self::cautions($ordered), $ordered, $schedule->total, $schedule->idle, Schedule::oneAfterAnother($chains, $this->pace));
    }

    /**
     * The steps of one zone, in the order of its stack.
     *
     * @return list<PlanStep>
     */
    private function chain(PlannedZone $zone): array
    {
        if (count($zone->stack) === 0) {
            return [$this->highlight($zone)];
        }
        $strip = $this->predictor->strip($zone->stack);
        $chain = [];
        $last = count($zone->stack) - 1;
        foreach ($zone->stack->steps as $index => $step) {
            $role = self::role($zone, $index, $step);
            $chain[] = new PlanStep(
                PlanStep::keyOf($zone, $index + 1),
                $zone,
                $role,
                $step,
                $index + 1,
                $strip[$index]->colour,
                $strip[$index + 1]->colour,
                $strip[$index + 1]->sigma,
                self::why($role, $index, $last),
            );
            if (self::isRubbed($zone, $step) && ! self::isRubbed($zone, $zone->stack->steps[$index + 1] ?? null)) {
                $chain[] = self::rubbing($zone, $index + 1, $strip[$index + 1]);
            }
        }

        return $chain;
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
        $strip = $this->predictor->strip($step === null ? Stack::of() : Stack::of($step));
        $after = $strip[count($strip) - 1];

        return new PlanStep(
            PlanStep::keyOf($zone, 0).($step === null ? '' : '-'.substr(sha1((string) $step), 0, 4)),
            $zone,
            $zone->highlights->isLast() ? StepRole::Sparkle : StepRole::Reserve,
            $step,
            $step === null ? 0 : 1,
            $strip[0]->colour,
            $after->colour,
            $after->sigma,
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
     * The steps as scheduled, each with the reasons for its place.
     *
     * @param  list<PlanStep>  $steps
     * @param  list<Precedence>  $rules
     * @return list<PlanStep>
     */
    private static function told(array $steps, array $rules, Schedule $schedule): array
    {
        $numbers = array_flip($schedule->order);
        $because = [];
        foreach ($rules as $rule) {
            if ($rule->why !== '') {
                $because[$rule->before][] = [$numbers[$rule->after] + 1, $rule->why];
            }
        }
        $ordered = [];
        foreach ($schedule->order as $i) {
            $reasons = $because[$i] ?? [];
            sort($reasons);
            $ordered[] = $steps[$i]->scheduled($schedule->starts[$i], $schedule->minutes[$i], $schedule->sessions[$i], array_slice($reasons, 0, self::REASONS));
        }

        return $ordered;
    }

    /**
     * What comes first where the rules leave a choice.
     *
     * @param  list<PlannedZone>  $zones
     * @return \Closure(PlanStep): list<int|float>
     */
    private function rank(array $zones): \Closure
    {
        $places = [];
        foreach ($zones as $zone) {
            $L = $zone->target->L;
            $places[$zone->zone] = max($places[$zone->zone] ?? -INF, $L);
        }
        // The zone with the lightest light first; or last, where darks come first in most of them.
        $darkFirst = 2 * count(array_filter($zones, static fn (PlannedZone $zone): bool => in_array($zone->schools->value, [FirstValue::DarkToLight, FirstValue::FormFirst], true))) > count($zones);
        uasort($places, static fn (float $a, float $b): int => $darkFirst ? $a <=> $b : $b <=> $a);
        $places = array_flip(array_keys($places));

        return function (PlanStep $step) use ($places): array {
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
                $this->progress === Progress::ZoneByZone && $step->role !== StepRole::Reserve ? $places[$step->zone->zone] : -1,
                $waits && $step->role === StepRole::Wash ? StepRole::Layer->phase() : $step->role->phase(),
                // What will have to dry is begun early, so that other work fills the time.
                $waits ? 0 : 1,
                $value, crc32((string) $pencil), $step->layer,
            ];
        };
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
     * @param  list<PlannedZone>  $zones
     * @return list<array{pencil: \Prism\Materials\Pencil, layers: int, zones: int, share: float}>
     */
    private function pullList(array $zones): array
    {
        $layers = $laid = [];
        $in = [];
        foreach ($zones as $zone) {
            foreach ($zone->stack->steps as $step) {
                if ($step->pencil !== null) {
                    $id = (string) $step->pencil;
                    $layers[$id] = ($layers[$id] ?? 0) + $step->passes;
                    $in[$id][$zone->id] = true;
                    $laid[$id] = ($laid[$id] ?? 0.0) + $step->passes * $zone->areaMm2;
                }
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
    private static function rubbing(PlannedZone $zone, int $after, Prediction $seen): PlanStep
    {
        return new PlanStep(
            PlanStep::keyOf($zone, $after).'-rub', $zone, StepRole::Rub, null, $after, $seen->colour, $seen->colour, $seen->sigma,
            'Rub once over it with tissue or cotton, lightly: it evens the grain of light layers, and moves no heavy one.',
        );
    }

    private static function why(StepRole $role, int $index, int $last): string
    {
        return match ($role) {
            StepRole::Reserve, StepRole::Sparkle, StepRole::Rub => '',
            StepRole::Underlayer => 'Lies under the local colour: it dulls and darkens what follows. Keep it light and even.',
            StepRole::Wash => 'Floods the valleys and gives tooth back. Let it dry, 5 to 15 minutes, before the next layer here.',
            StepRole::Blend => 'Closes the grain and ends the layering. Start in the lightest area.',
            StepRole::Lift => 'Dab, do not rub: takes off part of what lies loose.',
            StepRole::Burnish => $index < $last ? 'Heavy: fills the valleys. What follows will take less.' : 'Last and heavy: closes the grain. Start in the lightest area and work into the dark.',
            StepRole::Layer => match (true) {
                $index === 0 => 'First coat: sharp point, light hand, even strokes.',
                $index === $last => 'Last coat here: look at the target before you stop.',
                default => 'Builds on the coat below; let the grain show.',
            },
        };
    }
}
