<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * The zones of a piece as they were before a change, so that it can be undone.
 *
 * @property int $id
 * @property string $piece_id
 * @property string $what
 * @property array{zones: list<array<string, mixed>>, targets: list<array<string, mixed>>} $before
 * @property string|null $zone_map
 */
final class ZoneChange extends Model
{
    protected $table = 'zone_changes';

    protected $fillable = ['what', 'before', 'zone_map'];

    /** @var array<string, string> */
    protected $casts = ['before' => 'array'];
}
