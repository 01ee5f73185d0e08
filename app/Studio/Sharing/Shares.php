<?php

declare(strict_types=1);

namespace App\Studio\Sharing;

use App\Models\Piece;
use App\Models\Share;
use Illuminate\Support\Collection;

/** Links to plans and records, for people without a studio here. */
final class Shares
{
    public const KINDS = ['plan', 'record'];

    /** Days that one may hold. */
    public const DAYS = [7, 30, 90];

    /** Of one piece at a time. */
    public const MOST = 20;

    private const TOKEN_BYTES = 32;

    public function make(Piece $piece, string $kind, bool $withPhoto, int $days): Share
    {
        $token = rtrim(strtr(base64_encode(random_bytes(self::TOKEN_BYTES)), '+/', '-_'), '=');

        return $piece->shares()->create(['kind' => $kind, 'with_photo' => $withPhoto, 'token' => $token, 'digest' => self::digest($token), 'expires_at' => now()->addDays($days)]);
    }

    /** @return Collection<int, Share> those that hold, the latest first */
    public function of(Piece $piece): Collection
    {
        $shares = $piece->shares();
        $shares->where('expires_at', '>', now())->orderByDesc('id');

        return $shares->get()->toBase();
    }

    /** What a link leads to; null if there is no such link, or not any more. */
    public function find(string $token): ?Share
    {
        $shares = Share::query()->where('digest', self::digest($token));
        $shares->where('expires_at', '>', now())->whereHas('piece')->with('piece.user');

        return $shares->first();
    }

    private static function digest(string $token): string
    {
        return hash('sha256', $token);
    }
}
