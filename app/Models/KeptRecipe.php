<?php

declare(strict_types=1);

namespace App\Models;

use App\Studio\Sweep;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\MassPrunable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Database\Eloquent\SoftDeletingScope;
use Illuminate\Support\Carbon;

/**
 * A recipe in an artist's book: what it is called and for, and what it looked like when it was kept.
 *
 * @property string $id
 * @property int $user_id
 * @property int $paper_id
 * @property string|null $piece_id  that it was found in
 * @property string|null $zone_id
 * @property string|null $zone_name  what the zone was called
 * @property int|null $calibration_id  in force when it was kept
 * @property string $name
 * @property string $purpose  wood in shade, rope, sky
 * @property list<string> $tags
 * @property string $note
 * @property string $stack
 * @property float $L  as it was predicted then
 * @property float $a
 * @property float $b
 * @property string|null $ladder  the same for recipes that were found together, from pale to dark
 * @property int|null $rung  from the palest, 1
 * @property int $version  counts changes
 * @property Carbon $created_at
 * @property-read User $user
 * @property-read Paper $paper
 * @property-read Piece|null $piece
 */
final class KeptRecipe extends Model
{
    use HasUlids, MassPrunable, SoftDeletes;

    protected $table = 'kept_recipes';

    protected $fillable = ['paper_id', 'piece_id', 'zone_id', 'zone_name', 'calibration_id', 'name', 'purpose', 'tags', 'note', 'stack', 'L', 'a', 'b', 'ladder', 'rung'];

    protected $attributes = ['purpose' => '', 'tags' => '[]', 'note' => '', 'version' => 1];

    /** @var array<string, string> */
    protected $casts = ['tags' => 'array', 'L' => 'float', 'a' => 'float', 'b' => 'float'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Paper, $this> */
    public function paper(): BelongsTo
    {
        return $this->belongsTo(Paper::class);
    }

    /** @return BelongsTo<Piece, $this> */
    public function piece(): BelongsTo
    {
        return $this->belongsTo(Piece::class);
    }

    /** @return Builder<self> removed long ago */
    public function prunable(): Builder
    {
        $old = self::query();
        $old->withoutGlobalScope(SoftDeletingScope::class)->where('deleted_at', '<', now()->subDays(Sweep::KEPT_DAYS));

        return $old;
    }
}
