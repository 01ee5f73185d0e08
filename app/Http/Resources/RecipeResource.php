<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Colour\Lab;
use Prism\Colour\Lamp;
use Prism\Layering\Rounds;
use Prism\Layering\ToothModel;
use Prism\Matching\Advice\BuildLine;
use Prism\Matching\Advice\Warning;
use Prism\Matching\Recipe;

/** @property-read Recipe $resource */
#[OA\Schema(schema: 'Recipe', required: ['stack', 'steps', 'predicted', 'sigma', 'sensitivity', 'toothLeft', 'difference', 'underlayer', 'build', 'rounds', 'grain', 'breaks', 'warnings', 'underLamp'], properties: [
    new OA\Property(property: 'stack', type: 'string', description: 'stack notation; empty for bare paper'),
    new OA\Property(property: 'steps', type: 'array', items: new OA\Items(ref: '#/components/schemas/Step')),
    new OA\Property(property: 'predicted', ref: '#/components/schemas/Colour'),
    new OA\Property(property: 'sigma', type: 'number', description: 'doubt in dE00'),
    new OA\Property(property: 'sensitivity', type: 'number', description: 'dE00 that a hand makes which is off by 10 % of pressure in every layer'),
    new OA\Property(property: 'toothLeft', type: 'number', description: '0-1'),
    new OA\Property(property: 'difference', ref: '#/components/schemas/Difference'),
    new OA\Property(property: 'underlayer', type: 'integer', nullable: true, description: 'index of the underlayer step'),
    new OA\Property(property: 'build', type: 'string', description: 'how it is laid, in a line'),
    new OA\Property(property: 'rounds', type: 'array', description: 'the steps in groups, bottom to top: so many steps from one on, so many times over', items: new OA\Items(ref: '#/components/schemas/Round')),
    new OA\Property(property: 'grain', type: 'string', description: 'at arm\'s length'),
    new OA\Property(property: 'breaks', type: 'string', nullable: true, description: 'the rule of the schools that it breaks, and what that gains'),
    new OA\Property(property: 'warnings', type: 'array', description: 'at most two, worst first', items: new OA\Items(ref: '#/components/schemas/Warning')),
    new OA\Property(property: 'underLamp', nullable: true, description: 'null in daylight, and where it was not looked at', oneOf: [new OA\Schema(ref: '#/components/schemas/LampLook')]),
])]
#[OA\Schema(schema: 'Difference', required: ['dE00', 'dL', 'dC', 'dH', 'valueSteps', 'words'], properties: [
    new OA\Property(property: 'dE00', type: 'number'),
    new OA\Property(property: 'dL', type: 'number'),
    new OA\Property(property: 'dC', type: 'number'),
    new OA\Property(property: 'dH', type: 'number'),
    new OA\Property(property: 'valueSteps', type: 'number'),
    new OA\Property(property: 'words', type: 'string'),
])]
#[OA\Schema(schema: 'Round', required: ['times', 'from', 'steps'], properties: [
    new OA\Property(property: 'times', type: 'integer'),
    new OA\Property(property: 'from', type: 'integer', description: 'index of its first step'),
    new OA\Property(property: 'steps', type: 'integer', description: 'steps of one round'),
])]
#[OA\Schema(schema: 'Warning', required: ['code', 'sentence', 'cure', 'cureStack'], properties: [
    new OA\Property(property: 'code', type: 'string'),
    new OA\Property(property: 'sentence', type: 'string'),
    new OA\Property(property: 'cure', type: 'string', nullable: true, description: 'what avoids it, and what that costs'),
    new OA\Property(property: 'cureStack', type: 'string', nullable: true),
])]
final class RecipeResource extends JsonResource
{
    private ?LampLookResource $underLamp = null;

    /** Looked at under a lamp too, unless that is daylight, in which all colours are told anyway. */
    public function under(Lamp $lamp, ToothModel $model, Lab $target): self
    {
        $this->underLamp = $lamp === Lamp::Daylight ? null : new LampLookResource($model->draw($this->resource->stack), $target, $lamp);

        return $this;
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $recipe = $this->resource;

        return [
            'stack' => (string) $recipe->stack,
            'steps' => StepResource::collection($recipe->stack->steps),
            'predicted' => ColourResource::make($recipe->prediction->colour),
            'sigma' => round($recipe->prediction->sigma, 2),
            'sensitivity' => round($recipe->prediction->sensitivity, 2),
            'toothLeft' => round($recipe->prediction->toothLeft, 3),
            'difference' => $recipe->difference->jsonSerialize(),
            'underlayer' => $recipe->underlayer,
            'build' => BuildLine::of($recipe->stack, $recipe->underlayer),
            'rounds' => array_map(static fn (Rounds $round): array => ['times' => $round->times, 'from' => $round->from, 'steps' => count($round->steps)], Rounds::of($recipe->stack)),
            'grain' => $recipe->prediction->grainWords(),
            'breaks' => $recipe->breaks?->sentence(),
            'warnings' => array_map(static fn (Warning $warning): array => [
                'code' => $warning->value, 'sentence' => $warning->sentence(),
                'cure' => ($recipe->cures[$warning->value] ?? null)?->sentence(), 'cureStack' => isset($recipe->cures[$warning->value]) ? (string) $recipe->cures[$warning->value]->stack : null,
            ], array_slice($recipe->warnings, 0, Warning::SHOWN)),
            'underLamp' => $this->underLamp,
        ];
    }
}
