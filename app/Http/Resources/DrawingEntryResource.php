<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\DrawingEntry;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;

/** @mixin DrawingEntry */
#[OA\Schema(schema: 'DrawingEntry', required: ['mark', 'kind', 'turn', 'keys', 'note', 'undone', 'madeAt'], properties: [
    new OA\Property(property: 'mark', type: 'string', description: 'given by who made it'),
    new OA\Property(property: 'kind', type: 'string', enum: ['done', 'skipped', 'open', 'note'], description: 'open: a mark was taken off'),
    new OA\Property(property: 'turn', nullable: true, type: 'integer', description: 'of the plan as it was then'),
    new OA\Property(property: 'keys', type: 'array', description: 'steps that it marked', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'note', nullable: true, type: 'string'),
    new OA\Property(property: 'undone', type: 'boolean'),
    new OA\Property(property: 'madeAt', type: 'string', format: 'date-time'),
])]
final class DrawingEntryResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'mark' => $this->mark,
            'kind' => $this->kind,
            'turn' => $this->turn,
            'keys' => array_map(strval(...), array_keys($this->before ?? [])),
            'note' => $this->note,
            'undone' => $this->undone,
            'madeAt' => $this->made_at->toIso8601String(),
        ];
    }
}
