<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Colour\InvalidColour;
use Prism\Colour\Lab;
use Prism\Colour\Spectrum;
use Prism\Materials\Binder;
use Prism\Materials\Core;
use Prism\Materials\InvalidMaterial;
use Prism\Materials\Kit;
use Prism\Materials\Opacity;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;
use Prism\Materials\Status;

/**
 * The pencils table: range,number,name,binder, and optionally aliases, status, replaced_by, opacity, lightfastness, core, stains and a
 * measured heavy coat as R380...R730, L,a,b or hex. A successor without a range is of the same one. Columns may be called otherwise where
 * that leaves no doubt.
 */
final readonly class PencilTable
{
    private const REQUIRED = ['range', 'number', 'name', 'binder'];

    /** What else its columns are called, in small letters. */
    private const CALLED = [
        'range' => ['series', 'line', 'set'], 'number' => ['no', 'no.', 'nr', 'nr.', 'num', 'colour number', 'color number', 'pencil'],
        'name' => ['colour name', 'color name', 'title'], 'binder' => ['type', 'medium', 'wax or oil'],
        'aliases' => ['former names', 'old names', 'also'], 'status' => [], 'replaced_by' => ['replaced by', 'successor'], 'opacity' => [],
        'lightfastness' => ['lightfast', 'light fastness'], 'core' => ['hardness'], 'stains' => ['staining'],
        'L' => ['l*', 'lab l'], 'a' => ['a*', 'lab a'], 'b' => ['b*', 'lab b'], 'hex' => ['colour', 'color', 'rgb', 'hex code', 'hex colour', 'hex color'],
    ];

    /**
     * @param  array<string, PencilEntry>  $entries  by RANGE:NUMBER
     * @param  array<int, string>  $rows  RANGE:NUMBER by row of the table
     * @param  list<string>  $unread  columns that mean nothing here
     */
    private function __construct(public Kit $kit, public array $entries, public array $rows, public array $unread)
    {
    }

    /**
     * What each column of a table is taken for, and which are needed and not there.
     *
     * @return array{columns: list<array{header: string, means: ?string}>, missing: list<string>}
     */
    public static function columns(string $text, ColumnChoice $choice = new ColumnChoice): array
    {
        $header = Csv::header($text);
        $known = [...array_keys(self::CALLED), ...RowReader::spectrumColumns()];
        $columns = [];
        foreach (Csv::named($header, self::CALLED, $choice->means) as $at => $name) {
            $columns[] = ['header' => $header[$at], 'means' => in_array($name, $known, true) ? $name : null];
        }

        return ['columns' => $columns, 'missing' => array_values(array_diff(self::REQUIRED, array_column($columns, 'means'), array_keys($choice->all)))];
    }

    /** @return list<string> what a column may mean, but for those of a spectrum */
    public static function names(): array
    {
        return array_keys(self::CALLED);
    }

    /** @param  iterable<PencilEntry>  $entries */
    public static function write(iterable $entries): string
    {
        $rows = [];
        $spectral = false;
        foreach ($entries as $entry) {
            $spectral = $spectral || $entry->spectrum !== null;
            $rows[] = $entry;
        }
        $columns = [...self::REQUIRED, 'aliases', 'status', 'replaced_by', 'opacity', 'lightfastness', 'core', 'stains', 'L', 'a', 'b', ...($spectral ? RowReader::spectrumColumns() : [])];

        return Csv::write($columns, array_map(static function (PencilEntry $entry) use ($spectral): array {
            $pencil = $entry->pencil;
            $colour = $pencil->fullCoat;

            return [
                $pencil->id->range, $pencil->id->number, $pencil->name, $pencil->binder->value,
                implode('|', $entry->aliases), $entry->status->value, (string) $entry->replacedBy, $pencil->opacity->value, (string) $pencil->lightfastness, $pencil->core->value ?? '', $pencil->stains ? 'yes' : '',
                ...($colour === null ? ['', '', ''] : [round($colour->L, 3), round($colour->a, 3), round($colour->b, 3)]),
                ...($spectral ? ($entry->spectrum?->samples() ?? array_fill(0, count(RowReader::spectrumColumns()), '')) : []),
            ];
        }, $rows));
    }

    /**
     * @param  ?\Closure(PencilEntry): ?array{string, string}  $refuses  the column of a row that is not wanted, and what would be right
     *
     * @throws TableRefused with every bad row
     */
    public static function read(string $text, ?\Closure $refuses = null, ColumnChoice $choice = new ColumnChoice): self
    {
        $csv = Csv::parse($text, self::REQUIRED, self::CALLED, $choice);
        $reader = new RowReader;
        $entries = $rows = [];
        foreach ($csv->rows as $row => $cells) {
            $entry = self::entry($csv, $reader, $row, $cells);
            if ($entry === null) {
                continue;
            }
            $id = (string) $entry->pencil->id;
            if (isset($entries[$id])) {
                $reader->refuse($row, 'number', $cells['number'], sprintf('Pencil %s is in the table already; each may stand there once.', $id));

                continue;
            }
            $wrong = $refuses === null ? null : $refuses($entry);
            if ($wrong !== null) {
                $reader->refuse($row, $wrong[0], $cells[$wrong[0]] ?? $id, $wrong[1]);
            }
            $entries[$id] = $entry;
            $rows[$row] = $id;
        }
        $reader->finish();

        return new self(Kit::of(array_map(static fn (PencilEntry $entry): Pencil => $entry->pencil, $entries)), $entries, $rows, array_values(array_filter(array_diff($csv->columns, array_keys(self::CALLED), RowReader::spectrumColumns()), static fn (string $column): bool => $column !== '')));
    }

    /** @param  array<string, string>  $cells */
    private static function entry(Csv $csv, RowReader $reader, int $row, array $cells): ?PencilEntry
    {
        $id = self::id($reader, $row, 'number', $cells['range'].':'.$cells['number']);
        if (mb_strlen($cells['name']) > Pencil::NAME_LETTERS) {
            $reader->refuse($row, 'name', $cells['name'], sprintf('Write a name of at most %d letters.', Pencil::NAME_LETTERS));
        }
        $binder = Binder::tryFrom(strtolower($cells['binder']));
        if ($binder === null) {
            $reader->refuse($row, 'binder', $cells['binder'], 'Write wax or oil.');
        }
        $opacity = ($cells['opacity'] ?? '') === '' ? Opacity::Semi : Opacity::tryFrom(strtolower($cells['opacity']));
        if ($opacity === null) {
            $reader->refuse($row, 'opacity', $cells['opacity'], 'Write transparent, semi or opaque.');
        }
        $status = ($cells['status'] ?? '') === '' ? Status::Current : Status::tryFrom(strtolower($cells['status']));
        if ($status === null) {
            $reader->refuse($row, 'status', $cells['status'], 'Write current, renamed, discontinued or replaced.');
        }
        $replacedBy = ($cells['replaced_by'] ?? '') === '' ? null : self::id($reader, $row, 'replaced_by', str_contains($cells['replaced_by'], ':') ? $cells['replaced_by'] : $cells['range'].':'.$cells['replaced_by']);
        $lightfastness = ($cells['lightfastness'] ?? '') === '' ? null : strtoupper($cells['lightfastness']);
        if ($lightfastness !== null && ! in_array($lightfastness, Pencil::LIGHTFASTNESS, true)) {
            $reader->refuse($row, 'lightfastness', $cells['lightfastness'], 'Write I, II, III, IV or V.');
        }
        $core = Core::tryFrom(strtolower($cells['core'] ?? ''));
        if ($core === null && ($cells['core'] ?? '') !== '') {
            $reader->refuse($row, 'core', $cells['core'], 'Write hard or soft, or leave it empty.');
        }
        $stains = strtolower($cells['stains'] ?? '');
        if (! in_array($stains, ['', 'yes', 'no'], true)) {
            $reader->refuse($row, 'stains', $cells['stains'] ?? '', 'Write yes or no, or leave it empty.');
        }
        [$lab, $spectrum] = self::colour($csv, $reader, $row, $cells);
        if ($id === null || $binder === null || $opacity === null || $status === null) {
            return null;
        }

        return new PencilEntry(
            new Pencil($id, $cells['name'], $binder, $opacity, $lightfastness, $lab, $spectrum?->bands(), $core, $stains === 'yes'),
            array_values(array_filter(array_map(trim(...), explode('|', $cells['aliases'] ?? '')), static fn (string $alias): bool => $alias !== '')),
            $status,
            $replacedBy,
            $spectrum,
        );
    }

    private static function id(RowReader $reader, int $row, string $column, string $id): ?PencilId
    {
        try {
            return PencilId::of($id);
        } catch (InvalidMaterial $refusal) {
            $reader->refuse($row, $column, $id, $refusal->getMessage());

            return null;
        }
    }

    /**
     * @param  array<string, string>  $cells
     * @return array{?Lab, ?Spectrum}
     */
    private static function colour(Csv $csv, RowReader $reader, int $row, array $cells): array
    {
        if ($csv->has(...RowReader::spectrumColumns()) && ($cells['R380'] ?? '') !== '') {
            $spectrum = $reader->spectrum($row, $cells);

            return [$spectrum?->toLab(), $spectrum];
        }
        if ($csv->has('L', 'a', 'b') && $cells['L'] !== '') {
            return [$reader->lab($row, $cells), null];
        }
        if (($cells['hex'] ?? '') !== '') {
            try {
                return [Lab::fromHex($cells['hex']), null];
            } catch (InvalidColour $refusal) {
                $reader->refuse($row, 'hex', $cells['hex'], $refusal->getMessage());
            }
        }

        return [null, null];
    }
}
