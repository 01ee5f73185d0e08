<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A maker's series of pencils.
 *
 * @property int $id
 * @property ?int $user_id  whose own; null ships with the studio
 * @property string $code
 * @property string $maker
 * @property string $name
 */
final class Range extends Model
{
    protected $table = 'ranges';

    protected $fillable = ['user_id', 'code', 'maker', 'name'];

    /** @return Builder<self> */
    public static function seenBy(User $artist): Builder
    {
        $ranges = self::query();
        $ranges->where(static fn (Builder $either) => $either->whereNull('user_id')->orWhere('user_id', $artist->id));

        return $ranges;
    }

    /** @return HasMany<Pencil, $this> */
    public function pencils(): HasMany
    {
        return $this->hasMany(Pencil::class);
    }
}
