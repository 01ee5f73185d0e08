<?php

declare(strict_types=1);

namespace App\Studio\Archive;

use App\Models\Piece;
use App\Models\Reference;
use App\Models\User;
use App\Studio\Drawing\DrawingPhotos;
use App\Studio\Files\WholeFile;
use App\Studio\Photos\LinePictures;
use App\Studio\Photos\PhotoReader;
use App\Studio\Photos\PhotoRefused;
use App\Studio\Photos\PhotoStore;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use Prism\Exchange\Archive\ArchiveReader;
use Prism\Exchange\Archive\ArchiveRefused;
use Prism\Reference\Lines\Ink;
use Prism\Reference\LookRefused;
use Prism\Reference\Zones\ZoneMap;

/** Takes a piece in as {@see PieceArchive} has written it: its pictures, then its rows. Files of what did not come to be are put away by {@see self::forget()}. */
final class PieceRestore
{
    private const ROWS_AT_ONCE = 200;

    public function __construct(private readonly PhotoStore $photos, private readonly DrawingPhotos $drawings, private readonly PhotoReader $reader)
    {
    }

    /**
     * Writes its pictures under keys of their own; no row knows of them yet. It takes a while, and stands outside of any transaction.
     *
     * @param  array<string, mixed>  $told  piece.json, looked through
     * @param  list<string>  $files  keys of its pictures: what is to be forgotten if it does not come to be
     * @return array{piece: string, references: list<string>} keys of its own
     *
     * @throws ArchiveRefused
     */
    public function pictures(ArchiveReader $archive, string $folder, array $told, array &$files): array
    {
        $id = $files[] = self::key();
        $references = [];
        foreach ($told['references'] as $reference) {
            $references[] = $files[] = $key = self::key();
            $row = (new Reference(['width' => $reference['width'], 'height' => $reference['height'], 'picture' => 1]))->forceFill(['id' => $key]);
            $this->reference($row, $archive, $folder.$reference['pictures'], $reference['line'] ?? null);
        }
        $piece = (new Piece)->forceFill(['id' => $id]);
        foreach ($told['log'] as ['mark' => $mark, 'kind' => $kind]) {
            $photo = $folder."drawing/$mark";
            if ($kind === 'photo' && $archive->has("$photo.jpg")) {
                $beside = [];
                foreach (DrawingPhotos::CHECKED as $view) {
                    if ($archive->has("$photo-$view.png")) {
                        $beside[".$view.png"] = $this->picture($archive, "$photo-$view.png");
                    }
                }
                $this->drawings->putKept($piece, $mark, ['' => $this->picture($archive, "$photo.jpg"), ...$beside]);
            }
        }

        return ['piece' => $id, 'references' => $references];
    }

    /**
     * Its rows. Within a transaction.
     *
     * @param  array<string, mixed>  $told  piece.json, looked through
     * @param  array{piece: string, references: list<string>}  $own  keys under which its pictures lie
     * @param  bool  $isTheSame  it is known again by the archive's key; else it is another piece from now on
     * @param  array<string, int>  $papers  keys here, by what the archive calls them
     * @param  array<int, int>  $calibrations  keys here, by their number there
     * @return array<string, string> keys of its zones and colours, by what they are called there
     *
     * @throws ArchiveRefused
     */
    public function rows(User $artist, string $folder, array $told, array $own, bool $isTheSame, array $papers, array $calibrations): array
    {
        $keys = [];
        foreach ($told['zones'] as $zone) {
            $keys[$zone['key']] = self::key();
            foreach ($zone['targets'] as $target) {
                $keys[$target['key']] = self::key();
            }
        }
        if (count($keys) !== array_sum(array_map(static fn (array $zone): int => 1 + count($zone['targets']), $told['zones']))) {
            throw new ArchiveRefused(sprintf('%s: two zones or colours have one name.', $folder.PieceArchive::FILE));
        }
        $back = ArchiveNames::back($keys);
        $id = $own['piece'];
        $piece = [...$told['piece'], 'palette' => $back->in($told['piece']['palette'] ?? null), 'advised' => $back->in($told['piece']['advised'] ?? null)];
        $paper = $papers[$piece['paper']] ?? throw new ArchiveRefused(sprintf('%s: its paper "%s" is missing in the archive.', $folder.PieceArchive::FILE, $piece['paper']));
        $now = now()->format('Y-m-d H:i:s');
        $times = ['created_at' => $now, 'updated_at' => $now];
        DB::table('pieces')->insert(['id' => $id, 'user_id' => $artist->id, 'paper_id' => $paper, 'origin' => $isTheSame ? strtolower($told['key']) : null, 'zone_map' => self::map($told, $folder), 'created_at' => $now, ...ArchiveRows::in($piece, ArchiveRows::PIECE), 'updated_at' => $now]);
        foreach ($told['references'] as $at => $reference) {
            DB::table('reference_pictures')->insert(['pairs' => '[]', ...ArchiveRows::in($reference, ArchiveRows::REFERENCE), 'id' => $own['references'][$at], 'piece_id' => $id, 'position' => $at + 1, 'picture' => 1, ...$times]);
        }
        self::zones($id, $told['zones'], $keys);
        $entries = self::log($id, $told['log'], $back);
        self::insert('drawn_steps', array_map(static fn (array $step): array => [
            ...ArchiveRows::in($step, ArchiveRows::STEP), 'step_key' => $back->in($step['stepKey']), 'piece_id' => $id, 'entry_id' => $entries[$step['entry'] ?? 0] ?? null, ...$times,
        ], array_values($told['steps'])));
        $this->checks($id, $told, $back, $calibrations);

        return $keys;
    }

