<?php

declare(strict_types=1);

namespace Prism\Layering;

/** How the grain of a passage looks at arm's length. */
enum Grain: string
{
    case Closed = 'closed';
    case Fine = 'fine';
    case Open = 'open';

    /**
     * Of the spread of L* between peaks and valleys, what an eye at arm's length (600 mm) sees: the valleys of cartridge lie some
     * 0.4 mm apart there, 26 cycles to a degree, where contrast still shows by half; finer paper shows less of it (Campbell &
     * Robson 1968). Judged so, in L*:
     */
    public const SEEN = 0.5;

    private const FINE_FROM = 3.0;

    private const OPEN_FROM = 6.5;

    /** @param  float  $spread  of L* between peaks and valleys, as in {@see Look} */
    public static function of(float $spread): self
    {
        $seen = self::SEEN * $spread;

        return match (true) {
            $seen >= self::OPEN_FROM => self::Open,
            $seen >= self::FINE_FROM => self::Fine,
            default => self::Closed,
        };
    }

    public function words(): string
    {
        return match ($this) {
            self::Closed => 'grain closed',
            self::Fine => 'fine grain',
            self::Open => 'open grain',
        };
    }
}
