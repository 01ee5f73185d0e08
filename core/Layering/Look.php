<?php

declare(strict_types=1);

namespace Prism\Layering;

use Prism\Colour\Lab;

/** What is seen of a passage: its colour from where the grain closes, its grain, and the tooth that is left. */
final readonly class Look
{
    /**
     * @param  float  $grain  spread of L* between peaks and valleys, one standard deviation
     * @param  float  $toothLeft  0-1
     */
    public function __construct(public Lab $colour, public float $grain, public float $toothLeft)
    {
    }
}
