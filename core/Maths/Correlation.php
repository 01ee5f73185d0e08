<?php

declare(strict_types=1);

namespace Prism\Maths;

/** How far two rows of values rise and fall together (Pearson 1896). */
final class Correlation
{
    /**
     * @param  array<int, list<array{float, float}>>  $groups  pairs, each group about means of its own
     * @return float -1 to 1; 0 where nothing rises or falls
     */
    public static function of(array $groups): float
    {
        $cross = $first = $second = 0.0;
        foreach ($groups as $pairs) {
            $means = [array_sum(array_column($pairs, 0)) / count($pairs), array_sum(array_column($pairs, 1)) / count($pairs)];
            foreach ($pairs as [$one, $other]) {
                $cross += ($one - $means[0]) * ($other - $means[1]);
                $first += ($one - $means[0]) ** 2;
                $second += ($other - $means[1]) ** 2;
            }
        }

        return $cross / max(1e-9, sqrt($first * $second));
    }
}
