<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Piece;
use App\Models\Zone;
use App\Studio\Zones\Looking;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Reference\Reserves\ReserveKind;
use Prism\Reference\Reserves\Reserves;

/**
 * What of a picture must stay paper or pale.
 *
 * @property-read Piece $resource
 */
#[OA\Schema(schema: 'Reserves', required: ['paperShare', 'paleShare', 'mask', 'places'], properties: [
    new OA\Property(property: 'paperShare', type: 'number', description: 'of what is drawn'),
    new OA\Property(property: 'paleShare', type: 'number'),
    new OA\Property(property: 'mask', type: 'string', description: 'a PNG of the part that is drawn, as a data address: opaque where the paper stays, half where it stays pale'),
    new OA\Property(property: 'places', type: 'array', items: new OA\Items(required: ['kind', 'share', 'widthMm', 'rim', 'x', 'y', 'zone', 'advice'], properties: [
        new OA\Property(property: 'kind', type: 'string', enum: ['paper', 'pale']),
        new OA\Property(property: 'share', type: 'number'),
        new OA\Property(property: 'widthMm', type: 'number', description: 'on the paper, at its widest'),
        new OA\Property(property: 'rim', type: 'boolean', description: 'long and thin, as along a lit edge'),
        new OA\Property(property: 'x', type: 'number'),
        new OA\Property(property: 'y', type: 'number'),
        new OA\Property(property: 'zone', type: 'string', nullable: true, description: 'name of the zone'),
        new OA\Property(property: 'advice', type: 'string'),
    ])),
])]
final class ReservesResource extends JsonResource
{
    public function __construct(Piece $piece, private readonly Reserves $reserves, private readonly Looking $looking)
    {
        parent::__construct($piece);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $reserves = $this->reserves;
        $names = [];
        foreach ($this->resource->zones as $zone) {
            /** @var Zone $zone */
            $names[(int) $zone->label] = $zone->name;
        }

        return [
            'paperShare' => round($reserves->share(ReserveKind::Paper), 4),
            'paleShare' => round($reserves->share(ReserveKind::Pale), 4),
            'mask' => 'data:image/png;base64,'.base64_encode($this->looking->mask($reserves)),
            'places' => array_map(static fn (array $place): array => [
                'kind' => $place['kind']->value, 'share' => round($place['share'], 5), 'widthMm' => $place['widthMm'], 'rim' => $place['rim'],
                'x' => $place['x'], 'y' => $place['y'], 'zone' => $place['label'] === 0 ? null : ($names[$place['label']] ?? null), 'advice' => $place['advice'],
            ], $this->looking->places($this->resource, $reserves)),
        ];
    }
}
