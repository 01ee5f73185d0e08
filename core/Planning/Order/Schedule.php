<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Layering\Pressure;
use Prism\Matching\Manner;

/**
 * When each step is done, turn by turn: one pair of hands, one tool in it, and drying that goes on by itself.
 *
 * Whenever the hands are free they take the tool that can go to most of its places now (a list schedule by ranks: of the steps
 * whose predecessors are done and dry; Giffler & Thompson 1960 call such a schedule non-delay), and it goes to all of them
 * before it is laid down: pressures within {@see self::WITHIN_PERCENT} share a turn, but soft, firm and closing ones never.
 * Work is done in groups of zones; while all of a group dries, the next is taken. Hands stand idle only while all that is left
 * is drying. Finishing one zone after the other is scheduled by the same rules too ({@see self::zoneAfterZone()}), and the
 * shorter of the two is the plan: so no plan is longer than zone after zone.
 */
final readonly class Schedule
{
    /** Places whose pressures differ by no more share a turn. */
    public const WITHIN_PERCENT = 10.0;

    /** Those of one form, over which the pressure falls, by no more than this. */
    public const FALLS_PERCENT = 25.0;

    /** Orders that are tried; and by how much a later one strays from taking what can go to most of its places. */
    private const TRIES = 16;

    private const STRAY = 0.3;

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
            $found = self::scheduled($steps, $rules, $pace, $rank, $group, true, $try)->gathered($steps, $rules, $pace, $rank, $group);
            // The first is nearest to the school's order of values: another must be shorter by a turn.
            if ($best === null || count($found->turns) < count($best->turns)) {
                $best = $found;
            }
        }

        return $best;
    }

    /**
     * With its small turns dissolved in others, if that takes no longer.
     *
     * @param  list<PlanStep>  $steps
     * @param  list<Precedence>  $rules
     * @param  \Closure(PlanStep): list<int|float>  $rank
     * @param  \Closure(PlanStep): int  $group
     */
    private function gathered(array $steps, array $rules, Pace $pace, \Closure $rank, \Closure $group): self
    {
        $tools = array_map(self::toolOf(...), $steps);
        $groups = array_map($group, $steps);

        $turns = Gathering::of($this->turns, $rules, static fn (array $turn, int $i): bool => self::shares($turn, $i, $steps, $tools, $groups), array_map($rank, $steps));
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
     * @param  list<PlanStep>  $steps
     * @param  list<Precedence>  $rules
     */
    private static function timed(array $turns, array $steps, array $rules, Pace $pace): self
    {
        $after = [];
        foreach ($rules as $rule) {
            $after[$rule->before][] = $rule->after;
        }
        $dry = array_fill(0, count($steps), 0.0);
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
            foreach ($after[$i] ?? [] as $following) {
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
        $ranks = $tools = $groups = [];
        foreach ($steps as $i => $step) {
            $ranks[$i] = [...$rank($step), -$tails[$i], $i];
            $tools[$i] = self::toolOf($step);
            $groups[$i] = $group($step);
        }
        $left = [];
        foreach ($tools as $i => $tool) {
            $left[$tool][$i] = true;
        }
        $dry = array_fill(0, $count, 0.0);
        $open = array_flip(array_keys(array_filter($waits, static fn (int $n): bool => $n === 0)));
        $order = $turns = $starts = $minutes = $sessions = [];
        $now = $idle = 0.0;
        $session = 1;
        $began = 0.0;
        $last = null;
        $turn = [];
        while ($open !== []) {
            $next = self::next($turn, $open, $steps, $ranks, $tools, $groups, $dry, $now, $left, $weaves, $try);
            if ($next === null) {
                // All that is left is drying, or all of the zone at hand.
                $waiting = $weaves ? array_keys($open) : self::ofFirstGroup($open, $groups);
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
            unset($open[$best], $left[$tools[$best]][$best]);
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
     * The step to take now, and whether it goes on with the turn at hand; null where nothing is dry.
     *
     * @param  list<int>  $turn  steps of the turn at hand
     * @param  array<int, mixed>  $open  by index
     * @param  list<PlanStep>  $steps
     * @param  array<int, list<int|float>>  $ranks
     * @param  array<int, string>  $tools
     * @param  array<int, int>  $groups
     * @param  array<int, float>  $dry
     * @param  array<string, array<int, true>>  $left  by tool, what is not done
     * @return ?array{int, bool}
     */
    private static function next(array $turn, array $open, array $steps, array $ranks, array $tools, array $groups, array $dry, float $now, array $left, bool $weaves, int $try): ?array
    {
        $ready = array_filter(array_keys($open), static fn (int $i): bool => $dry[$i] <= $now + 1e-9);
        if ($open === [] || $ready === []) {
            return null;
        }
        $first = $weaves ? self::ofFirstGroup(array_flip($ready), $groups) : array_values(array_intersect(self::ofFirstGroup($open, $groups), $ready));
        if ($first === []) {
            return null;
        }
        if ($turn !== []) {
            $fits = array_filter($first, static fn (int $i): bool => self::shares($turn, $i, $steps, $tools, $groups));
            if ($fits !== []) {
                return [self::least($fits, $ranks), true];
            }
        }
        $best = null;
        $least = null;
        foreach (self::windows($first, $steps, $tools) as $together) {
            $i = self::least($together, $ranks);
            // A tool that would be taken again soon for more of the same waits for it.
            $later = 0;
            foreach (array_keys($left[$tools[$i]]) as $other) {
                if (! isset($open[$other]) && $groups[$other] === $groups[$i] && self::near($steps[$other], $steps[$i])) {
                    $later++;
                }
            }
            [$phase, $waits] = [$ranks[$i][0], $ranks[$i][1]];
            $share = $later / ($later + count($together)) + self::STRAY * ((crc32($try.' '.$tools[$i]) % 1000) / 1000.0) * ($try > 0 ? 1 : 0);
            $rank = [$phase, $waits, $share, ...$ranks[$i]];
            if ($least === null || ($rank <=> $least) < 0) {
                $least = $rank;
                $best = $i;
            }
        }

        return $best === null ? null : [$best, false];
    }

    /**
     * What could be laid in one turn each: by tool, from each pressure up.
     *
     * @param  list<int>  $ready
     * @param  list<PlanStep>  $steps
     * @param  array<int, string>  $tools
     * @return list<non-empty-list<int>>
     */
    private static function windows(array $ready, array $steps, array $tools): array
    {
        $by = [];
        foreach ($ready as $i) {
            $by[$tools[$i]][] = $i;
        }
        $windows = [];
        foreach ($by as $of) {
            // They overlap: a pressure in the middle may be nearer to those below it or to those above.
            foreach (array_unique(array_map(static fn (int $i): float => self::pressureOf($steps[$i]), $of)) as $low) {
                $window = array_values(array_filter($of, static fn (int $i): bool => self::pressureOf($steps[$i]) >= $low && self::pressureOf($steps[$i]) <= $low + self::WITHIN_PERCENT));
                if ($window !== []) {
                    $windows[] = $window;
                }
            }
        }

        return $windows;
    }

    /**
     * Whether a step can be laid in the turn at hand: the same tool, the pressures near one another, no second coat of a colour.
     *
     * @param  non-empty-list<int>  $turn
     * @param  list<PlanStep>  $steps
     * @param  array<int, string>  $tools
     * @param  array<int, int>  $groups
     */
    private static function shares(array $turn, int $i, array $steps, array $tools, array $groups): bool
    {
        if ($tools[$turn[0]] !== $tools[$i] || $groups[$turn[0]] !== $groups[$i]) {
            return false;
        }
        foreach ($turn as $other) {
            if (! self::near($steps[$other], $steps[$i]) || $steps[$other]->zone->id === $steps[$i]->zone->id) {
                return false;
            }
        }

        return true;
    }

    /** Whether two pressures can share a turn; a recipe of the artist's own keeps its pressure. */
    private static function near(PlanStep $one, PlanStep $other): bool
    {
        $within = match (true) {
            $one->zone->own || $other->zone->own => 0.0,
            // Lines of one point go together, and over one form the pressure may fall.
            $one->role === StepRole::Line && $other->role === StepRole::Line => self::FALLS_PERCENT,
            $one->zone->zone === $other->zone->zone && $one->zone->role->isOfForm() && $other->zone->role->isOfForm() && max(self::pressureOf($one), self::pressureOf($other)) <= Manner::FIRM_PERCENT => self::FALLS_PERCENT,
            default => self::WITHIN_PERCENT,
        };

        return abs(self::pressureOf($one) - self::pressureOf($other)) <= $within;
    }

    private static function pressureOf(PlanStep $step): float
    {
        return $step->step->pressurePercent ?? 0.0;
    }

    /** What is in the hand: a pencil laid softly, firmly or to close the paper; a tool; nothing but the eye. */
    private static function toolOf(PlanStep $step): string
    {
        $laid = $step->step;
        if ($laid?->pencil === null) {
            return $step->role->value;
        }
        if ($step->role === StepRole::Line) {
            return $laid->pencil.' line';
        }
        $soft = match (true) {
            $laid->pressurePercent >= Pressure::BURNISH_PERCENT => 'closing',
            $laid->pressurePercent > Manner::FIRM_PERCENT => 'firm',
            default => 'soft',
        };

        return $laid->pencil.' '.$soft.(in_array($step->role, [StepRole::Reserve, StepRole::Map, StepRole::Sparkle], true) ? ' '.$step->role->value : '');
    }

    /**
     * @param  non-empty-array<int, mixed>  $open  by index
     * @param  array<int, int>  $groups
     * @return non-empty-list<int>
     */
    private static function ofFirstGroup(array $open, array $groups): array
    {
        $first = min(array_map(static fn (int $i): int => $groups[$i], array_keys($open)));
        $of = [];
        foreach (array_keys($open) as $i) {
            if ($groups[$i] === $first) {
                $of[] = $i;
            }
        }
        assert($of !== []);

        return $of;
    }

    /**
     * @param  non-empty-array<int>  $of
     * @param  array<int, list<int|float>>  $ranks
     */
    private static function least(array $of, array $ranks): int
    {
        $best = null;
        foreach ($of as $i) {
            if ($best === null || ($ranks[$i] <=> $ranks[$best]) < 0) {
                $best = $i;
            }
        }

        return $best;
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
