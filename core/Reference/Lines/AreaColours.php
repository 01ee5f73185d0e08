<?php

declare(strict_types=1);

namespace Prism\Reference\Lines;

use Prism\Colour\Harmony;
use Prism\Colour\Lab;

/** Light, middle and dark of an area that is to be coloured. */
final readonly class AreaColours
{
    /** The light of one colour: so much of the paper shows through. */
    private const TINT = 0.4;

    /** Its dark: this share of its lightness and of its chroma. */
    private const DARKER = 0.68;

    private const DULLER = 0.9;

    private function __construct(public Lab $light, public Lab $middle, public Lab $dark)
    {
    }

    public static function of(Lab $light, Lab $middle, Lab $dark): self
    {
        return new self($light, $middle, $dark);
    }

    /** One colour: lighter as the paper shows through it, darker and a little duller in shadow. */
    public static function one(Lab $middle, Lab $paper): self
    {
        return new self(
            $middle->towards($paper, self::TINT),
            $middle,
            Lab::of(self::DARKER * $middle->L, self::DULLER * $middle->a, self::DULLER * $middle->b),
        );
    }

    /** With its neighbours on the wheel; a grey has none, and is shaded as one colour. */
    public static function trio(Lab $middle, Lab $paper): self
    {
        $harmony = Harmony::of($middle);

        return $harmony === null ? self::one($middle, $paper) : new self($harmony->lighter, $middle, $harmony->darker);
    }
}
