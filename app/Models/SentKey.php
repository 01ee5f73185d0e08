<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\MassPrunable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A write of a script under a key of its own making, and how it was answered: sent twice it is done once.
 *
 * @property int $id
 * @property int $user_id
 * @property string $key
 * @property string $digest  of what was asked
 * @property ?int $status  null while it is being done
 * @property ?string $body
 * @property Carbon $created_at
 */
final class SentKey extends Model
{
    use MassPrunable;

    public const KEPT_HOURS = 24;

    public const UPDATED_AT = null;

    protected $table = 'sent_keys';

    protected $fillable = ['user_id', 'key', 'digest', 'status', 'body'];

    /** @return Builder<self> of yesterday */
    public function prunable(): Builder
    {
        $old = self::query();
        $old->where('created_at', '<', now()->subHours(self::KEPT_HOURS));

        return $old;
    }
}
