<?php

declare(strict_types=1);

namespace App\Models;

use App\Studio\Sweep;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\MassPrunable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * An archive that was taken in: all that is needed to take it back.
 *
 * @property string $id
 * @property int $user_id
 * @property string $title
 * @property array<string, list<int|string>> $made  keys of what came with it, by table
 * @property array{pieces?: list<string>} $away  keys of what gave way, by table
 * @property array<string, mixed> $before  columns of the artist that it overwrote
 * @property Carbon|null $undone_at
 * @property Carbon $created_at
 */
final class Restore extends Model
{
    use HasUlids, MassPrunable;

    protected $table = 'restores';

    protected $fillable = ['title', 'made', 'away', 'before', 'undone_at'];

    /** @var array<string, string> */
    protected $casts = ['made' => 'array', 'away' => 'array', 'before' => 'array', 'undone_at' => 'datetime'];

    /** @return Builder<self> what gave way to it is gone by then */
    public function prunable(): Builder
    {
        $old = self::query();
        $old->where('created_at', '<', now()->subDays(Sweep::KEPT_DAYS));

        return $old;
    }
}
