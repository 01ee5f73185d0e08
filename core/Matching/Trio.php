<?php

declare(strict_types=1);

namespace Prism\Matching;

/** Three neighbouring hues as light, middle and dark of one form, that shade into one another with hardly any blending. */
final readonly class Trio
{
    /** Nobody shades a form in other colours than its own for the sake of three pencils: so much further off, dE00, none is drawn. */
    private const FAR = 5.0;

    /**
     * @param  array{light: Recipe, middle: Recipe, dark: Recipe}  $recipes  each of the three pencils alone, or of two of them
     * @param  array{light: string, middle: string, dark: string}  $pencils  RANGE:NUMBER
     * @param  float  $further  mean dE00 further from the targets than what is found without this condition
     */
    public function __construct(public array $pencils, public array $recipes, public float $further)
    {
    }

    /** Whether it is near enough to be drawn. */
    public function isNear(): bool
    {
        return $this->further <= self::FAR;
    }
}
