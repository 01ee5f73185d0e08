<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\SoftDeletes;
use Prism\Materials\PaperKind;

/**
 * @property int $id
 * @property ?int $user_id  whose own; null ships with the studio
 * @property string $slug
 * @property string $name
 * @property PaperKind $kind
 * @property float $L
 * @property float $a
 * @property float $b
 * @property float $roughness
 * @property float $capacity
 * @property float $adhesion
 * @property ?float $width_mm  of a sheet
 * @property ?float $height_mm
 */
final class Paper extends Model
{
    use CastsOnce, SoftDeletes;

    /** Columns that a prediction on it rests on. */
    public const PHYSICAL = ['slug', 'L', 'a', 'b', 'roughness', 'capacity', 'adhesion'];

    protected $table = 'papers';

    protected $fillable = ['user_id', 'slug', 'name', 'kind', 'L', 'a', 'b', 'roughness', 'capacity', 'adhesion', 'width_mm', 'height_mm'];

    /** @var array<string, string> */
    protected $casts = ['kind' => PaperKind::class];

    /** @return Builder<self> the papers an artist sees: those that ship, and their own */
    public static function seenBy(User $artist): Builder
    {
        $papers = self::query();
        $papers->where(static fn (Builder $either) => $either->whereNull('user_id')->orWhere('user_id', $artist->id));

        return $papers;
    }

    /** A paper that an artist sees, by what it is called in files and addresses. */
    public static function called(User $artist, string $slug): ?self
    {
        return self::seenBy($artist)->where('slug', $slug)->first();
    }
}
