<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Colour\Lab;
use Prism\Layering\Stack;

/** @property-read array<string, mixed> $resource */
#[OA\Schema(schema: 'Review', required: ['photo', 'madeAt', 'straight', 'values', 'errors', 'found', 'given', 'taped', 'corners', 'width', 'height', 'range', 'meanError', 'meanSteps', 'meanErrorWords', 'warnings', 'zones', 'merged', 'lost', 'outlines', 'onlyLines', 'hidden', 'rangeSteps', 'photoSteps', 'course', 'corrections', 'hand', 'goneOn'], properties: [
    new OA\Property(property: 'photo', type: 'string', description: 'its mark in the log'),
    new OA\Property(property: 'madeAt', type: 'string', format: 'date-time'),
    new OA\Property(property: 'straight', type: 'string', description: 'address of the drawing as it is seen from above, in even light'),
    new OA\Property(property: 'values', type: 'string', description: 'address of the same in greys of its values'),
    new OA\Property(property: 'errors', type: 'string', description: 'address of the value error: grey, 128 + 2 (L* of the drawing - L* of the reference); what glare or shadow hides is no grey'),
    new OA\Property(property: 'found', type: 'boolean', description: 'false: the corners are to be looked at'),
    new OA\Property(property: 'given', type: 'boolean', description: 'whether the corners were set by hand'),
    new OA\Property(property: 'taped', type: 'boolean', description: 'tape lies round the drawing: its light is told by the drawing itself'),
    new OA\Property(property: 'corners', type: 'array', description: 'upper left, upper right, lower right, lower left, shares of the photo’s width and height', items: new OA\Items(type: 'array', items: new OA\Items(type: 'number'))),
    new OA\Property(property: 'width', type: 'integer'),
    new OA\Property(property: 'height', type: 'integer'),
    new OA\Property(property: 'range', type: 'string', description: 'what of the photo’s range of values the drawing has, in words'),
    new OA\Property(property: 'meanError', type: 'number', description: 'of value, L*'),
    new OA\Property(property: 'meanSteps', type: 'number', description: 'the same in steps of the ladder'),
    new OA\Property(property: 'meanErrorWords', type: 'string', description: 'the same in steps of the ladder, as it is said'),
    new OA\Property(property: 'warnings', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'zones', type: 'array', description: 'the one that hurts most first', items: new OA\Items(required: ['id', 'name', 'state', 'isToCome', 'words', 'dL', 'stepsOff', 'dE00'], properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'state', type: 'string', enum: ['bare', 'begun', 'near', 'off', 'spoiled']),
        new OA\Property(property: 'isToCome', type: 'boolean', description: 'the plan has not come to it yet, and nothing lies there'),
        new OA\Property(property: 'words', type: 'string'),
        new OA\Property(property: 'dL', type: 'number'),
        new OA\Property(property: 'stepsOff', type: 'number', description: 'the same in steps of the ladder: positive is too light'),
        new OA\Property(property: 'dE00', type: 'number'),
    ])),
    new OA\Property(property: 'merged', type: 'array', description: 'zones that touch and have run together, in words', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'lost', type: 'array', description: 'edges that are crisp in the photo and soft in the drawing, in words', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'onlyLines', type: 'boolean', description: 'nothing but lines lies there yet: no values are compared'),
    new OA\Property(property: 'hidden', type: 'number', description: 'share of the drawing that glare or shadow keep from being judged'),
    new OA\Property(property: 'rangeSteps', type: 'number', nullable: true, description: 'steps of the ladder from the darkest to the lightest of the drawing'),
    new OA\Property(property: 'photoSteps', type: 'number', nullable: true, description: 'the same of the photo'),
    new OA\Property(property: 'outlines', type: 'array', description: 'zones whose outlines lie elsewhere, by how many millimetres and which way, in words', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'course', type: 'string', nullable: true, description: 'how it stands to what the plan expects by now, in words'),
    new OA\Property(property: 'corrections', type: 'array', description: 'what to lay next where it is off, by the log', items: new OA\Items(ref: '#/components/schemas/NextLayers')),
    new OA\Property(property: 'hand', nullable: true, type: 'object', description: 'how hard the hand presses against its swatches, where that is told by the drawing', required: ['words', 'isInForce', 'shifted', 'recipes', 'readings'], properties: [
        new OA\Property(property: 'words', type: 'string', description: '12 % lighter'),
        new OA\Property(property: 'isInForce', type: 'boolean', description: 'false: what it was read against is in force no more'),
        new OA\Property(property: 'shifted', type: 'integer', description: 'recipes of the piece that shift by more than one notices'),
        new OA\Property(property: 'recipes', type: 'integer'),
        new OA\Property(property: 'readings', type: 'array', items: new OA\Items(required: ['name', 'stack', 'seen', 'expected', 'learnt'], properties: [
            new OA\Property(property: 'name', type: 'string'),
            new OA\Property(property: 'stack', type: 'string'),
            new OA\Property(property: 'seen', ref: '#/components/schemas/Colour'),
            new OA\Property(property: 'expected', ref: '#/components/schemas/Colour'),
            new OA\Property(property: 'learnt', ref: '#/components/schemas/Colour', description: 'expected with the hand that is learnt'),
        ])),
    ]),
    new OA\Property(property: 'goneOn', type: 'boolean', description: 'something was marked in Draw since the photo was taken'),
])]
#[OA\Schema(schema: 'NextLayers', required: ['target', 'zone', 'name', 'steps', 'before', 'after', 'wanted', 'sentence', 'isSeen', 'isTaken'], properties: [
    new OA\Property(property: 'target', type: 'string', description: 'the colour'),
    new OA\Property(property: 'zone', type: 'string'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'steps', type: 'array', items: new OA\Items(ref: '#/components/schemas/Step')),
    new OA\Property(property: 'before', ref: '#/components/schemas/Colour'),
    new OA\Property(property: 'after', ref: '#/components/schemas/Colour'),
    new OA\Property(property: 'wanted', ref: '#/components/schemas/Colour'),
    new OA\Property(property: 'sentence', type: 'string'),
    new OA\Property(property: 'isSeen', type: 'boolean', description: 'false: too narrow for the photo, and told from the rest of its zone'),
    new OA\Property(property: 'isTaken', type: 'boolean', description: 'taken over into Draw'),
])]
final class ReviewResource extends JsonResource
{
    /** What reviews that were kept before say of what was not looked at then. */
    private const UNTOLD = ['merged' => [], 'lost' => [], 'outlines' => [], 'onlyLines' => false, 'taped' => false, 'hidden' => 0.0, 'rangeSteps' => null, 'photoSteps' => null, 'course' => null];

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $review = $this->resource;
        $taken = $review['taken'];
        unset($review['taken']);
        $colour = static fn (array $lab): ColourResource => ColourResource::make(Lab::of(...$lab));

        $hand = $review['hand'] ?? null;

        return [...self::UNTOLD, ...$review, 'hand' => $hand === null ? null : [
            'words' => $hand['words'], 'shifted' => $hand['shifted'], 'recipes' => $hand['recipes'], 'isInForce' => $request->user()?->calibration_id === $hand['calibration'],
            'readings' => array_map(static fn (array $reading): array => ['name' => $reading['name'], 'stack' => $reading['stack'], 'seen' => $colour($reading['seen']), 'expected' => $colour($reading['expected']), 'learnt' => $colour($reading['learnt'])], $hand['readings']),
        ], 'corrections' => array_map(static fn (array $next): array => [
            'target' => $next['target'], 'zone' => $next['zone'], 'name' => $next['name'], 'steps' => StepResource::collection(Stack::parse($next['steps'])->steps),
            'before' => $colour($next['before']), 'after' => $colour($next['after']), 'wanted' => $colour($next['wanted']),
            'sentence' => $next['sentence'], 'isSeen' => $next['isSeen'] ?? true, 'isTaken' => in_array($next['target'], $taken, true),
        ], $review['corrections'] ?? [])];
    }
}
