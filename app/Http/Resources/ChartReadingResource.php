<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Colour\Lab;

/** What the picture of a filled chart says. */
#[OA\Schema(schema: 'ChartReading', required: ['sheet', 'width', 'height', 'light', 'corners', 'fields'], properties: [
    new OA\Property(property: 'sheet', type: 'integer'),
    new OA\Property(property: 'width', type: 'integer', description: 'of the picture as it was read, pixels'),
    new OA\Property(property: 'height', type: 'integer'),
    new OA\Property(property: 'light', type: 'number', description: 'brightest paper over darkest'),
    new OA\Property(property: 'corners', type: 'array', items: new OA\Items(type: 'array', items: new OA\Items(type: 'number'))),
    new OA\Property(property: 'fields', type: 'array', items: new OA\Items(required: ['number', 'stack', 'colour', 'over', 'opacity', 'spread', 'doubts', 'outline'], properties: [
        new OA\Property(property: 'number', type: 'integer'),
        new OA\Property(property: 'stack', type: 'string'),
        new OA\Property(property: 'colour', ref: '#/components/schemas/Colour'),
        new OA\Property(property: 'over', nullable: true, description: 'the pencil on the black bar of a card', oneOf: [new OA\Schema(ref: '#/components/schemas/Colour')]),
        new OA\Property(property: 'opacity', type: 'string', enum: ['transparent', 'semi', 'opaque'], nullable: true, description: 'how it covers the bar; null where that cannot be told'),
        new OA\Property(property: 'spread', type: 'number'),
        new OA\Property(property: 'doubts', type: 'array', items: new OA\Items(type: 'string')),
        new OA\Property(property: 'outline', type: 'array', items: new OA\Items(type: 'array', items: new OA\Items(type: 'number'))),
    ])),
])]
final class ChartReadingResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $fields = array_map(static fn (array $field): array => [
            ...array_diff_key($field, ['L' => 0, 'a' => 0, 'b' => 0]),
            'colour' => self::colour($field), 'over' => isset($field['over']) ? self::colour($field['over']) : null, 'opacity' => $field['opacity'] ?? null,
        ], $this->resource['fields']);

        return [...$this->resource, 'fields' => $fields];
    }

    /** @param  array<string, mixed>  $lab */
    private static function colour(array $lab): ColourResource
    {
        return ColourResource::make(Lab::of((float) $lab['L'], (float) $lab['a'], (float) $lab['b']));
    }
}
