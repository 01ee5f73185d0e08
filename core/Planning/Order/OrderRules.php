<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Materials\Binder;
use Prism\Materials\Kit;
use Prism\Reference\Zones\TargetRole;
use Prism\Schools\FirstValue;

/**
 * What must come before what, over the whole picture: the one place where the rules of order stand.
 *
 * Rules are added in the order of the list below; where a later one would contradict what stands already (a burnish low in a
 * stack, say), it gives way.
 */
final class OrderRules
{
    /** A colour this much darker than its neighbour, in L*, would be dragged into it. */
    private const DRAGGED = 30.0;

    /** Lighter and greyer than this, a pencil is a white. */
    private const WHITE_L = 90.0;

    private const WHITE_CHROMA = 6.0;

    private const FIRM_PERCENT = 50.0;

    private readonly PartialOrder $order;

    /** @param  list<list<PlanStep>>  $chains  the steps of each colour, in the order of its stack */
    private function __construct(private readonly array $chains, private readonly Kit $kit)
    {
        $this->order = new PartialOrder;
    }

    /**
     * @param  list<list<PlanStep>>  $chains
     * @return list<Precedence> indices count through all chains in turn; never a circle
     */
    public static function of(array $chains, Kit $kit): array
    {
        $self = new self($chains, $kit);
        $self->stacks();
        $zones = $self->zones();
        $self->groundsFirst($zones);
        $self->reservesFirst($zones);
        $self->sparkleLast($zones);
        $self->lines($zones);
        $self->underlayersFirst($zones);
        $self->closingLast($zones);
        $self->school($zones);
        $self->waxOverOil($zones);
        $self->whiteLast($zones);
        $self->paleNeighboursFirst($zones);

        return $self->order->rules();
    }

    /** Each stack keeps its order. */
    private function stacks(): void
    {
        $at = 0;
        foreach ($this->chains as $chain) {
            foreach (array_keys($chain) as $i) {
                if ($i > 0) {
                    $this->add($at + $i - 1, $at + $i, '');
                }
            }
            $at += count($chain);
        }
    }

    /**
     * A ground lies under all of its zone.
     *
     * @param  array<string, list<array<int, PlanStep>>>  $zones
     */
    private function groundsFirst(array $zones): void
    {
        $this->between($zones, static fn (array $steps): ?int => self::first($steps, static fn (PlanStep $step): bool => $step->role === StepRole::Ground), static fn (array $steps): int => (int) array_key_first($steps), 'its ground lies under all of a zone');
    }

    /**
     * Bare paper is marked before colour comes near it.
     *
     * @param  array<string, list<array<int, PlanStep>>>  $zones
     */
    private function reservesFirst(array $zones): void
    {
        foreach ($zones as $zone => $colours) {
            foreach ($colours as $steps) {
                $reserve = self::first($steps, static fn (PlanStep $step): bool => $step->role === StepRole::Reserve);
                if ($reserve === null) {
                    continue;
                }
                $near = array_merge($colours, ...array_map(static fn (string $other): array => $zones[$other] ?? [], current($steps)->zone->touching ?? []));
                foreach ($near as $others) {
                    $first = self::first($others, static fn (PlanStep $step): bool => $step->role !== StepRole::Reserve);
                    if ($first !== null) {
                        $this->add($reserve, $first, 'colour that has come onto the paper does not come off it');
                    }
                }
            }
        }
    }

    /**
     * Lines are mapped while the paper is clean, redrawn before a wash, made final when all beside them is done.
     *
     * @param  array<string, list<array<int, PlanStep>>>  $zones
     */
    private function lines(array $zones): void
    {
        foreach ($zones as $colours) {
            $isLine = static fn (array $steps): bool => $steps[(int) array_key_first($steps)]->zone->role === TargetRole::Line;
            $others = array_values(array_filter($colours, static fn (array $steps): bool => ! $isLine($steps)));
            foreach (array_filter($colours, $isLine) as $line) {
                $drawn = self::first($line, static fn (PlanStep $step): bool => $step->role === StepRole::Line);
                $map = self::first($line, static fn (PlanStep $step): bool => $step->role === StepRole::Map);
                $redraw = self::first($line, static fn (PlanStep $step): bool => $step->role === StepRole::Redraw);
                foreach ($others as $steps) {
                    $begins = self::first($steps, static fn (PlanStep $step): bool => $step->role !== StepRole::Reserve);
                    $wash = self::first($steps, static fn (PlanStep $step): bool => $step->role === StepRole::Wash);
                    if ($map !== null && $begins !== null) {
                        $this->add($map, $begins, 'lines are mapped while the paper is clean');
                    }
                    if ($redraw !== null && $wash !== null) {
                        $this->add($redraw, $wash, 'the wash would flood away lines that are not redrawn');
                    }
                    if ($drawn !== null) {
                        $ends = (int) array_key_last($steps);
                        if ($steps[$ends]->role !== StepRole::Sparkle) {
                            // That a line waits is said of the line itself.
                            $this->add($ends, $drawn, '');
                        }
                    }
                }
            }
        }
    }

