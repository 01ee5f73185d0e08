<?php

declare(strict_types=1);

namespace App\Studio\Pencils;

use App\Models\Pencil as PencilModel;
use App\Models\Range;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Prism\Calibration\FullCoat;
use Prism\Colour\Spectrum;
use Prism\Exchange\ColumnChoice;
use Prism\Exchange\GplPalette;
use Prism\Exchange\NumberList;
use Prism\Exchange\PencilEntry;
use Prism\Exchange\PencilTable;
use Prism\Exchange\RowError;
use Prism\Exchange\TableRefused;
use Prism\Materials\Binder;
use Prism\Materials\Opacity;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;
use Prism\Materials\Status;

/** Pencils written down: an artist's own ranges, one by one or as files, and out again. Ranges that ship stay as they are. */
final class PencilBook
{
    public const MOST_ROWS = 10_000;

    private const ROWS_AT_ONCE = 250;

    /**
     * What a file or a list of numbers would bring.
     *
     * @param  ?string  $range  code of the range that a list of numbers is of; null: the text is a file
     * @return array{rows: list<array{row: int, entry: PencilEntry, change: string}>, new: int, changed: int, unchanged: int, columns: list<array{header: string, means: ?string}>, missing: list<string>} columns: what each is taken for; missing: which are needed before any row can be read
     *
     * @throws TableRefused with every bad row
     */
    public function preview(User $artist, string $text, Binder $binder, ?string $range = null, ColumnChoice $choice = new ColumnChoice): array
    {
        $choice = new ColumnChoice($choice->means, ['name' => '', 'binder' => $binder->value, ...$choice->all]);
        $table = $range !== null || self::isPalette($text) ? ['columns' => [], 'missing' => []] : PencilTable::columns($text, $choice);
        if ($table['missing'] !== []) {
            return ['rows' => [], 'new' => 0, 'changed' => 0, 'unchanged' => 0, ...$table];
        }
        $known = $this->known($artist);
        $refuses = static function (PencilEntry $entry) use ($known): ?array {
            $id = (string) $entry->pencil->id;

            return in_array($entry->pencil->id->range, $known['shipped'], true) && ! isset($known['same'][self::digest($entry)])
                ? ['range', sprintf('Range %s ships with the studio and stays as it is; give your own range another code.', $entry->pencil->id->range)]
                : null;
        };
        $rows = [];
        foreach ($range === null ? $this->read($text, $binder, $refuses, $choice) : $this->listed($artist, $text, $binder, $range) as [$row, $entry]) {
            $id = (string) $entry->pencil->id;
            $rows[] = ['row' => $row, 'entry' => $entry, 'change' => isset($known['same'][self::digest($entry)]) ? 'unchanged' : (isset($known['ids'][$id]) ? 'changed' : 'new')];
        }
        if (count($rows) > self::MOST_ROWS) {
            throw new TableRefused([new RowError(self::MOST_ROWS + 1, '-', count($rows).' rows', sprintf('At most %d pencils are taken in at once.', self::MOST_ROWS))]);
        }
        $counts = array_count_values(array_column($rows, 'change'));

        return ['rows' => $rows, 'new' => $counts['new'] ?? 0, 'changed' => $counts['changed'] ?? 0, 'unchanged' => $counts['unchanged'] ?? 0, ...$table];
    }

