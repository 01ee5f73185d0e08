<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $range_id
 * @property string $number
 * @property string $name
 * @property list<string> $aliases
 * @property string $binder
 * @property string $opacity
 * @property ?string $lightfastness
 * @property list<float> $bands
 * @property-read Range $range
 */
final class Pencil extends Model
{
    protected $fillable = ['range_id', 'number', 'name', 'aliases', 'binder', 'opacity', 'lightfastness', 'bands'];

    /** @var array<string, string> */
    protected $casts = ['aliases' => 'array', 'bands' => 'array'];

    /** @return BelongsTo<Range, $this> */
    public function range(): BelongsTo
    {
        return $this->belongsTo(Range::class);
    }
}
