<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Piece;
use App\Studio\Records\PieceRecords;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Carbon;
use OpenApi\Attributes as OA;

/** @property-read array{piece: Piece, record: array<string, mixed>} $resource */
#[OA\Schema(schema: 'PieceRecord', required: ['id', 'title', 'photoUrl', 'caption', 'minutes', 'turns', 'otherwise', 'sittings', 'pencils', 'checks', 'entries'], properties: [
    new OA\Property(property: 'id', type: 'string'),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'photoUrl', type: 'string'),
    new OA\Property(property: 'caption', type: 'string', description: 'to publish it with: no makers, no ranges'),
    new OA\Property(property: 'minutes', type: 'number'),
    new OA\Property(property: 'turns', type: 'integer', description: 'drawn so far'),
    new OA\Property(property: 'otherwise', type: 'integer', description: 'presses at which something else was laid than planned'),
    new OA\Property(property: 'sittings', type: 'array', items: new OA\Items(required: ['from', 'to', 'minutes', 'presses'], properties: [
        new OA\Property(property: 'from', type: 'string', format: 'date-time'),
        new OA\Property(property: 'to', type: 'string', format: 'date-time'),
        new OA\Property(property: 'minutes', type: 'number'),
        new OA\Property(property: 'presses', type: 'integer'),
    ])),
    new OA\Property(property: 'pencils', type: 'array', description: 'of what was really laid, the most first', items: new OA\Items(required: ['id', 'number', 'name', 'hex', 'share'], properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'number', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'hex', type: 'string', nullable: true),
        new OA\Property(property: 'share', type: 'string', description: 'of paper times coats, in hundredths'),
    ])),
    new OA\Property(property: 'checks', type: 'array', description: 'photos that were compared, oldest first', items: new OA\Items(required: ['photo', 'at', 'picture', 'words', 'rangeSteps'], properties: [
        new OA\Property(property: 'photo', type: 'string', description: 'its mark in the log'),
        new OA\Property(property: 'at', type: 'string', format: 'date-time'),
        new OA\Property(property: 'picture', type: 'string'),
        new OA\Property(property: 'words', type: 'string'),
        new OA\Property(property: 'rangeSteps', type: 'number', description: 'of value, that the drawing reached'),
    ])),
    new OA\Property(property: 'entries', type: 'array', description: 'the log, oldest first', items: new OA\Items(ref: '#/components/schemas/DrawingEntry')),
])]
final class PieceRecordResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        ['piece' => $piece, 'record' => $record] = $this->resource;
        $at = static fn (int $seconds): string => Carbon::createFromTimestampUTC($seconds)->toIso8601ZuluString();

        return [
            'id' => $piece->id,
            'title' => $piece->title,
            'photoUrl' => ReferenceResource::make($piece->reference())->toArray($request)['url'],
            'caption' => $record['caption'],
            'minutes' => round($record['minutes'], 1),
            'turns' => $record['turns'],
            'otherwise' => $record['otherwise'],
            'sittings' => array_map(static fn (array $sitting): array => [...$sitting, 'from' => $at($sitting['from']), 'to' => $at($sitting['to']), 'minutes' => round($sitting['minutes'], 1)], $record['sittings']),
            'pencils' => array_map(static fn (array $pencil): array => [...$pencil, 'share' => PieceRecords::percent($pencil['share'])], $record['pencils']),
            'checks' => array_map(static fn (array $review): array => ['photo' => $review['photo'], 'at' => $review['madeAt'], 'picture' => $review['straight'], 'words' => (string) ($review['meanErrorWords'] ?? ''), 'rangeSteps' => (float) ($review['rangeSteps'] ?? 0.0)], $record['checks']),
            'entries' => DrawingEntryResource::collection($record['entries']),
        ];
    }
}
