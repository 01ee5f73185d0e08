<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Matching\Recipe;
use Prism\Matching\Trio;
use Prism\Materials\PencilId;

/** @property-read Trio $resource */
#[OA\Schema(schema: 'Trio', required: ['pencils', 'recipes', 'further', 'near'], properties: [
    new OA\Property(property: 'pencils', required: ['light', 'middle', 'dark'], type: 'object', description: 'their numbers', properties: [
        new OA\Property(property: 'light', type: 'string'),
        new OA\Property(property: 'middle', type: 'string'),
        new OA\Property(property: 'dark', type: 'string'),
    ]),
    new OA\Property(property: 'recipes', required: ['light', 'middle', 'dark'], type: 'object', properties: [
        new OA\Property(property: 'light', ref: '#/components/schemas/Recipe'),
        new OA\Property(property: 'middle', ref: '#/components/schemas/Recipe'),
        new OA\Property(property: 'dark', ref: '#/components/schemas/Recipe'),
    ]),
    new OA\Property(property: 'further', type: 'number', description: 'mean dE00 further off than without this condition'),
    new OA\Property(property: 'near', type: 'boolean', description: 'whether it is near enough to be drawn'),
])]
final class TrioResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'pencils' => array_map(static fn (string $id): string => PencilId::of($id)->number, $this->resource->pencils),
            'recipes' => array_map(static fn (Recipe $recipe): RecipeResource => RecipeResource::make($recipe), $this->resource->recipes),
            'further' => round($this->resource->further, 2),
            'near' => $this->resource->isNear(),
        ];
    }
}
