<?php

declare(strict_types=1);

namespace Prism\Matching\Cost;

/** One thing that an artist would rather have or do without, in dE00 of a miss. */
interface Term
{
    /** What it costs; below 0 where the school is followed in what it asks for. */
    public function of(Laid $laid): float;

    /** The most that it can take off, 0 and up. */
    public function mostGain(): float;
}
