<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Layering\Prediction;
use Prism\Layering\Stack;

/** The predictions table: id,steps,L,a,b,tooth_left,sigma. */
final class PredictionTable
{
    /** @param  iterable<array{id: string, stack: Stack, prediction: Prediction}>  $predictions */
    public static function write(iterable $predictions): string
    {
        $rows = [];
        foreach ($predictions as ['id' => $id, 'stack' => $stack, 'prediction' => $prediction]) {
            $rows[] = [
                $id,
                (string) $stack,
                sprintf('%.3f', $prediction->colour->L),
                sprintf('%.3f', $prediction->colour->a),
                sprintf('%.3f', $prediction->colour->b),
                sprintf('%.4f', $prediction->toothLeft),
                sprintf('%.3f', $prediction->sigma),
            ];
        }

        return Csv::write(['id', 'steps', 'L', 'a', 'b', 'tooth_left', 'sigma'], $rows);
    }
}
