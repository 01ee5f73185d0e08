<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Planning\Palette\Palette;

/** The palettes table: for each size its pencils and mean dE00, and a row for each target: size,pencils,mean_dE00,id,steps,L,a,b,dE00,dL. */
final class PaletteTable
{
    /** @param  array<int, Palette>  $palettes  by size */
    public static function write(array $palettes): string
    {
        $rows = [];
        foreach ($palettes as $size => $palette) {
            $pencils = implode('|', array_map(strval(...), $palette->pencils));
            foreach ($palette->recipes as $id => $recipe) {
                $colour = $recipe->prediction->colour;
                $rows[] = [
                    $size, $pencils, sprintf('%.3f', $palette->meanDifference), $id, (string) $recipe->stack,
                    sprintf('%.3f', $colour->L), sprintf('%.3f', $colour->a), sprintf('%.3f', $colour->b),
                    sprintf('%.3f', $recipe->difference->dE00), sprintf('%.3f', $recipe->difference->dL),
                ];
            }
        }

        return Csv::write(['size', 'pencils', 'mean_dE00', 'id', 'steps', 'L', 'a', 'b', 'dE00', 'dL'], $rows);
    }
}
