<?php

declare(strict_types=1);

namespace Prism\Layering;

/** Pressure as a share of full hand pressure, and the studio's six words for it. */
final class Pressure
{
    public const MIN_PERCENT = 1.0;

    public const MAX_PERCENT = 100.0;

    public const DEFAULT_PERCENT = 50.0;

    /** From here on a layer is a burnish: it closes the paper. */
    public const BURNISH_PERCENT = 85.0;

    /** Up to here a layer can still be layered over and blended. */
    public const LIGHT_PERCENT = 50.0;

    /** From here on a coat of one pencil shows what colour that is: a heavy one. */
    public const HEAVY_PERCENT = 80.0;

    /** The steps a hand can tell apart, in percent, with their words. */
    public const WORDS = [20 => 'whisper', 35 => 'light', 50 => 'easy', 65 => 'medium', 80 => 'firm', 95 => 'burnish'];

    public static function word(float $percent): string
    {
        $best = 'easy';
        $nearest = INF;
        foreach (self::WORDS as $at => $word) {
            if (abs($percent - $at) < $nearest) {
                $nearest = abs($percent - $at);
                $best = $word;
            }
        }

        return $percent >= self::BURNISH_PERCENT ? 'burnish' : $best;
    }
}
