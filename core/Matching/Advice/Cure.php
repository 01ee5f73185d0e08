<?php

declare(strict_types=1);

namespace Prism\Matching\Advice;

use Prism\Layering\Stack;
use Prism\Matching\Recipe;
use Prism\Materials\PencilId;

/** A recipe that avoids what another is warned of, and what that costs. */
final readonly class Cure
{
    /** @param  float  $further  dE00 further from the target than the recipe that is warned of; below 0: nearer */
    private function __construct(public Stack $stack, public float $further, private string $how)
    {
    }

    /**
     * The nearest of others that is not so warned; null if each of them is.
     *
     * @param  list<Recipe>  $others
     */
    public static function of(Recipe $recipe, Warning $warning, array $others): ?self
    {
        $best = null;
        foreach ($others as $other) {
            if ($other->breaks === null && ! in_array($warning, $other->warnings, true) && ($best === null || $other->difference->dE00 < $best->difference->dE00)) {
                $best = $other;
            }
        }

        return $best === null ? null : new self($best->stack, $best->difference->dE00 - $recipe->difference->dE00, self::how($recipe, $best));
    }

    public function sentence(): string
    {
        return sprintf('%s avoids it, %s.', $this->how, match (true) {
            $this->further > 0.05 => sprintf('%.1f further off', $this->further),
            $this->further < -0.05 => sprintf('%.1f nearer', -$this->further),
            default => 'as near',
        });
    }

    private static function how(Recipe $recipe, Recipe $best): string
    {
        $numbers = static fn (Recipe $of): array => array_map(static fn (PencilId $id): string => $id->number, $of->stack->pencils());
        $in = array_diff($numbers($best), $numbers($recipe));
        $out = array_diff($numbers($recipe), $numbers($best));

        return match (true) {
            $in === [] && $out === [] => 'The same laid otherwise',
            $in === [] => 'Leaving out '.implode(' and ', $out),
            $out === [] => implode(' and ', $in).' as well',
            default => sprintf('%s in place of %s', implode(' and ', $in), implode(' and ', $out)),
        };
    }
}
