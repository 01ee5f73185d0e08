<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Zone;
use App\Studio\ZoneRecipes;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;

/** @mixin Zone */
#[OA\Schema(schema: 'Zone', required: ['id', 'name', 'x', 'y', 'radius', 'target', 'spread', 'version', 'recipe'], properties: [
    new OA\Property(property: 'id', type: 'string'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'x', type: 'number', description: 'share of the width'),
    new OA\Property(property: 'y', type: 'number', description: 'share of the height'),
    new OA\Property(property: 'radius', type: 'number', description: 'share of the width'),
    new OA\Property(property: 'target', ref: '#/components/schemas/Colour'),
    new OA\Property(property: 'spread', type: 'number'),
    new OA\Property(property: 'version', type: 'integer', description: 'send it back with a change; a newer one is refused'),
    new OA\Property(property: 'recipe', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/Recipe')]),
])]
final class ZoneResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $recipe = app(ZoneRecipes::class)->of($this->resource);

        return [
            'id' => $this->id,
            'name' => $this->name,
            'x' => $this->x,
            'y' => $this->y,
            'radius' => $this->radius,
            'target' => ColourResource::make(ZoneRecipes::target($this->resource)),
            'spread' => round($this->spread, 2),
            'version' => $this->version,
            'recipe' => $recipe === null ? null : RecipeResource::make($recipe),
        ];
    }
}
