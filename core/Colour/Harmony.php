<?php

declare(strict_types=1);

namespace Prism\Colour;

/**
 * What goes with a colour on the artist's wheel: its complement, which dulls it under and makes it sing beside it, and its neighbours on
 * both sides, with which it shades as an analogous trio, one darker and one lighter.
 */
final readonly class Harmony
{
    /** Of a colour with less there is no opposite. */
    private const LEAST_CHROMA = 8.0;

    /** How far the neighbours lie on the wheel, of 18 parts. */
    private const NEIGHBOUR = 2.0;

    /** How much darker and lighter they are, L*. */
    private const LIFT = 18.0;

    private const DARKEST = 12.0;

    private const LIGHTEST = 94.0;

    private function __construct(public Lab $complement, public Lab $darker, public Lab $lighter)
    {
    }

    /** Null of a grey. */
    public static function of(Lab $colour): ?self
    {
        if ($colour->chroma() < self::LEAST_CHROMA) {
            return null;
        }
        $place = Wheel::position($colour->hueDegrees());
        $at = static fn (float $position, float $L): Lab => Lab::of($L, $colour->chroma() * cos(deg2rad(Wheel::hueDegrees($position))), $colour->chroma() * sin(deg2rad(Wheel::hueDegrees($position))));
        // A form turns to its darker neighbour in shadow: towards violet, away from yellow.
        $towardsViolet = Wheel::distance(fmod($place + self::NEIGHBOUR, Wheel::PARTS), 15.0) < Wheel::distance(fmod($place - self::NEIGHBOUR + Wheel::PARTS, Wheel::PARTS), 15.0) ? self::NEIGHBOUR : -self::NEIGHBOUR;

        return new self(
            $at(Wheel::complement($place), $colour->L),
            $at($place + $towardsViolet + Wheel::PARTS, max(self::DARKEST, $colour->L - self::LIFT)),
            $at($place - $towardsViolet + Wheel::PARTS, min(self::LIGHTEST, $colour->L + self::LIFT)),
        );
    }
}
