<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Swatch;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Colour\Lab;

/** @mixin Swatch */
#[OA\Schema(schema: 'Swatch', required: ['id', 'paper', 'stack', 'colour', 'source', 'note', 'drawnOn', 'spread', 'technique', 'chart', 'writtenAt'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'paper', type: 'string'),
    new OA\Property(property: 'stack', type: 'string', description: 'empty for the bare paper'),
    new OA\Property(property: 'colour', ref: '#/components/schemas/Colour'),
    new OA\Property(property: 'source', type: 'string', enum: ['typed', 'instrument', 'picture', 'simulated']),
    new OA\Property(property: 'note', type: 'string'),
    new OA\Property(property: 'drawnOn', type: 'string', nullable: true, format: 'date'),
    new OA\Property(property: 'spread', type: 'number', nullable: true),
    new OA\Property(property: 'technique', type: 'string'),
    new OA\Property(property: 'chart', type: 'string', nullable: true),
    new OA\Property(property: 'writtenAt', type: 'string', format: 'date-time'),
])]
final class SwatchResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'paper' => $this->paper->slug,
            'stack' => $this->stack,
            'colour' => ColourResource::make(Lab::of($this->L, $this->a, $this->b)),
            'source' => $this->source,
            'note' => $this->note,
            'drawnOn' => $this->drawn_on?->format('Y-m-d'),
            'spread' => $this->spread,
            'technique' => $this->technique,
            'chart' => $this->chart_id,
            'writtenAt' => $this->created_at->toIso8601String(),
        ];
    }
}
