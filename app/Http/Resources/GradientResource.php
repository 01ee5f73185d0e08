<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Planning\Gradient\Feathering;

/**
 * Pencils feathered into one another, light to dark.
 *
 * @property-read Feathering $resource
 */
#[OA\Schema(schema: 'Gradient', description: 'feathered into one another, light to dark: each alone, and each two together', required: ['rounds', 'steps'], properties: [
    new OA\Property(property: 'rounds', type: 'integer', nullable: true, description: 'over the whole form; null where each value has layers of its own'),
    new OA\Property(property: 'steps', type: 'array', items: new OA\Items(required: ['stack', 'colour', 'from', 'to', 'apart', 'toldApart'], properties: [
        new OA\Property(property: 'stack', type: 'string'),
        new OA\Property(property: 'colour', ref: '#/components/schemas/Colour'),
        new OA\Property(property: 'from', type: 'number', description: 'share of the length'),
        new OA\Property(property: 'to', type: 'number'),
        new OA\Property(property: 'apart', type: 'number', nullable: true, description: 'dE00 from the step before'),
        new OA\Property(property: 'toldApart', type: 'boolean'),
    ])),
])]
final class GradientResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return ['rounds' => $this->resource->rounds, 'steps' => array_map(static fn (array $step): array => [
            'stack' => (string) $step['stack'], 'colour' => ColourResource::make($step['colour']), 'from' => round($step['from'], 4), 'to' => round($step['to'], 4),
            'apart' => $step['apart'] === null ? null : round($step['apart'], 1), 'toldApart' => ($step['apart'] ?? INF) >= Feathering::TOLD_APART,
        ], $this->resource->steps)];
    }
}
