<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Colour\Wheel;
use Prism\Layering\Doubt;
use Prism\Layering\Pressure;

/**
 * What a stack costs as an answer to a target, in dE00: what the hand is likely to miss by, and a little for all that an
 * artist would rather do without.
 *
 * The likely miss is that of the prediction and that of doubt, added in squares: a match that hangs on a burnish or on many
 * layers is worth less than a plain one, and a tie is won by the stack that a shaking hand spoils least.
 */
final readonly class Judge
{
    /** Costs, in dE00. */
    private const PER_PENCIL = 0.12;

    private const PER_LAYER = 0.05;

    private const LITTLE_TOOTH = 1.2;

    private const LITTLE_TOOTH_BELOW = 0.15;

    private const BURNISH_BELOW = 0.8;

    /** For each percent above a medium hand in a layer that others follow: such layers belong to the end. */
    private const HEAVY_BELOW = 0.02;

    private const HEAVY_PERCENT = 60;

    /** Shadows are drawn with complements and dark cool colours; black comes last if at all. */
    private const BLACK = 1.2;

    private const BLACK_BELOW = 0.6;

    private const UNDERLAYER_GAIN = 0.3;

    private const UNDERLAYER_CHROMA = 12.0;

    private float $plainDoubt;

    /** On the wheel; null where an underlayer of another hue makes no sense. */
    private ?float $goalPosition;

    public function __construct(private TouchBook $book, public Target $target, public Limits $limits)
    {
        $this->plainDoubt = Doubt::usual(1, 0, 0);
        $goal = $target->colour;
        $this->goalPosition = ! $target->valueOnly && $goal->chroma() > self::UNDERLAYER_CHROMA ? Wheel::position($goal->hueDegrees()) : null;
    }

    /** What no stack with this miss can cost less than. */
    public function atLeast(float $miss): float
    {
        return sqrt($miss * $miss + $this->plainDoubt * $this->plainDoubt) - $this->plainDoubt - self::UNDERLAYER_GAIN;
    }

    /**
     * @param  list<array{int, int, int}>  $layers
     * @param  ?float  $doubt  sigma where it is known, else what is usual for so many layers
     */
    public function cost(float $miss, float $toothLeft, array $layers, ?float $doubt = null): float
    {
        $count = count($layers);
        $used = [];
        $laid = [];
        $cost = 0.0;
        $burnishes = 0;
        foreach ($layers as $i => [$index, $percent]) {
            $used[$index] = true;
            $laid[] = $this->book->laid($index, $percent);
            $below = $i < $count - 1;
            $burnish = $percent >= Pressure::BURNISH_PERCENT;
            $burnishes += $burnish ? 1 : 0;
            if ($below && $percent > self::HEAVY_PERCENT) {
                $cost += self::HEAVY_BELOW * ($percent - self::HEAVY_PERCENT) + ($burnish ? self::BURNISH_BELOW : 0.0);
            }
            if ($this->book->isBlack($index)) {
                $cost += self::BLACK + ($below ? self::BLACK_BELOW : 0.0);
            }
        }
        $doubt ??= Doubt::usual($count, $burnishes, 0);
        $cost += sqrt($miss * $miss + $doubt * $doubt) - $this->plainDoubt
            + self::PER_PENCIL * max(0, count($used) - 1)
            + self::PER_LAYER * max(0, $count - 1)
            + self::LITTLE_TOOTH * max(0.0, 1.0 - $toothLeft / self::LITTLE_TOOTH_BELOW);
        if ($this->hasUnderlayer($laid)) {
            array_shift($laid);
            $cost -= self::UNDERLAYER_GAIN;
        }

        return $cost + $this->limits->school->cost($laid, $this->target->colour->L);
    }

    /**
     * The complement goes under by default: a light first layer from the other side of the wheel.
     *
     * @param  list<LaidColour>  $laid
     */
    private function hasUnderlayer(array $laid): bool
    {
        return $this->goalPosition !== null && count($laid) > 1
            && $laid[0]->chroma > self::UNDERLAYER_CHROMA && $laid[0]->pressurePercent <= RecipeMaker::UNDERLAYER_PERCENT
            && Wheel::distance($laid[0]->wheelPosition, $this->goalPosition) >= RecipeMaker::UNDERLAYER_DISTANCE;
    }
}
