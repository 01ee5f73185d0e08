<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Colour\Lab;
use Prism\Colour\Lamp;
use Prism\Colour\UnderLamp;
use Prism\Colour\Words\Difference;
use Prism\Layering\Passage;

/**
 * What is matched and what is laid, under the lamp that a piece is drawn by.
 *
 * @property-read Passage $resource
 */
#[OA\Schema(schema: 'LampLook', required: ['name', 'target', 'predicted', 'difference'], properties: [
    new OA\Property(property: 'name', type: 'string', description: 'of the lamp'),
    new OA\Property(property: 'target', ref: '#/components/schemas/Colour'),
    new OA\Property(property: 'predicted', ref: '#/components/schemas/Colour'),
    new OA\Property(property: 'difference', ref: '#/components/schemas/Difference'),
])]
final class LampLookResource extends JsonResource
{
    public function __construct(Passage $passage, private readonly Lab $target, private readonly Lamp $lamp)
    {
        parent::__construct($passage);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $target = UnderLamp::of($this->target, $this->lamp);
        $predicted = UnderLamp::ofBands($this->resource->bands(), $this->lamp);

        return ['name' => $this->lamp->label(), 'target' => ColourResource::make($target), 'predicted' => ColourResource::make($predicted), 'difference' => Difference::between($predicted, $target)->jsonSerialize()];
    }
}
