<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Colour\InvalidColour;
use Prism\Colour\Lab;

/** The targets table: id and L,a,b or hex. */
final class TargetTable
{
    /**
     * @return array<string, Lab> by id
     *
     * @throws TableRefused with every bad row
     */
    public static function read(string $text): array
    {
        $csv = Csv::parse($text, ['id']);
        if (! $csv->has('L', 'a', 'b') && ! $csv->has('hex')) {
            throw new TableRefused([new RowError(1, 'L,a,b', implode(',', $csv->columns), 'The table needs the columns L,a,b or the column hex.')]);
        }
        $reader = new RowReader;
        $targets = [];
        foreach ($csv->rows as $row => $cells) {
            if (isset($targets[$cells['id']])) {
                $reader->refuse($row, 'id', $cells['id'], 'This id is in the table already.');

                continue;
            }
            $colour = $csv->has('L', 'a', 'b') ? $reader->lab($row, $cells) : self::hex($reader, $row, $cells);
            if ($colour !== null) {
                $targets[$cells['id']] = $colour;
            }
        }
        $reader->finish();

        return $targets;
    }

    /** @param  array<string, string>  $cells */
    private static function hex(RowReader $reader, int $row, array $cells): ?Lab
    {
        try {
            return Lab::fromHex($cells['hex']);
        } catch (InvalidColour $refusal) {
            $reader->refuse($row, 'hex', $cells['hex'], $refusal->getMessage());

            return null;
        }
    }
}
