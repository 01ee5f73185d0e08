<?php

declare(strict_types=1);

namespace App\Studio\Archive;

use App\Models\Calibration;
use App\Models\Paper;
use App\Models\User;
use App\Studio\Calibration\Calibrations;
use App\Studio\Pencils\Catalogue;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Prism\Exchange\Archive\ArchiveRefused;
use Throwable;

/** What is of a studio and of no piece: swatches, charts, calibrations, kept recipes, practice, habits. What is here already comes in no second time. */
final class StudioRestore
{
    private const ROWS_AT_ONCE = 200;

    public function __construct(private readonly Calibrations $calibrations)
    {
    }

    /**
     * @param  list<array<string, mixed>>  $told
     * @param  array<string, int>  $papers
     * @return array{array<int, int>, list<int>} keys here, by their number there; and which are new
     *
     * @throws ArchiveRefused if one cannot be read
     */
    public function calibrations(User $artist, array $told, array $papers): array
    {
        $slugs = Paper::query()->whereKey($papers)->pluck('slug', 'id')->all();
        $called = array_map(static fn (int $paper): string => (string) $slugs[$paper], $papers);
        $keys = $new = [];
        $last = (int) $artist->calibrations()->max('number');
        $taken = array_flip($artist->calibrations()->pluck('number')->all());
        $pencils = (new Catalogue)->pencils($artist);
        foreach ($told as $calibration) {
            $columns = ArchiveRows::in(['fit' => self::onPapers($calibration['fit'], $called)] + $calibration, ArchiveRows::CALIBRATION);
            $here = $artist->calibrations()->where(['swatch_count' => $columns['swatch_count'], 'before' => $columns['before'], 'after' => $columns['after']])
                ->where('created_at', substr((string) ($columns['created_at'] ?? ''), 0, 19))->value('id');
            if ($here === null) {
                $number = isset($taken[$columns['number']]) ? ++$last : $columns['number'];
                $last = max($last, $number);
                $taken[$number] = true;
                $here = $new[] = DB::table('calibrations')->insertGetId(['weight' => 1.0, 'created_at' => now(), ...$columns, 'number' => $number, 'user_id' => $artist->id, 'updated_at' => now()]);
                try {
                    $this->calibrations->of(Calibration::query()->findOrFail($here), $pencils);
                } catch (Throwable $broken) {
                    throw new ArchiveRefused(sprintf('%s: calibration %d cannot be read. Save the archive again.', StudioArchive::FILE, $calibration['number']), previous: $broken);
                }
            }
            $keys[$calibration['number']] = (int) $here;
        }

        return [$keys, $new];
    }

    /**
     * @param  list<array<string, mixed>>  $told
     * @param  array<string, int>  $papers
     * @return array{array<int, string>, list<string>} keys here, by which of them it is, from 1; and which are new
     *
     * @throws ArchiveRefused
     */
    public function charts(User $artist, array $told, array $papers): array
    {
        $keys = $new = [];
        foreach ($told as $at => $chart) {
            $columns = [...ArchiveRows::in($chart, ArchiveRows::CHART), 'paper_id' => self::paper($papers, $chart['paper'])];
            $here = $artist->charts()->where(['title' => $columns['title'], 'kind' => $columns['kind'], 'paper_id' => $columns['paper_id']])->get()
                ->first(static fn ($row): bool => $row->stacks === $chart['stacks'])?->id;
            if ($here === null) {
                $here = $new[] = strtolower((string) Str::ulid());
                DB::table('charts')->insert(['created_at' => now(), ...$columns, 'id' => $here, 'user_id' => $artist->id, 'updated_at' => now()]);
            }
            $keys[$at + 1] = $here;
        }

        return [$keys, $new];
    }

    /**
     * @param  list<array<string, mixed>>  $told
     * @param  array<string, int>  $papers
     * @param  array<int, string>  $charts
     * @return list<int> keys of those that are new
     *
     * @throws ArchiveRefused
     */
    public function swatches(User $artist, array $told, array $papers, array $charts): array
    {
        $mark = static fn (array $row): string => json_encode([(int) $row['paper_id'], $row['stack'], round((float) $row['L'], 6), round((float) $row['a'], 6), round((float) $row['b'], 6), $row['drawn_on'] ?? null], JSON_THROW_ON_ERROR);
        $there = [];
        foreach (DB::table('swatches')->where('user_id', $artist->id)->whereNull('deleted_at')->get(['paper_id', 'stack', 'L', 'a', 'b', 'drawn_on']) as $row) {
            $there[$mark((array) $row)] = true;
        }
        $new = [];
        foreach ($told as $swatch) {
            $columns = [
                'note' => '', 'technique' => 'even', 'created_at' => now(), ...ArchiveRows::in($swatch, ArchiveRows::SWATCH),
                'paper_id' => self::paper($papers, $swatch['paper']), 'chart_id' => $charts[$swatch['chart'] ?? 0] ?? null, 'user_id' => $artist->id, 'updated_at' => now(),
            ];
            // Two alike within the archive are two readings of one field.
            if (! isset($there[$mark($columns)])) {
                $new[] = DB::table('swatches')->insertGetId($columns);
            }
        }

        return $new;
    }

