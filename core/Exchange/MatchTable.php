<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Matching\Advice\Warning;
use Prism\Matching\Recipe;

/** The matches table: id,rank,steps,L,a,b,dE00,dL,tooth_left,warnings. */
final class MatchTable
{
    /** @param  array<string, list<Recipe>>  $matches best first, by target id */
    public static function write(array $matches): string
    {
        $rows = [];
        foreach ($matches as $id => $recipes) {
            foreach ($recipes as $rank => $recipe) {
                $rows[] = [
                    $id,
                    $rank + 1,
                    (string) $recipe->stack,
                    sprintf('%.3f', $recipe->prediction->colour->L),
                    sprintf('%.3f', $recipe->prediction->colour->a),
                    sprintf('%.3f', $recipe->prediction->colour->b),
                    sprintf('%.3f', $recipe->difference->dE00),
                    sprintf('%.3f', $recipe->difference->dL),
                    sprintf('%.4f', $recipe->prediction->toothLeft),
                    implode('|', [...array_map(static fn (Warning $warning): string => $warning->value, $recipe->warnings), ...($recipe->breaks === null ? [] : ['only_'.$recipe->breaks->code])]),
                ];
            }
        }

        return Csv::write(['id', 'rank', 'steps', 'L', 'a', 'b', 'dE00', 'dL', 'tooth_left', 'warnings'], $rows);
    }
}
