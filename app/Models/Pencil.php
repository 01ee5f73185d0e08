<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $range_id
 * @property string $number
 * @property string $name
 * @property list<string> $aliases
 * @property string $binder
 * @property string $opacity
 * @property ?string $core
 * @property bool $stains
 * @property ?string $lightfastness
 * @property string $status
 * @property ?string $replaced_by  RANGE:NUMBER
 * @property ?list<float> $bands  null without a colour
 * @property ?list<float> $spectrum
 * @property ?float $L  of the heavy coat, as are a and b
 * @property ?float $a
 * @property ?float $b
 * @property-read Range $range
 */
final class Pencil extends Model
{
    use CastsOnce;

    protected $table = 'pencils';

    protected $fillable = ['range_id', 'number', 'name', 'aliases', 'binder', 'opacity', 'core', 'stains', 'lightfastness', 'status', 'replaced_by', 'bands', 'spectrum', 'L', 'a', 'b'];

    /** @var array<string, string> */
    protected $casts = ['aliases' => 'array', 'bands' => 'array', 'spectrum' => 'array', 'stains' => 'boolean'];

    /** @return Builder<self> the pencils an artist sees: those that ship, and those of their own ranges */
    public static function seenBy(User $artist): Builder
    {
        $pencils = self::query();
        $pencils->whereIn('range_id', Range::seenBy($artist)->select('id'));

        return $pencils;
    }

    /** @return BelongsTo<Range, $this> */
    public function range(): BelongsTo
    {
        return $this->belongsTo(Range::class);
    }
}
