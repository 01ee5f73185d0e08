<?php

declare(strict_types=1);

namespace App\Studio\Archive;

use App\Models\Piece;
use App\Models\Restore;
use App\Models\User;
use App\Studio\Files\Depot;
use App\Studio\Papers\PaperBook;
use Closure;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Prism\Exchange\Archive\ArchiveRefused;
use Throwable;

/** Archives that are brought: looked through, taken in all at once or not at all, and taken back. */
final class Restores
{
    /** Nobody thinks that long about what to do with one. */
    private const LEFT_BEHIND_SECONDS = 86_400;

    /** What becomes of a piece that is here already. */
    public const WAYS = ['leave', 'beside', 'replace'];

    /** What is told of a studio before it is taken in. */
    private const COUNTED = ['box', 'swatches', 'recipes', 'calibrations', 'practice', 'charts'];

    private const FOLDER = 'restores';

    public function __construct(private readonly Depot $depot, private readonly PieceRestore $pieces, private readonly StudioRestore $studio)
    {
    }

    /** @return string its name, by which this artist speaks of it */
    public function keep(User $artist, UploadedFile $upload): string
    {
        $name = $artist->id.'-'.strtolower((string) Str::ulid());
        $old = array_filter($this->depot->about(self::FOLDER), static fn (array $about): bool => $about['at'] < time() - self::LEFT_BEHIND_SECONDS);
        $this->depot->remove(...array_keys($old));
        $this->depot->take($upload->getPathname(), self::FOLDER."/$name");

        return $name;
    }

    /** @throws ArchiveRefused if it is not there any more */
    public function forget(User $artist, string $name): void
    {
        $file = self::file($artist, $name);
        // Asked for and not fetched: it may be large.
        if ($file === null || ! $this->depot->has($file)) {
            throw self::gone();
        }
        $this->depot->remove($file);
    }

    /**
     * What an archive would bring.
     *
     * @return array{file: string, isStudio: bool, isFirst: bool, counts: array<string, int>, pieces: list<array{folder: string, title: string, zones: int, done: int, photos: int, here: ?array{id: string, title: string, done: int}}>, notes: list<string>}
     *
     * @throws ArchiveRefused
     */
    public function preview(User $artist, string $name): array
    {
        $archive = ArchiveDocument::open($this->path($artist, $name));
        $pieces = [];
        foreach ($archive->pieces as $folder => $told) {
            $here = $this->here($artist, $told['key']);
            $pieces[] = [
                'folder' => $folder, 'title' => $told['piece']['title'], 'zones' => count($told['zones']), 'done' => count(array_filter($told['log'], static fn (array $entry): bool => $entry['kind'] === 'done' && ! $entry['undone'])),
                'photos' => count(array_filter($told['log'], static fn (array $entry): bool => $entry['kind'] === 'photo' && ! $entry['undone'])),
                'here' => $here === null ? null : ['id' => $here->id, 'title' => $here->title, 'done' => $here->drawingEntries()->where('kind', 'done')->where('undone', false)->count()],
            ];
        }
        $studio = $archive->studio;

        return [
            'file' => $name, 'isStudio' => $studio !== null,
            'isFirst' => ! $artist->swatches()->exists() && ! $artist->calibrations()->exists() && ! $artist->pieces()->exists(),
            'counts' => array_map(static fn (string $what): int => count($studio[$what] ?? []), array_combine(self::COUNTED, self::COUNTED)),
            'pieces' => $pieces,
            'notes' => MaterialRestore::notes($artist, $archive->ranges()),
        ];
    }

    /**
     * @param  array<string, string>  $ways  what becomes of pieces that are here already, by folder of the archive; the others are left as they are
     * @param  bool  $habits  those of the archive, in place of those here
     * @param  Closure(string, float): void  $progress  may throw to stop: nothing is taken in then
     *
     * @throws ArchiveRefused
     */
    public function take(User $artist, string $name, array $ways, bool $habits, Closure $progress): Restore
    {
        $progress('Looking the archive through', 0.0);
        $archive = ArchiveDocument::open($this->path($artist, $name));
        // Before anything is laid: two pieces of one archive may be copies of one another.
        $here = array_map(fn (array $told): ?Piece => $this->here($artist, $told['key']), $archive->pieces);
        $laid = array_filter($archive->pieces, static fn (string $folder): bool => $here[$folder] === null || ($ways[$folder] ?? 'leave') !== 'leave', ARRAY_FILTER_USE_KEY);
        $own = $files = [];
        try {
            // Not in the transaction: how far it is must be seen outside, and that it is not wanted any more, in here.
            foreach ($laid as $folder => $told) {
                $progress(sprintf('Taking in %s', $told['piece']['title']), (count($own) + 0.1) / (1 + count($laid)));
                $own[$folder] = $this->pieces->pictures($archive->files, $folder, $told, $files);
            }
            $progress('Taking in', count($own) / (1 + count($laid)));

            return DB::transaction(function () use ($artist, $archive, $ways, $habits, $here, $laid, $own): Restore {
                $studio = $archive->studio;
                [$papers, $made['papers']] = MaterialRestore::papers($artist, $archive->papers());
                $made += MaterialRestore::pencils($artist, $archive->ranges());
                $made['box'] = MaterialRestore::box($artist, $studio['box'] ?? []);
                [$calibrations, $made['calibrations']] = $this->studio->calibrations($artist, $studio['calibrations'] ?? [], $papers);
                [$charts, $made['charts']] = $this->studio->charts($artist, $studio['charts'] ?? [], $papers);
                $made['swatches'] = $this->studio->swatches($artist, $studio['swatches'] ?? [], $papers, $charts);
                $made['pieces'] = $away = $came = [];
                $numbers = array_flip(array_keys($archive->pieces));
                foreach ($laid as $folder => $told) {
                    $replaced = ($ways[$folder] ?? null) === 'replace' ? $here[$folder] : null;
                    $keys = $this->pieces->rows($artist, $folder, $told, $own[$folder], $here[$folder] === null || $replaced !== null, $papers, $calibrations);
                    $made['pieces'][] = $own[$folder]['piece'];
                    $came[$numbers[$folder] + 1] = [$own[$folder]['piece'], $keys];
                    if ($replaced !== null) {
                        $replaced->delete();
                        $away[] = $replaced->id;
                    }
                }
                $made['recipes'] = $this->studio->recipes($artist, $studio['recipes'] ?? [], $papers, $calibrations, $came);
                $made['practice'] = $this->studio->practice($artist, $studio['practice'] ?? [], $came);
                $before = $studio !== null && $habits ? $this->studio->habits($artist, $studio['studio'], $papers, $calibrations) : [];
                $restore = new Restore(['title' => $studio === null ? array_values($archive->pieces)[0]['piece']['title'] : 'A studio', 'made' => $made, 'away' => ['pieces' => $away], 'before' => $before]);
                $restore->user_id = $artist->id;
                $restore->save();

                return $restore;
            });
        } catch (Throwable $problem) {
            $this->pieces->forget($files);
            throw $problem;
        }
    }

