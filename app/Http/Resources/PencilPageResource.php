<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Paper;
use App\Models\Pencil;
use App\Models\User;
use App\Models\ZoneTarget;
use App\Studio\Pencils\Catalogue;
use App\Studio\Pencils\PencilPage;
use App\Studio\Zones\Targets;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Materials\PencilId;

/** @property-read Pencil $resource */
#[OA\Schema(schema: 'PencilPage', required: ['pencil', 'rangeName', 'maker', 'own', 'opacity', 'core', 'stains', 'lightfastness', 'colour', 'measured', 'paper', 'strengths', 'partners', 'usedIn', 'swatches', 'swatchCount', 'error', 'calibration', 'spare', 'lengthMm'], properties: [
    new OA\Property(property: 'pencil', ref: '#/components/schemas/Pencil'),
    new OA\Property(property: 'rangeName', type: 'string'),
    new OA\Property(property: 'maker', type: 'string'),
    new OA\Property(property: 'own', type: 'boolean', description: 'may be changed'),
    new OA\Property(property: 'opacity', type: 'string', enum: ['transparent', 'semi', 'opaque']),
    new OA\Property(property: 'core', type: 'string', enum: ['hard', 'soft'], nullable: true, description: 'null: not known'),
    new OA\Property(property: 'stains', type: 'boolean', description: 'cannot be erased without a trace'),
    new OA\Property(property: 'lightfastness', type: 'string', nullable: true),
    new OA\Property(property: 'colour', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/Colour')]),
    new OA\Property(property: 'measured', type: 'string', enum: ['spectrum', 'Lab', 'none']),
    new OA\Property(property: 'paper', ref: '#/components/schemas/Paper'),
    new OA\Property(property: 'strengths', type: 'array', items: new OA\Items(ref: '#/components/schemas/Strength')),
    new OA\Property(property: 'partners', type: 'array', items: new OA\Items(ref: '#/components/schemas/Partner')),
    new OA\Property(property: 'usedIn', type: 'array', items: new OA\Items(required: ['piece', 'title', 'zone', 'target', 'name', 'stack'], properties: [
        new OA\Property(property: 'piece', type: 'string'),
        new OA\Property(property: 'title', type: 'string'),
        new OA\Property(property: 'zone', type: 'string'),
        new OA\Property(property: 'target', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'stack', type: 'string'),
    ])),
    new OA\Property(property: 'swatches', type: 'array', description: 'the latest', items: new OA\Items(ref: '#/components/schemas/Swatch')),
    new OA\Property(property: 'swatchCount', type: 'integer'),
    new OA\Property(property: 'error', nullable: true, type: 'object', required: ['before', 'after', 'swatches'], properties: [
        new OA\Property(property: 'before', type: 'number'),
        new OA\Property(property: 'after', type: 'number'),
        new OA\Property(property: 'swatches', type: 'integer'),
    ]),
    new OA\Property(property: 'calibration', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/RestsOn')]),
    new OA\Property(property: 'spare', type: 'integer'),
    new OA\Property(property: 'lengthMm', type: 'integer', nullable: true),
])]
#[OA\Schema(schema: 'Strength', required: ['strength', 'stack', 'colour', 'sigma', 'toothLeft', 'section'], properties: [
    new OA\Property(property: 'strength', type: 'string', enum: ['light', 'medium', 'heavy']),
    new OA\Property(property: 'stack', type: 'string'),
    new OA\Property(property: 'colour', ref: '#/components/schemas/Colour'),
    new OA\Property(property: 'sigma', type: 'number'),
    new OA\Property(property: 'toothLeft', type: 'number'),
    new OA\Property(property: 'section', type: 'array', items: new OA\Items(ref: '#/components/schemas/SectionBin')),
])]
#[OA\Schema(schema: 'Partner', required: ['pencil', 'gained', 'stack', 'colour', 'sigma'], properties: [
    new OA\Property(property: 'pencil', ref: '#/components/schemas/Pencil'),
    new OA\Property(property: 'gained', type: 'integer', description: 'colours that neither makes alone'),
    new OA\Property(property: 'stack', type: 'string'),
    new OA\Property(property: 'colour', ref: '#/components/schemas/Colour'),
    new OA\Property(property: 'sigma', type: 'number'),
])]
final class PencilPageResource extends JsonResource
{
    private const LATEST = 12;

    public function __construct(Pencil $pencil, private readonly User $artist, private readonly Paper $paper, private readonly PencilPage $page)
    {
        parent::__construct($pencil);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $row = $this->resource;
        $id = PencilId::of(Catalogue::id($row));
        $owned = $this->artist->box()->get(['pencils.id', 'favourite', 'spare', 'length_mm'])->keyBy('id');
        $mine = $owned->get($row->id)?->getRelation('pivot');
        $swatches = $this->artist->swatches()->where('stack', 'like', '%'.$id.'@%')->with('paper');
        $colour = Catalogue::colour($row);
        $catalogue = app(Catalogue::class);

        return [
            'pencil' => new PencilResource($row, $mine !== null, (bool) $mine?->favourite),
            'rangeName' => $row->range->name,
            'maker' => $row->range->maker,
            'own' => $row->range->user_id === $this->artist->id,
            'opacity' => $row->opacity,
            'core' => $row->core,
            'stains' => $row->stains,
            'lightfastness' => $row->lightfastness,
            'colour' => $colour === null ? null : ColourResource::make($colour),
            'measured' => $row->spectrum !== null ? 'spectrum' : ($colour === null ? 'none' : 'Lab'),
            'paper' => PaperResource::make($this->paper),
            'strengths' => array_map(static fn (array $strength): array => [
                'strength' => $strength['strength'], 'stack' => $strength['notation'],
                'colour' => ColourResource::make($strength['prediction']->colour), 'sigma' => round($strength['prediction']->sigma, 2),
                'toothLeft' => round($strength['prediction']->toothLeft, 3), 'section' => $strength['section']->jsonSerialize(),
            ], $this->page->strengths($this->artist, $this->paper, $id)),
            'partners' => array_map(function (array $partner) use ($catalogue): array {
                $row = $catalogue->row($this->artist, $partner['pencil']);

                return [
                    'pencil' => $row === null ? null : new PencilResource($row, true), 'gained' => $partner['gained'], 'stack' => (string) $partner['stack'],
                    'colour' => ColourResource::make($partner['prediction']->colour), 'sigma' => round($partner['prediction']->sigma, 2),
                ];
            }, $this->page->partners($this->artist, $this->paper, $id)),
            'usedIn' => array_map(static fn (ZoneTarget $target): array => [
                'piece' => $target->zone->piece_id, 'title' => $target->zone->piece->title, 'zone' => $target->zone_id, 'target' => $target->id, 'name' => Targets::name($target), 'stack' => (string) $target->recipe?->stack,
            ], $this->page->usedIn($this->artist, $id)),
            'swatchCount' => $swatches->count(),
            'swatches' => SwatchResource::collection($swatches->latest('id')->limit(self::LATEST)->get()),
            'error' => $this->page->error($this->artist, $id),
            'calibration' => RestsOn::of($this->artist),
            'spare' => (int) $mine?->spare,
            'lengthMm' => $mine?->length_mm,
        ];
    }
}
