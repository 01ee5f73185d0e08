<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\User;
use App\Models\Zone;
use Illuminate\Database\Eloquent\Builder;
use Prism\Matching\Target;

/** What an artist's own pieces ask for. */
final class Targets
{
    /** @return array<string, Target> by zone */
    public static function of(User $artist): array
    {
        $targets = [];
        foreach (Zone::query()->whereHas('piece', static fn (Builder $piece) => $piece->where('user_id', $artist->id))->get()->sortBy('id') as $zone) {
            $targets[$zone->id] = Target::colour(ZoneRecipes::target($zone));
        }

        return $targets;
    }
}
