<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * The stack that was chosen for a target, in stack notation. What it looks like is computed, not stored.
 *
 * @property string $id
 * @property string $target_id
 * @property string $stack
 * @property bool $by_hand
 */
final class Recipe extends Model
{
    use HasUlids;

    protected $fillable = ['stack', 'by_hand'];

    protected $attributes = ['by_hand' => true];

    /** @var array<string, string> */
    protected $casts = ['by_hand' => 'boolean'];
}
