<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Colour\InvalidColour;
use Prism\Colour\Lab;
use Prism\Schools\Surface;

/** The targets table: id and L,a,b or hex; surface and role where they are known. */
final class TargetTable
{
    /**
     * @return array<string, Lab> by id
     *
     * @throws TableRefused with every bad row
     */
    public static function read(string $text): array
    {
        return array_map(static fn (TargetEntry $entry): Lab => $entry->colour, self::entries($text));
    }

    /**
     * @return array<string, TargetEntry> by id
     *
     * @throws TableRefused with every bad row
     */
    public static function entries(string $text): array
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
                $targets[$cells['id']] = new TargetEntry($colour, self::surface($reader, $row, $cells), self::role($reader, $row, $cells));
            }
        }
        $reader->finish();

        return $targets;
    }

    /** @param  array<string, string>  $cells */
    private static function surface(RowReader $reader, int $row, array $cells): ?Surface
    {
        $word = trim($cells['surface'] ?? '');
        $surface = Surface::tryFrom($word);
        if ($word !== '' && $surface === null) {
            $reader->refuse($row, 'surface', $word, sprintf('A surface is %s.', implode(', ', array_map(static fn (Surface $one): string => $one->value, Surface::cases()))));
        }

        return $surface;
    }

    /** @param  array<string, string>  $cells */
    private static function role(RowReader $reader, int $row, array $cells): string
    {
        $role = trim($cells['role'] ?? '');
        if ($role !== '' && ! in_array($role, TargetEntry::ROLES, true)) {
            $reader->refuse($row, 'role', $role, sprintf('A role is %s.', implode(', ', TargetEntry::ROLES)));
        }

        return $role;
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
