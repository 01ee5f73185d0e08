<?php

declare(strict_types=1);

namespace Prism\Matching\Cost;

use Prism\Colour\Wheel;
use Prism\Matching\Manner;
use Prism\Matching\PencilCoat;
use Prism\Matching\Target;
use Prism\Schools\Complement;
use Prism\Schools\SchoolSet;
use Prism\Schools\Shadows;

/**
 * The complement of a coloured target, laid lightly under, between or over its local colour as the school has it: a pale one
 * in lights, a middle one in middles, a dark one in shadows. In shadows it is what the school asks for; elsewhere it is a wish.
 */
final readonly class ComplementTerm implements Term
{
    /** Round the wheel of 18 from the target; the straight complement lies 9 away, its neighbours from here to here. */
    public const FROM = 5.5;

    private const SPLIT = [5.5, 8.0];

    /** What is gained by it in shadows, in other colours, and where it was asked to lie between or over. */
    private const SHADOW_GAIN = 1.5;

    private const GAIN = 0.3;

    private const ASKED_GAIN = 1.8;

    /** The straight complement where the school takes its neighbours. */
    private const STRAIGHT = 3.0;

    /** For each L* that it is darker than the target beyond this, it is too strong for the light it is in; and lighter, too weak. */
    private const UNGRADED = 0.03;

    private const DARKER = 22.0;

    private const LIGHTER = 40.0;

    private function __construct(private Complement $school, private bool $split, private float $position, private float $targetL, private float $gain)
    {
    }

    /** Null for a target without a complement. */
    public static function by(SchoolSet $schools, Target $target): ?self
    {
        if (! $target->hasComplement()) {
            return null;
        }
        $under = $schools->complement === Complement::Under;
        $shadow = $target->isShadow();

        return new self(
            $schools->complement, $shadow && $schools->shadows === Shadows::Split, Wheel::position($target->colour->hueDegrees()), $target->colour->L,
            $under ? ($shadow ? self::SHADOW_GAIN : self::GAIN) : self::ASKED_GAIN,
        );
    }

    public function of(Laid $laid): float
    {
        $last = count($laid->members) - 1;
        if ($last < 1) {
            return 0.0;
        }

        return match ($this->school) {
            Complement::Under => $this->worth($laid, 0),
            Complement::Over => $this->worth($laid, $last),
            Complement::Between => $this->between($laid, $last),
        };
    }

    public function mostGain(): float
    {
        return $this->gain;
    }

    /** How far round the wheel from the target a coloured pencil lies; 0 for a grey. */
    public function distance(PencilCoat $coat): float
    {
        return $coat->isColoured() ? Wheel::distance($coat->position, $this->position) : 0.0;
    }

    private function worth(Laid $laid, int $at): float
    {
        [, $percent, $coats] = $laid->members[$at];
        $distance = $this->distance($laid->coats[$at]);
        if ($distance < self::FROM || $percent > Manner::UNDER_PERCENT || $coats > Manner::UNDER_COATS) {
            return 0.0;
        }
        if ($this->split && $distance > self::SPLIT[1]) {
            return self::STRAIGHT;
        }
        $darker = $this->targetL - $laid->coats[$at]->L;

        return self::UNGRADED * (max(0.0, $darker - self::DARKER) + max(0.0, -$darker - self::LIGHTER)) - $this->gain;
    }

    /** Local colour, complement lightly, local colour again. */
    private function between(Laid $laid, int $last): float
    {
        for ($i = 1; $i < $last; $i++) {
            if ($laid->members[$i - 1][0] === $laid->members[$i + 1][0]) {
                $worth = $this->worth($laid, $i);
                if ($worth !== 0.0) {
                    return $worth;
                }
            }
        }

        return 0.0;
    }
}
