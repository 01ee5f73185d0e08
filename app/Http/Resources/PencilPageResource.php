<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\ZoneTarget;
use App\Studio\Pencils\Catalogue;
use App\Studio\Pencils\PencilSheet;
use App\Studio\Zones\Targets;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;

/** @property-read PencilSheet $resource */
#[OA\Schema(schema: 'PencilPage', required: ['pencil', 'rangeName', 'maker', 'own', 'opacity', 'core', 'stains', 'lightfastness', 'colour', 'measured', 'paper', 'strengths', 'partners', 'usedIn', 'swatches', 'swatchCount', 'error', 'calibration', 'spare', 'lengthMm', 'usedMm', 'leftMm'], properties: [
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
    new OA\Property(property: 'lengthMm', type: 'integer', nullable: true, description: 'of the stub, when it was measured'),
    new OA\Property(property: 'usedMm', type: 'number', description: 'about so much went into what was drawn, by the log'),
    new OA\Property(property: 'leftMm', type: 'number', nullable: true, description: 'about so much is left by now'),
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
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $sheet = $this->resource;
        $pencil = $sheet->pencil;
        $colour = Catalogue::colour($pencil);

        return [
            'pencil' => new PencilResource($pencil, $sheet->owned, $sheet->favourite),
            'rangeName' => $pencil->range->name,
            'maker' => $pencil->range->maker,
            'own' => $pencil->range->user_id === $sheet->artist->id,
            'opacity' => $pencil->opacity,
            'core' => $pencil->core,
            'stains' => $pencil->stains,
            'lightfastness' => $pencil->lightfastness,
            'colour' => $colour === null ? null : ColourResource::make($colour),
            'measured' => $pencil->spectrum !== null ? 'spectrum' : ($colour === null ? 'none' : 'Lab'),
            'paper' => PaperResource::make($sheet->paper),
            'strengths' => array_map(static fn (array $strength): array => [
                'strength' => $strength['strength'], 'stack' => $strength['notation'],
                'colour' => ColourResource::make($strength['prediction']->colour), 'sigma' => round($strength['prediction']->sigma, 2),
                'toothLeft' => round($strength['prediction']->toothLeft, 3), 'section' => $strength['section']->jsonSerialize(),
            ], $sheet->strengths),
            'partners' => array_map(static fn (array $partner): array => [
                'pencil' => $partner['pencil'] === null ? null : new PencilResource($partner['pencil'], true), 'gained' => $partner['gained'], 'stack' => (string) $partner['stack'],
                'colour' => ColourResource::make($partner['prediction']->colour), 'sigma' => round($partner['prediction']->sigma, 2),
            ], $sheet->partners),
            'usedIn' => array_map(static fn (ZoneTarget $target): array => [
                'piece' => $target->zone->piece_id, 'title' => $target->zone->piece->title, 'zone' => $target->zone_id, 'target' => $target->id, 'name' => Targets::name($target), 'stack' => (string) $target->recipe?->stack,
            ], $sheet->usedIn),
            'swatchCount' => $sheet->swatchCount,
            'swatches' => SwatchResource::collection($sheet->swatches),
            'error' => $sheet->error,
            'calibration' => RestsOn::of($sheet->artist),
            'spare' => $sheet->spare,
            'lengthMm' => $sheet->lengthMm,
            'usedMm' => round($sheet->stub['usedMm'] ?? 0.0, 1),
            'leftMm' => isset($sheet->stub['leftMm']) ? round($sheet->stub['leftMm']) : null,
        ];
    }
}
