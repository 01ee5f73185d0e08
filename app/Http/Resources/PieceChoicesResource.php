<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Piece;
use App\Studio\Planning\SchoolChoices;
use App\Studio\Zones\Interpretations;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;

/**
 * What is chosen for a piece as a whole: all that a change of it needs to be answered with.
 *
 * @mixin Piece
 */
#[OA\Schema(schema: 'PieceChoices', required: ['version', 'title', 'paper', 'schools', 'lamp', 'tone', 'format', 'planning', 'lightDegrees', 'interpretation'], properties: [
    new OA\Property(property: 'version', type: 'integer', description: 'counts changes of what is chosen'),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'paper', ref: '#/components/schemas/Paper'),
    new OA\Property(property: 'schools', required: ['chosen', 'own'], type: 'object', properties: [
        new OA\Property(property: 'chosen', ref: '#/components/schemas/SchoolAnswers'),
        new OA\Property(property: 'own', type: 'array', items: new OA\Items(type: 'string'), description: 'questions that the piece answers itself, not its studio'),
    ]),
    new OA\Property(property: 'lamp', ref: '#/components/schemas/LampId', description: 'what it is drawn and looked at under'),
    new OA\Property(property: 'tone', ref: '#/components/schemas/RangeModeId'),
    new OA\Property(property: 'format', ref: '#/components/schemas/Format'),
    new OA\Property(property: 'planning', ref: '#/components/schemas/PlanningWishes'),
    new OA\Property(property: 'lightDegrees', type: 'number', nullable: true, description: 'where the light comes from, if the artist has corrected it'),
    new OA\Property(property: 'interpretation', ref: '#/components/schemas/Interpretation'),
])]
#[OA\Schema(schema: 'RangeModeId', type: 'string', enum: ['as-is', 'compress', 'clip'])]
#[OA\Schema(schema: 'PlanningWishes', required: ['sessionMinutes', 'paletteSize', 'pinned', 'banned', 'valueOnly'], properties: [
    new OA\Property(property: 'sessionMinutes', type: 'integer'),
    new OA\Property(property: 'paletteSize', type: 'integer', nullable: true, description: 'null: the whole box'),
    new OA\Property(property: 'valueOnly', type: 'boolean', description: 'by value, whatever the hues'),
    new OA\Property(property: 'pinned', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'banned', type: 'array', items: new OA\Items(type: 'string')),
])]
#[OA\Schema(schema: 'Format', required: ['crop', 'widthMm', 'heightMm', 'unit'], properties: [
    new OA\Property(property: 'crop', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/Crop')]),
    new OA\Property(property: 'widthMm', type: 'number', description: 'of the drawing'),
    new OA\Property(property: 'heightMm', type: 'number'),
    new OA\Property(property: 'unit', type: 'string', enum: ['mm', 'in']),
])]
#[OA\Schema(schema: 'Crop', description: 'shares of the first reference', required: ['x', 'y', 'width', 'height'], properties: [
    new OA\Property(property: 'x', type: 'number'),
    new OA\Property(property: 'y', type: 'number'),
    new OA\Property(property: 'width', type: 'number'),
    new OA\Property(property: 'height', type: 'number'),
])]
final class PieceChoicesResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'version' => $this->version,
            'title' => $this->title,
            'paper' => PaperResource::make($this->paper),
            'schools' => ['chosen' => SchoolChoices::ofPiece($this->resource)->chosen, 'own' => array_keys($this->schools ?? [])],
            'lamp' => $this->lamp->value,
            'tone' => $this->tone['mode'] ?? 'as-is',
            'format' => ['crop' => $this->crop, 'widthMm' => $this->width_mm, 'heightMm' => $this->height_mm, 'unit' => $this->unit],
            'planning' => [
                'sessionMinutes' => $this->session_minutes,
                'paletteSize' => $this->palette_size, 'pinned' => $this->pinned ?? [], 'banned' => $this->banned ?? [], 'valueOnly' => $this->value_only,
            ],
            'lightDegrees' => $this->light_degrees,
            'interpretation' => InterpretationResource::make(Interpretations::ofPiece($this->resource)),
        ];
    }
}
