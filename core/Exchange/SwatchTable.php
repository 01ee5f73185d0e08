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
        return array_map(static fn (SwatchEntry $entry): Swatch => $entry->swatch, array_values(self::entries($text, $kit)));
    }

    /** @param  iterable<SwatchEntry>  $entries */
    public static function write(iterable $entries): string
    {
        $rows = [];
        foreach ($entries as $entry) {
            $swatch = $entry->swatch;
            $rows[] = [$swatch->id, $swatch->paper, (string) $swatch->stack, round($swatch->colour->L, 3), round($swatch->colour->a, 3), round($swatch->colour->b, 3), $entry->note, (string) $entry->measuredAt, $entry->source];
        }

        return Csv::write(['id', 'paper', 'steps', 'L', 'a', 'b', 'note', 'measured_at', 'source'], $rows);
    }

    /**
     * @param  ?list<string>  $papers  those that are known; any if null
     * @param  ?string  $on  the paper of all rows, whatever the table says
     * @return array<int, SwatchEntry> by row
     *
     * @throws TableRefused with every bad row
     */
    public static function entries(string $text, Kit $kit, ?array $papers = null, ?string $on = null): array
    {
        $csv = Csv::parse($text, ['id', 'paper', 'steps']);
        $spectral = $csv->has(...RowReader::spectrumColumns());
        $reader = new RowReader;
        $entries = [];
        foreach (self::stacksOf($csv, $reader, $kit) as $row => $stack) {
            $cells = $csv->rows[$row];
            $colour = $spectral ? $reader->spectrum($row, $cells)?->toLab() : $reader->lab($row, $cells);
            $paper = $on ?? $cells['paper'];
            if ($papers !== null && ! in_array($paper, $papers, true)) {
                $reader->refuse($row, 'paper', $cells['paper'], sprintf('There is no such paper here; write %s, or choose one for all rows.', implode(', ', $papers)));
            }
            $measuredAt = $cells['measured_at'] ?? '';
            if ($measuredAt !== '' && strtotime($measuredAt) === false) {
                $reader->refuse($row, 'measured_at', $measuredAt, 'Write a date such as 2026-11-24.');
            }
            if ($colour instanceof Lab) {
                $entries[$row] = new SwatchEntry(new Swatch($cells['id'], $paper, $stack, $colour), $cells['note'] ?? '', $measuredAt === '' ? null : $measuredAt, $cells['source'] ?? '');
            }
        }
        $reader->finish();

        return $entries;
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
