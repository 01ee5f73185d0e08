<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Calibration\Swatch;
use Prism\Colour\Lab;
use Prism\Layering\NotationError;
use Prism\Layering\Stack;
use Prism\Materials\Kit;

/**
 * The swatches table: id,paper,steps and L,a,b or R380...R730. Also read without colours, as a list of stacks.
 */
final class SwatchTable
{
    /**
     * @return list<Swatch>
     *
     * @throws TableRefused with every bad row
     */
    public static function read(string $text, Kit $kit): array
    {
        $csv = Csv::parse($text, ['id', 'paper', 'steps']);
        $spectral = $csv->has(...RowReader::spectrumColumns());
        $reader = new RowReader;
        $swatches = [];
        foreach (self::stacksOf($csv, $reader, $kit) as $row => $stack) {
            $cells = $csv->rows[$row];
            $colour = $spectral ? $reader->spectrum($row, $cells)?->toLab() : $reader->lab($row, $cells);
            if ($colour instanceof Lab) {
                $swatches[] = new Swatch($cells['id'], $cells['paper'], $stack, $colour);
            }
        }
        $reader->finish();

        return $swatches;
    }

    /**
     * Only the stacks of the table; colour columns are ignored.
     *
     * @return list<array{id: string, paper: string, stack: Stack}>
     *
     * @throws TableRefused with every bad row
     */
    public static function readStacks(string $text, Kit $kit): array
    {
        $csv = Csv::parse($text, ['id', 'steps']);
        $reader = new RowReader;
        $stacks = [];
        foreach (self::stacksOf($csv, $reader, $kit) as $row => $stack) {
            $stacks[] = ['id' => $csv->rows[$row]['id'], 'paper' => $csv->rows[$row]['paper'] ?? '', 'stack' => $stack];
        }
        $reader->finish();

        return $stacks;
    }

    /** @return array<int, Stack> by row */
    private static function stacksOf(Csv $csv, RowReader $reader, Kit $kit): array
    {
        $stacks = [];
        foreach ($csv->rows as $row => $cells) {
            try {
                $stack = Stack::parse($cells['steps']);
            } catch (NotationError $refusal) {
                $reader->refuse($row, 'steps', $cells['steps'], $refusal->getMessage());

                continue;
            }
            foreach ($stack->pencils() as $pencil) {
                if (! $kit->has($pencil)) {
                    $reader->refuse($row, 'steps', $cells['steps'], sprintf('Pencil %s is not in the pencil table.', $pencil));

                    continue 2;
                }
            }
            $stacks[$row] = $stack;
        }

        return $stacks;
    }
}
