<?php

declare(strict_types=1);

namespace Prism\Matching;

/** Three neighbouring hues as light, middle and dark of one form, that shade into one another with hardly any blending. */
final readonly class Trio
{
    /**
     * @param  array{light: Recipe, middle: Recipe, dark: Recipe}  $recipes  each of the three pencils alone, or of two of them
     * @param  array{light: string, middle: string, dark: string}  $pencils  RANGE:NUMBER
     * @param  float  $further  mean dE00 further from the targets than what is found without this condition
     */
    public function __construct(public array $pencils, public array $recipes, public float $further)
    {
    }
}
