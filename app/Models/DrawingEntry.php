<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * What was done at one press in Draw, or written down beside it.
 *
 * @property int $id
 * @property string $piece_id
 * @property string $mark  given by who made it
 * @property string $kind  done, skipped, open (a mark was taken off) or note
 * @property int|null $turn
 * @property array<string, array{state: string, entry: int|null}|null>|null $before  of each step that it marked, by key
 * @property string|null $note
 * @property bool $undone
 * @property Carbon $made_at
 * @property float|null $laid_mm2  area times passes
 * @property float|null $minutes  since the press before
 */
final class DrawingEntry extends Model
{
    protected $fillable = ['mark', 'kind', 'turn', 'before', 'note', 'undone', 'made_at', 'laid_mm2', 'minutes'];

    /** @var array<string, string> */
    protected $casts = ['before' => 'array', 'undone' => 'boolean', 'made_at' => 'datetime'];
}
