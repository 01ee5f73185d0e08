<?php

declare(strict_types=1);

namespace Prism\Planning\Gradient;

/**
 * A gradient by feathering: n pencils, each laid lightly over the end of the one before, give 2n - 1 steps: each alone, and
 * each two together.
 */
final class Joins
{
    /** Two neighbours lie over one another for this share of the room that each has: a third, so that each is also alone. */
    private const OVERLAP = 1.0 / 3.0;

    /** Each pencil has at least this share of its fair room along a form, however soon its value passes. */
    private const LEAST_ROOM = 0.35;

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
     * The same along a form whose lightness is known: one value gives way to the next where the photo is halfway between them,
     * and neighbours lie over one another for a third of the room of the narrower.
     *
     * @param  list<float>  $values  L* of each, light to dark, two or more
     * @param  list<float>  $profile  L* along the form, from its light end to its dark end, never rising
     * @param  float  $lengthMm  of the form
     * @return list<array{from: float, to: float, fromMm: float, toMm: float}>
     *
     * @throws \InvalidArgumentException if there is nothing to join
     */
    public static function along(array $values, array $profile, float $lengthMm): array
    {
        $count = count($values);
        if ($count < 2 || $lengthMm <= 0.0) {
            throw new \InvalidArgumentException('A gradient takes two pencils or more, and some length.');
        }
        $least = self::LEAST_ROOM / $count;
        $borders = [0.0];
        for ($i = 1; $i < $count; $i++) {
            $halfway = self::reached($profile, 0.5 * ($values[$i - 1] + $values[$i]));
            $borders[] = max($borders[$i - 1] + $least, min(1.0 - ($count - $i) * $least, $halfway));
        }
        $borders[] = 1.0;
        $spans = [];
        for ($i = 0; $i < $count; $i++) {
            $own = $borders[$i + 1] - $borders[$i];
            $before = $i === 0 ? 0.0 : 0.5 * self::OVERLAP * min($own, $borders[$i] - $borders[$i - 1]);
            $after = $i === $count - 1 ? 0.0 : 0.5 * self::OVERLAP * min($own, $borders[$i + 2] - $borders[$i + 1]);
            $from = $borders[$i] - $before;
            $to = $borders[$i + 1] + $after;
            $spans[] = ['from' => $from, 'to' => $to, 'fromMm' => $from * $lengthMm, 'toMm' => $to * $lengthMm];
        }

        return $spans;
    }

    /**
     * Where a form gets as dark as this, as a share of its length.
     *
     * @param  list<float>  $profile
     */
    private static function reached(array $profile, float $L): float
    {
        $n = count($profile);
        foreach ($profile as $i => $here) {
            if ($here <= $L) {
                // Between the middle of the stretch before and that of this one.
                $before = $profile[$i - 1] ?? $here;

                return max(0.0, ($i + 0.5 - ($before > $here ? ($L - $here) / ($before - $here) : 0.0)) / $n);
            }
        }

        return 1.0;
    }

    /** Steps that can be told apart along the gradient. */
    public static function steps(int $count): int
    {
        return 2 * $count - 1;
    }
}
