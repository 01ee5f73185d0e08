<?php

declare(strict_types=1);

namespace App\Models;

use App\Studio\Photos\ReferenceRole;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\SoftDeletes;

/**
 * A photo that a piece is drawn from. The first of a piece is the one that zones and targets are read in.
 *
 * @property string $id
 * @property string $piece_id
 * @property string $name
 * @property ReferenceRole $role
 * @property int $width
 * @property int $height
 * @property int $position
 * @property array{by: string, x?: float, y?: float, radius?: float, lamp?: string}|null $balance
 * @property list<array{float, float, float, float}> $pairs
 * @property int $picture  which of its pictures is shown: a folder of its own for each
 * @property array{picture: int, width: int, height: int, balance: array{by: string, x?: float, y?: float, radius?: float, lamp?: string}|null}|null $before  what it showed before the last change
 * @property-read Piece $piece
 */
final class Reference extends Model
{
    use HasUlids, SoftDeletes;

    protected $table = 'reference_pictures';

    protected $fillable = ['name', 'role', 'width', 'height', 'position', 'balance', 'pairs', 'picture', 'before'];

    protected $attributes = ['pairs' => '[]', 'picture' => 1];

    /** @var array<string, string> */
    protected $casts = ['role' => ReferenceRole::class, 'balance' => 'array', 'pairs' => 'array', 'before' => 'array'];

    /** The number of a picture that there was never yet. */
    public function nextPicture(): int
    {
        return 1 + max($this->picture, $this->before['picture'] ?? 0);
    }

    /**
     * What it shows, to be taken back later.
     *
     * @return array{picture: int, width: int, height: int, balance: array{by: string, x?: float, y?: float, radius?: float, lamp?: string}|null}
     */
    public function shown(): array
    {
        return ['picture' => $this->picture, 'width' => $this->width, 'height' => $this->height, 'balance' => $this->balance];
    }

    /** @return BelongsTo<Piece, $this> */
    public function piece(): BelongsTo
    {
        return $this->belongsTo(Piece::class);
    }
}
