<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\PieceRecordResource;
use App\Models\Piece;
use App\Models\User;
use App\Studio\Records\Figures;
use App\Studio\Records\PieceRecords;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** What is kept of a drawing. */
final class RecordController
{
    #[OA\Get(path: '/api/figures', operationId: 'figures', responses: [new OA\Response(response: 200, description: 'What one\'s work comes to over the months', content: new OA\JsonContent(required: ['months', 'pencils', 'hand', 'checks', 'schools'], properties: [
        new OA\Property(property: 'months', type: 'array', description: 'the last twelve, oldest first', items: new OA\Items(required: ['month', 'minutes', 'sittings', 'turns', 'pieces'], properties: [
            new OA\Property(property: 'month', type: 'string', description: 'as 2026-11'),
            new OA\Property(property: 'minutes', type: 'number'),
            new OA\Property(property: 'sittings', type: 'integer'),
            new OA\Property(property: 'turns', type: 'integer'),
            new OA\Property(property: 'pieces', type: 'integer', description: 'that were drawn on'),
        ])),
        new OA\Property(property: 'pencils', type: 'array', description: 'nearly used up first, then the most used', items: new OA\Items(required: ['id', 'number', 'name', 'usedMm', 'leftMm', 'isShort'], properties: [
            new OA\Property(property: 'id', type: 'string'),
            new OA\Property(property: 'number', type: 'string'),
            new OA\Property(property: 'name', type: 'string'),
            new OA\Property(property: 'usedMm', type: 'number'),
            new OA\Property(property: 'leftMm', type: 'number', nullable: true),
            new OA\Property(property: 'isShort', type: 'boolean'),
        ])),
        new OA\Property(property: 'hand', type: 'array', description: 'of each calibration, in hundredths of what its swatches say', items: new OA\Items(required: ['at', 'percent'], properties: [
            new OA\Property(property: 'at', type: 'string', format: 'date-time'),
            new OA\Property(property: 'percent', type: 'integer'),
        ])),
        new OA\Property(property: 'checks', type: 'array', description: 'mean value error at the first check and at the last, in steps', items: new OA\Items(required: ['piece', 'title', 'first', 'last', 'count'], properties: [
            new OA\Property(property: 'piece', type: 'string'),
            new OA\Property(property: 'title', type: 'string'),
            new OA\Property(property: 'first', type: 'number'),
            new OA\Property(property: 'last', type: 'number'),
            new OA\Property(property: 'count', type: 'integer'),
        ])),
        new OA\Property(property: 'schools', type: 'array', description: 'what most pieces go by', items: new OA\Items(required: ['question', 'answer', 'pieces'], properties: [
            new OA\Property(property: 'question', type: 'string'),
            new OA\Property(property: 'answer', type: 'string'),
            new OA\Property(property: 'pieces', type: 'integer'),
        ])),
    ]))])]
    public function figures(#[CurrentUser] User $user, Figures $figures): JsonResponse
    {
        return new JsonResponse($figures->of($user));
    }

    #[OA\Get(path: '/api/pieces/{piece}/record', operationId: 'pieceRecord', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'Time, pencils, checks and the log', content: new OA\JsonContent(ref: '#/components/schemas/PieceRecord')),
    ])]
    public function show(Piece $piece, PieceRecords $records): PieceRecordResource
    {
        Gate::authorize('view', $piece);

        return new PieceRecordResource(['piece' => $piece, 'record' => $records->of($piece)]);
    }
}
