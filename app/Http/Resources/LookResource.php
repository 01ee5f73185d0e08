<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Piece;
use App\Studio\Zones\Looking;
use App\Studio\Zones\Reach;
use App\Studio\Zones\ZoneBook;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Colour\Lab;
use Prism\Colour\Lamp;
use Prism\Colour\Srgb;
use Prism\Colour\ValueScale;
use Prism\Reference\Light\ColourMatrix;
use Prism\Reference\Light\RangeMode;
use Prism\Reference\Light\ValueReading;
use Prism\Reference\Zones\MergeTree;

/**
 * What a trained eye sees in the reference of a piece.
 *
 * @property-read Piece $resource
 */
#[OA\Schema(schema: 'Look', required: ['fewestZones', 'mostZones', 'values', 'reach', 'tones', 'scales', 'light', 'lamps'], properties: [
    new OA\Property(property: 'fewestZones', type: 'integer'),
    new OA\Property(property: 'mostZones', type: 'integer', nullable: true, description: 'null as long as the photo is not read'),
    new OA\Property(property: 'values', ref: '#/components/schemas/Values'),
    new OA\Property(property: 'reach', nullable: true, description: 'null with an empty box', oneOf: [new OA\Schema(ref: '#/components/schemas/ValueRange')]),
    new OA\Property(property: 'tones', type: 'array', items: new OA\Items(required: ['id', 'sentence'], properties: [
        new OA\Property(property: 'id', ref: '#/components/schemas/RangeModeId'),
        new OA\Property(property: 'sentence', type: 'string'),
    ])),
    new OA\Property(property: 'scales', type: 'array', description: 'value scales of 3 to 10 steps, as codes of neutral greys, 0-255', items: new OA\Items(required: ['steps', 'limits', 'rungs'], properties: [
        new OA\Property(property: 'steps', type: 'integer'),
        new OA\Property(property: 'limits', type: 'array', items: new OA\Items(type: 'integer')),
        new OA\Property(property: 'rungs', type: 'array', items: new OA\Items(type: 'integer')),
    ])),
    new OA\Property(property: 'light', required: ['degrees', 'words', 'agreement', 'corrected'], type: 'object', properties: [
        new OA\Property(property: 'degrees', type: 'number', description: 'from the right, counter-clockwise'),
        new OA\Property(property: 'words', type: 'string'),
        new OA\Property(property: 'agreement', type: 'number', description: '0-1: how far the photo agrees with itself'),
        new OA\Property(property: 'corrected', type: 'boolean'),
    ]),
    new OA\Property(property: 'lamps', type: 'array', items: new OA\Items(required: ['id', 'name', 'matrix'], properties: [
        new OA\Property(property: 'id', ref: '#/components/schemas/LampId'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'matrix', type: 'array', description: 'three rows on linear light: how the picture looks under it', items: new OA\Items(type: 'array', items: new OA\Items(type: 'number'))),
    ])),
])]
#[OA\Schema(schema: 'Values', required: ['histogram', 'dark', 'middle', 'light', 'lightest', 'darkest'], properties: [
    new OA\Property(property: 'histogram', type: 'array', description: 'share of the picture in each bar of 2 L*, darkest first', items: new OA\Items(type: 'number')),
    new OA\Property(property: 'dark', type: 'number', description: 'L* that nearly all is lighter than'),
    new OA\Property(property: 'middle', type: 'number'),
    new OA\Property(property: 'light', type: 'number'),
    new OA\Property(property: 'lightest', type: 'array', items: new OA\Items(ref: '#/components/schemas/ValueSpot')),
    new OA\Property(property: 'darkest', type: 'array', items: new OA\Items(ref: '#/components/schemas/ValueSpot')),
])]
#[OA\Schema(schema: 'ValueSpot', required: ['x', 'y', 'L', 'step'], properties: [
    new OA\Property(property: 'x', type: 'number', description: 'share of the whole reference'),
    new OA\Property(property: 'y', type: 'number'),
    new OA\Property(property: 'L', type: 'number'),
    new OA\Property(property: 'step', type: 'integer', description: 'of 9'),
])]
#[OA\Schema(schema: 'ValueRange', required: ['dark', 'light'], properties: [
    new OA\Property(property: 'dark', type: 'number'),
    new OA\Property(property: 'light', type: 'number'),
])]
final class LookResource extends JsonResource
{
    private const FEWEST_STEPS = 3;

    private const MOST_STEPS = 10;

    public function __construct(Piece $piece, private readonly Looking $looking, private readonly Reach $reach, private readonly ZoneBook $zones)
    {
        parent::__construct($piece);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $values = $this->looking->values($this->resource);
        $light = $this->zones->light($this->resource);

        return [
            'fewestZones' => MergeTree::FEWEST,
            'mostZones' => $this->looking->reading($this->resource)?->tree->most(),
            'values' => [
                'histogram' => $values->histogram, 'dark' => $values->dark, 'middle' => $values->middle, 'light' => $values->light,
                'lightest' => array_map($this->spot(...), $values->lightest), 'darkest' => array_map($this->spot(...), $values->darkest),
            ],
            'reach' => $this->reach->of($this->resource),
            'tones' => array_map(static fn (RangeMode $mode): array => ['id' => $mode->value, 'sentence' => $mode->sentence()], RangeMode::cases()),
            'scales' => array_map(self::scale(...), range(self::FEWEST_STEPS, self::MOST_STEPS)),
            'light' => ['degrees' => round($light->degrees), 'words' => $light->words(), 'agreement' => round($light->agreement, 2), 'corrected' => $this->resource->light_degrees !== null],
            'lamps' => array_map(static fn (Lamp $lamp): array => ['id' => $lamp->value, 'name' => $lamp->label(), 'matrix' => ColourMatrix::under($lamp)->rows], Lamp::cases()),
        ];
    }

    /**
     * @param  array{x: float, y: float, L: float}  $spot  shares of the part that is drawn
     * @return array{x: float, y: float, L: float, step: int}
     */
    private function spot(array $spot): array
    {
        $crop = $this->resource->crop ?? ['x' => 0.0, 'y' => 0.0, 'width' => 1.0, 'height' => 1.0];

        return ['x' => $crop['x'] + $spot['x'] * $crop['width'], 'y' => $crop['y'] + $spot['y'] * $crop['height'], 'L' => $spot['L'], 'step' => ValueScale::step($spot['L'])];
    }

    /** @return array{steps: int, limits: list<int>, rungs: list<int>} */
    private static function scale(int $steps): array
    {
        $scale = ValueReading::scale($steps);
        $code = static fn (float $L): int => Srgb::bytes(Lab::of($L, 0.0, 0.0))[0];

        return ['steps' => $steps, 'limits' => array_map($code, $scale['limits']), 'rungs' => array_map($code, $scale['rungs'])];
    }
}
