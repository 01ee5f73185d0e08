<?php

declare(strict_types=1);

namespace Prism\Colour;

/**
 * Lightness as a step on a scale, 1 the darkest to `steps` the lightest. The studio's own scale has nine.
 *
 * The rungs are evenly spaced in L*, the darkest at {@see self::DARKEST}: about what black wax at full pressure gives.
 */
final class ValueScale
{
    public const STEPS = 9;

    /** L* of rung 1; the top rung is L* 100. */
    private const DARKEST = 12.0;

    /** Where a colour lies between the rungs, 1.0 to `steps`, not rounded. */
    public static function position(float $L, int $steps = self::STEPS): float
    {
        $share = ($L - self::DARKEST) / (100.0 - self::DARKEST);

        return 1.0 + max(0.0, min(1.0, $share)) * ($steps - 1);
    }

    /** The nearest rung. */
    public static function step(float $L, int $steps = self::STEPS): int
    {
        return (int) round(self::position($L, $steps));
    }

    /** How many L* one step is. */
    public static function stepSize(int $steps = self::STEPS): float
    {
        return (100.0 - self::DARKEST) / ($steps - 1);
    }

    public static function lightnessOf(int $step, int $steps = self::STEPS): float
    {
        return self::DARKEST + ($step - 1) * self::stepSize($steps);
    }
}