    /**
     * @param  list<array<string, mixed>>  $told
     * @param  array<string, int>  $papers
     * @param  array<int, int>  $calibrations
     * @param  array<int, array{string, array<string, string>}>  $pieces  keys of the pieces that came with it and of their zones, by which of them it is, from 1
     * @return list<string> keys of those that are new
     *
     * @throws ArchiveRefused
     */
    public function recipes(User $artist, array $told, array $papers, array $calibrations, array $pieces): array
    {
        $there = [];
        foreach ($artist->keptRecipes()->get() as $kept) {
            $there["$kept->paper_id|$kept->stack|$kept->name"] = true;
        }
        $rows = $ladders = [];
        foreach ($told as $recipe) {
            $paper = self::paper($papers, $recipe['paper']);
            if (isset($there["$paper|$recipe[stack]|$recipe[name]"])) {
                continue;
            }
            [$piece, $zones] = $pieces[$recipe['piece'] ?? 0] ?? [null, []];
            $ladder = $recipe['ladder'] ?? null;
            $rows[] = [
                'purpose' => '', 'tags' => '[]', 'note' => '', 'zone_name' => null, 'rung' => null, 'created_at' => now(), ...ArchiveRows::in($recipe, ArchiveRows::KEPT),
                'ladder' => $ladder === null ? null : $ladders[$ladder] ??= strtolower((string) Str::ulid()),
                'id' => strtolower((string) Str::ulid()), 'user_id' => $artist->id, 'paper_id' => $paper, 'piece_id' => $piece, 'zone_id' => $zones[$recipe['zone'] ?? ''] ?? null,
                'calibration_id' => $calibrations[$recipe['calibration'] ?? 0] ?? null, 'updated_at' => now(),
            ];
        }
        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $chunk) {
            DB::table('kept_recipes')->insert($chunk);
        }

        return array_column($rows, 'id');
    }

    /**
     * @param  list<array<string, mixed>>  $told
     * @param  array<int, array{string, array<string, string>}>  $pieces  as for recipes
     * @return list<string> keys of those that are new
     */
    public function practice(User $artist, array $told, array $pieces): array
    {
        $photos = [];
        foreach ($pieces as $at => [$piece]) {
            foreach (DB::table('reference_pictures')->where('piece_id', $piece)->pluck('id', 'position') as $position => $id) {
                $photos["$at/$position"] = $id;
            }
        }
        $there = array_flip($artist->drillRounds()->get()->map(static fn ($round): string => $round->kind.'|'.$round->created_at->format('Y-m-d H:i:s'))->all());
        $rows = [];
        foreach ($told as $round) {
            $round = StudioArchive::pictured($round, $photos);
            $columns = ['done_at' => null, 'created_at' => now()->format('Y-m-d H:i:s'), ...ArchiveRows::in($round, ArchiveRows::ROUND)];
            if (! isset($there[$round['kind'].'|'.substr((string) $columns['created_at'], 0, 19)])) {
                $rows[] = [...$columns, 'id' => strtolower((string) Str::ulid()), 'user_id' => $artist->id, 'updated_at' => now()];
            }
        }
        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $chunk) {
            DB::table('drill_rounds')->insert($chunk);
        }

        return array_column($rows, 'id');
    }

    /**
     * Habits, ways of working and the calibration in use, in place of those that are here.
     *
     * @param  array<string, mixed>  $told
     * @param  array<string, int>  $papers
     * @param  array<int, int>  $calibrations
     * @return array<string, mixed> columns as they were
     */
    public function habits(User $artist, array $told, array $papers, array $calibrations): array
    {
        $columns = [
            ...ArchiveRows::in($told, ArchiveRows::STUDIO), 'calibration_id' => $calibrations[$told['calibration'] ?? 0] ?? null,
            'paper_id' => isset($told['paper']) ? $papers[$told['paper']] ?? Paper::called($artist, $told['paper'])?->id : null,
        ];
        $row = DB::table('users')->where('id', $artist->id);
        $before = array_intersect_key((array) $row->sole(), $columns);
        $row->update($columns);

        return $before;
    }

    /**
     * What was fitted to papers belongs to what those are called here.
     *
     * @param  array<string, mixed>  $fit
     * @param  array<string, string>  $called
     * @return array<string, mixed>
     */
    private static function onPapers(array $fit, array $called): array
    {
        foreach (is_array($fit['papers'] ?? null) ? $fit['papers'] : [] as $at => $paper) {
            $fit['papers'][$at]['id'] = $called[$paper['id'] ?? ''] ?? $paper['id'] ?? '';
        }
        if (is_string($fit['yardstick'] ?? null)) {
            $fit['yardstick'] = $called[$fit['yardstick']] ?? $fit['yardstick'];
        }

        return $fit;
    }

    /**
     * @param  array<string, int>  $papers
     *
     * @throws ArchiveRefused
     */
    private static function paper(array $papers, string $slug): int
    {
        return $papers[$slug] ?? throw new ArchiveRefused(sprintf('%s: paper "%s" is missing in the archive.', StudioArchive::FILE, $slug));
    }
}
