<?php

declare(strict_types=1);

namespace App\Studio\Archive;

use App\Models\Paper;
use App\Models\Pencil;
use App\Models\Range;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Prism\Exchange\Archive\ArchiveRefused;

/** Papers and pencils that an archive names: those that are known here stay as they are here, the others become the artist's own. */
final class MaterialRestore
{
    private const APART_LETTERS = 6;

    private const LETTERS_BEFORE = 32;

    /**
     * @param  list<array<string, mixed>>  $papers
     * @return array{array<string, int>, list<int>} keys here, by what the archive calls them; and which are new
     */
    public static function papers(User $artist, array $papers): array
    {
        $keys = $new = [];
        foreach ($papers as $told) {
            // One that was taken in before is called otherwise in files, where another artist has that name.
            $here = Paper::called($artist, $told['slug']) ?? $artist->papers()->where(array_intersect_key(ArchiveRows::in($told, ArchiveRows::PAPER), ['name' => 0, 'kind' => 0, 'L' => 0, 'a' => 0, 'b' => 0]))->first();
            if ($here === null) {
                $slug = Paper::withTrashed()->where('slug', $told['slug'])->exists() ? substr($told['slug'], 0, self::LETTERS_BEFORE).'-'.strtolower(Str::random(self::APART_LETTERS)) : $told['slug'];
                $here = $artist->papers()->create([...ArchiveRows::in($told, ArchiveRows::PAPER), 'slug' => $slug]);
                $new[] = $here->id;
            }
            $keys[$told['slug']] = $here->id;
        }

        return [$keys, $new];
    }

    /**
     * @param  list<array<string, mixed>>  $ranges
     * @return array{ranges: list<int>, pencils: list<int>} which are new
     */
    public static function pencils(User $artist, array $ranges): array
    {
        $new = ['ranges' => [], 'pencils' => []];
        foreach ($ranges as $told) {
            $range = Range::seenBy($artist)->where('code', $told['code'])->first();
            if ($range === null) {
                $range = $artist->ranges()->create(ArchiveRows::in($told, ArchiveRows::RANGE));
                $new['ranges'][] = $range->id;
            }
            if ($range->user_id !== $artist->id) {
                continue;
            }
            $here = array_flip($range->pencils()->pluck('number')->all());
            foreach ($told['pencils'] as $pencil) {
                if (! isset($here[$pencil['number']])) {
                    $now = now();
                    $new['pencils'][] = DB::table('pencils')->insertGetId(['aliases' => '[]', 'stains' => false, 'status' => 'current', ...ArchiveRows::in($pencil, ArchiveRows::PENCIL), 'range_id' => $range->id, 'created_at' => $now, 'updated_at' => $now]);
                }
            }
        }

        return $new;
    }

    /**
     * What an artist should know before it is taken in.
     *
     * @param  list<array<string, mixed>>  $ranges
     * @return list<string> sentences
     */
    public static function notes(User $artist, array $ranges): array
    {
        $others = $missing = [];
        foreach ($ranges as $told) {
            $range = Range::seenBy($artist)->where('code', $told['code'])->first();
            $here = $range === null ? [] : $range->pencils()->get()->keyBy('number')->all();
            foreach ($told['pencils'] as $pencil) {
                $known = $here[$pencil['number']] ?? null;
                $id = $told['code'].':'.$pencil['number'];
                if ($known instanceof Pencil && ($known->name !== $pencil['name'] || abs(($known->L ?? 0.0) - ($pencil['L'] ?? 0.0)) > 0.5)) {
                    $others[] = sprintf('%s is %s here, %s in the archive', $id, $known->name === '' ? 'without a name' : $known->name, $pencil['name'] === $known->name ? 'with another colour' : $pencil['name']);
                } elseif ($known === null && $range !== null && $range->user_id === null) {
                    $missing[] = trim("$id $pencil[name]");
                }
            }
        }

        return array_values(array_filter([
            $others === [] ? null : sprintf('%s: what is here stays.', implode('; ', array_slice($others, 0, 3)).(count($others) > 3 ? sprintf(' and %d more', count($others) - 3) : '')),
            $missing === [] ? null : sprintf('Not in the ranges that ship here, and left out: %s.', implode(', ', array_slice($missing, 0, 5)).(count($missing) > 5 ? sprintf(' and %d more', count($missing) - 5) : '')),
        ]));
    }

    /**
     * Puts pencils of an archive into the box; those that lie there stay as they are.
     *
     * @param  list<array<string, mixed>>  $box
     * @return list<int> keys of those that are new in it
     *
     * @throws ArchiveRefused
     */
    public static function box(User $artist, array $box): array
    {
        $known = [];
        foreach (Pencil::seenBy($artist)->with('range')->get(['id', 'range_id', 'number']) as $pencil) {
            $known["{$pencil->range->code}:$pencil->number"] = $pencil->id;
        }
        $there = array_flip(DB::table('box_pencils')->where('user_id', $artist->id)->pluck('pencil_id')->all());
        $rows = [];
        foreach ($box as $told) {
            $id = $known[$told['pencil']] ?? null;
            if ($id !== null && ! isset($there[$id]) && ! isset($rows[$id])) {
                $rows[$id] = ['favourite' => false, 'spare' => 0, 'length_mm' => null, 'measured_at' => null, ...ArchiveRows::in($told, ArchiveRows::IN_BOX), 'user_id' => $artist->id, 'pencil_id' => $id];
            }
        }
        foreach (array_chunk(array_values($rows), 250) as $chunk) {
            DB::table('box_pencils')->insert($chunk);
        }

        return array_keys($rows);
    }
}
