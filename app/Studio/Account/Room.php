<?php

declare(strict_types=1);

namespace App\Studio\Account;

use App\Models\User;
use App\Studio\Files\Depot;
use App\Studio\Swatches\ChartPictures;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;

/** How much room the pictures of an artist take, removed pieces too until they are swept, and how much there is for one and for all. */
final class Room
{
    private const ASKED_AGAIN_SECONDS = 300;

    /** @param  int  $spareBytes  of the disk are left free: what is being written already must find room */
    public function __construct(private readonly Depot $depot, private readonly ChartPictures $charts, private readonly int $mostBytes, private readonly int $spareBytes)
    {
    }

    public function most(): int
    {
        return $this->mostBytes;
    }

    /** Whether the disk has room for no more pictures of anybody. */
    public function isDiskFull(): bool
    {
        $free = @disk_free_space($this->depot->place(''));

        return $free !== false && $free < $this->spareBytes;
    }

    /** Of a store of several machines, which has to be asked folder by folder, as it was a few minutes ago at most. */
    public function used(User $artist): int
    {
        return $this->depot->isShared() ? (int) Cache::remember("room:$artist->id", self::ASKED_AGAIN_SECONDS, fn (): int => $this->taken($artist)) : $this->taken($artist);
    }

    private function taken(User $artist): int
    {
        $pieces = DB::table('pieces')->where('user_id', $artist->id)->pluck('id');
        $references = DB::table('reference_pictures')->whereIn('piece_id', $pieces)->pluck('id');
        $bytes = 0;
        foreach ([...$references->map(static fn (string $id): string => "pieces/$id"), ...$pieces->map(static fn (string $id): string => "drawings/$id")] as $folder) {
            $bytes += array_sum(array_column($this->depot->about($folder), 'bytes'));
        }
        foreach (DB::table('charts')->where('user_id', $artist->id)->pluck('id') as $chart) {
            $bytes += $this->charts->bytes($chart);
        }

        return $bytes;
    }
}
