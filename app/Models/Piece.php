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
use Prism\Matching\School;

/**
 * One drawing: a reference photo, a paper, a school and the zones read from the photo.
 *
 * @property string $id
 * @property int $user_id
 * @property int $paper_id
 * @property string $title
 * @property School $school
 * @property int $photo_width
 * @property int $photo_height
 * @property Carbon $updated_at
 * @property-read User $user
 * @property-read Paper $paper
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Zone> $zones
 */
final class Piece extends Model
{
    /** @use HasFactory<PieceFactory> */
    use HasFactory, HasUlids, SoftDeletes;

    protected $fillable = ['paper_id', 'title', 'school', 'photo_width', 'photo_height'];

    /** @var array<string, string> */
    protected $casts = ['school' => School::class];

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

    /** @return HasMany<Zone, $this> */
    public function zones(): HasMany
    {
        $zones = $this->hasMany(Zone::class);
        $zones->orderBy('position')->orderBy('id');

        return $zones;
    }

    /** @return HasMany<DrawnStep, $this> */
    public function drawnSteps(): HasMany
    {
        return $this->hasMany(DrawnStep::class);
    }
}
