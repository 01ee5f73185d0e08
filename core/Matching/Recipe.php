<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Colour\Words\Difference;
use Prism\Layering\Prediction;
use Prism\Layering\Stack;
use Prism\Matching\Advice\Cure;
use Prism\Matching\Advice\Warning;

/** A stack with what it will look like, and how that compares with the target. */
final readonly class Recipe
{
    /**
     * @param  ?int  $underlayer  index of the step that is laid first, lightly, in another hue; null if there is none
     * @param  list<Warning>  $warnings  worst first
     * @param  float  $cost  what the search made least: the miss in dE00 and the small costs
     * @param  array<string, Cure>  $cures  what avoids a warning, by its code; none where nothing that was found does
     * @param  ?BrokenRule  $breaks  the rule of the artist's schools that it breaks; null for an obedient one
     */
    public function __construct(
        public Stack $stack,
        public Prediction $prediction,
        public Difference $difference,
        public ?int $underlayer,
        public array $warnings,
        public float $cost,
        public ?BrokenRule $breaks = null,
        public array $cures = [],
    ) {
    }

    public function breaking(BrokenRule $rule): self
    {
        return new self($this->stack, $this->prediction, $this->difference, $this->underlayer, $this->warnings, $this->cost, $rule, $this->cures);
    }

    /**
     * With what avoids its warnings, out of others for the same target.
     *
     * @param  list<self>  $others
     */
    public function cured(array $others): self
    {
        $cures = [];
        foreach (array_slice($this->warnings, 0, Warning::SHOWN) as $warning) {
            $cures[$warning->value] = Cure::of($this, $warning, $others);
        }

        return new self($this->stack, $this->prediction, $this->difference, $this->underlayer, $this->warnings, $this->cost, $this->breaks, array_filter($cures));
    }
}