    /** @param  list<string>  $files  keys of pieces and of their references */
    public function forget(array $files): void
    {
        foreach ($files as $key) {
            $this->photos->remove($key);
            $this->drawings->remove($key);
        }
    }

    /**
     * @param  array<string, mixed>  $told
     *
     * @throws ArchiveRefused
     */
    private static function map(array $told, string $folder): ?string
    {
        if (($told['zoneMap'] ?? null) === null) {
            return null;
        }
        ['width' => $width, 'height' => $height, 'labels' => $packed] = $told['zoneMap'];
        $labels = @gzuncompress((string) base64_decode($packed, true), $width * $height + 1);
        if ($labels === false || strlen($labels) !== $width * $height) {
            throw new ArchiveRefused(sprintf('%s: its map of zones is not of %d x %d pixels.', $folder.PieceArchive::FILE, $width, $height));
        }

        return ZoneMap::of($width, $height, $labels)->pack();
    }

    /**
     * @param  string  $from  folder of the archive
     * @param  ?int  $line  of a line drawing, from which darkness on it is a line
     *
     * @throws ArchiveRefused
     */
    private function reference(Reference $row, ArchiveReader $archive, string $from, ?int $line): void
    {
        $decoded = $this->pixels($archive, $from.'decoded.png', $row);
        $lit = $archive->has($from.'photo.png') ? $this->pixels($archive, $from.'photo.png', $row) : null;
        $large = [];
        foreach (['decoded.jpg', 'large.jpg'] as $name) {
            if ($archive->has($from.$name)) {
                $large[$name] = $this->picture($archive, $from.$name);
            }
        }
        if ($line !== null) {
            $large += $this->lines($archive, $from.'lines.png', $line, $row);
        }
        $this->photos->putKept($row, $decoded, $lit, $large);
    }

    /**
     * @return array<string, string>
     *
     * @throws ArchiveRefused
     */
    private function lines(ArchiveReader $archive, string $name, int $line, Reference $reference): array
    {
        $darkness = (string) preg_replace('/(.)../s', '$1', $this->pixels($archive, $name, $reference));
        try {
            return LinePictures::files(Ink::kept($reference->width, $reference->height, $darkness, $line));
        } catch (LookRefused $refusal) {
            throw new ArchiveRefused(sprintf('%s: %s', $name, $refusal->getMessage()), previous: $refusal);
        }
    }

    /**
     * @return string three bytes a pixel
     *
     * @throws ArchiveRefused
     */
    private function pixels(ArchiveReader $archive, string $name, Reference $reference): string
    {
        return $this->read($archive, $name, function (string $path) use ($name, $reference): string {
            $photo = $this->reader->read($path);
            if ([$photo->width, $photo->height] !== [$reference->width, $reference->height]) {
                throw new ArchiveRefused(sprintf('%s has %d x %d pixels; it should have %d x %d.', $name, $photo->width, $photo->height, $reference->width, $reference->height));
            }

            return $photo->rgb;
        });
    }

    /**
     * @return string its bytes, if they are a picture
     *
     * @throws ArchiveRefused
     */
    private function picture(ArchiveReader $archive, string $name): string
    {
        return $this->read($archive, $name, function (string $path): string {
            $this->reader->check($path);

            return (string) file_get_contents($path);
        });
    }

