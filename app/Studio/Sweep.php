<?php

declare(strict_types=1);

namespace App\Studio;

use App\Studio\Drawing\DrawingPhotos;
use App\Studio\Files\Depot;
use App\Studio\Photos\KeptFiles;
use App\Studio\Photos\PhotoStore;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;

/** Puts away for good what nobody can ask for any more: pieces that were removed long ago, and files that belong to nothing. */
final class Sweep
{
    /** What was removed can be taken back so long. Of what has no files, see the prunable models. */
    public const KEPT_DAYS = 90;

    /** An archive is fetched soon after it was made, or made again. */
    private const ARCHIVE_DAYS = 7;

    /** What is being written has no row yet. */
    private const SETTLED_SECONDS = 86_400;

    /** A key of ours; what is called otherwise was put there by somebody. */
    private const KEY = '/^[0-9a-hjkmnp-tv-z]{26}$/';

    private const AT_ONCE = 100;

    /** Files beside a photo that are made when they are looked at ({@see KeptFiles}). */
    public const MADE = ['plan-*.parcel', 'replan-*.parcel', 'drawing-*.png', 'parts-*.png', 'places-*.parcel', 'check-*.json'];

    public function __construct(private readonly Depot $depot, private readonly PhotoStore $photos, private readonly DrawingPhotos $drawings)
    {
    }

    /** @return int pieces that were removed long ago: their rows go, then their files */
    public function pieces(): int
    {
        $old = DB::table('pieces')->where('deleted_at', '<', now()->subDays(self::KEPT_DAYS))->limit(self::AT_ONCE)->pluck('id');
        foreach ($old as $piece) {
            $references = DB::table('reference_pictures')->where('piece_id', $piece)->pluck('id');
            DB::table('pieces')->where('id', $piece)->delete();
            $references->each(fn (string $reference) => $this->photos->remove($reference));
            $this->drawings->remove($piece);
        }

        return count($old);
    }

    /** @return int folders of pictures that belong to no photo and no piece */
    public function orphans(): int
    {
        return $this->without('pieces', 'reference_pictures') + $this->without('drawings', 'pieces');
    }

    /** @return int archives that nobody has fetched for a while, and those brought and not taken in */
    public function archives(): int
    {
        $old = array_filter($this->depot->about('archives') + $this->depot->about('restores'), static fn (array $about): bool => $about['at'] < time() - self::ARCHIVE_DAYS * 86_400);
        $this->depot->remove(...array_keys($old));

        return count($old);
    }

    /** @return int kept answers, and whatever else was kept for a while, whose time is over; a table keeps them until they are asked for */
    public function kept(): int
    {
        return DB::table('cache')->where('expiration', '<=', now()->getTimestamp())->delete();
    }

    /**
     * What lies beside the photos of all artists and can be made anew takes no more than this: what was not looked at for longest goes.
     *
     * @return int files
     */
    public function made(int $mostBytes): int
    {
        $files = [];
        $bytes = 0;
        foreach (self::MADE as $kind) {
            foreach ([...(glob($this->depot->place("pieces/*/$kind")) ?: []), ...(glob($this->depot->place("pieces/*/*/$kind")) ?: [])] as $file) {
                $files[$file] = (int) @filemtime($file);
                $bytes += (int) @filesize($file);
            }
        }
        asort($files);
        $swept = 0;
        foreach (array_keys($files) as $file) {
            if ($bytes <= $mostBytes) {
                break;
            }
            $bytes -= (int) @filesize($file);
            File::delete($file);
            $swept++;
        }

        return $swept;
    }

    /** @return int files of a store that nobody on this machine has looked at for a while; each machine sweeps its own */
    public function fetched(): int
    {
        return $this->depot->forgetFetched();
    }

    /** Whether nobody is writing into a folder any more. */
    private function isSettled(string $folder): bool
    {
        $at = [...array_column($this->depot->about($folder), 'at'), ...$this->depot->isShared() ? [] : [(int) @filemtime($this->depot->place($folder))]];

        return max(0, ...$at) < time() - self::SETTLED_SECONDS;
    }

    /** Folders whose key no row of a table has. */
    private function without(string $folder, string $table): int
    {
        $swept = 0;
        foreach (array_chunk($this->depot->folders($folder), self::AT_ONCE) as $some) {
            $keys = array_filter(array_map(basename(...), $some), static fn (string $key): bool => preg_match(self::KEY, $key) === 1);
            $known = array_flip(DB::table($table)->whereIn('id', $keys)->pluck('id')->all());
            foreach ($keys as $key) {
                if (! isset($known[$key]) && $this->isSettled("$folder/$key")) {
                    $this->depot->removeFolder("$folder/$key");
                    $swept++;
                }
            }
        }

        return $swept;
    }
}
