<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Pencil;
use App\Studio\Pencils\Catalogue;
use App\Studio\Pencils\PencilList;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Colour\Words\Appearance;

/**
 * A pencil in few words, so that thousands can be listed; whether it is owned is told by the one who asks.
 *
 * @mixin Pencil
 */
#[OA\Schema(schema: 'Pencil', required: ['id', 'range', 'number', 'name', 'aliases', 'binder', 'status', 'replacedBy', 'owned', 'favourite', 'L', 'hex', 'family', 'lean', 'character', 'valueStep', 'distance', 'misses', 'foundBy'], properties: [
    new OA\Property(property: 'id', type: 'string', description: 'RANGE:NUMBER'),
    new OA\Property(property: 'range', type: 'string'),
    new OA\Property(property: 'number', type: 'string'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'aliases', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'binder', type: 'string', enum: ['wax', 'oil']),
    new OA\Property(property: 'status', type: 'string', enum: ['current', 'renamed', 'discontinued', 'replaced']),
    new OA\Property(property: 'replacedBy', type: 'string', nullable: true),
    new OA\Property(property: 'owned', type: 'boolean'),
    new OA\Property(property: 'favourite', type: 'boolean'),
    new OA\Property(property: 'L', type: 'number', nullable: true, description: 'of the heavy coat; null without a colour'),
    new OA\Property(property: 'hex', type: 'string', nullable: true),
    new OA\Property(property: 'family', type: 'string', nullable: true),
    new OA\Property(property: 'lean', type: 'string', nullable: true),
    new OA\Property(property: 'character', type: 'string', nullable: true),
    new OA\Property(property: 'valueStep', type: 'integer', nullable: true),
    new OA\Property(property: 'distance', type: 'number', nullable: true, description: 'dE00 from the colour that was asked for'),
    new OA\Property(property: 'misses', type: 'string', nullable: true, description: 'which way it misses that, in words'),
    new OA\Property(property: 'foundBy', type: 'string', nullable: true, description: 'by what it answers to the word that was asked for, where that is not its number or name'),
])]
final class PencilResource extends JsonResource
{
    public function __construct(Pencil $pencil, private readonly bool $owned, private readonly bool $favourite = false)
    {
        parent::__construct($pencil);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $lab = Catalogue::colour($this->resource);

        return PencilList::row($this->resource->range->code, $this->resource, $this->resource->aliases, $lab, $lab === null ? null : Appearance::of($lab), $this->owned, $this->favourite);
    }
}
