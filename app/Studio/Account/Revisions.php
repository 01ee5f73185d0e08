<?php

declare(strict_types=1);

namespace App\Studio\Account;

use App\Models\User;
use Illuminate\Support\Facades\Auth;

/**
 * Counts on with whatever may change anything of an artist: what was told of another revision may be told no more. What is pressed while one
 * draws by the plan changes the log and nothing that a plan rests on, so plans have a revision of their own.
 */
final class Revisions
{
    private const PLANS_STAY = 'plans-stay';

    /** What is sent now changes no plan: to be told before anything of it is written. */
    public static function plansStay(): void
    {
        request()->attributes->set(self::PLANS_STAY, true);
    }

    /** As soon as anything that was sent is committed: the answer to who wrote it may take a while yet, and another screen asks meanwhile. */
    public static function committed(): void
    {
        $artist = Auth::hasUser() && ! request()->isMethodCacheable() ? Auth::id() : null;
        if (is_int($artist)) {
            self::countOnAsSent($artist);
        }
    }

    /** After what was sent now. */
    public static function countOnAsSent(int $artist): void
    {
        self::countOn($artist, ! request()->attributes->getBoolean(self::PLANS_STAY));
    }

    /** @param  bool  $plans  whether plans may have changed, too */
    public static function countOn(int $artist, bool $plans = true): void
    {
        User::query()->toBase()->where('id', $artist)->incrementEach(['revision' => 1, ...$plans ? ['plan_revision' => 1] : []]);
        Replicas::changed($artist);
    }
}
