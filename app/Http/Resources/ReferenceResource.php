<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Reference;
use App\Studio\Photos\PhotoView;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;

/** @mixin Reference */
#[OA\Schema(schema: 'Reference', required: ['id', 'name', 'role', 'url', 'largeUrl', 'valueUrl', 'temperatureUrl', 'width', 'height', 'balance', 'pairs'], properties: [
    new OA\Property(property: 'id', type: 'string'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'role', type: 'string', enum: ['colour', 'form', 'direction', 'light']),
    new OA\Property(property: 'url', type: 'string'),
    new OA\Property(property: 'largeUrl', type: 'string', description: 'more pixels, to look at closely'),
    new OA\Property(property: 'valueUrl', type: 'string', description: 'as greys of the same lightness'),
    new OA\Property(property: 'temperatureUrl', type: 'string', description: 'light is warm, dark is cool'),
    new OA\Property(property: 'width', type: 'integer'),
    new OA\Property(property: 'height', type: 'integer'),
    new OA\Property(property: 'balance', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/Balance')]),
    new OA\Property(property: 'pairs', type: 'array', description: 'spots of the first reference and the same in this one: x, y, u, v', items: new OA\Items(type: 'array', items: new OA\Items(type: 'number'))),
])]
#[OA\Schema(schema: 'Balance', description: 'what the light of a photo is told by', required: ['by'], properties: [
    new OA\Property(property: 'by', type: 'string', enum: ['neutral', 'grey-card', 'lamp']),
    new OA\Property(property: 'x', type: 'number'),
    new OA\Property(property: 'y', type: 'number'),
    new OA\Property(property: 'radius', type: 'number'),
    new OA\Property(property: 'lamp', ref: '#/components/schemas/LampId'),
])]
#[OA\Schema(schema: 'LampId', type: 'string', enum: ['daylight', 'north-light', 'warm-lamp', 'led'])]
final class ReferenceResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $url = fn (PhotoView $view): string => route('references.photo', ['reference' => $this->id, 'view' => $view, 'v' => $this->picture], false);

        return [
            'id' => $this->id,
            'name' => $this->name,
            'role' => $this->role->value,
            'url' => $url(PhotoView::Photo),
            'largeUrl' => $url(PhotoView::Large),
            'valueUrl' => $url(PhotoView::Value),
            'temperatureUrl' => $url(PhotoView::Temperature),
            'width' => $this->width,
            'height' => $this->height,
            'balance' => $this->balance,
            'pairs' => $this->pairs,
        ];
    }
}
