<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Colour\Lab;

/** How a part of a drawing stands to what the log says was laid there. */
enum Course: string
{
    /** Nothing was ticked, and nothing lies there. */
    case Open = 'open';
    /** What is seen is what was expected by now. */
    case AsExpected = 'as expected';
    /** Darker than what was ticked should look. */
    case Heavier = 'heavier';
    /** Lighter. */
    case Lighter = 'lighter';
    /** As light or dark as expected, and another colour. */
    case OtherColour = 'other colour';
    /** Colour lies where nothing was ticked. */
    case Unticked = 'unticked';
    /** Ticked, and hardly anything lies there. */
    case Missing = 'missing';

    /** A passage this far on the way from paper to what is expected is hardly begun; and how far that must lie from paper, dE76. */
    private const HARDLY = 0.15;

    private const FROM_PAPER = 8.0;

    /** @param  bool  $isTicked  whether the log says that anything was laid */
    public static function of(bool $isTicked, Lab $seen, Lab $expected, Lab $paper): self
    {
        $isNear = abs($seen->L - $expected->L) <= PartState::VALUE_TOLD && $seen->differenceTo($expected) <= PartState::COLOUR_TOLD;

        return match (true) {
            ! $isTicked => $isNear ? self::Open : self::Unticked,
            $isNear => self::AsExpected,
            self::isMissing($seen, $expected, $paper) => self::Missing,
            $seen->L < $expected->L - PartState::VALUE_TOLD => self::Heavier,
            $seen->L > $expected->L + PartState::VALUE_TOLD => self::Lighter,
            default => self::OtherColour,
        };
    }

    private static function isMissing(Lab $seen, Lab $expected, Lab $paper): bool
    {
        [$L, $a, $b] = [$expected->L - $paper->L, $expected->a - $paper->a, $expected->b - $paper->b];
        $way = $L * $L + $a * $a + $b * $b;

        return $way > self::FROM_PAPER ** 2 && (($seen->L - $paper->L) * $L + ($seen->a - $paper->a) * $a + ($seen->b - $paper->b) * $b) / $way < self::HARDLY;
    }
}
