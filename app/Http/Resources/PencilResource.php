<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Pencil;
use App\Studio\Catalogue;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Colour\Bands;

/**
 * A pencil with its colour laid heavily; `owned` is set by the controller.
 *
 * @mixin Pencil
 */
#[OA\Schema(schema: 'Pencil', required: ['id', 'range', 'rangeName', 'number', 'name', 'aliases', 'binder', 'opacity', 'lightfastness', 'colour', 'owned'], properties: [
    new OA\Property(property: 'id', type: 'string', description: 'RANGE:NUMBER'),
    new OA\Property(property: 'range', type: 'string'),
    new OA\Property(property: 'rangeName', type: 'string'),
    new OA\Property(property: 'number', type: 'string'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'aliases', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'binder', type: 'string', enum: ['wax', 'oil']),
    new OA\Property(property: 'opacity', type: 'string', enum: ['transparent', 'semi', 'opaque']),
    new OA\Property(property: 'lightfastness', type: 'string', nullable: true),
    new OA\Property(property: 'colour', ref: '#/components/schemas/Colour'),
    new OA\Property(property: 'owned', type: 'boolean'),
])]
final class PencilResource extends JsonResource
{
    public function __construct(Pencil $pencil, private readonly bool $owned)
    {
        parent::__construct($pencil);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => Catalogue::id($this->resource),
            'range' => $this->range->code,
            'rangeName' => $this->range->maker.' '.$this->range->name,
            'number' => $this->number,
            'name' => $this->name,
            'aliases' => $this->aliases,
            'binder' => $this->binder,
            'opacity' => $this->opacity,
            'lightfastness' => $this->lightfastness,
            'colour' => ColourResource::make(Bands::toLab($this->bands)),
            'owned' => $this->owned,
        ];
    }
}
