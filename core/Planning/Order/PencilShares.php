<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Layering\Step;

/** Which pencils a drawing is made of: each by its share of all that was laid, paper times coats. */
final class PencilShares
{
    /**
     * @param  iterable<array{Step, float}>  $laid  steps, and on how much paper, mm²
     * @return array<string, float> by pencil, the most first; together 1
     */
    public static function of(iterable $laid): array
    {
        $sums = [];
        foreach ($laid as [$step, $mm2]) {
            if ($step->pencil !== null) {
                $sums[(string) $step->pencil] = ($sums[(string) $step->pencil] ?? 0.0) + $step->passes * $mm2;
            }
        }
        arsort($sums);
        $all = array_sum($sums);

        return array_map(static fn (float $sum): float => $all > 0.0 ? $sum / $all : 0.0, $sums);
    }
}
