<?php

declare(strict_types=1);

namespace Prism\Layering;

/** A stack as it is laid: steps one after the other, and runs of steps laid so many times over. */
final readonly class Rounds
{
    /** A round has no more steps than this; of washes between them, too. */
    private const LONGEST = 5;

    /** @param  list<Step>  $steps  of one round */
    private function __construct(public int $times, public int $from, public array $steps)
    {
    }

    /**
     * What is repeated unchanged is one round, so many times; what is not stands alone, once.
     *
     * @return list<self>
     */
    public static function of(Stack $stack): array
    {
        $notation = array_map(strval(...), $stack->steps);
        $count = count($notation);
        $groups = [];
        for ($at = 0; $at < $count;) {
            $length = $times = 1;
            for ($try = 2; $try <= self::LONGEST && $at + 2 * $try <= $count; $try++) {
                $repeats = self::repeats($notation, $at, $try);
                if ($repeats > 1 && $repeats * $try > $times * $length) {
                    $length = $try;
                    $times = $repeats;
                }
            }
            $groups[] = new self($times, $at, array_slice($stack->steps, $at, $length));
            $at += $times * $length;
        }

        return $groups;
    }

    /** @param  list<string>  $notation */
    private static function repeats(array $notation, int $from, int $length): int
    {
        $run = array_slice($notation, $from, $length);
        $times = 1;
        while (array_slice($notation, $from + $times * $length, $length) === $run) {
            $times++;
        }

        return $times;
    }
}
