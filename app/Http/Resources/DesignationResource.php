<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Planning\Gradient\Designation;
use Prism\Planning\Gradient\Feathering;

/** @property-read array{designation: Designation, gradient: Feathering, combinations: list<array{stack: Stack, colour: Lab}>, triples: list<array{stack: Stack, colour: Lab}>} $resource */
#[OA\Schema(schema: 'Designation', required: ['pencils', 'ladder', 'gradient', 'combinations', 'triples'], properties: [
    new OA\Property(property: 'pencils', type: 'array', description: 'lightest first', items: new OA\Items(required: ['id', 'range', 'number', 'name', 'part', 'coat', 'from', 'to'], properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'range', type: 'string'),
        new OA\Property(property: 'number', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'part', type: 'string', enum: ['light', 'middle', 'dark', 'blend']),
        new OA\Property(property: 'coat', ref: '#/components/schemas/Colour'),
        new OA\Property(property: 'from', type: 'integer', description: 'lightest step of nine that it serves'),
        new OA\Property(property: 'to', type: 'integer'),
    ])),
    new OA\Property(property: 'ladder', type: 'array', description: 'from step 9 down to 1', items: new OA\Items(required: ['step', 'stack', 'colour', 'reached'], properties: [
        new OA\Property(property: 'step', type: 'integer'),
        new OA\Property(property: 'stack', type: 'string'),
        new OA\Property(property: 'colour', ref: '#/components/schemas/Colour'),
        new OA\Property(property: 'reached', type: 'boolean'),
    ])),
    new OA\Property(property: 'gradient', ref: '#/components/schemas/Gradient'),
    new OA\Property(property: 'combinations', type: 'array', description: 'each over each, row by row: the lower pencil, the upper in the column', items: new OA\Items(required: ['stack', 'colour'], properties: [
        new OA\Property(property: 'stack', type: 'string'),
        new OA\Property(property: 'colour', ref: '#/components/schemas/Colour'),
    ])),
    new OA\Property(property: 'triples', type: 'array', description: 'every three of them, each twice: the lightest first, then the darkest first', items: new OA\Items(required: ['stack', 'colour'], properties: [
        new OA\Property(property: 'stack', type: 'string'),
        new OA\Property(property: 'colour', ref: '#/components/schemas/Colour'),
    ])),
])]
final class DesignationResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $designation = $this->resource['designation'];
        $mixed = static fn (array $mix): array => ['stack' => (string) $mix['stack'], 'colour' => ColourResource::make($mix['colour'])];

        return [
            'pencils' => array_map(static fn (array $own): array => [
                'id' => (string) $own['pencil']->id, 'range' => $own['pencil']->id->range, 'number' => $own['pencil']->id->number, 'name' => $own['pencil']->name,
                'part' => $own['part'], 'coat' => ColourResource::make($own['coat']), 'from' => $own['from'], 'to' => $own['to'],
            ], $designation->pencils),
            'ladder' => array_map(static fn (array $rung): array => [
                'step' => $rung['step'], 'stack' => (string) $rung['stack'], 'colour' => ColourResource::make($rung['colour']), 'reached' => $rung['reached'],
            ], $designation->ladder),
            'gradient' => GradientResource::make($this->resource['gradient']),
            'combinations' => array_map($mixed, $this->resource['combinations']),
            'triples' => array_map($mixed, $this->resource['triples']),
        ];
    }
}
