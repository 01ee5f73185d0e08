<?php

declare(strict_types=1);

namespace App\Models;

use App\Studio\Sweep;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\MassPrunable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Database\Eloquent\SoftDeletingScope;
use Illuminate\Support\Carbon;

/**
 * What an artist laid on which paper, and the colour read.
 *
 * @property int $id
 * @property int $user_id
 * @property int $paper_id
 * @property string $stack
 * @property float $L
 * @property float $a
 * @property float $b
 * @property string $source  typed, instrument, picture or simulated
 * @property string $note
 * @property ?Carbon $drawn_on
 * @property ?float $spread  dE00 within the swatch, where a picture was read
 * @property string $technique
 * @property ?string $chart_id
 * @property Carbon $created_at
 * @property-read Paper $paper
 */
final class Swatch extends Model
{
    use MassPrunable, SoftDeletes;

    protected $table = 'swatches';

    protected $fillable = ['paper_id', 'stack', 'L', 'a', 'b', 'source', 'note', 'drawn_on', 'spread', 'technique', 'chart_id'];

    /** @var array<string, string> */
    protected $casts = ['drawn_on' => 'date:Y-m-d'];

    /** @return BelongsTo<Paper, $this> */
    public function paper(): BelongsTo
    {
        return $this->belongsTo(Paper::class);
    }

    /** @return Builder<self> removed long ago */
    public function prunable(): Builder
    {
        $old = self::query();
        $old->withoutGlobalScope(SoftDeletingScope::class)->where('deleted_at', '<', now()->subDays(Sweep::KEPT_DAYS));

        return $old;
    }
}
