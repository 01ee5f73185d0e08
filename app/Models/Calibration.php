<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * What an artist's swatches have taught the engine at one time. The artist's `calibration_id` says which is in force.
 *
 * @property int $id
 * @property int $user_id
 * @property int $number  counted by artist
 * @property int $swatch_count
 * @property float $before
 * @property float $after
 * @property array<string, mixed> $fit
 * @property float $weight  how hard the hand presses against its swatches, from drawings
 * @property Carbon $created_at
 */
final class Calibration extends Model
{
    protected $table = 'calibrations';

    protected $fillable = ['number', 'swatch_count', 'before', 'after', 'fit', 'weight'];

    /** @var array<string, string> */
    protected $casts = ['fit' => 'array', 'weight' => 'float'];
}
