<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

/**
 * Takes tools up less often. Two turns of one tool are made one where nothing has to be laid between them, and the others make room;
 * and small turns are dissolved, where each of their steps may as well be laid in another turn of the same tool. No rule is broken by
 * it: a step moves only between the turns of what must come before it and of what must come after.
 */
final class Gathering
{
    /** Turns of more steps stay. */
    private const SMALL = 8;

    /** @var array<int, list<int>> by step, what must come before it */
    private array $before = [];

    /** @var array<int, list<int>> by step, what must come after it */
    private array $after = [];

    /**
     * @param  list<Precedence>  $rules
     * @param  \Closure(non-empty-list<int>, int): bool  $shares  whether a step can be laid in a turn
     * @param  array<int, list<int|float>>  $ranks  by step: of one turn, the lower first
     */
    private function __construct(array $rules, private readonly \Closure $shares, private readonly array $ranks)
    {
        foreach ($rules as $rule) {
            $this->before[$rule->after][] = $rule->before;
            $this->after[$rule->before][] = $rule->after;
        }
    }

    /**
     * @param  list<non-empty-list<int>>  $turns  steps by index
     * @param  list<Precedence>  $rules
     * @param  \Closure(non-empty-list<int>, int): bool  $shares
     * @param  array<int, list<int|float>>  $ranks
     * @return list<non-empty-list<int>> as many or fewer
     */
    public static function of(array $turns, array $rules, \Closure $shares, array $ranks): array
    {
        $self = new self($rules, $shares, $ranks);
        do {
            $fewer = $self->madeOne($turns) ?? $self->withoutOne($turns);
            $turns = $fewer ?? $turns;
        } while ($fewer !== null);

        return $turns;
    }

    /**
     * @param  list<non-empty-list<int>>  $turns
     * @return ?list<non-empty-list<int>> null where no two can be one
     */
    private function madeOne(array $turns): ?array
    {
        $then = $this->following($turns);
        foreach ($turns as $first => $one) {
            for ($second = $first + 1; $second < count($turns); $second++) {
                if (! $this->share($one, $turns[$second]) || $this->leads($then, array_diff_key($then[$first], [$second => true]), $second)) {
                    continue;
                }
                $together = $turns;
                $together[$first] = $this->placed([...$one, ...$turns[$second]]);
                array_splice($together, $second, 1);

                return $this->sorted($together);
            }
        }

        return null;
    }

    /**
     * @param  non-empty-list<int>  $one
     * @param  non-empty-list<int>  $other
     */
    private function share(array $one, array $other): bool
    {
        foreach ($other as $step) {
            if (! ($this->shares)($one, $step)) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  list<non-empty-list<int>>  $turns
     * @return array<int, array<int, true>> by turn, those that have to follow it
     */
    private function following(array $turns): array
    {
        $at = self::turnOf($turns);
        $then = array_fill(0, count($turns), []);
        foreach ($at as $step => $number) {
            foreach ($this->after[$step] ?? [] as $later) {
                if ($at[$later] !== $number) {
                    $then[$number][$at[$later]] = true;
                }
            }
        }

        return $then;
    }

    /**
     * Whether one of some turns has to come before another, by whatever lies between.
     *
     * @param  array<int, array<int, true>>  $then
     * @param  array<int, true>  $from
     */
    private function leads(array $then, array $from, int $to): bool
    {
        $seen = $from;
        for ($left = array_keys($from); $left !== [];) {
            $turn = array_pop($left);
            if ($turn === $to) {
                return true;
            }
            foreach (array_diff_key($then[$turn], $seen) as $next => $_) {
                $seen[$next] = true;
                $left[] = $next;
            }
        }

        return false;
    }

    /**
     * As they stood, each after what must come before it.
     *
     * @param  list<non-empty-list<int>>  $turns
     * @return list<non-empty-list<int>>
     */
    private function sorted(array $turns): array
    {
        $then = $this->following($turns);
        $waits = array_fill(0, count($turns), 0);
        foreach ($then as $of) {
            foreach ($of as $later => $_) {
                $waits[$later]++;
            }
        }
        $sorted = [];
        while ($waits !== []) {
            $next = array_search(0, $waits, true);
            assert(is_int($next));
            $sorted[] = $turns[$next];
            unset($waits[$next]);
            foreach ($then[$next] as $later => $_) {
                $waits[$later]--;
            }
        }

        return $sorted;
    }

    /**
     * @param  list<non-empty-list<int>>  $turns
     * @return ?list<non-empty-list<int>> null where none can be dissolved
     */
    private function withoutOne(array $turns): ?array
    {
        $sizes = array_map(count(...), $turns);
        asort($sizes);
        $at = self::turnOf($turns);
        foreach ($sizes as $small => $size) {
            if ($size > self::SMALL) {
                return null;
            }
            $rest = $turns;
            $rest[$small] = [];
            $now = $at;
            foreach ($turns[$small] as $step) {
                $to = $this->another($rest, $now, $step, $small);
                if ($to === null) {
                    continue 2;
                }
                $rest[$to] = $this->placed([...$rest[$to], $step]);
                $now[$step] = $to;
            }

            return array_values(array_filter($rest, static fn (array $turn): bool => $turn !== []));
        }

        return null;
    }

    /**
     * @param  array<int, list<int>>  $turns
     * @param  array<int, int>  $at  by step, its turn; those that are left of the small one are in it
     */
    private function another(array $turns, array $at, int $step, int $but): ?int
    {
        $from = $to = null;
        foreach ($this->before[$step] ?? [] as $earlier) {
            $from = max($from ?? 0, $at[$earlier]);
        }
        foreach ($this->after[$step] ?? [] as $later) {
            $to = min($to ?? $at[$later], $at[$later]);
        }
        $to ??= count($turns) - 1;
        for ($number = $from ?? 0; $number <= $to; $number++) {
            if ($number !== $but && $turns[$number] !== [] && ($this->shares)($turns[$number], $step)) {
                return $number;
            }
        }

        return null;
    }

    /**
     * @param  list<non-empty-list<int>>  $turns
     * @return array<int, int> by step
     */
    private static function turnOf(array $turns): array
    {
        $at = [];
        foreach ($turns as $number => $turn) {
            $at += array_fill_keys($turn, $number);
        }

        return $at;
    }

    /**
     * The steps of one turn as they rank, none before what must come before it.
     *
     * @param  non-empty-list<int>  $turn
     * @return non-empty-list<int>
     */
    private function placed(array $turn): array
    {
        $placed = [];
        while ($turn !== []) {
            $free = array_filter($turn, fn (int $step): bool => array_intersect($this->before[$step] ?? [], $turn) === []);
            usort($free, fn (int $a, int $b): int => $this->ranks[$a] <=> $this->ranks[$b]);
            assert($free !== []);
            $placed[] = $free[0];
            $turn = array_diff($turn, [$free[0]]);
        }

        return $placed;
    }
}
