<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

/** When one sat at a drawing: presses that follow one another within a break belong together. */
final class Sittings
{
    /** A longer time without a press, minutes, ends a sitting. */
    public const BREAK_MINUTES = 45.0;

    /** Before its first press one has drawn about so long: a turn. */
    private const FIRST_MINUTES = 6.0;

    /**
     * @param  list<int>  $seconds  of each press, since any time
     * @return list<array{from: int, to: int, minutes: float, presses: int}> in order; from its beginning, before the first press, to its last
     */
    public static function of(array $seconds): array
    {
        sort($seconds);
        $sittings = [];
        foreach ($seconds as $at) {
            $last = array_pop($sittings);
            if ($last !== null && $at - $last['to'] <= 60.0 * self::BREAK_MINUTES) {
                $sittings[] = ['from' => $last['from'], 'to' => $at, 'minutes' => $last['minutes'] + ($at - $last['to']) / 60.0, 'presses' => $last['presses'] + 1];

                continue;
            }
            if ($last !== null) {
                $sittings[] = $last;
            }
            $sittings[] = ['from' => $at - (int) (60.0 * self::FIRST_MINUTES), 'to' => $at, 'minutes' => self::FIRST_MINUTES, 'presses' => 1];
        }

        return $sittings;
    }
}
