<?php

declare(strict_types=1);

namespace Prism\Charts;

use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Materials\Opacity;

/**
 * How well a pencil covers, from its heavy coat on paper and the same over a black bar: the contrast ratio of paints (ISO 6504-3),
 * taken where the pencil is lightest, less what the bar itself gives back.
 */
final class Covering
{
    /** Linear light of printed black. */
    private const INK = 0.02;

    /** Ratios below and above which a pencil is called transparent and opaque. */
    private const TRANSPARENT = 0.16;

    private const OPAQUE = 0.4;

    /** Of a darker coat the bar cannot be told, L*. */
    private const TOO_DARK = 30.0;

    /** Lighter than this something lies on the bar, L*. */
    private const BARE = 22.0;

    /** Whether nothing was laid over the bar. */
    public static function isBare(Lab $over): bool
    {
        return $over->L <= self::BARE;
    }

    /** Null where that cannot be told. */
    public static function of(Lab $coat, Lab $over): ?Opacity
    {
        if ($coat->L < self::TOO_DARK) {
            return null;
        }
        $light = Srgb::linear($coat);
        $lightest = (int) array_search(max($light), $light, true);
        $ratio = (Srgb::linear($over)[$lightest] - self::INK) / max(1e-3, $light[$lightest]);

        return match (true) {
            $ratio < self::TRANSPARENT => Opacity::Transparent,
            $ratio > self::OPAQUE => Opacity::Opaque,
            default => Opacity::Semi,
        };
    }
}
