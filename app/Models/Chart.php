<?php

declare(strict_types=1);

namespace App\Models;

use App\Studio\Sweep;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\MassPrunable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Database\Eloquent\SoftDeletingScope;
use Illuminate\Support\Carbon;

/**
 * A chart of numbered cells to be printed and drawn.
 *
 * @property string $id
 * @property int $user_id
 * @property int $paper_id
 * @property string $title
 * @property string $kind
 * @property string $page  a4 or letter
 * @property list<string> $stacks  stack notation by cell
 * @property Carbon $created_at
 * @property-read Paper $paper
 */
final class Chart extends Model
{
    use HasUlids, MassPrunable, SoftDeletes;

    protected $table = 'charts';

    protected $fillable = ['paper_id', 'title', 'kind', 'page', 'stacks'];

    /** @var array<string, string> */
    protected $casts = ['stacks' => 'array'];

    /** @return BelongsTo<Paper, $this> */
    public function paper(): BelongsTo
    {
        return $this->belongsTo(Paper::class);
    }

    /** @return HasMany<Swatch, $this> */
    public function swatches(): HasMany
    {
        return $this->hasMany(Swatch::class);
    }

    /** @return Builder<self> removed long ago */
    public function prunable(): Builder
    {
        $old = self::query();
        $old->withoutGlobalScope(SoftDeletingScope::class)->where('deleted_at', '<', now()->subDays(Sweep::KEPT_DAYS));

        return $old;
    }
}
