<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Layering\Step;
use Prism\Matching\Manner;
use Prism\Reference\Zones\TargetRole;

/** How the turns of a schedule are told: their places, their stage, why they stand where they do, and what to mind. */
final class Telling
{
    /** A turn that goes only to colours darker than this, L*, is one of the darks. */
    private const DARK_LIGHTNESS = 38.0;

    /** Reasons that a turn tells for its place. */
    private const REASONS = 2;

    private const LONG_DRAWING_STEPS = 24;

    /**
     * The steps as scheduled, and the turns they make, with the reasons for their places.
     *
     * @param  array<int, PlanStep>  $steps
     * @param  list<Precedence>  $rules
     * @return array{list<PlanStep>, list<Turn>}
     */
    public static function told(array $steps, array $rules, Schedule $schedule): array
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

        $ends = Rounds::ends($turns);

        return [$ordered, array_map(static fn (Turn $turn): Turn => in_array($turn->number, $ends, true) ? $turn->endingRound() : $turn, $turns)];
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
     * @param  list<PlanStep>  $steps
     * @return list<Caution>
     */
    public static function cautions(array $steps): array
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
}
