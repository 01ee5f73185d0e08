<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Paper;
use App\Studio\Pencils\Catalogue;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Colour\Lab;
use Prism\Materials\PaperKind;

/** @mixin Paper */
#[OA\Schema(schema: 'Paper', required: ['id', 'name', 'kind', 'colour', 'toned', 'own', 'widthMm', 'heightMm'], properties: [
    new OA\Property(property: 'id', type: 'string'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'kind', type: 'string', enum: PaperKind::class),
    new OA\Property(property: 'own', type: 'boolean', description: 'written down by the artist'),
    new OA\Property(property: 'widthMm', type: 'number', nullable: true),
    new OA\Property(property: 'heightMm', type: 'number', nullable: true),
    new OA\Property(property: 'colour', ref: '#/components/schemas/Colour'),
    new OA\Property(property: 'toned', type: 'boolean', description: 'white shows on it'),
])]
final class PaperResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->slug, 'name' => $this->name, 'kind' => $this->kind->value, 'own' => $this->user_id !== null, 'widthMm' => $this->width_mm, 'heightMm' => $this->height_mm,
            'colour' => ColourResource::make(Lab::of($this->L, $this->a, $this->b)), 'toned' => Catalogue::paper($this->resource)->isToned(),
        ];
    }
}
