<?php

declare(strict_types=1);

namespace Prism\Materials;

use Prism\Colour\Lab;
use Prism\Colour\Wheel;

/** What a pencil is to the rules of the trade, by its heavy coat on white paper: the one place where black, white and yellow are told apart. */
enum PencilKind
{
    case White;
    case Black;
    /** So dark that, laid lightly, it shows as specks and not as a grey. */
    case NearBlack;
    case Yellow;
    case Grey;
    case Colour;

    /** The coat that is meant: this hard, percent, and so many coats. */
    public const HEAVY_PERCENT = 90.0;

    public const HEAVY_COATS = 2;

    private const WHITE_L = 88.0;

    private const BLACK_L = 24.0;

    private const NEAR_BLACK_L = 33.0;

    private const NEAR_BLACK_CHROMA = 22.0;

    /** Where a yellow begins and ends on the wheel of 18, how coloured and how light it is. */
    private const YELLOWS = [4.8, 7.4];

    private const YELLOW_CHROMA = 22.0;

    private const YELLOW_L = 70.0;

    public static function of(Lab $heavyCoat): self
    {
        $L = $heavyCoat->L;
        $chroma = $heavyCoat->chroma();
        $neutral = $heavyCoat->isNeutral();
        $position = Wheel::position($heavyCoat->hueDegrees());

        return match (true) {
            $neutral && $L > self::WHITE_L => self::White,
            $neutral && $L < self::BLACK_L => self::Black,
            $L < self::NEAR_BLACK_L && $chroma < self::NEAR_BLACK_CHROMA => self::NearBlack,
            $L > self::YELLOW_L && $chroma > self::YELLOW_CHROMA && $position >= self::YELLOWS[0] && $position <= self::YELLOWS[1] => self::Yellow,
            $neutral => self::Grey,
            default => self::Colour,
        };
    }
}
