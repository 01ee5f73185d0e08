<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\StepKind;
use Prism\Matching\Manner;
use Prism\Materials\Kit;
use Prism\Materials\Pencil;
use Prism\Schools\Blending;
use Prism\Schools\Highlights;

/** The steps of each colour, in the order of its stack, with what its school, its lines and its ground add to them. */
final readonly class Chains
{
    /** How hard a highlight is protected, and how firmly white is laid first. */
    private const PALE_PERCENT = 35.0;

    private const WHITE_PERCENT = 80.0;

    /** A pale pencil that marks has a little colour of its own. */
    private const PALE_CHROMA = 3.0;

    /** @param  array<string, mixed>  $grounds  by colour, for those that stand on a ground of their own */
    private function __construct(private Kit $box, private array $grounds)
    {
    }

    /**
     * @param  list<PlannedZone>  $zones
     * @param  array<string, mixed>  $grounds  by colour, for those that stand on a ground of their own
     * @return list<non-empty-list<PlanStep>>
     */
    public static function for(array $zones, Kit $box, array $grounds): array
    {
        $self = new self($box, $grounds);
        $lines = Lines::of($zones, $box);

        return $self->onGrounds(array_map(static fn (PlannedZone $zone): array => $lines->around($zone, $self->of($zone)), $zones));
    }

    /**
     * The steps of one colour, in the order of its stack; what they look like follows when their pressures are known.
     *
     * @return non-empty-list<PlanStep>
     */
    private function of(PlannedZone $zone): array
    {
        if (count($zone->stack) === 0) {
            return [$this->highlight($zone)];
        }
        $chain = [];
        $last = count($zone->stack) - 1;
        foreach ($zone->stack->steps as $index => $step) {
            $role = self::role($zone, $index, $step);
            $chain[] = new PlanStep(PlanStep::keyOf($zone, $index + 1), $zone, $role, $step, $index + 1, $zone->target, $zone->target, 0.0, self::why($role, $index, $last, $step->pressurePercent > Manner::FIRM_PERCENT).self::width($zone, $index, $last));
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

    /** How wide lines are; how they are handled is told with the turn. */
    private static function width(PlannedZone $zone, int $index, int $last): string
    {
        return $zone->lineMm === null || $index < $last ? '' : sprintf(' Lines of about %.1f mm.', $zone->lineMm);
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
                $index === 0 => 'First coat: a light hand, even strokes.',
                $index === $last => 'Last coat here: look at the target before you stop.',
                default => 'Builds on the coat below; let the grain show.',
            },
        };
    }
}
