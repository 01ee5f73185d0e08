<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Reference\Interpretation;

/**
 * What the artist makes of the colours of a photo.
 *
 * @property-read Interpretation $resource
 */
#[OA\Schema(schema: 'Interpretation', description: 'what the artist makes of the photo\'s colours; values stay', required: ['chroma', 'lights', 'shadows', 'hue', 'local'], properties: [
    new OA\Property(property: 'chroma', type: 'integer', description: 'percent'),
    new OA\Property(property: 'lights', type: 'integer', description: 'towards warm, in CIELAB; negative towards cool'),
    new OA\Property(property: 'shadows', type: 'integer'),
    new OA\Property(property: 'hue', nullable: true, description: 'all in one hue', oneOf: [new OA\Schema(ref: '#/components/schemas/Colour')]),
    new OA\Property(property: 'local', nullable: true, description: 'the local colour of a zone instead of its own', oneOf: [new OA\Schema(ref: '#/components/schemas/Colour')]),
])]
#[OA\Schema(schema: 'InterpretationChanges', properties: [
    new OA\Property(property: 'chroma', type: 'integer'),
    new OA\Property(property: 'lights', type: 'integer'),
    new OA\Property(property: 'shadows', type: 'integer'),
    new OA\Property(property: 'hue', type: 'string', nullable: true, description: 'of a piece: hex, L* a* b*, or a pencil'),
    new OA\Property(property: 'local', type: 'string', nullable: true, description: 'of a zone: the same'),
])]
final class InterpretationResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $made = $this->resource;

        return [
            'chroma' => $made->chroma, 'lights' => $made->lights, 'shadows' => $made->shadows,
            'hue' => $made->hue === null ? null : ColourResource::make($made->hue), 'local' => $made->local === null ? null : ColourResource::make($made->local),
        ];
    }
}
