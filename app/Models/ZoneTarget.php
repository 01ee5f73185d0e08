<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Database\Eloquent\SoftDeletes;
use Prism\Reference\Zones\TargetRole;

/**
 * A colour that a zone is to have in the drawing: its light, middle or dark, an accent, a shimmer.
 *
 * @property string $id
 * @property string $zone_id
 * @property TargetRole $role
 * @property float $L
 * @property float $a
 * @property float $b
 * @property float $spread
 * @property float $share
 * @property float $x
 * @property float $y
 * @property float|null $line_width  share of the width of the reference
 * @property float|null $edge_width  over which it fades, likewise
 * @property bool $edited
 * @property int $version
 * @property-read ?\App\Studio\Planning\SeenRecipe $seen  where {@see \App\Studio\PieceViews} has gathered it
 * @property-read Zone $zone
 * @property-read ?Recipe $recipe
 */
final class ZoneTarget extends Model
{
    use CastsOnce, HasUlids, SoftDeletes;

    protected $table = 'zone_targets';

    protected $fillable = ['id', 'role', 'L', 'a', 'b', 'spread', 'share', 'x', 'y', 'line_width', 'edge_width', 'edited', 'version'];

    protected $attributes = ['edited' => false, 'version' => 1];

    /** @var array<string, string> */
    protected $casts = ['role' => TargetRole::class, 'edited' => 'boolean', 'L' => 'float', 'a' => 'float', 'b' => 'float', 'spread' => 'float', 'share' => 'float', 'x' => 'float', 'y' => 'float', 'line_width' => 'float', 'edge_width' => 'float'];

    /** @return BelongsTo<Zone, $this> */
    public function zone(): BelongsTo
    {
        return $this->belongsTo(Zone::class);
    }

    /** @return HasOne<Recipe, $this> */
    public function recipe(): HasOne
    {
        return $this->hasOne(Recipe::class, 'target_id');
    }
}
