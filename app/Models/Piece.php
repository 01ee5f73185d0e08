<?php

declare(strict_types=1);

namespace App\Models;

use Database\Factories\PieceFactory;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;
use Prism\Colour\Lamp;

/**
 * One drawing: its references, a paper, a school and the zones read in the first reference.
 *
 * @property string $id
 * @property int $user_id
 * @property int $paper_id
 * @property string $title
 * @property array<string, string>|null $schools  by question, where this piece has its own
 * @property array<string, mixed>|null $interpretation
 * @property array{x: float, y: float, width: float, height: float}|null $crop
 * @property float $width_mm
 * @property float $height_mm
 * @property string $unit
 * @property array{mode: string, photoDark: float, photoLight: float, reachDark: float, reachLight: float, chroma?: array<string, float>}|null $tone
 * @property float|null $light_degrees
 * @property Lamp $lamp
 * @property int $session_minutes
 * @property int|null $palette_size
 * @property list<string>|null $pinned
 * @property list<string>|null $banned
 * @property array{size: int|null, curve: list<array{size: int, dE00: float, pencils?: list<string>}>, pencils: list<array{id: string, loss: float}>, dE00: float, separate?: float, apart?: array<string, array{base: string, local: bool, further: float|null}>, wholeBox: float}|null $palette
 * @property bool $value_only
 * @property array{recipes: array<string, array{stack: string, by_hand: bool}|null>, palette: array<string, mixed>|null}|null $before_planning
 * @property list<array{id: string, zone: string, kind: string, sentence: string, on: string, layer: string|null, had: array<string, array{stack: string, by_hand: bool}|null>, has: array<string, string>, crisp: bool|null, crispBefore: bool|null}>|null $advised
 * @property array{marginMm: float, gaps: int, more: int}|null $lines  of a piece that is begun from a line drawing: what stays paper beside a line, gaps that were bridged, areas that were too many
 * @property string|null $zone_map
 * @property array{turns: int, done: int, minutesLeft: float}|null $progress  as its plan was last seen
 * @property int $version  counts changes of what is chosen for it
 * @property Carbon $updated_at
 * @property-read User $user
 * @property-read Paper $paper
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Zone> $zones
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Reference> $references
 */
final class Piece extends Model
{
    /** @use HasFactory<PieceFactory> */
    use CastsOnce, HasFactory, HasUlids, SoftDeletes;

    protected $table = 'pieces';

    protected $fillable = ['paper_id', 'title', 'schools', 'interpretation', 'crop', 'width_mm', 'height_mm', 'unit', 'tone', 'light_degrees', 'lamp', 'zone_map', 'session_minutes', 'palette_size', 'pinned', 'banned', 'palette', 'value_only', 'before_planning', 'advised', 'lines'];

    /** @var array<string, string> */
    protected $casts = ['schools' => 'array', 'interpretation' => 'array', 'crop' => 'array', 'tone' => 'array', 'lamp' => Lamp::class, 'pinned' => 'array', 'banned' => 'array', 'palette' => 'array', 'value_only' => 'boolean', 'before_planning' => 'array', 'advised' => 'array', 'lines' => 'array', 'progress' => 'array', 'width_mm' => 'float', 'height_mm' => 'float', 'light_degrees' => 'float'];

    /** @var list<string> bytes, not for JSON */
    protected $hidden = ['zone_map'];

    protected $attributes = ['width_mm' => 240, 'height_mm' => 180, 'unit' => 'mm', 'lamp' => 'daylight', 'session_minutes' => 90, 'value_only' => false, 'version' => 1];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Paper, $this> */
    public function paper(): BelongsTo
    {
        return $this->belongsTo(Paper::class);
    }

    /** @return HasMany<Zone, $this> what is to be drawn */
    public function zones(): HasMany
    {
        $zones = $this->allZones();
        $zones->where('outside', false);

        return $zones;
    }

    /**
     * Two places of the reference on the paper, mm from the upper left corner of the drawing.
     *
     * @param  array{float, float, float, float}  $ends  x and y of both, shares of the photo
     * @return array{float, float, float, float}
     */
    public function onPaper(array $ends): array
    {
        $crop = $this->crop ?? ['x' => 0.0, 'y' => 0.0, 'width' => 1.0, 'height' => 1.0];
        $x = fn (float $share): float => ($share - $crop['x']) / $crop['width'] * $this->width_mm;
        $y = fn (float $share): float => ($share - $crop['y']) / $crop['height'] * $this->height_mm;

        return [$x($ends[0]), $y($ends[1]), $x($ends[2]), $y($ends[3])];
    }

    /** @return HasMany<Zone, $this> and what the crop leaves out */
    public function allZones(): HasMany
    {
        $zones = $this->hasMany(Zone::class);
        $zones->orderBy('position')->orderBy('id');

        return $zones;
    }

    /** @return HasMany<Reference, $this> */
    public function references(): HasMany
    {
        $references = $this->hasMany(Reference::class);
        $references->orderBy('position')->orderBy('id');

        return $references;
    }

    /** The one that zones and targets are read in. */
    public function reference(): Reference
    {
        return $this->references->firstOrFail();
    }

    /** @return HasMany<ZoneChange, $this> */
    public function zoneChanges(): HasMany
    {
        return $this->hasMany(ZoneChange::class);
    }

    /** @return HasMany<Share, $this> */
    public function shares(): HasMany
    {
        return $this->hasMany(Share::class);
    }

    /** @return HasMany<DrawnStep, $this> */
    public function drawnSteps(): HasMany
    {
        return $this->hasMany(DrawnStep::class);
    }

    /** @return HasMany<DrawingEntry, $this> */
    public function drawingEntries(): HasMany
    {
        return $this->hasMany(DrawingEntry::class);
    }
}