    /** As it was before it was taken in. What was done since with what came with it goes along. */
    public function takeBack(User $artist, Restore $restore): void
    {
        DB::transaction(static function () use ($artist, $restore): void {
            $row = Restore::query()->whereKey($restore->id);
            if ($row->lockForUpdate()->value('undone_at') !== null) {
                return;
            }
            $made = $restore->made;
            if ($restore->before !== []) {
                DB::table('users')->where('id', $artist->id)->update($restore->before);
            }
            foreach (['pieces' => 'pieces', 'swatches' => 'swatches', 'charts' => 'charts', 'recipes' => 'kept_recipes'] as $what => $table) {
                foreach (array_chunk($made[$what] ?? [], 500) as $keys) {
                    DB::table($table)->whereIn('id', $keys)->whereNull('deleted_at')->update(['deleted_at' => now()]);
                }
            }
            DB::table('pieces')->where('user_id', $artist->id)->whereIn('id', $restore->away['pieces'] ?? [])->update(['deleted_at' => null]);
            DB::table('drill_rounds')->where('user_id', $artist->id)->whereIn('id', $made['practice'] ?? [])->delete();
            $artist->calibrations()->whereIn('id', $made['calibrations'] ?? [])->whereNotIn('id', array_filter([DB::table('users')->where('id', $artist->id)->value('calibration_id')]))->delete();
            $artist->box()->detach($made['box'] ?? []);
            foreach ($artist->papers()->whereKey($made['papers'] ?? [])->get() as $paper) {
                // One that something lies on by now stays.
                if (PaperBook::uses($artist, $paper) === null && User::query()->whereKey($artist->id)->value('paper_id') !== $paper->id) {
                    $paper->delete();
                }
            }
            self::forgetPencils($artist, $made['pencils'] ?? [], $made['ranges'] ?? []);
            $restore->update(['undone_at' => now()]);
        });
    }

    /**
     * Pencils that came with it, but those that something names by now.
     *
     * @param  list<int|string>  $pencils
     * @param  list<int|string>  $ranges
     */
    private static function forgetPencils(User $artist, array $pencils, array $ranges): void
    {
        $pieces = DB::table('pieces')->where('user_id', $artist->id)->whereNull('deleted_at')->select('id');
        $targets = DB::table('zone_targets')->join('zones', 'zones.id', '=', 'zone_id')->whereIn('piece_id', $pieces)->select('zone_targets.id');
        $named = implode(' ', [
            ...$artist->swatches()->pluck('stack'), ...$artist->keptRecipes()->pluck('stack'), ...DB::table('recipes')->whereIn('target_id', $targets)->pluck('stack'),
            ...DB::table('charts')->where('user_id', $artist->id)->whereNull('deleted_at')->pluck('stacks'),
        ]);
        $boxed = array_flip(DB::table('box_pencils')->where('user_id', $artist->id)->pluck('pencil_id')->all());
        foreach (DB::table('pencils')->join('ranges', 'ranges.id', '=', 'range_id')->where('user_id', $artist->id)->whereIn('pencils.id', $pencils)->get(['pencils.id', 'code', 'number']) as $row) {
            if (! isset($boxed[$row->id]) && ! str_contains($named, "$row->code:$row->number@")) {
                DB::table('pencils')->where('id', $row->id)->delete();
            }
        }
        DB::table('ranges')->where('user_id', $artist->id)->whereIn('id', $ranges)->whereNotExists(static fn ($pencil) => $pencil->from('pencils')->whereColumn('range_id', 'ranges.id'))->delete();
    }

    /** The piece here that an archived one is, or was copied from. */
    private function here(User $artist, string $key): ?Piece
    {
        $pieces = Piece::query()->whereBelongsTo($artist);
        $pieces->where(static fn ($either) => $either->where('id', $key)->orWhere('origin', $key))->orderByDesc('id');

        return $pieces->first();
    }

    /** @throws ArchiveRefused if it is not there any more */
    private function path(User $artist, string $name): string
    {
        $file = self::file($artist, $name);

        return ($file === null ? null : $this->depot->path($file)) ?? throw self::gone();
    }

    /** Null: another's. */
    private static function file(User $artist, string $name): ?string
    {
        return str_starts_with($name, "$artist->id-") ? self::FOLDER.'/'.basename($name) : null;
    }

    private static function gone(): ArchiveRefused
    {
        return new ArchiveRefused('The archive is not here any more. Choose it again.');
    }
}
