<?php

declare(strict_types=1);

namespace Prism\Practice;

/**
 * How hard a drill is, and when it comes again: boxes after Leitner (1972). A good round moves a skill one box up and away for longer, a
 * poor one a box down and to tomorrow.
 */
final readonly class Leitner
{
    /** Right answers of five, from which a round is good, and below which it is poor. */
    private const GOOD = 4;

    private const POOR = 3;

    /** Days until it is due again, by level reached. */
    private const DAYS = [1 => 1, 2 => 2, 3 => 4, 4 => 7, 5 => 14];

    private function __construct(public int $level, public int $dueInDays)
    {
    }

    public static function start(): self
    {
        return new self(1, 0);
    }

    /** @param  int  $total  questions of the round */
    public static function after(int $level, int $right, int $total): self
    {
        $of5 = $total === 0 ? 0.0 : 5.0 * $right / $total;
        if ($of5 >= self::GOOD) {
            $up = min(Drills::LEVELS, $level + 1);

            return new self($up, self::DAYS[$up]);
        }

        return $of5 < self::POOR ? new self(max(1, $level - 1), 1) : new self($level, 1);
    }
}
