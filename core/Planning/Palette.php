<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Matching\Recipe;
use Prism\Materials\PencilId;

/** A few pencils that serve all targets together, and what they give for each. */
final readonly class Palette
{
    /**
     * @param  list<PencilId>  $pencils  in box order
     * @param  array<string, Recipe>  $recipes  by target
     * @param  float  $meanDifference  dE00, weighted as the targets are
     */
    public function __construct(public array $pencils, public array $recipes, public float $meanDifference)
    {
    }
}
