<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

use Prism\Matching\Sketch;

/** Layers and what they cost, for keeping: what is seen of them is computed again where they are used. */
final readonly class PricedSketch
{
    public function __construct(public Sketch $sketch, public float $cost)
    {
    }
}
