<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Colour\Difference;
use Prism\Colour\Lab;
use Prism\Colour\Lamp;
use Prism\Colour\UnderLamp;
use Prism\Layering\GrainSection;
use Prism\Layering\Passage;
use Prism\Layering\Prediction;
use Prism\Layering\Predictor;
use Prism\Matching\Recipe;

/**
 * A stack under the editor: the recipe, the colour after each step, room and grain section.
 *
 * @property-read Recipe $resource
 */
#[OA\Schema(schema: 'StackPrediction', required: ['recipe', 'strip', 'room', 'section', 'underLamp', 'calibration'], properties: [
    new OA\Property(property: 'underLamp', nullable: true, description: 'what is matched and what is laid, under the lamp that the piece is drawn by; null in daylight', required: ['name', 'target', 'predicted', 'difference'], type: 'object', properties: [
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'target', ref: '#/components/schemas/Colour'),
        new OA\Property(property: 'predicted', ref: '#/components/schemas/Colour'),
        new OA\Property(property: 'difference', ref: '#/components/schemas/Difference'),
    ]),
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
            'recipe' => RecipeResource::make($this->resource),
            'strip' => array_map(static fn (Prediction $prediction): array => [
                'colour' => ColourResource::make($prediction->colour),
                'toothLeft' => round($prediction->toothLeft, 3),
                'sigma' => round($prediction->sigma, 2),
            ], $this->predictor->strip($this->resource->stack)),
            'room' => $this->predictor->room($passage),
            'calibration' => RestsOn::of($this->artist),
            'underLamp' => $this->underLamp($passage),
            'section' => GrainSection::of($passage, $this->predictor->model->tooth)->jsonSerialize(),
        ];
    }

    /** @return array<string, mixed>|null */
    private function underLamp(Passage $passage): ?array
    {
        if ($this->lamp === Lamp::Daylight) {
            return null;
        }
        $target = UnderLamp::of($this->target, $this->lamp);
        $predicted = UnderLamp::ofBands($passage->bands(), $this->lamp);

        return ['name' => $this->lamp->label(), 'target' => ColourResource::make($target), 'predicted' => ColourResource::make($predicted), 'difference' => Difference::between($predicted, $target)->jsonSerialize()];
    }
}
