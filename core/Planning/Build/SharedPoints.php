<?php

declare(strict_types=1);

namespace Prism\Planning\Build;

use Prism\Matching\Recipe;

/** The lines of a picture, drawn with as few points as do for them: each taken up once, when all beside them is done. */
final class SharedPoints
{
    /** A line gives up no more than this for it, dE00; it is thin. */
    private const MOST_FURTHER = 3.0;

    /**
     * @param  list<non-empty-list<Recipe>>  $recipes  of each line, of one layer each, best first
     * @return list<int> which recipe each takes
     */
    public static function of(array $recipes): array
    {
        $serves = [];
        foreach ($recipes as $line => $of) {
            foreach ($of as $i => $recipe) {
                $tool = self::toolOf($recipe);
                if ($recipe->difference->dE00 <= $of[0]->difference->dE00 + self::MOST_FURTHER && ! isset($serves[$tool][$line])) {
                    $serves[$tool][$line] = $i;
                }
            }
        }
        $taken = [];
        while (count($taken) < count($recipes)) {
            $left = array_map(static fn (array $lines): array => array_diff_key($lines, $taken), $serves);
            // Of points that draw as many, the one that draws them best.
            uasort($left, static fn (array $a, array $b): int => [count($b), array_sum($a)] <=> [count($a), array_sum($b)]);
            $taken += $left[array_key_first($left)];
        }
        ksort($taken);

        return array_values($taken);
    }

    /** Lines left bare go together too. */
    private static function toolOf(Recipe $recipe): string
    {
        return (string) ($recipe->stack->steps[0]->pencil ?? '');
    }
}
