<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Colour\Lab;
use Prism\Colour\Lamp;
use Prism\Layering\GrainSection;
use Prism\Layering\Prediction;
use Prism\Layering\Predictor;
use Prism\Matching\Recipe;

/**
 * A stack under the editor: the recipe, the colour after each step, room and grain section.
 *
 * @property-read Recipe $resource
 */
#[OA\Schema(schema: 'StackPrediction', required: ['recipe', 'strip', 'room', 'section', 'calibration'], properties: [
    new OA\Property(property: 'recipe', ref: '#/components/schemas/Recipe'),
    new OA\Property(property: 'strip', type: 'array', description: 'the bare paper, then after each step', items: new OA\Items(ref: '#/components/schemas/StripEntry')),
    new OA\Property(property: 'room', type: 'integer', description: 'light layers that would still show'),
    new OA\Property(property: 'section', type: 'array', items: new OA\Items(ref: '#/components/schemas/SectionBin')),
    new OA\Property(property: 'calibration', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/RestsOn')]),
])]
#[OA\Schema(schema: 'StripEntry', required: ['colour', 'toothLeft', 'sigma'], properties: [
    new OA\Property(property: 'colour', ref: '#/components/schemas/Colour'),
    new OA\Property(property: 'toothLeft', type: 'number'),
    new OA\Property(property: 'sigma', type: 'number'),
])]
#[OA\Schema(schema: 'SectionBin', required: ['depth', 'share', 'capacity', 'looks', 'films'], properties: [
    new OA\Property(property: 'depth', type: 'number'),
    new OA\Property(property: 'share', type: 'number'),
    new OA\Property(property: 'capacity', type: 'number'),
    new OA\Property(property: 'looks', type: 'string'),
    new OA\Property(property: 'films', type: 'array', items: new OA\Items(required: ['thickness', 'hex'], type: 'object', properties: [
        new OA\Property(property: 'thickness', type: 'number'),
        new OA\Property(property: 'hex', type: 'string'),
    ])),
])]
final class StackPredictionResource extends JsonResource
{
    public function __construct(Recipe $recipe, private readonly Predictor $predictor, private readonly User $artist, private readonly Lab $target, private readonly Lamp $lamp)
    {
        parent::__construct($recipe);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $passage = $this->predictor->model->draw($this->resource->stack);

        return [
            'recipe' => RecipeResource::make($this->resource)->under($this->lamp, $this->predictor->model, $this->target),
            'strip' => array_map(static fn (Prediction $prediction): array => [
                'colour' => ColourResource::make($prediction->colour),
                'toothLeft' => round($prediction->toothLeft, 3),
                'sigma' => round($prediction->sigma, 2),
            ], $this->predictor->strip($this->resource->stack)),
            'room' => $this->predictor->room($passage),
            'calibration' => RestsOn::of($this->artist),
            'section' => GrainSection::of($passage, $this->predictor->model->tooth)->jsonSerialize(),
        ];
    }
}
