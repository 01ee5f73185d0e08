<?php

declare(strict_types=1);

namespace App\Studio\Account;

use App\Models\User;
use Illuminate\Support\Facades\Auth;

/** Counts on with whatever may change anything of an artist: what was told of another revision may be told no more. */
final class Revisions
{
    /** As soon as anything that was sent is committed: the answer to who wrote it may take a while yet, and another screen asks meanwhile. */
    public static function committed(): void
    {
        $artist = Auth::hasUser() && ! request()->isMethodCacheable() ? Auth::id() : null;
        if (is_int($artist)) {
            self::countOn($artist);
        }
    }

    public static function countOn(int $artist): void
    {
        User::query()->toBase()->where('id', $artist)->increment('revision');
    }
}
