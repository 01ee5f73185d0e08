<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Colour\Lab;

/** How far a part of a drawing is. */
enum PartState: string
{
    /** Hardly anything lies there yet. */
    case Bare = 'bare';
    /** On its way from paper to what it is to become: more of the same is needed, and nothing is wrong. */
    case Begun = 'begun';
    /** As far as a picture tells, the eye sees no difference. */
    case Near = 'near';
    case Off = 'off';
    /** Colour lies where paper was to stay. */
    case Spoiled = 'spoiled';

    /** A picture tells no more than this: value, L*, and all of it, dE00. */
    public const VALUE_TOLD = 4.0;

    public const COLOUR_TOLD = 6.0;

    /** A colour this near to the paper is left as paper, dE76. */
    private const PAPER = 5.0;

    /** Shares of the way from paper to the colour. */
    private const BARE_TO = 0.12;

    private const BEGUN_TO = 0.8;

    public static function of(Lab $seen, Lab $wanted, Lab $paper): self
    {
        [$L, $a, $b] = [$wanted->L - $paper->L, $wanted->a - $paper->a, $wanted->b - $paper->b];
        $way = $L * $L + $a * $a + $b * $b;
        $isNear = abs($seen->L - $wanted->L) <= self::VALUE_TOLD && $seen->differenceTo($wanted) <= self::COLOUR_TOLD;
        if ($isNear) {
            return self::Near;
        }
        if ($way < self::PAPER ** 2) {
            return self::Spoiled;
        }
        $gone = (($seen->L - $paper->L) * $L + ($seen->a - $paper->a) * $a + ($seen->b - $paper->b) * $b) / $way;

        return match (true) {
            $gone < self::BARE_TO => self::Bare,
            $gone < self::BEGUN_TO && $seen->L > $wanted->L => self::Begun,
            default => self::Off,
        };
    }
}
