<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property string $slug
 * @property string $name
 * @property float $L
 * @property float $a
 * @property float $b
 * @property float $roughness
 * @property float $capacity
 * @property float $adhesion
 */
final class Paper extends Model
{
    protected $fillable = ['slug', 'name', 'L', 'a', 'b', 'roughness', 'capacity', 'adhesion'];
}
