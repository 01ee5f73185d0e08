<?php

declare(strict_types=1);

namespace Prism\Planning;

/** Two touching zones that are too alike, and which of them to push. */
final readonly class Pair
{
    /**
     * @param  float  $dE00  between their middle colours
     * @param  PictureZone  $pushed  one of the two
     * @param  bool  $darker  or lighter
     * @param  float  $steps  how far, on the value scale of nine
     */
    public function __construct(public PictureZone $one, public PictureZone $other, public float $dE00, public PictureZone $pushed, public bool $darker, public float $steps)
    {
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
