<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Reference\Image\Sample;

/** @property-read Sample $resource */
#[OA\Schema(schema: 'Sample', required: ['colour', 'spread', 'pixels'], properties: [
    new OA\Property(property: 'colour', ref: '#/components/schemas/Colour'),
    new OA\Property(property: 'spread', type: 'number'),
    new OA\Property(property: 'pixels', type: 'integer'),
])]
final class SampleResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return ['colour' => ColourResource::make($this->resource->colour), 'spread' => round($this->resource->spread, 2), 'pixels' => $this->resource->pixels];
    }
}
