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
 * @property string $kind  done, skipped, open (a mark was taken off), replanned (a place was planned anew), left (it was not), corrected (layers that a photo of the drawing asked for were taken over), note or photo
 * @property int|null $turn
 * @property array<string, array{state: string, entry: int|null, laid?: string|null, mm2?: float|null}|null>|null $before  of each step that it marked, by key
 * @property array{laid: string|null, planned: string|null, role: string, places: list<string>}|array{target: string, present: string, rest: string, places: list<string>}|array{photo: string, targets: list<string>, rest: string, places: list<string>}|null $did  what was laid, and where; or what was planned anew
 * @property list<array{target: string, stack: string, by_hand: bool}>|null $recipe_before  of colours that were planned anew
 * @property string|null $note
 * @property string|null $zone  what the zone was called that it is about
 * @property int|null $photo_width
 * @property int|null $photo_height
 * @property bool $undone
 * @property Carbon $made_at
 * @property float|null $laid_mm2  area times passes
 * @property float|null $minutes  since the press before
 */
final class DrawingEntry extends Model
{
    protected $table = 'drawing_entries';

    protected $fillable = ['mark', 'kind', 'turn', 'before', 'did', 'recipe_before', 'note', 'zone', 'photo_width', 'photo_height', 'undone', 'made_at', 'laid_mm2', 'minutes'];

    /** @var array<string, string> */
    protected $casts = ['before' => 'array', 'did' => 'array', 'recipe_before' => 'array', 'undone' => 'boolean', 'made_at' => 'datetime'];
}
