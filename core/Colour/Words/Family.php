<?php

declare(strict_types=1);

namespace Prism\Colour\Words;

use Prism\Colour\Lab;
use Prism\Colour\Wheel;

/** The family of a colour, and the hue that it has some of: "yellow with some green". */
final readonly class Family
{
    private const WHITE_FROM = 93.0;

    private const BLACK_BELOW = 20.0;

    /** Greys below this chroma are neither warm nor cool. */
    private const GREY_CHROMA = 1.0;

    private function __construct(public FamilyKind $kind, public ?Hue $with = null)
    {
    }

    public static function of(Lab $lab): self
    {
        $position = Wheel::position($lab->hueDegrees());

        return $lab->isNeutral() ? new self(self::neutral($lab, $position)) : self::coloured($lab, $position);
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

    /** Browns are dark, dull oranges; they are named by what they lean to, as a box is checked. */
    private static function coloured(Lab $lab, float $position): self
    {
        $brown = $position <= 5.6 && $lab->L < 62.0 && $lab->chroma() < 12.0 + 0.55 * $lab->L;
        if (! $brown) {
            return self::at($position);
        }

        return match (true) {
            $lab->L < 33.0 => new self(FamilyKind::DarkBrown),
            $position < 2.4 => new self(FamilyKind::Brown, Hue::Red),
            $position > 3.8 => new self(FamilyKind::Brown, Hue::Yellow),
            default => new self(FamilyKind::Brown),
        };
    }
}