    /**
     * Takes a file in, all of it or nothing.
     *
     * @return int pencils that are new or changed
     */
    public function import(User $artist, string $text, Binder $binder, bool $intoBox, ?string $range = null, ColumnChoice $choice = new ColumnChoice): int
    {
        return DB::transaction(function () use ($artist, $text, $binder, $intoBox, $range, $choice): int {
            $ranges = $rows = $numbers = [];
            $preview = $this->preview($artist, $text, $binder, $range, $choice);
            if ($preview['missing'] !== []) {
                throw new TableRefused(array_map(static fn (string $column): RowError => new RowError(1, $column, implode(', ', array_column($preview['columns'], 'header')), 'Say which column it is.'), $preview['missing']));
            }
            foreach ($preview['rows'] as ['entry' => $entry, 'change' => $change]) {
                $numbers[$entry->pencil->id->range][] = $entry->pencil->id->number;
                if ($change !== 'unchanged') {
                    $range = $ranges[$entry->pencil->id->range] ??= $this->range($artist, $entry->pencil->id->range);
                    // As the database keeps them: many rows go in at once, past the model's casts.
                    $rows[] = ['range_id' => $range->id, 'number' => $entry->pencil->id->number, ...array_map(static fn (mixed $value): mixed => is_array($value) ? json_encode($value, JSON_THROW_ON_ERROR) : $value, self::columns($entry))];
                }
            }
            foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $chunk) {
                PencilModel::query()->upsert($chunk, ['range_id', 'number']);
            }
            if ($intoBox) {
                // Those that were known already too.
                foreach ($numbers as $code => $of) {
                    $artist->box()->syncWithoutDetaching(PencilModel::seenBy($artist)->whereRelation('range', 'code', $code)->whereIn('number', $of)->pluck('id'));
                }
            }

            return count($rows);
        });
    }

    /** Writes a pencil of an artist's own range, and the range if there is none yet. */
    public function put(User $artist, PencilEntry $entry, string $maker = '', string $name = ''): PencilModel
    {
        return $this->range($artist, $entry->pencil->id->range, $maker, $name)->pencils()->updateOrCreate(['number' => $entry->pencil->id->number], self::columns($entry));
    }

    private function range(User $artist, string $code, string $maker = '', string $name = ''): Range
    {
        return $artist->ranges()->firstOrCreate(['code' => $code], ['maker' => $maker, 'name' => $name === '' ? $code : $name]);
    }

    /** @return array<string, mixed> */
    public static function columns(PencilEntry $entry): array
    {
        $bands = FullCoat::bandsOf($entry->pencil);

        return [...self::described($entry), 'bands' => $bands === null ? null : array_map(static fn (float $value): float => round($value, 6), $bands)];
    }

    /** @return array<string, mixed> what a row says of a pencil */
    private static function described(PencilEntry $entry): array
    {
        $pencil = $entry->pencil;

        return [
            'name' => $pencil->name,
            'aliases' => $entry->aliases,
            'binder' => $pencil->binder->value,
            'opacity' => $pencil->opacity->value,
            'core' => $pencil->core?->value,
            'stains' => $pencil->stains,
            'lightfastness' => $pencil->lightfastness,
            'status' => $entry->status->value,
            'replaced_by' => $entry->replacedBy === null ? null : (string) $entry->replacedBy,
            'spectrum' => $entry->spectrum?->samples(),
            'L' => $pencil->fullCoat === null ? null : round($pencil->fullCoat->L, 3),
            'a' => $pencil->fullCoat === null ? null : round($pencil->fullCoat->a, 3),
            'b' => $pencil->fullCoat === null ? null : round($pencil->fullCoat->b, 3),
        ];
    }

    public static function entry(PencilModel $row): PencilEntry
    {
        return new PencilEntry(
            Catalogue::pencil($row),
            $row->aliases,
            Status::from($row->status),
            $row->replaced_by === null ? null : PencilId::of($row->replaced_by),
            $row->spectrum === null ? null : Spectrum::of(array_map(floatval(...), $row->spectrum)),
        );
    }

    /** @param  iterable<PencilModel>  $pencils */
    public function csv(iterable $pencils): string
    {
        return PencilTable::write(self::entries($pencils));
    }

    /** @param  iterable<PencilModel>  $pencils */
    public function gpl(string $name, iterable $pencils): string
    {
        return GplPalette::write($name, array_map(static fn (PencilEntry $entry) => $entry->pencil, self::entries($pencils)));
    }

    /**
     * @param  \Closure(PencilEntry): ?array{string, string}  $refuses
     * @return list<array{int, PencilEntry}> each with its row
     */
    private function read(string $text, Binder $binder, \Closure $refuses, ColumnChoice $choice): array
    {
        if (self::isPalette($text)) {
            $entries = GplPalette::read($text, $binder, $refuses);
        } else {
            $table = PencilTable::read($text, $refuses, $choice);
            $entries = array_map(static fn (string $id): PencilEntry => $table->entries[$id], $table->rows);
        }

        return array_map(static fn (int $row, PencilEntry $entry): array => [$row, $entry], array_keys($entries), array_values($entries));
    }

    private static function isPalette(string $text): bool
    {
        return str_starts_with(ltrim($text, "\xEF\xBB\xBF \r\n"), 'GIMP');
    }

    /**
     * The pencils that a list of numbers names. What is known of one stays; a range that ships has those that it has, one's own takes new ones.
     *
     * @return list<array{int, PencilEntry}> each with the line it stands in
     *
     * @throws TableRefused
     */
    private function listed(User $artist, string $text, Binder $binder, string $code): array
    {
        $list = NumberList::read($text);
        $range = Range::seenBy($artist)->where('code', $code)->first();
        $code = $range->code ?? $code;
        $ships = $range !== null && $range->user_id === null;
        $known = $range === null ? [] : $range->pencils()->with('range')->get()->keyBy('number')->all();
        $entries = $errors = [];
        foreach ($list->entries as ['row' => $row, 'number' => $number, 'name' => $name, 'stretch' => $isStretch]) {
            $pencil = $known[$number] ?? null;
            if ($pencil !== null) {
                $entry = self::entry($pencil);
                $entries[] = [$row, $name === '' || $ships ? $entry : $entry->called($name)];
            } elseif (! $ships) {
                $entries[] = [$row, new PencilEntry(new Pencil(PencilId::of("$code:$number"), $name, $binder, Opacity::Semi), [], Status::Current, null, null)];
            } elseif (! $isStretch) {
                $errors[] = new RowError($row, 'number', $number, sprintf('%s has no pencil %s.%s', $code, $number, self::former($known, $number)));
            }
        }
        if ($errors === [] && $entries === []) {
            $errors[] = new RowError(1, 'number', trim($text), sprintf('%s has no pencils with these numbers.', $code));
        }

        return $errors === [] ? $entries : throw new TableRefused($errors);
    }

    /** @param  array<int|string, PencilModel>  $known */
    private static function former(array $known, string $number): string
    {
        $now = array_filter($known, static fn (PencilModel $pencil): bool => in_array($number, $pencil->aliases, true));

        return $now === [] ? '' : sprintf(' That was the number of %s.', implode(' and ', array_map(static fn (PencilModel $pencil): string => "$pencil->number $pencil->name", $now)));
    }

    /** @return array{shipped: list<string>, ids: array<string, true>, same: array<string, true>} */
    private function known(User $artist): array
    {
        $ids = $same = [];
        foreach (PencilModel::seenBy($artist)->with('range')->lazy() as $row) {
            $ids[Catalogue::id($row)] = true;
            $same[self::digest(self::entry($row))] = true;
        }

        return ['shipped' => array_values(Range::query()->get()->whereNull('user_id')->pluck('code')->all()), 'ids' => $ids, 'same' => $same];
    }

    /** The same for two rows that say the same of the same pencil. */
    private static function digest(PencilEntry $entry): string
    {
        $columns = self::described($entry);
        if ($entry->spectrum !== null) {
            // Its colour follows from it, to the last digit or not.
            unset($columns['L'], $columns['a'], $columns['b']);
        }

        return hash('xxh128', json_encode([(string) $entry->pencil->id, $columns], JSON_THROW_ON_ERROR));
    }

    /**
     * @param  iterable<PencilModel>  $pencils
     * @return list<PencilEntry>
     */
    private static function entries(iterable $pencils): array
    {
        $entries = [];
        foreach ($pencils as $pencil) {
            $entries[] = self::entry($pencil);
        }

        return $entries;
    }
}
