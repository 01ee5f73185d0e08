<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Matching\Search\Correction;

/** The corrections table: id,steps,L,a,b,dE00,dL,tooth_left,words; empty steps: leave it. Colour and differences are what will be. */
final class CorrectionTable
{
    /** @param  array<string, Correction>  $corrections  by id */
    public static function write(array $corrections): string
    {
        $rows = [];
        foreach ($corrections as $id => $correction) {
            $seen = $correction->isLeave() ? $correction->before : $correction->after->colour;
            $rows[] = [
                $id, (string) $correction->steps,
                sprintf('%.3f', $seen->L), sprintf('%.3f', $seen->a), sprintf('%.3f', $seen->b),
                sprintf('%.3f', $correction->difference->dE00), sprintf('%.3f', $correction->difference->dL),
                sprintf('%.4f', $correction->after->toothLeft), $correction->words(),
            ];
        }

        return Csv::write(['id', 'steps', 'L', 'a', 'b', 'dE00', 'dL', 'tooth_left', 'words'], $rows);
    }
}
