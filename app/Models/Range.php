<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A maker's series of pencils.
 *
 * @property int $id
 * @property string $code
 * @property string $maker
 * @property string $name
 */
final class Range extends Model
{
    protected $fillable = ['code', 'maker', 'name'];

    /** @return HasMany<Pencil, $this> */
    public function pencils(): HasMany
    {
        return $this->hasMany(Pencil::class);
    }
}
