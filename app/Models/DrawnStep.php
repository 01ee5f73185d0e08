<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A step of the plan that was done or skipped.
 *
 * @property int $id
 * @property string $piece_id
 * @property string $step_key
 * @property string $state
 * @property float|null $laid_mm2  area times passes
 * @property float|null $minutes  since the step before
 */
final class DrawnStep extends Model
{
    protected $fillable = ['laid_mm2', 'minutes', 'step_key', 'state'];
}
