<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Planning\Advice\Pair;

/**
 * Two touching zones that will merge, and how to push one of them.
 *
 * @property-read Pair $resource
 */
#[OA\Schema(schema: 'Neighbours', required: ['one', 'other', 'dE00', 'pushed', 'sentence'], properties: [
    new OA\Property(property: 'one', type: 'string'),
    new OA\Property(property: 'other', type: 'string'),
    new OA\Property(property: 'dE00', type: 'number'),
    new OA\Property(property: 'pushed', type: 'string'),
    new OA\Property(property: 'sentence', type: 'string'),
])]
final class NeighboursResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $pair = $this->resource;

        return [
            'one' => $pair->one->id, 'other' => $pair->other->id, 'dE00' => round($pair->dE00, 1), 'pushed' => $pair->pushed->id,
            'sentence' => $pair->sentence(),
        ];
    }
}
