<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Studio\Pencils\Catalogue;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Layering\Pressure;
use Prism\Layering\Step;

/** @property-read Step $resource */
#[OA\Schema(schema: 'Step', required: ['kind', 'pencil', 'pressurePercent', 'pressureWord', 'passes', 'notation'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: ['layer', 'wash', 'blend', 'lift']),
    new OA\Property(property: 'pencil', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/StepPencil')]),
    new OA\Property(property: 'pressurePercent', type: 'number'),
    new OA\Property(property: 'pressureWord', type: 'string'),
    new OA\Property(property: 'passes', type: 'integer'),
    new OA\Property(property: 'notation', type: 'string'),
])]
#[OA\Schema(schema: 'StepPencil', required: ['id', 'range', 'number', 'name', 'binder', 'hex'], properties: [
    new OA\Property(property: 'id', type: 'string'),
    new OA\Property(property: 'range', type: 'string'),
    new OA\Property(property: 'number', type: 'string'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'binder', type: 'string', enum: ['wax', 'oil']),
    new OA\Property(property: 'hex', type: 'string'),
])]
final class StepResource extends JsonResource
{
    use Plain;

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $step = $this->resource;
        $pencil = null;
        if ($step->pencil !== null) {
            $row = app(Catalogue::class)->row($request->user() ?? abort(401), $step->pencil);
            $pencil = [
                'id' => (string) $step->pencil,
                'range' => $step->pencil->range,
                'number' => $step->pencil->number,
                'name' => $row === null ? '' : $row->name,
                'binder' => $row === null ? 'wax' : $row->binder,
                'hex' => ($row === null ? null : Catalogue::colour($row))?->toHex() ?? '#808080',
            ];
        }

        return [
            'kind' => $step->kind->value,
            'pencil' => $pencil,
            'pressurePercent' => $step->pressurePercent,
            'pressureWord' => Pressure::word($step->pressurePercent),
            'passes' => $step->passes,
            'notation' => (string) $step,
        ];
    }
}
