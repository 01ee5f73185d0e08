<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\MassPrunable;
use Illuminate\Support\Carbon;
use Laravel\Sanctum\PersonalAccessToken;

/**
 * By it a script of the artist's own comes in.
 *
 * @property int $id
 * @property string $name
 * @property list<string> $abilities  {@see \App\Studio\Account\TokenAbility}
 * @property ?Carbon $last_used_at
 * @property Carbon $expires_at
 */
final class Token extends PersonalAccessToken
{
    use MassPrunable;

    private const KEPT_DAYS = 30;

    protected $table = 'personal_access_tokens';

    /** @return Builder<self> over long ago */
    public function prunable(): Builder
    {
        $old = self::query();
        $old->where('expires_at', '<', now()->subDays(self::KEPT_DAYS));

        return $old;
    }
}
