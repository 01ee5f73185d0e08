<?php

declare(strict_types=1);

namespace Prism\Planning\Advice;

use Prism\Colour\ValueScale;
use Prism\Planning\Adjust\Aim;
use Prism\Planning\PictureZone;

/** Two touching zones that are too alike, and which of them to push. */
final readonly class Pair
{
    /** A push that is to be seen, on the value scale of nine. */
    private const LEAST_STEPS = 0.25;

    /**
     * @param  float  $dE00  between their middle colours
     * @param  PictureZone  $pushed  one of the two
     * @param  bool  $darker  or lighter
     * @param  float  $steps  how far, on the value scale of nine
     */
    public function __construct(public PictureZone $one, public PictureZone $other, public float $dE00, public PictureZone $pushed, public bool $darker, public float $steps)
    {
    }

    /** What it comes to. */
    public function aim(): Aim
    {
        return Aim::lightness($this->pushed->id, ($this->darker ? -1.0 : 1.0) * max(self::LEAST_STEPS, $this->steps) * ValueScale::stepSize());
    }

    public function sentence(): string
    {
        $how = match (true) {
            $this->steps < 0.38 => 'a third of a step',
            $this->steps < 0.63 => 'half a step',
            default => 'nearly a step',
        };

        return sprintf('Push %s %s %s.', $this->pushed->name, $how, $this->darker ? 'darker' : 'lighter');
    }
}
