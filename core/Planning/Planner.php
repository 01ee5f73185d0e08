<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Layering\Predictor;
use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\StepKind;
use Prism\Matching\School;
use Prism\Materials\Kit;

/**
 * Puts the steps of all zones into one order.
 *
 * Each zone keeps the order of its stack. Where there is a choice, reserves come first, then light steps before dark
 * ones (or by school), and whatever closes the paper last.
 */
final readonly class Planner
{
    private const LONG_DRAWING_STEPS = 24;

    /** L* of a middle value; stands for what is no pencil, too. */
    private const MIDDLE_LIGHTNESS = 55.0;

    public function __construct(private Predictor $predictor, private Kit $box, private School $school = School::LightToDark)
    {
    }

    /**
     * @param  list<PlannedZone>  $zones
     *
     * @throws \Prism\Layering\UnknownPencil
     */
    public function plan(array $zones): Plan
    {
        $steps = $this->ordered(array_map($this->chain(...), $zones));

        return new Plan($this->pullList($zones), self::cautions($steps), $steps);
    }

    /**
     * The steps of one zone, in the order of its stack.
     *
     * @return list<PlanStep>
     */
    private function chain(PlannedZone $zone): array
    {
        $strip = $this->predictor->strip($zone->stack);
        if (count($zone->stack) === 0) {
            $paper = $strip[0]->colour;

            return [new PlanStep(self::key($zone, 0), $zone, StepRole::Reserve, null, 0, $paper, $paper, $strip[0]->sigma, 'The paper itself is the colour here: leave it clean, or mark its edge with the palest pencil.')];
        }
        $chain = [];
        $last = count($zone->stack) - 1;
        foreach ($zone->stack->steps as $index => $step) {
            $role = self::role($zone, $index, $step);
            $chain[] = new PlanStep(
                self::key($zone, $index + 1),
                $zone,
                $role,
                $step,
                $index + 1,
                $strip[$index]->colour,
                $strip[$index + 1]->colour,
                $strip[$index + 1]->sigma,
                self::why($role, $index, $last),
            );
        }

        return $chain;
    }

    /**
     * @param  list<list<PlanStep>>  $chains
     * @return list<PlanStep>
     */
    private function ordered(array $chains): array
    {
        $next = array_fill(0, count($chains), 0);
        $total = array_sum(array_map(count(...), $chains));
        $ordered = [];
        $washed = null;
        while (count($ordered) < $total) {
            $best = null;
            $bestRank = [];
            foreach ($chains as $which => $chain) {
                $step = $chain[$next[$which]] ?? null;
                if ($step === null) {
                    continue;
                }
                $rank = $this->rank($step, $washed === $step->zone->id);
                if ($best === null || ($rank <=> $bestRank) < 0) {
                    $best = $which;
                    $bestRank = $rank;
                }
            }
            assert($best !== null);
            $step = $chains[$best][$next[$best]++];
            $washed = $step->role === StepRole::Wash ? $step->zone->id : null;
            $ordered[] = $step;
        }

        return $ordered;
    }

    /** @return array{int, int, float, int} drying last, then phase, then value by school, then the order in the stack */
    private function rank(PlanStep $step, bool $drying): array
    {
        $pencil = $step->step?->pencil;
        $L = $pencil !== null && $this->box->has($pencil) ? ($this->box->get($pencil)->fullCoat->L ?? self::MIDDLE_LIGHTNESS) : self::MIDDLE_LIGHTNESS;
        $value = match ($this->school) {
            School::DarkToLight, School::FormFirst => $L,
            School::MiddleFirst => abs($L - self::MIDDLE_LIGHTNESS),
            School::LightToDark => -$L,
        };

        return [$drying ? 1 : 0, $step->role->phase(), $value, $step->layer];
    }

    /**
     * @param  list<PlannedZone>  $zones
     * @return list<array{pencil: \Prism\Materials\Pencil, layers: int, zones: int}>
     */
    private function pullList(array $zones): array
    {
        $layers = [];
        $in = [];
        foreach ($zones as $zone) {
            foreach ($zone->stack->steps as $step) {
                if ($step->pencil !== null) {
                    $id = (string) $step->pencil;
                    $layers[$id] = ($layers[$id] ?? 0) + $step->passes;
                    $in[$id][$zone->id] = true;
                }
            }
        }
        $list = [];
        foreach ($this->box as $id => $pencil) {
            if (isset($layers[$id])) {
                $list[] = ['pencil' => $pencil, 'layers' => $layers[$id], 'zones' => count($in[$id])];
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

    private static function why(StepRole $role, int $index, int $last): string
    {
        return match ($role) {
            StepRole::Reserve => '',
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

    private static function key(PlannedZone $zone, int $upTo): string
    {
        $prefix = implode(' > ', array_slice($zone->stack->steps, 0, $upTo));

        return sprintf('%s-%d-%s', $zone->id, $upTo, substr(sha1($prefix), 0, 8));
    }
}
