<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\MassPrunable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * Something long that the queue does for an artist: how far it is, and what came of it.
 *
 * @property string $id
 * @property int $user_id
 * @property string $kind
 * @property string $state  waiting, running, done, failed or cancelled
 * @property string $doing
 * @property float $progress  0-1
 * @property array<string, mixed> $wish
 * @property ?array<string, mixed> $result
 * @property string $problem
 * @property Carbon $created_at
 * @property ?Carbon $updated_at
 */
final class Work extends Model
{
    use HasUlids, MassPrunable;

    private const KEPT_DAYS = 30;

    protected $table = 'works';

    protected $fillable = ['kind', 'wish', 'state', 'doing', 'progress', 'result', 'problem'];

    /** @var array<string, string> */
    protected $casts = ['wish' => 'array', 'result' => 'array'];

    /** @var array<string, mixed> */
    protected $attributes = ['state' => 'waiting', 'doing' => '', 'progress' => 0.0, 'problem' => ''];

    /** @return Builder<self> ended long ago */
    public function prunable(): Builder
    {
        $old = self::query();
        $old->whereNotIn('state', ['waiting', 'running'])->where('updated_at', '<', now()->subDays(self::KEPT_DAYS));

        return $old;
    }
}
