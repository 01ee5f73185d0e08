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
 * @property int|null $entry_id  of the log
 * @property string|null $laid  what was really laid, as notation; null: as the plan has it, or nothing
 * @property float|null $mm2  of paper
 * @property \Illuminate\Support\Carbon $updated_at
 */
final class DrawnStep extends Model
{
    use CastsOnce;

    protected $table = 'drawn_steps';

    protected $fillable = ['step_key', 'state', 'entry_id', 'laid', 'mm2'];
}
