<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * The stack that was chosen for a target, in stack notation. What it looks like is computed, not stored.
 *
 * @property string $id
 * @property string $target_id
 * @property string $stack
 * @property bool $by_hand
 * @property-read ZoneTarget $target
 */
final class Recipe extends Model
{
    use CastsOnce, HasUlids;

    protected $table = 'recipes';

    protected $fillable = ['stack', 'by_hand'];

    protected $attributes = ['by_hand' => true];

    /** @var array<string, string> */
    protected $casts = ['by_hand' => 'boolean'];

    /** @return BelongsTo<ZoneTarget, $this> */
    public function target(): BelongsTo
    {
        return $this->belongsTo(ZoneTarget::class, 'target_id');
    }
}
