<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Layering\Pressure;
use Prism\Layering\Step;

/**
 * How much shorter a pencil gets by what it lays: the lead that stays on the paper, and as much again that is sharpened away. A rule
 * of thumb from the volume of a lead; a hand that sharpens for every line uses more.
 */
final readonly class Wear
{
    /** Film that a coat leaves at full pressure, mm; in proportion at less. */
    private const FILM_MM = 0.006;

    /** Across the lead, mm. */
    private const LEAD_MM = 3.8;

    /** Of a pencil all that goes, against what stays on the paper. */
    private const WASTE = 2.0;

    /** A shorter stub no holder holds, mm. */
    public const UNUSABLE_MM = 25.0;

    /**
     * @param  iterable<array{Step, float}>  $laid  steps, each with the area that it goes to, mm²
     * @return array<string, float> mm by pencil
     */
    public static function of(iterable $laid): array
    {
        $section = M_PI / 4.0 * self::LEAD_MM ** 2;
        $mm = [];
        foreach ($laid as [$step, $area]) {
            if ($step->pencil !== null) {
                $id = (string) $step->pencil;
                $mm[$id] = ($mm[$id] ?? 0.0) + self::WASTE * $area * $step->passes * self::FILM_MM * $step->pressurePercent / Pressure::MAX_PERCENT / $section;
            }
        }

        return $mm;
    }

    /** Whether a stub does not last for what is still to be laid. */
    public static function runsShort(?float $leftMm, float $neededMm, int $spare): bool
    {
        return $leftMm !== null && $spare === 0 && $leftMm - $neededMm < self::UNUSABLE_MM;
    }
}
