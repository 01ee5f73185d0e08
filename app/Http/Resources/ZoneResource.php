<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Zone;
use App\Studio\Zones\AreaPaints;
use App\Studio\Zones\Grounds;
use App\Studio\Zones\Interpretations;
use App\Studio\Zones\ZoneTraits;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;

/** @mixin Zone */
#[OA\Schema(schema: 'Zone', required: ['id', 'name', 'x', 'y', 'radius', 'share', 'outline', 'fits', 'traits', 'touching', 'targets', 'schools', 'interpretation', 'ground', 'colouring', 'version'], properties: [
    new OA\Property(property: 'id', type: 'string'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'x', type: 'number', description: 'share of the width'),
    new OA\Property(property: 'y', type: 'number', description: 'share of the height'),
    new OA\Property(property: 'radius', type: 'number', description: 'share of the width'),
    new OA\Property(property: 'share', type: 'number', description: 'of the picture; 0 for a mere spot'),
    new OA\Property(property: 'outline', type: 'string', nullable: true, description: 'an SVG path in thousandths of width and height, to be filled by the even-odd rule; null for a mere spot'),
    new OA\Property(property: 'fits', type: 'boolean', description: 'the photo as it is now still shows it'),
    new OA\Property(property: 'traits', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/ZoneTraits')]),
    new OA\Property(property: 'touching', type: 'array', items: new OA\Items(required: ['zone', 'share'], properties: [
        new OA\Property(property: 'zone', type: 'string'),
        new OA\Property(property: 'share', type: 'number', description: 'of this zone\'s border'),
    ])),
    new OA\Property(property: 'targets', type: 'array', items: new OA\Items(ref: '#/components/schemas/Target')),
    new OA\Property(property: 'schools', nullable: true, description: 'where it is an exception from its piece', oneOf: [new OA\Schema(ref: '#/components/schemas/SchoolAnswers')]),
    new OA\Property(property: 'interpretation', ref: '#/components/schemas/Interpretation'),
    new OA\Property(property: 'ground', nullable: true, type: 'object', description: 'of another medium, that it is begun on', required: ['colour', 'tooth'], properties: [
        new OA\Property(property: 'colour', ref: '#/components/schemas/Colour'),
        new OA\Property(property: 'tooth', type: 'string', enum: ['as-paper', 'smoother', 'little']),
    ]),
    new OA\Property(property: 'colouring', nullable: true, description: 'of an area of a line drawing', oneOf: [new OA\Schema(ref: '#/components/schemas/Colouring')]),
    new OA\Property(property: 'version', type: 'integer', description: 'send it back with a change; a newer one is refused'),
])]
#[OA\Schema(schema: 'Colouring', required: ['by', 'colours', 'pencils', 'form', 'shines', 'body'], properties: [
    new OA\Property(property: 'by', type: 'string', enum: ['paper', 'colour', 'ladder', 'trio', 'recipe']),
    new OA\Property(property: 'colours', nullable: true, type: 'object', description: 'null: it stays paper', required: ['light', 'middle', 'dark'], properties: [
        new OA\Property(property: 'light', ref: '#/components/schemas/Colour'),
        new OA\Property(property: 'middle', ref: '#/components/schemas/Colour'),
        new OA\Property(property: 'dark', ref: '#/components/schemas/Colour'),
    ]),
    new OA\Property(property: 'pencils', type: 'object', description: 'of a ladder, as far as the box has them', properties: [
        new OA\Property(property: 'light', type: 'string'),
        new OA\Property(property: 'middle', type: 'string'),
        new OA\Property(property: 'dark', type: 'string'),
    ]),
    new OA\Property(property: 'form', ref: '#/components/schemas/AreaForm'),
    new OA\Property(property: 'shines', type: 'boolean'),
    new OA\Property(property: 'body', type: 'string', nullable: true, description: 'the zone whose form it is a part of'),
])]
#[OA\Schema(schema: 'ZoneTraits', description: 'estimates, or what the artist says instead', required: ['surface', 'direction', 'crisp', 'distance', 'importance', 'light', 'warmth', 'corrected'], properties: [
    new OA\Property(property: 'surface', type: 'string', enum: ['hard', 'smooth', 'soft', 'rough', 'stranded']),
    new OA\Property(property: 'direction', type: 'number', nullable: true, description: 'degrees from the right, counter-clockwise, 0 up to 180'),
    new OA\Property(property: 'crisp', type: 'boolean'),
    new OA\Property(property: 'distance', type: 'string', enum: ['near', 'between', 'far']),
    new OA\Property(property: 'importance', type: 'integer', description: '1 quiet, 2 usual, 3 draws the eye'),
    new OA\Property(property: 'light', type: 'string', enum: ['lit', 'half-lit', 'shadow', 'cast-shadow']),
    new OA\Property(property: 'warmth', type: 'number', description: 'against the mean of the picture'),
    new OA\Property(property: 'corrected', type: 'array', items: new OA\Items(type: 'string')),
])]
final class ZoneResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $zone = $this->resource;
        $neighbours = $zone->piece->zones->pluck('id', 'label');
        $touching = [];
        foreach ($zone->estimates['touching'] ?? [] as $label => $share) {
            if (isset($neighbours[$label])) {
                $touching[] = ['zone' => $neighbours[$label], 'share' => $share];
            }
        }
        $ground = Grounds::of($zone);
        usort($touching, static fn (array $a, array $b): int => $b['share'] <=> $a['share']);

        return [
            'id' => $zone->id,
            'name' => $zone->name,
            'x' => $zone->x,
            'y' => $zone->y,
            'radius' => $zone->radius,
            'share' => round($zone->share, 5),
            'outline' => $zone->outline,
            'fits' => $zone->fits,
            'traits' => ZoneTraits::of($zone),
            'touching' => $touching,
            'targets' => TargetResource::collection($zone->targets),
            'schools' => $zone->schools,
            'interpretation' => InterpretationResource::make(Interpretations::ofZone($zone)),
            'ground' => $ground === null ? null : ['colour' => ColourResource::make($ground->colour), 'tooth' => $ground->tooth->value],
            'colouring' => $zone->piece->lines === null || $zone->label === null ? null : self::colouring($zone, $neighbours[$zone->colouring['body'] ?? 0] ?? null),
            'version' => $zone->version,
        ];
    }

    /** @return array<string, mixed> */
    private static function colouring(Zone $zone, ?string $body): array
    {
        $colours = AreaPaints::colours($zone);
        $told = $zone->colouring ?? [];

        return [
            'by' => $told['by'] ?? 'paper',
            'colours' => $colours === null ? null : ['light' => ColourResource::make($colours->light), 'middle' => ColourResource::make($colours->middle), 'dark' => ColourResource::make($colours->dark)],
            'pencils' => (object) ($told['pencils'] ?? []),
            'form' => AreaPaints::form($zone)->value,
            'shines' => $told['shines'] ?? false,
            'body' => $body === $zone->id ? null : $body,
        ];
    }
}
