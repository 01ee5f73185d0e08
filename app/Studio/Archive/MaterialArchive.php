<?php

declare(strict_types=1);

namespace App\Studio\Archive;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Writes down papers and pencils: all that something names, so that it is whole also where they are not known. */
final class MaterialArchive
{
    /** A pencil in notation; what only looks like one is not found. */
    private const PENCIL = '/(?<![A-Za-z0-9])([A-Z][A-Z0-9]{0,11}):([A-Za-z0-9][A-Za-z0-9.\-]{0,11})/';

    /**
     * @param  list<int>  $papers  keys
     * @param  string  $text  whatever names pencils by RANGE:NUMBER
     * @return array{papers: list<array<string, mixed>>, ranges: list<array<string, mixed>>}
     */
    public function named(User $artist, array $papers, string $text): array
    {
        preg_match_all(self::PENCIL, $text, $found, PREG_SET_ORDER);
        $named = [];
        foreach ($found as [, $range, $number]) {
            $named[$range][$number] = true;
        }

        return ['papers' => self::papers($papers), 'ranges' => self::ranges($artist, $named, false)];
    }

    /**
     * All of an artist's own, and what else is named.
     *
     * @param  list<int>  $papers  keys of those
     * @return array{papers: list<array<string, mixed>>, ranges: list<array<string, mixed>>}
     */
    public function all(User $artist, array $papers, string $text): array
    {
        $named = $this->named($artist, array_values(array_unique([...$papers, ...$artist->papers()->pluck('id')->all()])), $text);
        $own = self::ranges($artist, [], true);
        $codes = array_column($own, 'code');
        $ranges = [...$own, ...array_filter($named['ranges'], static fn (array $range): bool => ! in_array($range['code'], $codes, true))];
        usort($ranges, static fn (array $one, array $other): int => $one['code'] <=> $other['code']);

        return ['papers' => $named['papers'], 'ranges' => $ranges];
    }

    /**
     * @param  list<int>  $ids
     * @return list<array<string, mixed>>
     */
    private static function papers(array $ids): array
    {
        $papers = DB::table('papers')->whereIn('id', $ids)->orderBy('name')->orderBy('slug')->get();

        return array_values($papers->map(static fn (stdClass $paper): array => [...ArchiveRows::out($paper, ArchiveRows::PAPER), 'own' => $paper->user_id !== null])->all());
    }

    /**
     * @param  array<string, array<array-key, true>>  $named  numbers by range
     * @param  bool  $own  all pencils of the artist's own ranges instead
     * @return list<array<string, mixed>>
     */
    private static function ranges(User $artist, array $named, bool $own): array
    {
        $rows = DB::table('ranges')->orderBy('code');
        $own ? $rows->where('user_id', $artist->id) : $rows->whereIn('code', array_keys($named))->where(static fn ($either) => $either->whereNull('user_id')->orWhere('user_id', $artist->id));
        $ranges = [];
        foreach ($rows->get() as $range) {
            $pencils = DB::table('pencils')->where('range_id', $range->id)->orderBy('number');
            if (! $own) {
                $pencils->whereIn('number', array_map(strval(...), array_keys($named[$range->code])));
            }
            $told = array_values($pencils->get()->map(static fn (stdClass $pencil): array => ArchiveRows::out($pencil, ArchiveRows::PENCIL))->all());
            if ($own || $told !== []) {
                $ranges[] = [...ArchiveRows::out($range, ArchiveRows::RANGE), 'own' => $range->user_id !== null, 'pencils' => $told];
            }
        }

        return $ranges;
    }
}
