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
     * @param  float  $separate  what it would be if each colour had the recipe that is best for it alone, whatever turns that takes
     * @param  array<string, float>  $losses  by pencil: what the targets would cost more without it, in dE00, weighted likewise
     */
    public function __construct(public array $pencils, public array $recipes, public float $meanDifference, public float $separate, public array $losses = [])
    {
    }
}
