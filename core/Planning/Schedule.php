<?php

declare(strict_types=1);

namespace Prism\Planning;

/**
 * When each step is done: one pair of hands, and drying that goes on by itself.
 *
 * Whenever the hands are free, of the steps whose predecessors are done and dry the one with the best rank is taken; among
 * equals the one with the longest way to the end after it, drying counted (critical path; Giffler & Thompson 1960 call such a
 * schedule non-delay). Hands stand idle only while all that is left is drying, so no schedule is longer than zone after zone.
 */
final readonly class Schedule
{
    /**
     * @param  list<int>  $order  indices of the steps
     * @param  array<int, float>  $starts  by index, in minutes from the beginning, breaks between sessions left out
     * @param  array<int, float>  $minutes  by index, of the hands
     * @param  array<int, int>  $sessions  by index, from 1
     * @param  float  $total  minutes from the first to the last step, breaks between sessions left out
     * @param  float  $idle  of these, with idle hands
     */
    private function __construct(public array $order, public array $starts, public array $minutes, public array $sessions, public float $total, public float $idle)
    {
    }

    /**
     * @param  list<PlanStep>  $steps
     * @param  list<Precedence>  $rules  without a circle
     * @param  \Closure(PlanStep): list<int|float>  $rank  lower is earlier
     */
    public static function of(array $steps, array $rules, Pace $pace, \Closure $rank): self
    {
        $count = count($steps);
        $waits = array_fill(0, $count, 0);
        $after = array_fill(0, $count, []);
        foreach ($rules as $rule) {
            $waits[$rule->after]++;
            $after[$rule->before][] = $rule->after;
        }
        $tails = self::tails($steps, $after, $waits, $pace);
        $ranks = [];
        foreach ($steps as $i => $step) {
            $ranks[$i] = [...$rank($step), -$tails[$i], $i];
        }
        $dry = array_fill(0, $count, 0.0);
        $open = array_keys(array_filter($waits, static fn (int $n): bool => $n === 0));
        $order = $starts = $minutes = $sessions = [];
        $now = $idle = 0.0;
        $session = 1;
        $began = 0.0;
        $last = null;
        while ($open !== []) {
            $best = self::best($open, $ranks, $dry, $now);
            if ($best === null) {
                // All that is left is drying.
                $until = min(array_map(static fn (int $i): float => $dry[$i], $open));
                $idle += $until - $now;
                $now = $until;

                continue;
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
            $order[] = $best;
            $now += $takes;
            $last = $steps[$best];
            $open = array_values(array_diff($open, [$best]));
            $drying = Pace::drying($steps[$best]);
            foreach ($after[$best] as $next) {
                // A wash keeps only its own passage wet.
                $wet = $steps[$next]->zone->id === $steps[$best]->zone->id ? $drying : 0.0;
                $dry[$next] = max($dry[$next], $now + $wet);
                if (--$waits[$next] === 0) {
                    $open[] = $next;
                }
            }
        }

        return new self($order, $starts, $minutes, $sessions, $now, $idle);
    }

    /**
     * How long it would take to finish one colour after the other, waiting for each wash.
     *
     * @param  list<list<PlanStep>>  $chains
     */
    public static function oneAfterAnother(array $chains, Pace $pace): float
    {
        $total = 0.0;
        $last = null;
        foreach ($chains as $chain) {
            foreach ($chain as $i => $step) {
                $total += $pace->minutes($step) + $pace->changing($last, $step) + ($i < count($chain) - 1 ? Pace::drying($step) : 0.0);
                $last = $step;
            }
        }

        return $total;
    }

    /**
     * @param  list<int>  $open
     * @param  array<int, list<int|float>>  $ranks
     * @param  array<int, float>  $dry
     */
    private static function best(array $open, array $ranks, array $dry, float $now): ?int
    {
        $best = null;
        foreach ($open as $i) {
            if ($dry[$i] <= $now + 1e-9 && ($best === null || ($ranks[$i] <=> $ranks[$best]) < 0)) {
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
