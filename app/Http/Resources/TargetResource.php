<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\ZoneTarget;
use App\Studio\Zones\Targets;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Colour\Lamp;

/** @mixin ZoneTarget */
#[OA\Schema(schema: 'Target', required: ['id', 'role', 'name', 'label', 'colour', 'read', 'spread', 'share', 'x', 'y', 'lineMm', 'edited', 'version', 'recipe'], properties: [
    new OA\Property(property: 'id', type: 'string'),
    new OA\Property(property: 'role', ref: '#/components/schemas/TargetRole'),
    new OA\Property(property: 'name', type: 'string', description: 'of the zone, and which of its colours'),
    new OA\Property(property: 'label', type: 'string', description: 'which of the colours of its zone; no two of a zone are called alike'),
    new OA\Property(property: 'colour', ref: '#/components/schemas/Colour', description: 'to be drawn: brought within reach as the piece says'),
    new OA\Property(property: 'read', ref: '#/components/schemas/Colour', description: 'as the photo shows it, or as the artist has set it'),
    new OA\Property(property: 'spread', type: 'number'),
    new OA\Property(property: 'share', type: 'number', description: 'of the zone'),
    new OA\Property(property: 'x', type: 'number'),
    new OA\Property(property: 'y', type: 'number'),
    new OA\Property(property: 'lineMm', type: 'number', nullable: true, description: 'how wide lines are on the paper; null for what is no line'),
    new OA\Property(property: 'edited', type: 'boolean'),
    new OA\Property(property: 'version', type: 'integer', description: 'send it back with a change; a newer one is refused'),
    new OA\Property(property: 'recipe', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/Recipe')]),
])]
#[OA\Schema(schema: 'TargetRole', type: 'string', enum: ['light', 'middle', 'dark', 'accent', 'shimmer', 'reflected', 'line'])]
final class TargetResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $seen = $this->seen;
        $lamp = $this->zone->piece->lamp;
        $recipe = $seen === null ? null : RecipeResource::make($seen->recipe);
        $drawn = Targets::drawn($this->resource);
        $label = Targets::label($this->resource);

        return [
            'id' => $this->id,
            'role' => $this->role->value,
            'name' => Targets::name($this->resource, $label),
            'label' => $label,
            'colour' => ColourResource::make($drawn),
            'read' => ColourResource::make(Targets::read($this->resource)),
            'spread' => round($this->spread, 2),
            'share' => round($this->share, 4),
            'x' => $this->x,
            'y' => $this->y,
            'lineMm' => $this->line_width === null ? null : round(Targets::lineMm($this->resource) ?? 0.0, 1),
            'edited' => $this->edited,
            'version' => $this->version,
            'recipe' => $recipe === null || $lamp === Lamp::Daylight ? $recipe : $recipe->under($lamp, $seen->model(), $drawn),
        ];
    }
}
