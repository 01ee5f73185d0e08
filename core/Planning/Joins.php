<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Reference\LightDirection;

/**
 * A gradient by feathering: n pencils, each laid lightly over the end of the one before, give 2n - 1 steps: each alone, and
 * each two together.
 */
final class Joins
{
    /** Two neighbours lie over one another for this share of the room that each has: a third, so that each is also alone. */
    private const OVERLAP = 1.0 / 3.0;

    private const ONE_SPOT_MM = 2.0;

    /**
     * Where each pencil starts and ends along a form, from its light to its dark end.
     *
     * @param  int  $count  pencils, two or more
     * @param  float  $lengthMm  of the form, in the direction of the gradient
     * @return list<array{from: float, to: float, fromMm: float, toMm: float}> shares of the length, and millimetres
     *
     * @throws \InvalidArgumentException if there is nothing to join
     */
    public static function spans(int $count, float $lengthMm): array
    {
        if ($count < 2 || $lengthMm <= 0.0) {
            throw new \InvalidArgumentException('A gradient takes two pencils or more, and some length.');
        }
        // n pencils of width w, overlapping by o w, fill 1 = w (n - (n - 1) o).
        $width = 1.0 / ($count - ($count - 1) * self::OVERLAP);
        $spans = [];
        for ($i = 0; $i < $count; $i++) {
            $from = $i * $width * (1.0 - self::OVERLAP);
            $to = min(1.0, $from + $width);
            $spans[] = ['from' => $from, 'to' => $to, 'fromMm' => $from * $lengthMm, 'toMm' => $to * $lengthMm];
        }

        return $spans;
    }

    /**
     * Where the second spot lies from the first, in words; null if they are one spot. y goes down.
     */
    public static function towards(float $x1, float $y1, float $x2, float $y2): ?string
    {
        return hypot($x2 - $x1, $y2 - $y1) < self::ONE_SPOT_MM ? null : LightDirection::corrected(rad2deg(atan2($y1 - $y2, $x2 - $x1)))->words();
    }

    /** Steps that can be told apart along the gradient. */
    public static function steps(int $count): int
    {
        return 2 * $count - 1;
    }
}
