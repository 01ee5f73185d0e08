<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Colour\DeltaE;
use Prism\Colour\Lab;
use Prism\Colour\ValueScale;

/** A colour to be matched, or only its value. */
final readonly class Target
{
    /** What the bare paper misses by no more than this is first of all left as paper, dE00. */
    public const BARE_PAPER = 2.0;

    /** An error of value counts this much on top of its part in dE00: a drawing looks wrong by its values first. */
    private const VALUE_WEIGHT = 0.21;

    /** Within this much L* a value is right. */
    private const VALUE_TOLERANCE = 0.5;

    /** Where only the value counts: what a whole step of it costs, in dE00. */
    private const VALUE_STEP = 12.0;

    /** Darker than this a colour is a shadow, L*; and one of a zone that lies in shadow. */
    private const SHADOW_L = 45.0;

    private const IN_SHADOW_L = 62.0;

    private const BLACK_L = 30.0;

    private const BLACK_CHROMA = 14.0;

    /** A dark that comes out too light loses more than a hue that is a little off. */
    private const DARK_WEIGHT = 0.35;

    private const DARK_L = 40.0;

    private function __construct(public Lab $colour, public bool $valueOnly, public bool $inShadow = false)
    {
    }

    public static function colour(Lab $colour): self
    {
        return new self($colour, false);
    }

    /** Hue and chroma are ignored. */
    public static function value(Lab $colour): self
    {
        return new self($colour, true);
    }

    /** The same in a zone that lies in shadow, or does not: more of its colours are shadows there. */
    public function inShadow(bool $inShadow = true): self
    {
        return new self($this->colour, $this->valueOnly, $inShadow);
    }

    /** Dark enough to be a shadow, where it lies. */
    public function isShadow(): bool
    {
        return $this->colour->L < ($this->inShadow ? self::IN_SHADOW_L : self::SHADOW_L);
    }

    /** A dark that is black itself, not a dark colour. */
    public function isTrulyBlack(): bool
    {
        return $this->colour->L < self::BLACK_L && $this->colour->chroma() < self::BLACK_CHROMA;
    }

    /** Coloured enough that a hue opposite dulls it. */
    public function hasComplement(): bool
    {
        return ! $this->valueOnly && $this->colour->chroma() > PencilCoat::COLOURED;
    }

    /** How far a colour misses, in dE00, value error weighted above the rest. */
    public function miss(float $L, float $a, float $b): float
    {
        $dL = abs($L - $this->colour->L);
        if ($this->valueOnly) {
            return $dL / ValueScale::stepSize() * self::VALUE_STEP;
        }

        return DeltaE::ciede2000($this->colour->L, $this->colour->a, $this->colour->b, $L, $a, $b)
            + ($this->colour->L < self::DARK_L ? self::DARK_WEIGHT : self::VALUE_WEIGHT) * max(0.0, $dL - self::VALUE_TOLERANCE);
    }
}
