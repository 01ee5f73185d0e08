<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Piece;
use App\Models\Zone;
use App\Studio\PhotoView;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Matching\School;

/** @mixin Piece */
#[OA\Schema(schema: 'Piece', required: ['id', 'title', 'paper', 'school', 'photo', 'zones'], properties: [
    new OA\Property(property: 'id', type: 'string'),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'paper', ref: '#/components/schemas/Paper'),
    new OA\Property(property: 'school', ref: '#/components/schemas/School'),
    new OA\Property(property: 'photo', ref: '#/components/schemas/Photo'),
    new OA\Property(property: 'zones', type: 'array', items: new OA\Items(ref: '#/components/schemas/Zone')),
])]
#[OA\Schema(schema: 'School', required: ['id', 'sentence'], properties: [
    new OA\Property(property: 'id', type: 'string', enum: ['light-to-dark', 'dark-to-light', 'middle-first', 'form-first']),
    new OA\Property(property: 'sentence', type: 'string'),
])]
#[OA\Schema(schema: 'Photo', required: ['url', 'valueUrl', 'width', 'height'], properties: [
    new OA\Property(property: 'url', type: 'string'),
    new OA\Property(property: 'valueUrl', type: 'string', description: 'as greys of the same lightness'),
    new OA\Property(property: 'width', type: 'integer'),
    new OA\Property(property: 'height', type: 'integer'),
])]
final class PieceResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $zones = $this->zones->load('recipe')->each(fn (Zone $zone) => $zone->setRelation('piece', $this->resource));

        return [
            'id' => $this->id,
            'title' => $this->title,
            'paper' => PaperResource::make($this->paper),
            'school' => self::school($this->school),
            'photo' => self::photo($this->resource),
            'zones' => ZoneResource::collection($zones),
        ];
    }

    /** @return array{id: string, sentence: string} */
    public static function school(School $school): array
    {
        return ['id' => $school->value, 'sentence' => $school->sentence()];
    }

    /** @return array{url: string, valueUrl: string, width: int, height: int} */
    public static function photo(Piece $piece): array
    {
        return [
            'url' => route('pieces.photo', [$piece, PhotoView::Photo], false),
            'valueUrl' => route('pieces.photo', [$piece, PhotoView::Value], false),
            'width' => $piece->photo_width,
            'height' => $piece->photo_height,
        ];
    }
}
