<?php

declare(strict_types=1);

namespace Prism\Layering;

use Prism\Colour\Lab;

/** What a stack will look like, how sure that is, and what it leaves of the paper. */
final readonly class Prediction
{
    /**
     * @param  float  $sigma  uncertainty in dE00: about two of three drawn swatches fall within it
     * @param  float  $toothLeft  0-1
     * @param  float  $grain  spread of L* between peaks and valleys
     * @param  float  $sensitivity  dE00 that a hand makes which is off by 10 % of pressure in every layer
     */
    public function __construct(
        public Lab $colour,
        public float $sigma,
        public float $toothLeft,
        public float $grain,
        public float $sensitivity,
    ) {
    }

    /** The grain as an artist sees it: closed, fine, open. */
    public function grainWords(): string
    {
        return Grain::of($this->grain)->words();
    }
}
