<?php

declare(strict_types=1);

namespace Prism\Planning\Build;

use Prism\Layering\Step;
use Prism\Matching\Manner;
use Prism\Matching\Recipe;

/**
 * The colours of one zone built together: of the recipes that each could have, those that share what lies below and go to as
 * few turns as they can, as long as that costs little.
 */
final class ZoneBuild
{
    /** What a pencil in the hand costs a zone, in dE00 of its mean; a first coat of its own, which is no common base; and a layer of each colour. */
    private const TOOL = 0.8;

    private const BASE = 0.5;

    private const LAYER = 0.1;

    /** A colour gives up no more than this for the others, of the search's cost in dE00, which is some more than its colour loses: else it has a base of its own. */
    private const MOST_LOSS = 2.0;

    /** Nor does it come out further from its target by more than this, dE00: else it has a base of its own. */
    private const MOST_FURTHER = 3.0;

    /** Builds that are carried on while the colours are gone through. */
    private const WIDTH = 60;

    /**
     * @param  list<non-empty-list<Recipe>>  $recipes  of each colour, the one that costs least first
     * @param  list<float>  $weights  what each colour counts
     * @param  \Closure(int, int): bool  $parted  whether the photo parts two of them, so that one recipe is not the answer to both
     * @param  float  $sharing  what sharing counts, 0-1: 0 leaves each colour the recipe that is best for it, if the photo does not part it from another
     * @return list<int> which recipe each takes
     */
    public static function of(array $recipes, array $weights, \Closure $parted, float $sharing = 1.0): array
    {
        if (count($recipes) === 1) {
            // With nobody to share with it has what is best for it.
            return [0];
        }
        $all = max(1e-9, array_sum($weights));
        // What is surest stands first, and the others lean on it.
        $order = array_keys($recipes);
        usort($order, static fn (int $a, int $b): int => $weights[$b] <=> $weights[$a]);
        $beam = [['taken' => [], 'tools' => [], 'bases' => [], 'cost' => 0.0]];
        foreach ($order as $at) {
            $next = [];
            $least = $recipes[$at][0]->cost;
            $nearest = $recipes[$at][0]->difference->dE00;
            // A shadow that is laid over its complement keeps it.
            $under = self::under($recipes[$at][0]);
            foreach ($beam as $build) {
                $found = 0;
                foreach ($recipes[$at] as $i => $recipe) {
                    $loss = $recipe->cost - $least;
                    if ($under !== null && self::under($recipe) !== $under && $found > 0) {
                        continue;
                    }
                    // Dear ones only where it could have no other, the nearer being its neighbour's.
                    if (($loss > self::MOST_LOSS || $recipe->difference->dE00 > $nearest + self::MOST_FURTHER) && $found > 0 || self::isTaken($recipe, $build['taken'], $recipes, $at, $parted)) {
                        continue;
                    }
                    $found++;
                    $tools = $build['tools'];
                    foreach ($recipe->stack->steps as $step) {
                        $tools[self::tool($step)] = true;
                    }
                    $bases = $build['bases'];
                    $first = $recipe->stack->steps[0]->pencil ?? null;
                    if ($first !== null) {
                        $bases[(string) $first] = true;
                    }
                    $cost = $build['cost'] + $weights[$at] / $all * $loss + $sharing * (self::TOOL * (count($tools) - count($build['tools'])) + self::BASE * (count($bases) - count($build['bases']))
                        + self::LAYER * count($recipe->stack) / count($recipes));
                    $next[] = ['taken' => $build['taken'] + [$at => $i], 'tools' => $tools, 'bases' => $bases, 'cost' => $cost];
                }
            }
            if ($next === []) {
                // All it could have are taken: then two are drawn alike.
                $next = array_map(static fn (array $build): array => ['taken' => $build['taken'] + [$at => 0]] + $build, $beam);
            }
            usort($next, static fn (array $a, array $b): int => $a['cost'] <=> $b['cost']);
            $beam = array_slice($next, 0, self::WIDTH);
        }
        $taken = $beam[0]['taken'];
        ksort($taken);

        return array_values($taken);
    }

    /**
     * @param  array<int, int>  $taken
     * @param  list<non-empty-list<Recipe>>  $recipes
     * @param  \Closure(int, int): bool  $parted
     */
    private static function isTaken(Recipe $recipe, array $taken, array $recipes, int $at, \Closure $parted): bool
    {
        foreach ($taken as $other => $i) {
            if ((string) $recipes[$other][$i]->stack === (string) $recipe->stack && $parted($at, $other)) {
                return true;
            }
        }

        return false;
    }

    /** The pencil that is laid first, lightly, in another hue; null if there is none. */
    private static function under(Recipe $recipe): ?string
    {
        return $recipe->underlayer === null ? null : (string) $recipe->stack->steps[$recipe->underlayer]->pencil;
    }

    private static function tool(Step $step): string
    {
        return $step->pencil === null ? $step->kind->value : $step->pencil.($step->pressurePercent > Manner::FIRM_PERCENT ? ' firm' : '');
    }
}
