<?php

declare(strict_types=1);

namespace Prism\Planning\Palette;

use Prism\Matching\Recipe;
use Prism\Materials\PencilId;
use Prism\Planning\Build\Apart;

/** A few pencils that serve all targets together, and what they give for each. */
final readonly class Palette
{
    /**
     * @param  list<PencilId>  $pencils  in box order
     * @param  array<string, Recipe>  $recipes  by target
     * @param  float  $meanDifference  dE00, weighted as the targets are
     * @param  float  $separate  what it would be if each colour had the recipe that is best for it alone, whatever turns that takes
     * @param  array<string, float>  $losses  by pencil: what the targets would cost more without it, in dE00, weighted likewise
     * @param  array<string, Apart>  $apart  by target, why it does not stand on the base of its zone; none for those that do
     */
    public function __construct(public array $pencils, public array $recipes, public float $meanDifference, public float $separate, public array $losses = [], public array $apart = [])
    {
    }

    /**
     * The same pencils with other recipes for some colours.
     *
     * @param  array<string, Recipe>  $recipes  by target, of all
     */
    public function laidBy(array $recipes, float $meanDifference): self
    {
        $same = array_filter(array_keys($this->apart), fn (string $id): bool => ($recipes[$id] ?? null) === ($this->recipes[$id] ?? null));

        return new self($this->pencils, $recipes, $meanDifference, $this->separate, $this->losses, array_intersect_key($this->apart, array_flip($same)));
    }
}
