<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

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
 * @property string $source
 * @property-read Paper $paper
 */
final class Swatch extends Model
{
    protected $fillable = ['paper_id', 'stack', 'L', 'a', 'b', 'source'];

    /** @return BelongsTo<Paper, $this> */
    public function paper(): BelongsTo
    {
        return $this->belongsTo(Paper::class);
    }
}
