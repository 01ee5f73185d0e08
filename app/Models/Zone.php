<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Database\Eloquent\SoftDeletes;

/**
 * A named sample of the photo, and the colour that it is to have in the drawing.
 *
 * @property string $id
 * @property string $piece_id
 * @property string $name
 * @property float $x
 * @property float $y
 * @property float $radius
 * @property float $L
 * @property float $a
 * @property float $b
 * @property float $spread
 * @property int $position
 * @property int $version
 * @property-read Piece $piece
 * @property-read ?Recipe $recipe
 */
final class Zone extends Model
{
    use HasUlids, SoftDeletes;

    protected $fillable = ['name', 'x', 'y', 'radius', 'L', 'a', 'b', 'spread', 'position', 'version'];

    protected $attributes = ['version' => 1];

    /** @return BelongsTo<Piece, $this> */
    public function piece(): BelongsTo
    {
        return $this->belongsTo(Piece::class);
    }

    /** @return HasOne<Recipe, $this> */
    public function recipe(): HasOne
    {
        return $this->hasOne(Recipe::class);
    }
}
