<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Colour\Lab;
use Prism\Materials\Binder;
use Prism\Materials\InvalidMaterial;
use Prism\Materials\Kit;
use Prism\Materials\Opacity;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;

/**
 * The pencils table: range,number,name,binder, and optionally aliases, status, replaced_by, opacity, lightfastness and a
 * measured heavy coat as L,a,b or R380...R730.
 */
final readonly class PencilTable
{
    private const REQUIRED = ['range', 'number', 'name', 'binder'];

    private const LIGHTFASTNESS = ['I', 'II', 'III', 'IV', 'V'];

    /** @param  array<string, list<string>>  $aliases former names by RANGE:NUMBER */
    private function __construct(public Kit $kit, public array $aliases)
    {
    }

    /** @throws TableRefused with every bad row */
    public static function read(string $text): self
    {
        $csv = Csv::parse($text, self::REQUIRED);
        $reader = new RowReader;
        $pencils = [];
        $aliases = [];
        foreach ($csv->rows as $row => $cells) {
            $pencil = self::pencil($csv, $reader, $row, $cells);
            if ($pencil === null) {
                continue;
            }
            $id = (string) $pencil->id;
            if (isset($pencils[$id])) {
                $reader->refuse($row, 'number', $cells['number'], sprintf('Pencil %s is in the table already; each may stand there once.', $id));

                continue;
            }
            $pencils[$id] = $pencil;
            $aliases[$id] = array_values(array_filter(array_map(trim(...), explode('|', $cells['aliases'] ?? ''))));
        }
        $reader->finish();

        return new self(Kit::of($pencils), $aliases);
    }

    /** @param  array<string, string>  $cells */
    private static function pencil(Csv $csv, RowReader $reader, int $row, array $cells): ?Pencil
    {
        try {
            $id = PencilId::of($cells['range'].':'.$cells['number']);
        } catch (InvalidMaterial $refusal) {
            $reader->refuse($row, 'number', $cells['range'].':'.$cells['number'], $refusal->getMessage());

            return null;
        }
        $binder = Binder::tryFrom(strtolower($cells['binder']));
        if ($binder === null) {
            $reader->refuse($row, 'binder', $cells['binder'], 'Write wax or oil.');
        }
        $opacity = ($cells['opacity'] ?? '') === '' ? Opacity::Semi : Opacity::tryFrom(strtolower($cells['opacity']));
        if ($opacity === null) {
            $reader->refuse($row, 'opacity', $cells['opacity'], 'Write transparent, semi or opaque.');
        }
        $lightfastness = ($cells['lightfastness'] ?? '') === '' ? null : strtoupper($cells['lightfastness']);
        if ($lightfastness !== null && ! in_array($lightfastness, self::LIGHTFASTNESS, true)) {
            $reader->refuse($row, 'lightfastness', $cells['lightfastness'], 'Write I, II, III, IV or V.');
        }
        if ($binder === null || $opacity === null) {
            return null;
        }
        [$lab, $bands] = self::colour($csv, $reader, $row, $cells);

        return new Pencil($id, $cells['name'], $binder, $opacity, $lightfastness, $lab, $bands);
    }

    /**
     * @param  array<string, string>  $cells
     * @return array{?Lab, ?array<int, float>}
     */
    private static function colour(Csv $csv, RowReader $reader, int $row, array $cells): array
    {
        if ($csv->has(...RowReader::spectrumColumns()) && ($cells['R380'] ?? '') !== '') {
            $spectrum = $reader->spectrum($row, $cells);

            return [$spectrum?->toLab(), $spectrum?->bands()];
        }
        if ($csv->has('L', 'a', 'b') && $cells['L'] !== '') {
            return [$reader->lab($row, $cells), null];
        }

        return [null, null];
    }
}
