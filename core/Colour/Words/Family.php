<?php

declare(strict_types=1);

namespace Prism\Colour\Words;

use Prism\Colour\Lab;
use Prism\Colour\Wheel;

/**
 * The family of a colour, and the hue that it has some of: "yellow with some green". Judged against names that artists use
 * (tests/Core/Colour/names.php), as what is called grey, brown, olive or pink is no even part of CIELAB.
 */
final readonly class Family
{
    private const WHITE_FROM = 93.0;

    private const BLACK_BELOW = 20.0;

    /** C*ab up to which what is as dark as black is black. */
    private const BLACK_UP_TO = 5.0;

    /** Greys below this chroma are neither warm nor cool. */
    private const GREY_CHROMA = 1.0;

    /** Up to so much chroma a colour is called grey: of most hues, of stone and sand (hab from, to), of slate and steel. */
    private const GREY_UP_TO = 7.0;

    private const WARM_GREYS = [45.0, 110.0, 11.0];

    private const COOL_GREYS = [215.0, 295.0, 12.0];

    /** Less chroma does where it is darker or lighter than these L*: such shares of it at black and at white. */
    private const GREY_ENDS = [55.0, 78.0];

    private const GREY_AT_ENDS = [0.2, 0.25];

    /** Browns are dark or dull oranges: such places of the wheel, below such L*, and no cleaner than this at black, for each L* more, and at most. */
    private const BROWNS = [0.3, 6.2];

    private const BROWN_L = 68.0;

    private const BROWN_CHROMA = [22.0, 0.65, 54.0];

    private const DARK_BROWN_L = 33.0;

    /** Light reds: hab from and to, from such L* on; those with some violet from further down, as long as they are clean. */
    private const PINKS = [332.0, 42.0, 62.0];

    private const CLEAN_PINKS = [340.0, 12.0, 50.0, 35.0];

    /** Light oranges that are not clean: hab, L* from, C*ab up to. */
    private const FLESH = [40.0, 75.0, 68.0, 38.0];

    /** What is dark of these hab is green to the eye, not yellow: up to such L* from the first on, and from the second on. */
    private const OLIVES = [96.0, 64.0];

    private const LEAVES = [110.0, 84.0];

    /** Clean dark blues are blue to the eye, though their hab is on the way to violet: turned back by so much for each C*ab beyond. */
    private const BLUES = [268.0, 302.0];

    private const BLUE_CHROMA = 30.0;

    private const BLUE_TURN = [0.35, 12.0];

    private function __construct(public FamilyKind $kind, public ?Hue $with = null)
    {
    }

    public static function of(Lab $lab): self
    {
        $hue = $lab->hueDegrees();
        $chroma = $lab->chroma();

        return match (true) {
            $chroma < self::greyUpTo($lab->L, $hue) => new self(self::neutral($lab, Wheel::position($hue))),
            default => self::coloured($lab->L, $chroma, $hue),
        };
    }

    /** Of a place on the wheel: a hue, or one with some of its neighbour. */
    public static function at(float $position): self
    {
        $part = ((int) round($position)) % Wheel::PARTS;
        $near = intdiv($part + 1, 3);
        $side = $part - 3 * $near;

        return new self(FamilyKind::ofHue(Hue::turned($near)), $side === 0 ? null : Hue::turned($near + $side));
    }

    public function word(): string
    {
        return $this->kind->value.($this->with === null ? '' : ' with some '.$this->with->value);
    }

    private static function greyUpTo(float $L, float $hue): float
    {
        $most = self::GREY_UP_TO;
        foreach ([self::WARM_GREYS, self::COOL_GREYS] as [$from, $to, $upTo]) {
            if ($hue > $from && $hue < $to) {
                $most = $upTo;
            }
        }
        [$dark, $light] = self::GREY_ENDS;
        $share = match (true) {
            $L < $dark => self::GREY_AT_ENDS[0] + (1.0 - self::GREY_AT_ENDS[0]) * $L / $dark,
            $L > $light => 1.0 - (1.0 - self::GREY_AT_ENDS[1]) * ($L - $light) / (100.0 - $light),
            default => 1.0,
        };

        return $L < self::BLACK_BELOW ? max(self::BLACK_UP_TO, $most * $share) : $most * $share;
    }

    private static function neutral(Lab $lab, float $position): FamilyKind
    {
        return match (true) {
            $lab->L >= self::WHITE_FROM => FamilyKind::White,
            $lab->L < self::BLACK_BELOW => FamilyKind::Black,
            $lab->chroma() < self::GREY_CHROMA => FamilyKind::Grey,
            Wheel::isWarm($position) => FamilyKind::WarmGrey,
            default => FamilyKind::CoolGrey,
        };
    }

    private static function coloured(float $L, float $chroma, float $hue): self
    {
        $position = Wheel::position($hue);
        if ($position >= self::BROWNS[0] && $position <= self::BROWNS[1] && $L < self::BROWN_L && $chroma < min(self::BROWN_CHROMA[2], self::BROWN_CHROMA[0] + self::BROWN_CHROMA[1] * $L)) {
            return self::brown($L, $position);
        }

        return match (true) {
            $L >= self::PINKS[2] && ($hue >= self::PINKS[0] || $hue < self::PINKS[1]),
            $L >= self::CLEAN_PINKS[2] && $chroma >= self::CLEAN_PINKS[3] && ($hue >= self::CLEAN_PINKS[0] || $hue < self::CLEAN_PINKS[1]) => new self(FamilyKind::Pink),
            $hue >= self::FLESH[0] && $hue < self::FLESH[1] && $L >= self::FLESH[2] && $chroma < self::FLESH[3] => new self(FamilyKind::Flesh),
            self::isOlive($L, $hue, $position) => new self(FamilyKind::Green, Hue::Yellow),
            $hue > self::BLUES[0] && $hue < self::BLUES[1] => self::at(Wheel::position($hue - min(self::BLUE_TURN[1], self::BLUE_TURN[0] * max(0.0, $chroma - self::BLUE_CHROMA)))),
            default => self::at($position),
        };
    }

    private static function isOlive(float $L, float $hue, float $position): bool
    {
        $isYellow = self::at($position)->kind === FamilyKind::Yellow;

        return $isYellow && ($hue > self::OLIVES[0] && $L < self::OLIVES[1] || $hue > self::LEAVES[0] && $L < self::LEAVES[1]);
    }

    /** Named by what it leans to, as a box is checked. */
    private static function brown(float $L, float $position): self
    {
        return match (true) {
            $L < self::DARK_BROWN_L => new self(FamilyKind::DarkBrown),
            $position < 2.4 => new self(FamilyKind::Brown, Hue::Red),
            $position > 3.8 => new self(FamilyKind::Brown, Hue::Yellow),
            default => new self(FamilyKind::Brown),
        };
    }
}
