<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Colour\Words\Difference;
use Prism\Layering\Prediction;
use Prism\Layering\Stack;
use Prism\Planning\Order\Replan;

/** @property-read Replan $resource */
#[OA\Schema(schema: 'Replan', required: ['target', 'zone', 'name', 'wanted', 'present', 'old', 'new', 'rest', 'sentence'], properties: [
    new OA\Property(property: 'target', type: 'string', description: 'the colour'),
    new OA\Property(property: 'zone', type: 'string'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'wanted', ref: '#/components/schemas/Colour'),
    new OA\Property(property: 'present', type: 'array', description: 'what lies there', items: new OA\Items(ref: '#/components/schemas/Step')),
    new OA\Property(property: 'old', ref: '#/components/schemas/Ending'),
    new OA\Property(property: 'new', ref: '#/components/schemas/Ending'),
    new OA\Property(property: 'rest', type: 'string', description: 'of the new one, as it is sent back to take it'),
    new OA\Property(property: 'sentence', type: 'string'),
])]
#[OA\Schema(schema: 'Ending', required: ['steps', 'colour', 'dE00', 'words'], properties: [
    new OA\Property(property: 'steps', type: 'array', description: 'from here on; none: nothing more', items: new OA\Items(ref: '#/components/schemas/Step')),
    new OA\Property(property: 'colour', ref: '#/components/schemas/Colour'),
    new OA\Property(property: 'dE00', type: 'number'),
    new OA\Property(property: 'words', type: 'string'),
])]
final class ReplanResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $replan = $this->resource;
        $zone = $replan->passed->zone;

        return [
            'target' => $zone->id,
            'zone' => $zone->zone,
            'name' => $zone->name,
            'wanted' => ColourResource::make($zone->target),
            'present' => StepResource::collection($replan->passed->present->steps),
            'old' => self::ending($replan->passed->rest, $replan->old, $replan->oldDifference),
            'new' => self::ending($replan->rest, $replan->new, $replan->newDifference),
            'rest' => (string) $replan->rest,
            'sentence' => $replan->sentence(),
        ];
    }

    /** @return array<string, mixed> */
    private static function ending(Stack $steps, Prediction $prediction, Difference $difference): array
    {
        return ['steps' => StepResource::collection($steps->steps), 'colour' => ColourResource::make($prediction->colour), 'dE00' => round($difference->dE00, 1), 'words' => $difference->words];
    }
}
