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
 */
final class Recipe extends Model
{
    use HasUlids;

    protected $fillable = ['stack'];
}
