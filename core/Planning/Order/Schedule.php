<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

/**
 * When each step is done, turn by turn: one pair of hands, one tool in it, and drying that goes on by itself.
 *
 * Whenever the hands are free they take the tool that can go to most of its places now (a list schedule by ranks: of the steps
 * whose predecessors are done and dry; Giffler & Thompson 1960 call such a schedule non-delay), and it goes to all of them
 * before it is laid down: pressures within {@see Choice::WITHIN_PERCENT} share a turn, but soft, firm and closing ones never.
 * Work is done in groups of zones; while all of a group dries, the next is taken. Hands stand idle only while all that is left
 * is drying. Finishing one zone after the other is scheduled by the same rules too ({@see self::zoneAfterZone()}), and the
 * shorter of the two is the plan: so no plan is longer than zone after zone.
 */
final readonly class Schedule
{
    /** Orders that are tried. */
    private const TRIES = 8;

    /**
     * @param  list<int>  $order  indices of the steps
     * @param  list<non-empty-list<int>>  $turns  the same, by turns
     * @param  array<int, float>  $starts  by index, in minutes from the beginning, breaks between sessions left out
     * @param  array<int, float>  $minutes  by index, of the hands
     * @param  array<int, int>  $sessions  by index, from 1
     * @param  float  $total  minutes from the first to the last step, breaks between sessions left out
     * @param  float  $idle  of these, with idle hands
     */
    private function __construct(public array $order, public array $turns, public array $starts, public array $minutes, public array $sessions, public float $total, public float $idle)
    {
    }

    /**
     * @param  list<PlanStep>  $steps
     * @param  list<Precedence>  $rules  without a circle
     * @param  \Closure(PlanStep): list<int|float>  $rank  lower is earlier
     * @param  ?\Closure(PlanStep): int  $group  of zones that are worked on together, lower first; null: all of them
     */
    public static function of(array $steps, array $rules, Pace $pace, \Closure $rank, ?\Closure $group = null): self
    {
        $group ??= static fn (): int => 0;
        $best = null;
        for ($try = 0; $try < self::TRIES; $try++) {
            $found = self::scheduled($steps, $rules, $pace, $rank, $group, true, $try)->gathered($steps, $steps, $rules, $pace, $rank, $group);
            // The first is nearest to the school's order of values: another must be shorter by a turn.
            if ($best === null || count($found->turns) < count($best->turns)) {
                $best = $found;
            }
        }

        return $best;
    }

    /**
     * Without some steps, in as short a time as that leaves.
     *
     * @param  list<int>  $dropped  indices
     * @param  array<int, PlanStep>  $steps
     * @param  list<Precedence>  $rules
     */
    public function without(array $dropped, array $steps, array $rules, Pace $pace): self
    {
        $turns = array_map(static fn (array $turn): array => array_values(array_diff($turn, $dropped)), $this->turns);

        return self::timed(array_values(array_filter($turns, static fn (array $turn): bool => $turn !== [])), $steps, $rules, $pace);
    }

    /**
     * With some steps in turns of their own, beside those they were in.
     *
     * @param  list<int>  $alone
     * @param  array<int, PlanStep>  $steps
     * @param  list<Precedence>  $rules
     */
    public function apart(array $alone, array $steps, array $rules, Pace $pace): self
    {
        $mustFollow = [];
        foreach ($rules as $rule) {
            $mustFollow[$rule->before][$rule->after] = true;
        }
        $turns = [];
        foreach ($this->turns as $turn) {
            $before = $after = [];
            foreach (array_intersect($turn, $alone) as $step) {
                $others = array_values(array_diff($turn, [$step]));
                if (array_filter($others, static fn (int $other): bool => isset($mustFollow[$other][$step])) === []) {
                    $before[] = [$step];
                } elseif (array_intersect_key($mustFollow[$step] ?? [], array_flip($others)) === []) {
                    $after[] = [$step];
                }
            }
            $rest = array_values(array_diff($turn, ...$before, ...$after));
            array_push($turns, ...$before, ...($rest === [] ? [] : [$rest]), ...$after);
        }

        return self::timed($turns, $steps, $rules, $pace);
    }

    /**
     * With turns made one, and small ones dissolved in others, if that takes no longer.
     *
     * @param  array<int, PlanStep>  $steps
     * @param  array<int, PlanStep>  $pressed  the same at the pressures by which they can share a turn
     * @param  list<Precedence>  $rules
     * @param  \Closure(PlanStep): list<int|float>  $rank
     * @param  \Closure(PlanStep): int  $group
     */
    public function gathered(array $steps, array $pressed, array $rules, Pace $pace, \Closure $rank, \Closure $group): self
    {
        $ranks = array_map($rank, $steps);
        $held = array_values(array_filter($rules, static fn (Precedence $rule): bool => isset($steps[$rule->before], $steps[$rule->after])));
        $choice = new Choice($pressed, $ranks, array_map($group, $steps), found: $steps);
        $turns = Gathering::of($this->turns, $held, $choice->shares(...), $ranks);
        if (count($turns) === count($this->turns)) {
            return $this;
        }
        $fewer = self::timed($turns, $steps, $rules, $pace);

        return $fewer->total < $this->total ? $fewer : $this;
    }

    /**
     * When each step is done where the turns are given: one after the other, waiting for what is wet.
     *
     * @param  list<non-empty-list<int>>  $turns
     * @param  array<int, PlanStep>  $steps
     * @param  list<Precedence>  $rules
     */
    private static function timed(array $turns, array $steps, array $rules, Pace $pace): self
    {
        $after = [];
        foreach ($rules as $rule) {
            $after[$rule->before][] = $rule->after;
        }
        $dry = array_fill_keys(array_keys($steps), 0.0);
        $starts = $minutes = $sessions = [];
        $now = $idle = $began = 0.0;
        $session = 1;
        $last = null;
        $order = array_merge(...$turns);
        foreach ($order as $i) {
            $idle += max(0.0, $dry[$i] - $now);
            $now = max($now, $dry[$i]);
            $takes = $pace->minutes($steps[$i]) + $pace->changing($last, $steps[$i]);
            if ($now > $began && $now + $takes - $began > $pace->sessionMinutes) {
                $session++;
                $began = $now;
                $dry = array_map(static fn (float $until): float => min($until, $now), $dry);
            }
            [$starts[$i], $minutes[$i], $sessions[$i]] = [$now, $takes, $session];
            $now += $takes;
            $last = $steps[$i];
            foreach (array_intersect($after[$i] ?? [], array_keys($steps)) as $following) {
                $wet = $steps[$following]->zone->id === $steps[$i]->zone->id ? Pace::drying($steps[$i]) : 0.0;
                $dry[$following] = max($dry[$following], $now + $wet);
            }
        }

        return new self($order, $turns, $starts, $minutes, $sessions, $now, $idle);
    }

    /**
     * One zone finished after the other, waiting for each wash.
     *
     * @param  list<PlanStep>  $steps
     * @param  list<Precedence>  $rules  without a circle
     * @param  \Closure(PlanStep): list<int|float>  $rank  lower is earlier
     * @param  \Closure(PlanStep): int  $zone  place of its zone in the order of zones
     */
    public static function zoneAfterZone(array $steps, array $rules, Pace $pace, \Closure $rank, \Closure $zone): self
    {
        return self::scheduled($steps, $rules, $pace, $rank, $zone, false);
    }

    /** The shorter of two. */
    public function orShorter(self $other): self
    {
        return $other->total < $this->total - 1e-9 ? $other : $this;
    }

    /**
     * @param  list<PlanStep>  $steps
     * @param  list<Precedence>  $rules
     * @param  \Closure(PlanStep): list<int|float>  $rank
     * @param  \Closure(PlanStep): int  $group
     * @param  bool  $weaves  goes on elsewhere while a group dries
     */
    private static function scheduled(array $steps, array $rules, Pace $pace, \Closure $rank, \Closure $group, bool $weaves, int $try = 0): self
    {
        $count = count($steps);
        $waits = array_fill(0, $count, 0);
        $after = array_fill(0, $count, []);
        foreach ($rules as $rule) {
            $waits[$rule->after]++;
            $after[$rule->before][] = $rule->after;
        }
        $tails = self::tails($steps, $after, $waits, $pace);
        $ranks = $groups = [];
        foreach ($steps as $i => $step) {
            $ranks[$i] = [...$rank($step), -$tails[$i], $i];
            $groups[$i] = $group($step);
        }
        $choice = new Choice($steps, $ranks, $groups, $weaves, $try);
        $dry = array_fill(0, $count, 0.0);
        $open = array_flip(array_keys(array_filter($waits, static fn (int $n): bool => $n === 0)));
        $order = $turns = $starts = $minutes = $sessions = [];
        $now = $idle = 0.0;
        $session = 1;
        $began = 0.0;
        $last = null;
        $turn = [];
        while ($open !== []) {
            $next = $choice->next($turn, $open, $dry, $now);
            if ($next === null) {
                // All that is left is drying, or all of the zone at hand.
                $waiting = $weaves ? array_keys($open) : $choice->ofFirstGroup($open);
                $until = min(array_map(static fn (int $i): float => $dry[$i], $waiting));
                $idle += $until - $now;
                $now = $until;

                continue;
            }
            [$best, $goesOn] = $next;
            if (! $goesOn && $turn !== []) {
                $turns[] = $turn;
                $turn = [];
            }
            $takes = $pace->minutes($steps[$best]) + $pace->changing($last, $steps[$best]);
            if ($now > $began && $now + $takes - $began > $pace->sessionMinutes) {
                // Over a break everything dries.
                $session++;
                $began = $now;
                $dry = array_map(static fn (float $until): float => min($until, $now), $dry);
            }
            $starts[$best] = $now;
            $minutes[$best] = $takes;
            $sessions[$best] = $session;
            $order[] = $turn[] = $best;
            $now += $takes;
            $last = $steps[$best];
            unset($open[$best]);
            $choice->done($best);
            $drying = Pace::drying($steps[$best]);
            foreach ($after[$best] as $following) {
                // A wash keeps only its own passage wet.
                $wet = $steps[$following]->zone->id === $steps[$best]->zone->id ? $drying : 0.0;
                $dry[$following] = max($dry[$following], $now + $wet);
                if (--$waits[$following] === 0) {
                    $open[$following] = true;
                }
            }
        }
        if ($turn !== []) {
            $turns[] = $turn;
        }

        return new self($order, $turns, $starts, $minutes, $sessions, $now, $idle);
    }

    /**
     * The longest way from the beginning of each step to the end of all, drying counted.
     *
     * @param  list<PlanStep>  $steps
     * @param  array<int, list<int>>  $after
     * @param  array<int, int>  $waits
     * @return array<int, float>
     */
    private static function tails(array $steps, array $after, array $waits, Pace $pace): array
    {
        $sorted = array_keys(array_filter($waits, static fn (int $n): bool => $n === 0));
        for ($head = 0; $head < count($sorted); $head++) {
            foreach ($after[$sorted[$head]] as $next) {
                if (--$waits[$next] === 0) {
                    $sorted[] = $next;
                }
            }
        }
        $tails = array_fill(0, count($steps), 0.0);
        foreach (array_reverse($sorted) as $i) {
            $longest = 0.0;
            foreach ($after[$i] as $next) {
                $longest = max($longest, $tails[$next]);
            }
            $tails[$i] = $pace->minutes($steps[$i]) + Pace::drying($steps[$i]) + $longest;
        }

        return $tails;
    }
}
