<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Planning\Pair;

/**
 * Two touching zones that will merge, and how to push one of them.
 *
 * @property-read array{pair: Pair, with: string|null} $resource
 */
#[OA\Schema(schema: 'Neighbours', required: ['one', 'other', 'dE00', 'pushed', 'sentence', 'with'], properties: [
    new OA\Property(property: 'one', type: 'string'),
    new OA\Property(property: 'other', type: 'string'),
    new OA\Property(property: 'dE00', type: 'number'),
    new OA\Property(property: 'pushed', type: 'string'),
    new OA\Property(property: 'sentence', type: 'string'),
    new OA\Property(property: 'with', type: 'string', nullable: true, description: 'a stack that pushes it, to begin with'),
])]
final class NeighboursResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $pair = $this->resource['pair'];

        return [
            'one' => $pair->one->id, 'other' => $pair->other->id, 'dE00' => round($pair->dE00, 1), 'pushed' => $pair->pushed->id,
            'sentence' => $pair->sentence(), 'with' => $this->resource['with'],
        ];
    }
}
