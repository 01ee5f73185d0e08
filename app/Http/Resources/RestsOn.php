<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\User;
use App\Studio\Calibration\Calibrations;
use OpenApi\Attributes as OA;

/** The calibration that a prediction rests on. */
#[OA\Schema(schema: 'RestsOn', required: ['id', 'number', 'swatches', 'madeAt'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'number', type: 'integer', description: 'counted by artist'),
    new OA\Property(property: 'swatches', type: 'integer'),
    new OA\Property(property: 'madeAt', type: 'string', format: 'date-time'),
])]
final class RestsOn
{
    /** @return ?array{id: int, number: int, swatches: int, madeAt: string} null where only the pencils' own colours speak */
    public static function of(User $artist): ?array
    {
        return Calibrations::restsOn($artist);
    }
}
