<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;

/**
 * A part of the picture that is drawn as one: an area of the zone map, or a mere spot that was sampled. Its colours are its
 * targets.
 *
 * @property string $id
 * @property string $piece_id
 * @property string $name
 * @property float $x
 * @property float $y
 * @property float $radius
 * @property int $position
 * @property int $version
 * @property ?int $label
 * @property float $share
 * @property ?string $outline
 * @property array<string, mixed>|null $estimates
 * @property array<string, mixed>|null $corrections
 * @property bool $named
 * @property array<string, string>|null $schools  by question, where this zone is an exception
 * @property array<string, mixed>|null $interpretation
 * @property array{colour: array{float, float, float}, tooth: string}|null $ground  of another medium
 * @property array{by?: string, light?: array{float, float, float}, middle?: array{float, float, float}, dark?: array{float, float, float}, pencils?: array<string, string>, recipe?: string, given?: array<string, string>, form?: string, shines?: bool, body?: int}|null $colouring  of an area of a line drawing
 * @property bool $fits
 * @property bool $outside
 * @property-read Piece $piece
 * @property-read \Illuminate\Database\Eloquent\Collection<int, ZoneTarget> $targets
 */
final class Zone extends Model
{
    use CastsOnce, HasUlids, SoftDeletes;

    protected $table = 'zones';

    protected $fillable = ['name', 'x', 'y', 'radius', 'position', 'version', 'label', 'share', 'outline', 'estimates', 'corrections', 'named', 'fits', 'outside', 'schools', 'interpretation', 'ground', 'colouring'];

    protected $attributes = ['version' => 1, 'share' => 0, 'named' => true, 'fits' => true, 'outside' => false];

    /** @var array<string, string> */
    protected $casts = ['estimates' => 'array', 'corrections' => 'array', 'schools' => 'array', 'interpretation' => 'array', 'ground' => 'array', 'colouring' => 'array', 'named' => 'boolean', 'fits' => 'boolean', 'outside' => 'boolean', 'share' => 'float', 'x' => 'float', 'y' => 'float', 'radius' => 'float', 'label' => 'integer'];

    /** @return BelongsTo<Piece, $this> */
    public function piece(): BelongsTo
    {
        return $this->belongsTo(Piece::class);
    }

    /** @return HasMany<ZoneTarget, $this> */
    public function targets(): HasMany
    {
        $targets = $this->hasMany(ZoneTarget::class);
        $targets->orderByRaw("FIELD(role, 'light', 'middle', 'dark', 'reflected', 'accent', 'shimmer', 'line')")->orderByDesc('share')->orderBy('id');

        return $targets;
    }
}
