<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\DrillRound;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Colour\Lab;
use Prism\Matching\Recipe;

/** @property-read array{round: DrillRound, parts: array<string, array{target: Lab, mine: ?Recipe, engine: Recipe}>} $resource */
#[OA\Schema(schema: 'WeekPalette', required: ['says', 'zone', 'picture', 'pencils', 'isDone', 'right', 'parts'], properties: [
    new OA\Property(property: 'says', type: 'string', description: 'which family is left out'),
    new OA\Property(property: 'zone', type: 'string', description: 'what it is called'),
    new OA\Property(property: 'picture', type: 'object', required: ['url', 'spots'], properties: [
        new OA\Property(property: 'url', type: 'string'),
        new OA\Property(property: 'spots', type: 'array', items: new OA\Items(type: 'array', items: new OA\Items(type: 'number'))),
    ]),
    new OA\Property(property: 'pencils', type: 'array', description: 'the six, lightest first', items: new OA\Items(required: ['id', 'range', 'number', 'name', 'hex'], properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'range', type: 'string'),
        new OA\Property(property: 'number', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'hex', type: 'string', nullable: true),
    ])),
    new OA\Property(property: 'isDone', type: 'boolean'),
    new OA\Property(property: 'right', type: 'integer', description: 'values that came as near as the engine'),
    new OA\Property(property: 'parts', type: 'array', items: new OA\Items(required: ['role', 'colour', 'mine', 'engine'], properties: [
        new OA\Property(property: 'role', type: 'string', enum: ['light', 'middle', 'dark']),
        new OA\Property(property: 'colour', ref: '#/components/schemas/Colour'),
        new OA\Property(property: 'mine', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/Recipe')]),
        new OA\Property(property: 'engine', nullable: true, description: 'told once one\'s own is', oneOf: [new OA\Schema(ref: '#/components/schemas/Recipe')]),
    ])),
])]
final class WeekPaletteResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        ['round' => $round, 'parts' => $parts] = $this->resource;
        $question = $round->questions[0];
        $isDone = $round->done_at !== null;

        return [
            'says' => $question['asks'],
            'zone' => $question['because'],
            'picture' => ['url' => '/api/references/'.($question['picture'] ?? '').'/photos/photo', 'spots' => $question['spots'] ?? []],
            'pencils' => array_map(static function (array $option): array {
                [$range, $number] = explode(':', $option['id'], 2);

                return [
                    'id' => $option['id'], 'range' => $range, 'number' => $number, 'name' => trim(substr($option['label'], strlen($number))),
                    'hex' => $option['colour'] === null ? null : Lab::of(...array_map(floatval(...), $option['colour']))->toHex(),
                ];
            }, $question['options']),
            'isDone' => $isDone,
            'right' => $round->right,
            'parts' => array_map(static fn (string $role, array $part): array => [
                'role' => $role, 'colour' => ColourResource::make($part['target']),
                'mine' => $part['mine'] === null ? null : RecipeResource::make($part['mine']),
                'engine' => $isDone ? RecipeResource::make($part['engine']) : null,
            ], array_keys($parts), $parts),
        ];
    }
}
