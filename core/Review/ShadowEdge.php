<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Maths\LinearSystem;

/**
 * A shadow with an edge over bare paper: where a smooth light with a step fits what is seen far better than a smooth light alone. It is begun
 * with that of many lines across the picture beyond which a step fits best; then each place goes to where it fits (least squares, the misses
 * cut off as by Huber 1964; k-means after Lloyd 1982).
 */
final class ShadowEdge
{
    private const ANGLES = 20;

    private const OFFSETS = 16;

    private const ROUNDS = 5;

    /** So many places are enough to tell. */
    private const PLACES = 320;

    /** Misses count no more than this, natural logarithm of light. */
    private const CUT = 0.12;

    /** A smooth light that misses no more than this hides no shadow. */
    private const SMOOTH = 0.04;

    /** A shadow takes at least so much of the light, natural logarithm; with it the misses must be at most such a share of those without. */
    public const TAKES = 0.2;

    private const BETTER = 0.5;

    /** On either side lie at least so many of the places. */
    private const LEAST_SIDE = 0.04;

    /**
     * @param  list<array{array<int, float>, float}>  $seen  by place the terms of a smooth light, of which the second and third are across and down,
     *                                                       -0.5 to 0.5, and the logarithm of what is seen
     * @return ?list<bool> whether each lies in the shadow; null where there is none
     */
    public static function of(array $seen): ?array
    {
        $every = max(1, intdiv(count($seen), self::PLACES));
        $some = array_values(array_filter($seen, static fn (int $at): bool => $at % $every === 0, ARRAY_FILTER_USE_KEY));
        $without = self::fitted($some, null);
        if ($without === null || $without[0] < self::SMOOTH ** 2 * count($some)) {
            return null;
        }
        $best = null;
        for ($i = 0; $i < self::ANGLES; $i++) {
            $angle = 2.0 * M_PI * $i / self::ANGLES;
            [$cos, $sin] = [cos($angle), sin($angle)];
            for ($j = 1; $j < self::OFFSETS; $j++) {
                $by = -0.7 + 1.4 * $j / self::OFFSETS;
                $fit = self::fitted($some, array_map(static fn (array $place): bool => $cos * $place[0][1] + $sin * $place[0][2] > $by, $some));
                if ($fit !== null && ($best === null || $fit[0] < $best[0])) {
                    $best = $fit;
                }
            }
        }
        for ($round = 0; $best !== null && $round < self::ROUNDS; $round++) {
            $best = self::fitted($some, self::sides($some, $best[1]));
        }

        return $best === null || $best[0] > self::BETTER * $without[0] ? null : self::sides($seen, $best[1]);
    }

    /**
     * @param  list<array{array<int, float>, float}>  $seen
     * @param  ?list<bool>  $shaded  whether each lies in the shadow; null: there is none
     * @return ?array{float, array<int, float>} what is missed, and the weights of the terms and of the step; null where hardly anything lies on one
     *                                          side, or it is no darker
     */
    private static function fitted(array $seen, ?array $shaded): ?array
    {
        $there = $shaded === null ? 0 : count(array_filter($shaded));
        if ($shaded !== null && min($there, count($seen) - $there) < self::LEAST_SIDE * count($seen)) {
            return null;
        }
        $smooth = count($seen[0][0]);
        $size = $smooth + ($shaded === null ? 0 : 1);
        $normal = array_fill(0, $size, array_fill(0, $size, 0.0));
        $right = array_fill(0, $size, 0.0);
        foreach ($seen as $n => [$terms, $light]) {
            if ($shaded !== null) {
                $terms[] = $shaded[$n] ? 1.0 : 0.0;
            }
            for ($i = 0; $i < $size; $i++) {
                for ($j = 0; $j < $size; $j++) {
                    $normal[$i][$j] += $terms[$i] * $terms[$j];
                }
                $right[$i] += $terms[$i] * $light;
            }
        }
        for ($i = 1; $i < $size; $i++) {
            $normal[$i][$i] += ($i < 3 || $i === $smooth ? 1e-4 : 1e-2) * $normal[0][0];
        }
        $weights = LinearSystem::solve($normal, $right);
        if ($shaded !== null && $weights[$smooth] > -self::TAKES) {
            return null;
        }
        $cost = 0.0;
        foreach ($seen as $n => [$terms, $light]) {
            $off = $light - self::value($terms, $weights) - ($shaded !== null && $shaded[$n] ? $weights[$smooth] : 0.0);
            $cost += min(self::CUT, abs($off)) ** 2;
        }

        return [$cost, $weights];
    }

    /**
     * Whether each place is nearer to the light in the shadow than to that beside it.
     *
     * @param  list<array{array<int, float>, float}>  $seen
     * @param  array<int, float>  $weights
     * @return list<bool>
     */
    private static function sides(array $seen, array $weights): array
    {
        $half = 0.5 * $weights[count($seen[0][0])];

        return array_map(static fn (array $place): bool => $half > $place[1] - self::value($place[0], $weights), $seen);
    }

    /**
     * @param  array<int, float>  $terms
     * @param  array<int, float>  $weights  of which there may be more
     */
    private static function value(array $terms, array $weights): float
    {
        $value = 0.0;
        foreach ($terms as $i => $term) {
            $value += $weights[$i] * $term;
        }

        return $value;
    }
}
