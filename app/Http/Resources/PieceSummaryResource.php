<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Piece;
use App\Studio\Planning\Progress;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;

/**
 * @mixin Piece
 *
 * @property int $zones_count
 * @property int $recipes_count
 */
#[OA\Schema(schema: 'PieceSummary', required: ['id', 'title', 'paperName', 'photo', 'zoneCount', 'recipeCount', 'progress', 'updatedAt'], properties: [
    new OA\Property(property: 'id', type: 'string'),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'paperName', type: 'string'),
    new OA\Property(property: 'photo', ref: '#/components/schemas/Reference'),
    new OA\Property(property: 'zoneCount', type: 'integer'),
    new OA\Property(property: 'recipeCount', type: 'integer'),
    new OA\Property(property: 'progress', nullable: true, type: 'object', description: 'of the drawing, as its plan was last seen', required: ['turns', 'done', 'minutesLeft'], properties: [
        new OA\Property(property: 'turns', type: 'integer'),
        new OA\Property(property: 'done', type: 'integer'),
        new OA\Property(property: 'minutesLeft', type: 'number', description: 'of the hands'),
    ]),
    new OA\Property(property: 'updatedAt', type: 'string', format: 'date-time'),
])]
final class PieceSummaryResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'title' => $this->title,
            'paperName' => $this->paper->name,
            'photo' => ReferenceResource::make($this->resource->reference()),
            'zoneCount' => $this->zones_count,
            'recipeCount' => $this->recipes_count,
            'progress' => Progress::noted($this->resource),
            'updatedAt' => $this->updated_at->toIso8601String(),
        ];
    }
}