    /**
     * Underlayers of a zone lie below all of its local colours.
     *
     * @param  array<string, list<array<int, PlanStep>>>  $zones
     */
    private function underlayersFirst(array $zones): void
    {
        $this->between($zones, static fn (array $steps): ?int => self::first($steps, static fn (PlanStep $s): bool => $s->role === StepRole::Underlayer), static fn (array $steps): ?int => self::first($steps, static fn (PlanStep $s): bool => ! in_array($s->role, [StepRole::Underlayer, StepRole::Reserve], true)), 'the underlayer of a zone goes down before its local colours');
    }

    /**
     * What closes the paper waits for what does not.
     *
     * @param  array<string, list<array<int, PlanStep>>>  $zones
     */
    private function closingLast(array $zones): void
    {
        $closes = static fn (PlanStep $s): bool => in_array($s->role, [StepRole::Burnish, StepRole::Blend], true);
        $lastOpen = static function (array $steps) use ($closes): ?int {
            $last = null;
            foreach ($steps as $index => $step) {
                if ($closes($step)) {
                    return $last;
                }
                $last = (int) $index;
            }

            return $last;
        };
        $this->between($zones, $lastOpen, static fn (array $steps): ?int => self::first($steps, $closes), 'a burnish beside it would close the paper');
    }

    /**
     * Which value of a zone goes down first.
     *
     * @param  array<string, list<array<int, PlanStep>>>  $zones
     */
    private function school(array $zones): void
    {
        foreach ($zones as $colours) {
            // Accents are no values of the form.
            $form = array_values(array_filter($colours, static fn (array $steps): bool => ZonePart::ownOf($steps[(int) array_key_first($steps)]->zone->role) === null));
            $colours = count($form) > 1 ? $form : $colours;
            usort($colours, static fn (array $a, array $b): int => self::lightness($b) <=> self::lightness($a));
            $firsts = array_map(static fn (array $steps): int => (int) array_key_first($steps), $colours);
            $lasts = array_map(static fn (array $steps): int => (int) array_key_last($steps), $colours);
            $count = count($colours);
            $school = self::schoolOf($colours[0]);
            for ($i = 0; $i + 1 < $count; $i++) {
                match ($school) {
                    FirstValue::LightToDark => $this->add($firsts[$i], $firsts[$i + 1], 'the paler value first keeps the light clean'),
                    FirstValue::DarkToLight => $this->add($firsts[$i + 1], $firsts[$i], 'the darker value first anchors the form'),
                    // The local colour, the lightest, goes on last.
                    FirstValue::FormFirst => $this->add($lasts[$i + 1], $lasts[0], 'the local colour goes over the finished shadows'),
                    // The lightest and the darkest before all between.
                    FirstValue::BothEnds => $i > 0 ? $this->bothEnds($firsts, $i) : null,
                    FirstValue::MiddleFirst => null,
                };
            }
            if ($school === FirstValue::MiddleFirst && $count > 1) {
                $middle = intdiv($count, 2);
                foreach ($firsts as $i => $first) {
                    if ($i !== $middle) {
                        $this->add($firsts[$middle], $first, 'the main colour is blocked in first, then modulated both ways');
                    }
                }
            }
        }
    }

    /** @param  list<int>  $firsts  first steps, lightest colour first */
    private function bothEnds(array $firsts, int $between): void
    {
        foreach ([$firsts[0], $firsts[count($firsts) - 1]] as $end) {
            $this->add($end, $firsts[$between], 'all else is judged between the lightest and the darkest');
        }
    }

    /**
     * The last sparkle.
     *
     * @param  array<string, list<array<int, PlanStep>>>  $zones
     */
    private function whiteLast(array $zones): void
    {
        $white = function (array $steps): ?int {
            $last = (int) array_key_last($steps);

            return $this->isWhite($steps[$last]) ? $last : null;
        };
        $this->between($zones, static fn (array $steps): int => (int) array_key_last($steps), $white, 'white comes last, for the final sparkle');
    }

