<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * What an artist's swatches have taught the engine at one time. The latest is in force.
 *
 * @property int $id
 * @property int $user_id
 * @property int $swatch_count
 * @property float $before
 * @property float $after
 * @property array<string, mixed> $fit
 */
final class Calibration extends Model
{
    protected $fillable = ['swatch_count', 'before', 'after', 'fit'];

    /** @var array<string, string> */
    protected $casts = ['fit' => 'array'];
}
