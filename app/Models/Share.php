<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\MassPrunable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A link by which whoever has it reads a plan or a record, and nothing else.
 *
 * @property string $id
 * @property string $piece_id
 * @property string $kind  plan or record
 * @property bool $with_photo  the reference is seen too
 * @property string $token
 * @property string $digest
 * @property Carbon $expires_at
 * @property Carbon $created_at
 * @property-read Piece $piece
 */
final class Share extends Model
{
    use HasUlids, MassPrunable;

    private const KEPT_DAYS = 30;

    protected $table = 'shares';

    protected $fillable = ['kind', 'with_photo', 'token', 'digest', 'expires_at'];

    protected $hidden = ['token', 'digest'];

    /** @var array<string, string> */
    protected $casts = ['with_photo' => 'boolean', 'token' => 'encrypted', 'expires_at' => 'datetime'];

    /** @return BelongsTo<Piece, $this> */
    public function piece(): BelongsTo
    {
        return $this->belongsTo(Piece::class);
    }

    /** @return Builder<self> over long ago */
    public function prunable(): Builder
    {
        $old = self::query();
        $old->where('expires_at', '<', now()->subDays(self::KEPT_DAYS));

        return $old;
    }
}
