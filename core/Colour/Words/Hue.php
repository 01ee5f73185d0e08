<?php

declare(strict_types=1);

namespace Prism\Colour\Words;

/** The six hues of the wheel, in order round it. */
enum Hue: string
{
    case Red = 'red';
    case Orange = 'orange';
    case Yellow = 'yellow';
    case Green = 'green';
    case Blue = 'blue';
    case Violet = 'violet';

    /** Parts of the wheel from each hue to the next. */
    private const APART = 3;

    /** From the middle of a part on, a place leans, parts. */
    private const LEANS_FROM = 0.18;

    /** The hue next to a place on the wheel. */
    public static function nearest(float $position): self
    {
        return self::turned((int) round($position / self::APART));
    }

    /** So many hues on from red; less than none: back. */
    public static function turned(int $hues): self
    {
        $count = count(self::cases());

        return self::cases()[($hues % $count + $count) % $count];
    }

    /**
     * The neighbouring hue towards which a place leans within its part; null when it stands in the middle.
     */
    public static function leaned(float $position): ?self
    {
        $from = $position - round($position);
        if (abs($from) < self::LEANS_FROM) {
            return null;
        }
        $next = (int) floor($position / self::APART) + 1;
        $towards = $from > 0.0 ? $next : $next - 1;
        // At a pure hue the neighbour is the next hue on that side, not the hue itself.
        if (abs($position - self::APART * $towards) < 0.5) {
            $towards += $from > 0.0 ? 1 : -1;
        }

        return self::turned($towards);
    }
}