    /**
     * Where both lie at a join, oil goes down first: over wax it slides.
     *
     * @param  array<string, list<array<int, PlanStep>>>  $zones
     */
    private function waxOverOil(array $zones): void
    {
        $plain = fn (PlanStep $step, Binder $binder): bool => $step->role === StepRole::Layer && $step->step?->pencil !== null
            && $this->kit->has($step->step->pencil) && $this->kit->get($step->step->pencil)->binder === $binder;
        // Oil that its own stack lays over wax, there by design, asks nothing of the others.
        $lastOil = static function (array $steps) use ($plain): ?int {
            $last = null;
            foreach ($steps as $index => $step) {
                if ($plain($step, Binder::Wax)) {
                    break;
                }
                $last = $plain($step, Binder::Oil) ? (int) $index : $last;
            }

            return $last;
        };
        $this->between($zones, $lastOil, static fn (array $steps): ?int => self::first($steps, static fn (PlanStep $step): bool => $plain($step, Binder::Wax)), 'wax goes over oil; oil slides on wax');
    }

    /**
     * What is lifted out or set with opaque white waits for all else in its zone and beside it.
     *
     * @param  array<string, list<array<int, PlanStep>>>  $zones
     */
    private function sparkleLast(array $zones): void
    {
        foreach ($zones as $colours) {
            foreach ($colours as $steps) {
                $sparkle = self::first($steps, static fn (PlanStep $step): bool => $step->role === StepRole::Sparkle);
                if ($sparkle === null) {
                    continue;
                }
                $near = array_merge($colours, ...array_map(static fn (string $other): array => $zones[$other] ?? [], current($steps)->zone->touching ?? []));
                foreach ($near as $others) {
                    $this->add((int) array_key_last($others), $sparkle, 'the last light is set when all round it is done');
                }
            }
        }
    }

    /** @param  array<int, PlanStep>  $steps */
    private static function schoolOf(array $steps): FirstValue
    {
        return $steps[(int) array_key_first($steps)]->zone->schools->value;
    }

    private function isWhite(PlanStep $step): bool
    {
        $pencil = $step->step?->pencil;
        if ($pencil === null || $step->layer < 2 || $step->step->pressurePercent < self::FIRM_PERCENT || ! $this->kit->has($pencil)) {
            return false;
        }
        $coat = $this->kit->get($pencil)->fullCoat;

        return $coat !== null && $coat->L > self::WHITE_L && $coat->chroma() < self::WHITE_CHROMA;
    }

    /**
     * A pale zone beside a dark one is begun before the dark is pressed in.
     *
     * @param  array<string, list<array<int, PlanStep>>>  $zones
     */
    private function paleNeighboursFirst(array $zones): void
    {
        foreach ($zones as $colours) {
            foreach ($colours as $dark) {
                if (self::schoolOf($dark) === FirstValue::DarkToLight) {
                    continue;
                }
                $closing = self::first($dark, static fn (PlanStep $s): bool => $s->role === StepRole::Burnish);
                if ($closing === null) {
                    continue;
                }
                foreach (current($dark)->zone->touching ?? [] as $other) {
                    foreach ($zones[$other] ?? [] as $pale) {
                        if (self::lightness($pale) - self::lightness($dark) > self::DRAGGED) {
                            $this->add((int) array_key_first($pale), $closing, 'the dark beside it would be dragged into the pale');
                        }
                    }
                }
            }
        }
    }

    /**
     * In each zone, a step of every colour before a step of every other.
     *
     * @param  array<string, list<array<int, PlanStep>>>  $zones
     * @param  \Closure(array<int, PlanStep>): ?int  $before
     * @param  \Closure(array<int, PlanStep>): ?int  $after
     */
    private function between(array $zones, \Closure $before, \Closure $after, string $why): void
    {
        foreach ($zones as $colours) {
            foreach ($colours as $i => $one) {
                foreach ($colours as $j => $other) {
                    $from = $before($one);
                    $to = $after($other);
                    if ($i !== $j && $from !== null && $to !== null) {
                        $this->add($from, $to, $why);
                    }
                }
            }
        }
    }

    private function add(int $before, int $after, string $why): void
    {
        $this->order->add($before, $after, $why);
    }

    /** @return array<string, list<array<int, PlanStep>>> by zone, the steps of each of its colours by index */
    private function zones(): array
    {
        $zones = [];
        $at = 0;
        foreach ($this->chains as $chain) {
            $steps = [];
            foreach ($chain as $i => $step) {
                $steps[$at + $i] = $step;
            }
            if ($steps !== []) {
                $zones[$chain[0]->zone->zone][] = $steps;
            }
            $at += count($chain);
        }

        return $zones;
    }

    /** @param  array<int, PlanStep>  $steps */
    private static function lightness(array $steps): float
    {
        return $steps[(int) array_key_first($steps)]->zone->target->L;
    }

    /**
     * @param  array<int, PlanStep>  $steps
     * @param  \Closure(PlanStep): bool  $which
     */
    private static function first(array $steps, \Closure $which): ?int
    {
        foreach ($steps as $index => $step) {
            if ($which($step)) {
                return $index;
            }
        }

        return null;
    }
}
