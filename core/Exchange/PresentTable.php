<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Colour\InvalidColour;
use Prism\Colour\Lab;
use Prism\Layering\NotationError;
use Prism\Layering\Stack;
use Prism\Materials\Kit;

/** The present table: what is believed to lie in a place, what is seen there, and what it should be. `id,steps,L,a,b,target_L,target_a,target_b`. */
final class PresentTable
{
    /**
     * @return array<string, PresentEntry> by id
     *
     * @throws TableRefused with every bad row
     */
    public static function read(string $text, Kit $kit): array
    {
        $csv = Csv::parse($text, ['id', 'steps', 'L', 'a', 'b', 'target_L', 'target_a', 'target_b']);
        $reader = new RowReader;
        $entries = [];
        foreach ($csv->rows as $row => $cells) {
            if (isset($entries[$cells['id']])) {
                $reader->refuse($row, 'id', $cells['id'], 'This id is in the table already.');

                continue;
            }
            $stack = self::stack($reader, $row, $cells['steps'], $kit);
            $seen = $reader->lab($row, $cells);
            $target = self::target($reader, $row, $cells);
            if ($stack !== null && $seen !== null && $target !== null) {
                $entries[$cells['id']] = new PresentEntry($stack, $seen, $target);
            }
        }
        $reader->finish();

        return $entries;
    }

    private static function stack(RowReader $reader, int $row, string $steps, Kit $kit): ?Stack
    {
        try {
            $stack = Stack::parse($steps);
        } catch (NotationError $refusal) {
            $reader->refuse($row, 'steps', $steps, $refusal->getMessage());

            return null;
        }
        foreach ($stack->pencils() as $pencil) {
            if (! $kit->has($pencil)) {
                $reader->refuse($row, 'steps', (string) $pencil, 'This pencil is not in the pencil table.');

                return null;
            }
        }

        return $stack;
    }

    /** @param  array<string, string>  $cells */
    private static function target(RowReader $reader, int $row, array $cells): ?Lab
    {
        $values = [];
        foreach (['target_L', 'target_a', 'target_b'] as $column) {
            if (! is_numeric($cells[$column])) {
                $reader->refuse($row, $column, $cells[$column], 'This is not a number.');

                return null;
            }
            $values[] = (float) $cells[$column];
        }
        try {
            return Lab::of(...$values);
        } catch (InvalidColour $refusal) {
            $reader->refuse($row, 'target_L,target_a,target_b', implode(',', $values), $refusal->getMessage());

            return null;
        }
    }
}
