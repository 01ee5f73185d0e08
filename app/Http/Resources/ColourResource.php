<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Colour\Lab;
use Prism\Colour\Words\Appearance;
use WeakMap;

/** @property-read Lab $resource */
#[OA\Schema(schema: 'Colour', required: ['L', 'a', 'b', 'hex', 'appearance'], properties: [
    new OA\Property(property: 'L', type: 'number'),
    new OA\Property(property: 'a', type: 'number'),
    new OA\Property(property: 'b', type: 'number'),
    new OA\Property(property: 'hex', type: 'string', description: 'sRGB, for the screen'),
    new OA\Property(property: 'appearance', ref: '#/components/schemas/Appearance'),
])]
#[OA\Schema(schema: 'Appearance', required: ['family', 'lean', 'temperature', 'character', 'valueStep', 'valuePosition', 'wheelPosition', 'hueDegrees', 'chroma', 'sentence'], properties: [
    new OA\Property(property: 'family', type: 'string'),
    new OA\Property(property: 'lean', type: 'string', nullable: true),
    new OA\Property(property: 'temperature', type: 'string', enum: ['warm', 'cool', 'neutral']),
    new OA\Property(property: 'character', type: 'string'),
    new OA\Property(property: 'valueStep', type: 'integer', description: '1 darkest to 9 lightest'),
    new OA\Property(property: 'valuePosition', type: 'number'),
    new OA\Property(property: 'wheelPosition', type: 'number', description: '0 up to 18; red 0, yellow 6, blue 12'),
    new OA\Property(property: 'hueDegrees', type: 'number'),
    new OA\Property(property: 'chroma', type: 'number'),
    new OA\Property(property: 'sentence', type: 'string'),
])]
final class ColourResource extends JsonResource
{
    use Plain;

    /** @var ?WeakMap<Lab, array<string, mixed>> a plan names the same colours again and again */
    private static ?WeakMap $told = null;

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $told = self::$told ??= new WeakMap;

        return $told[$this->resource] ??= [...$this->resource->jsonSerialize(), 'hex' => $this->resource->toHex(), 'appearance' => Appearance::of($this->resource)->jsonSerialize()];
    }
}
