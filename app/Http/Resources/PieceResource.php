<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Piece;
use App\Studio\Zones\ZoneHistory;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;

/** @mixin Piece */
#[OA\Schema(schema: 'Piece', allOf: [
    new OA\Schema(ref: '#/components/schemas/PieceChoices'),
    new OA\Schema(type: 'object', required: ['id', 'photo', 'references', 'lines', 'zones', 'zonesVersion', 'undo'], properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'photo', ref: '#/components/schemas/Reference', description: 'the first reference: zones and targets are read in it'),
        new OA\Property(property: 'references', type: 'array', items: new OA\Items(ref: '#/components/schemas/Reference')),
        new OA\Property(property: 'lines', type: 'object', nullable: true, description: 'of a piece that is begun from a line drawing', required: ['marginMm', 'gaps', 'more'], properties: [
            new OA\Property(property: 'marginMm', type: 'number', description: 'so much beside each line stays paper'),
            new OA\Property(property: 'gaps', type: 'integer', description: 'of lines, that were bridged'),
            new OA\Property(property: 'more', type: 'integer', description: 'areas beyond the largest that a piece takes'),
        ]),
        new OA\Property(property: 'zones', type: 'array', items: new OA\Items(ref: '#/components/schemas/Zone')),
        new OA\Property(property: 'zonesVersion', type: 'integer', description: 'of which there are and where; send it back with a change of that'),
        new OA\Property(property: 'undo', type: 'string', nullable: true, description: 'the last change of zones, which can be taken back'),
    ]),
])]
final class PieceResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            ...PieceChoicesResource::make($this->resource)->toArray($request),
            'id' => $this->id,
            'photo' => ReferenceResource::make($this->resource->reference()),
            'references' => ReferenceResource::collection($this->references),
            'lines' => $this->lines,
            'zones' => ZoneResource::collection($this->zones),
            'zonesVersion' => ZoneHistory::version($this->resource),
            'undo' => ZoneHistory::undoable($this->resource),
        ];
    }
}
