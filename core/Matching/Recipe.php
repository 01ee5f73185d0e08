<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Colour\Difference;
use Prism\Layering\Prediction;
use Prism\Layering\Stack;

/** A stack with what it will look like, and how that compares with the target. */
final readonly class Recipe
{
    /**
     * @param  ?int  $underlayer  index of the step that is laid first, lightly, in another hue; null if there is none
     * @param  list<Warning>  $warnings
     * @param  float  $cost  what the search made least: the miss in dE00 and the small costs
     */
    public function __construct(
        public Stack $stack,
        public Prediction $prediction,
        public Difference $difference,
        public ?int $underlayer,
        public array $warnings,
        public float $cost,
    ) {
    }
}
