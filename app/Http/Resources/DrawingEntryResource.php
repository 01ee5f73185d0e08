<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\DrawingEntry;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Layering\Stack;

/** @mixin DrawingEntry */
#[OA\Schema(schema: 'DrawingEntry', required: ['mark', 'kind', 'turn', 'keys', 'did', 'note', 'zone', 'photo', 'undone', 'madeAt'], properties: [
    new OA\Property(property: 'mark', type: 'string', description: 'given by who made it'),
    new OA\Property(property: 'kind', type: 'string', enum: ['done', 'skipped', 'open', 'replanned', 'left', 'corrected', 'note', 'photo'], description: 'open: a mark was taken off; replanned: a place was planned anew; left: it was not; corrected: layers that a photo of the drawing asked for were taken over'),
    new OA\Property(property: 'turn', nullable: true, type: 'integer', description: 'of the plan as it was then'),
    new OA\Property(property: 'keys', type: 'array', description: 'steps that it marked', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'did', nullable: true, type: 'object', description: 'what was laid instead of what, and where', required: ['laid', 'planned', 'places'], properties: [
        new OA\Property(property: 'laid', type: 'array', items: new OA\Items(ref: '#/components/schemas/Step')),
        new OA\Property(property: 'planned', type: 'array', description: 'empty where nothing was to be laid', items: new OA\Items(ref: '#/components/schemas/Step')),
        new OA\Property(property: 'places', type: 'array', items: new OA\Items(type: 'string')),
    ]),
    new OA\Property(property: 'note', nullable: true, type: 'string'),
    new OA\Property(property: 'zone', nullable: true, type: 'string', description: 'what the zone was called that it is about'),
    new OA\Property(property: 'photo', nullable: true, type: 'object', required: ['url', 'width', 'height'], properties: [
        new OA\Property(property: 'url', type: 'string'),
        new OA\Property(property: 'width', type: 'integer'),
        new OA\Property(property: 'height', type: 'integer'),
    ]),
    new OA\Property(property: 'undone', type: 'boolean'),
    new OA\Property(property: 'madeAt', type: 'string', format: 'date-time'),
])]
final class DrawingEntryResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'mark' => $this->mark,
            'kind' => $this->kind,
            'turn' => $this->turn,
            'keys' => array_map(strval(...), array_keys($this->before ?? [])),
            'did' => $this->did === null ? null : [
                'laid' => self::steps($this->did['laid'] ?? $this->did['rest'] ?? null),
                'planned' => self::steps($this->did['planned'] ?? null),
                'places' => $this->did['places'],
            ],
            'note' => $this->note,
            'zone' => $this->zone,
            'photo' => $this->kind === 'photo' ? ['url' => "/api/pieces/{$this->piece_id}/drawing/photos/{$this->mark}", 'width' => $this->photo_width, 'height' => $this->photo_height] : null,
            'undone' => $this->undone,
            'madeAt' => $this->made_at->toIso8601String(),
        ];
    }

    private static function steps(?string $notation): AnonymousResourceCollection
    {
        return StepResource::collection($notation === null || $notation === '' ? [] : Stack::parse($notation)->steps);
    }
}
