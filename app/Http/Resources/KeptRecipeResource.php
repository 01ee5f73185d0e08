<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Studio\Records\KeptRecipes;
use App\Studio\Records\SeenKept;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Colour\Words\Family;

/** @property-read SeenKept $resource */
#[OA\Schema(schema: 'KeptRecipe', required: ['id', 'version', 'name', 'purpose', 'tags', 'note', 'stack', 'paper', 'colour', 'family', 'recipe', 'missing', 'from', 'cameOut', 'ladder', 'rung', 'keptAt'], properties: [
    new OA\Property(property: 'id', type: 'string'),
    new OA\Property(property: 'version', type: 'integer', description: 'send it back with a change; a newer one is refused'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'purpose', type: 'string', description: 'what it is for'),
    new OA\Property(property: 'tags', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'note', type: 'string'),
    new OA\Property(property: 'stack', type: 'string'),
    new OA\Property(property: 'paper', required: ['id', 'name'], type: 'object', properties: [new OA\Property(property: 'id', type: 'string'), new OA\Property(property: 'name', type: 'string')]),
    new OA\Property(property: 'colour', ref: '#/components/schemas/Colour', description: 'as it was predicted when it was kept'),
    new OA\Property(property: 'family', type: 'string', description: 'of hue, as it looks now, without its admixture'),
    new OA\Property(property: 'recipe', nullable: true, description: 'as it is predicted now, against that; null if a pencil of it is in no range any more', oneOf: [new OA\Schema(ref: '#/components/schemas/Recipe')]),
    new OA\Property(property: 'missing', type: 'array', description: 'its pencils that are not in the box', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'from', nullable: true, required: ['piece', 'title', 'zone'], type: 'object', properties: [
        new OA\Property(property: 'piece', type: 'string'),
        new OA\Property(property: 'title', type: 'string'),
        new OA\Property(property: 'zone', type: 'string'),
    ]),
    new OA\Property(property: 'cameOut', nullable: true, description: 'in the drawing, as its last photo showed its zone', required: ['words', 'dE00', 'at'], type: 'object', properties: [
        new OA\Property(property: 'words', type: 'string'),
        new OA\Property(property: 'dE00', type: 'number'),
        new OA\Property(property: 'at', type: 'string', format: 'date-time'),
    ]),
    new OA\Property(property: 'ladder', type: 'string', nullable: true, description: 'the same for those that go from pale to dark together'),
    new OA\Property(property: 'rung', type: 'integer', nullable: true, description: 'from the palest, 1'),
    new OA\Property(property: 'keptAt', type: 'string', format: 'date-time'),
])]
final class KeptRecipeResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $row = $this->resource->row;

        return [
            ...$row->only(['id', 'version', 'name', 'purpose', 'tags', 'note', 'stack', 'ladder', 'rung']),
            'paper' => ['id' => $row->paper->slug, 'name' => $row->paper->name],
            'colour' => ColourResource::make(KeptRecipes::kept($row)),
            'family' => Family::of($this->resource->recipe->prediction->colour ?? KeptRecipes::kept($row))->kind->value,
            'recipe' => $this->resource->recipe === null ? null : RecipeResource::make($this->resource->recipe),
            'missing' => $this->resource->missing,
            'from' => $row->piece === null ? null : ['piece' => $row->piece->id, 'title' => $row->piece->title, 'zone' => (string) $row->zone_name],
            'cameOut' => $this->resource->cameOut,
            'keptAt' => $row->created_at->toIso8601ZuluString(),
        ];
    }
}
