<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\PieceRecordResource;
use App\Models\Piece;
use App\Studio\Records\PieceRecords;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** What is kept of a drawing. */
final class RecordController
{
    #[OA\Get(path: '/api/pieces/{piece}/record', operationId: 'pieceRecord', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'Time, pencils, checks and the log', content: new OA\JsonContent(ref: '#/components/schemas/PieceRecord')),
    ])]
    public function show(Piece $piece, PieceRecords $records): PieceRecordResource
    {
        Gate::authorize('view', $piece);

        return new PieceRecordResource(['piece' => $piece, 'record' => $records->of($piece)]);
    }
}
