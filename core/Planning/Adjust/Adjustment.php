<?php

declare(strict_types=1);

namespace Prism\Planning\Adjust;

use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Layering\Step;

/** One layer more for the colours of a zone, and what they look like without and with it; each takes so many coats as serve it. */
final readonly class Adjustment
{
    /**
     * @param  Step  $layer  with the most coats that a colour takes
     * @param  non-empty-array<string, array{stack: Stack, before: Lab, after: Lab}>  $colours  by target
     */
    public function __construct(public string $zone, public Step $layer, public array $colours)
    {
    }
}