    /**
     * @param  \Closure(string): string  $as
     *
     * @throws ArchiveRefused
     */
    private function read(ArchiveReader $archive, string $name, \Closure $as): string
    {
        $path = sys_get_temp_dir().'/prism-'.Str::random(16);
        WholeFile::put($path, $archive->bytes($name));
        try {
            return $as($path);
        } catch (PhotoRefused $refusal) {
            throw new ArchiveRefused(sprintf('%s: %s', $name, $refusal->getMessage()), previous: $refusal);
        } finally {
            File::delete($path);
        }
    }

    /**
     * @param  list<array<string, mixed>>  $zones
     * @param  array<string, string>  $keys
     */
    private static function zones(string $piece, array $zones, array $keys): void
    {
        $now = now()->format('Y-m-d H:i:s');
        $times = ['created_at' => $now, 'updated_at' => $now];
        $rows = $targets = $recipes = [];
        foreach ($zones as $at => $zone) {
            $rows[] = ['share' => 0, 'named' => true, 'fits' => true, 'outside' => false, ...ArchiveRows::in($zone, ArchiveRows::ZONE), 'id' => $keys[$zone['key']], 'piece_id' => $piece, 'position' => $at + 1, ...$times];
            foreach ($zone['targets'] as $target) {
                $targets[] = ['spread' => 0, 'share' => 0, 'edited' => false, ...ArchiveRows::in($target, ArchiveRows::TARGET), 'id' => $keys[$target['key']], 'zone_id' => $keys[$zone['key']], ...$times];
                if (($target['recipe'] ?? null) !== null) {
                    $recipes[] = [...ArchiveRows::in($target['recipe'], ArchiveRows::RECIPE), 'id' => self::key(), 'target_id' => $keys[$target['key']], ...$times];
                }
            }
        }
        self::insert('zones', $rows);
        self::insert('zone_targets', $targets);
        self::insert('recipes', $recipes);
    }

    /**
     * @param  list<array<string, mixed>>  $log
     * @return array<int, int> keys of the entries, by which of them it is, from 1
     */
    private static function log(string $piece, array $log, ArchiveNames $back): array
    {
        $entries = [];
        foreach ($log as $at => $entry) {
            foreach (['before', 'did', 'recipeBefore'] as $naming) {
                $entry[$naming] = $back->in($entry[$naming] ?? null);
            }
            foreach ($entry['before'] ?? [] as $key => $was) {
                if ($was !== null) {
                    $entry['before'][$key]['entry'] = $entries[$was['entry'] ?? 0] ?? null;
                }
            }
            $row = ArchiveRows::in($entry, ArchiveRows::ENTRY);
            $entries[$at + 1] = DB::table('drawing_entries')->insertGetId(['photo_width' => 0, 'photo_height' => 0, ...$row, 'piece_id' => $piece, 'created_at' => $row['made_at'], 'updated_at' => $row['made_at']]);
        }

        return $entries;
    }

    /**
     * What the photos of the drawing told, where all their pictures are there.
     *
     * @param  array<string, mixed>  $told
     * @param  array<int, int>  $calibrations
     */
    private function checks(string $id, array $told, ArchiveNames $back, array $calibrations): void
    {
        $piece = (new Piece)->forceFill(['id' => $id]);
        foreach ($told['checks'] as $mark => $check) {
            if (array_filter(DrawingPhotos::CHECKED, fn (string $view): bool => $this->drawings->path($piece, (string) $mark, ".$view.png") === null) !== []) {
                continue;
            }
            $check = $back->in($check);
            $number = $check['hand']['calibration'] ?? null;
            if ($number !== null) {
                // What was learnt of the hand rests on a calibration: without that it says nothing.
                $check['hand'] = isset($calibrations[$number]) ? [...$check['hand'], 'calibration' => $calibrations[$number]] : null;
            }
            $this->drawings->putKept($piece, (string) $mark, [DrawingPhotos::TOLD => json_encode($check, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)]);
        }
    }

    /** @param  list<array<string, mixed>>  $rows */
    private static function insert(string $table, array $rows): void
    {
        $columns = array_fill_keys(array_keys(array_merge(...array_slice($rows, 0, 1), ...$rows)), null);
        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $chunk) {
            DB::table($table)->insert(array_map(static fn (array $row): array => [...$columns, ...$row], $chunk));
        }
    }

    private static function key(): string
    {
        return strtolower((string) Str::ulid());
    }
}
