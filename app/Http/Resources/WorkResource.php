<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Work;
use App\Studio\LongWork\WorkKind;
use App\Studio\LongWork\Works;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;

/** @mixin Work */
#[OA\Schema(schema: 'Work', required: ['id', 'kind', 'state', 'before', 'doing', 'progress', 'problem', 'startedAt', 'result'], properties: [
    new OA\Property(property: 'id', type: 'string'),
    new OA\Property(property: 'kind', type: 'string', enum: ['calibration', 'audit', 'filling', 'search-again', 'look', 'planning', 'reserves', 'demo-piece', 'balance', 'photo', 'reading', 'review', 'simulated-drawing', 'archive', 'restore']),
    new OA\Property(property: 'state', type: 'string', enum: ['waiting', 'running', 'done', 'failed', 'cancelled']),
    new OA\Property(property: 'before', type: 'integer', description: 'while it waits: how many are done first'),
    new OA\Property(property: 'doing', type: 'string'),
    new OA\Property(property: 'progress', type: 'number', description: '0-1'),
    new OA\Property(property: 'problem', type: 'string'),
    new OA\Property(property: 'startedAt', type: 'string', format: 'date-time'),
    new OA\Property(property: 'result', nullable: true, description: 'by kind', oneOf: [
        new OA\Schema(ref: '#/components/schemas/AuditResult'),
        new OA\Schema(ref: '#/components/schemas/CalibrationResult'),
        new OA\Schema(ref: '#/components/schemas/FillingResult'),
        new OA\Schema(ref: '#/components/schemas/SearchAgainResult'),
        new OA\Schema(ref: '#/components/schemas/LookResult'),
        new OA\Schema(ref: '#/components/schemas/PlanningResult'),
        new OA\Schema(ref: '#/components/schemas/PieceResult'),
        new OA\Schema(ref: '#/components/schemas/ChartReading'),
        new OA\Schema(ref: '#/components/schemas/ArchiveResult'),
        new OA\Schema(ref: '#/components/schemas/RestoreResult'),
    ]),
])]
#[OA\Schema(schema: 'ArchiveResult', required: ['archive', 'name', 'bytes', 'of'], properties: [
    new OA\Property(property: 'of', type: 'string', nullable: true, description: 'a piece; null: the whole studio'),
    new OA\Property(property: 'archive', type: 'string', description: 'by which it is fetched'),
    new OA\Property(property: 'name', type: 'string', description: 'of the file'),
    new OA\Property(property: 'bytes', type: 'integer'),
])]
#[OA\Schema(schema: 'RestoreResult', required: ['restore', 'pieces'], properties: [
    new OA\Property(property: 'restore', type: 'string', description: 'by which it is taken back'),
    new OA\Property(property: 'pieces', type: 'array', items: new OA\Items(type: 'string')),
])]
#[OA\Schema(schema: 'CalibrationResult', required: ['calibration'], properties: [new OA\Property(property: 'calibration', type: 'integer')])]
#[OA\Schema(schema: 'PieceResult', description: 'of what is about a piece and leaves its findings there', required: ['piece'], properties: [new OA\Property(property: 'piece', type: 'string')])]
#[OA\Schema(schema: 'LookResult', required: ['piece', 'most'], properties: [
    new OA\Property(property: 'piece', type: 'string'),
    new OA\Property(property: 'most', type: 'integer'),
])]
#[OA\Schema(schema: 'PlanningResult', required: ['piece', 'pencils', 'dE00', 'found', 'kept'], properties: [
    new OA\Property(property: 'piece', type: 'string'),
    new OA\Property(property: 'pencils', type: 'integer'),
    new OA\Property(property: 'dE00', type: 'number'),
    new OA\Property(property: 'found', type: 'integer', description: 'recipes'),
    new OA\Property(property: 'kept', type: 'integer', description: 'recipes chosen by hand, left alone'),
])]
#[OA\Schema(schema: 'FillingResult', required: ['chart', 'sheet', 'picture'], properties: [
    new OA\Property(property: 'chart', type: 'string'),
    new OA\Property(property: 'sheet', type: 'integer'),
    new OA\Property(property: 'picture', type: 'string', description: 'address of the simulated photo'),
])]
#[OA\Schema(schema: 'SearchAgainResult', required: ['searched', 'changed'], properties: [
    new OA\Property(property: 'searched', type: 'integer'),
    new OA\Property(property: 'changed', type: 'array', items: new OA\Items(required: ['target', 'name', 'had', 'has'], properties: [
        new OA\Property(property: 'target', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'had', type: 'string'),
        new OA\Property(property: 'has', type: 'string'),
    ])),
])]
#[OA\Schema(schema: 'AuditResult', required: ['paper', 'calibration', 'box', 'compared', 'cover', 'reached', 'reachable', 'cells', 'ladder', 'holes', 'nextInGeneral', 'nextForPieces', 'targets', 'curve', 'ownCurve'], properties: [
    new OA\Property(property: 'paper', type: 'string'),
    new OA\Property(property: 'calibration', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/RestsOn')]),
    new OA\Property(property: 'box', type: 'integer'),
    new OA\Property(property: 'compared', type: 'integer'),
    new OA\Property(property: 'cover', type: 'array', items: new OA\Items(required: ['family', 'counts', 'missing'], properties: [
        new OA\Property(property: 'family', type: 'string'),
        new OA\Property(property: 'counts', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'integer')),
        new OA\Property(property: 'missing', type: 'array', items: new OA\Items(required: ['kind', 'gap'], properties: [
            new OA\Property(property: 'kind', type: 'string'),
            new OA\Property(property: 'gap', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/Gap')]),
        ])),
    ])),
    new OA\Property(property: 'reached', type: 'integer'),
    new OA\Property(property: 'reachable', type: 'integer'),
    new OA\Property(property: 'cells', type: 'array', description: 'wheel position, chroma, value step, 1 if reached', items: new OA\Items(type: 'array', items: new OA\Items(type: 'number'))),
    new OA\Property(property: 'ladder', type: 'array', items: new OA\Items(required: ['step', 'reached', 'missing'], properties: [
        new OA\Property(property: 'step', type: 'integer'),
        new OA\Property(property: 'reached', type: 'integer'),
        new OA\Property(property: 'missing', type: 'integer'),
    ])),
    new OA\Property(property: 'holes', type: 'array', items: new OA\Items(ref: '#/components/schemas/Gap')),
    new OA\Property(property: 'nextInGeneral', type: 'array', items: new OA\Items(required: ['pencil', 'gained', 'fills'], properties: [
        new OA\Property(property: 'pencil', type: 'string'),
        new OA\Property(property: 'gained', type: 'integer'),
        new OA\Property(property: 'fills', type: 'array', items: new OA\Items(ref: '#/components/schemas/Hole')),
    ])),
    new OA\Property(property: 'nextForPieces', type: 'array', items: new OA\Items(required: ['pencil', 'gained', 'targets'], properties: [
        new OA\Property(property: 'pencil', type: 'string'),
        new OA\Property(property: 'gained', type: 'number'),
        new OA\Property(property: 'targets', type: 'integer'),
    ])),
    new OA\Property(property: 'targets', type: 'integer'),
    new OA\Property(property: 'curve', type: 'array', items: new OA\Items(ref: '#/components/schemas/CurvePoint')),
    new OA\Property(property: 'ownCurve', type: 'array', items: new OA\Items(ref: '#/components/schemas/CurvePoint')),
])]
#[OA\Schema(schema: 'Hole', required: ['family', 'character', 'valueStep', 'cells', 'hex'], properties: [
    new OA\Property(property: 'family', type: 'string'),
    new OA\Property(property: 'character', type: 'string'),
    new OA\Property(property: 'valueStep', type: 'integer'),
    new OA\Property(property: 'cells', type: 'integer'),
    new OA\Property(property: 'hex', type: 'string'),
])]
#[OA\Schema(schema: 'Gap', required: ['family', 'character', 'valueStep', 'cells', 'hex', 'buy', 'brings', 'mix'], properties: [
    new OA\Property(property: 'family', type: 'string'),
    new OA\Property(property: 'character', type: 'string'),
    new OA\Property(property: 'valueStep', type: 'integer'),
    new OA\Property(property: 'cells', type: 'integer'),
    new OA\Property(property: 'hex', type: 'string'),
    new OA\Property(property: 'buy', type: 'string', nullable: true, description: 'the pencil that would bring most of it'),
    new OA\Property(property: 'brings', type: 'integer', description: 'so many of the cells'),
    new OA\Property(property: 'mix', description: 'how near the box comes meanwhile', required: ['stack', 'hex', 'dE00', 'words'], properties: [
        new OA\Property(property: 'stack', type: 'string'),
        new OA\Property(property: 'hex', type: 'string'),
        new OA\Property(property: 'dE00', type: 'number'),
        new OA\Property(property: 'words', type: 'string'),
    ], type: 'object'),
])]
#[OA\Schema(schema: 'CurvePoint', required: ['size', 'dE00', 'pencils'], properties: [
    new OA\Property(property: 'size', type: 'integer'),
    new OA\Property(property: 'dE00', type: 'number'),
    new OA\Property(property: 'pencils', type: 'array', items: new OA\Items(type: 'string')),
])]
final class WorkResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'kind' => $this->kind,
            'state' => $this->state,
            'before' => app(Works::class)->before($this->resource),
            'doing' => $this->doing,
            'progress' => round($this->progress, 3),
            'problem' => $this->problem,
            'startedAt' => $this->created_at->toIso8601String(),
            'result' => match (true) {
                $this->state !== 'done' => null,
                $this->kind === WorkKind::Reading->value => ChartReadingResource::make($this->result),
                default => $this->result,
            },
        ];
    }
}
