<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PageRequest;
use App\Http\Requests\SampleRequest;
use App\Http\Requests\StorePieceRequest;
use App\Http\Requests\UpdatePieceRequest;
use App\Http\Resources\PieceChoicesResource;
use App\Http\Resources\PieceResource;
use App\Http\Resources\PieceSummaryResource;
use App\Http\Resources\SampleResource;
use App\Http\Resources\WorkResource;
use App\Models\Piece;
use App\Models\User;
use App\Studio\LongWork\WorkKind;
use App\Studio\LongWork\Works;
use App\Studio\Photos\PhotoStore;
use App\Studio\Photos\Uploads;
use App\Studio\Pieces;
use App\Studio\PieceViews;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

final class PieceController
{
    #[OA\Get(path: '/api/pieces', operationId: 'pieces', parameters: [
        new OA\QueryParameter(name: 'limit', description: 'so many at a time; all if left out', schema: new OA\Schema(type: 'integer', minimum: 1, maximum: 100)),
        new OA\QueryParameter(name: 'cursor', description: 'where to go on, from the address that Link names as next', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'One\'s pieces, last changed first; the header Link names where the next are', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/PieceSummary')))])]
    public function index(PageRequest $request, #[CurrentUser] User $user): JsonResponse
    {
        $pieces = $user->pieces()->with(['paper', 'references'])
            ->withCount(['zones', 'zones as recipes_count' => static fn ($query) => $query->has('targets.recipe')])
            ->orderByDesc('updated_at')->orderByDesc('id');
        $limit = $request->limit();
        if ($limit === null) {
            return PieceSummaryResource::collection($pieces->get())->response();
        }
        $page = $pieces->cursorPaginate($limit)->withQueryString();
        $next = $page->nextPageUrl();

        return (new JsonResponse(PieceSummaryResource::collection($page->items())))->withHeaders($next === null ? [] : ['Link' => "<$next>; rel=\"next\""]);
    }

    #[OA\Post(
        path: '/api/pieces',
        operationId: 'addPiece',
        requestBody: new OA\RequestBody(required: true, content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(required: ['title', 'paper', 'photo'], properties: [
            new OA\Property(property: 'title', type: 'string'),
            new OA\Property(property: 'paper', type: 'string'),
            new OA\Property(property: 'photo', type: 'string', format: 'binary'),
            new OA\Property(property: 'from', type: 'string', enum: ['photo', 'lines'], description: 'lines: it is a line drawing, whose areas are to be coloured'),
        ]))),
        responses: [
            new OA\Response(response: 202, description: 'The piece is there when its photo is decoded: it is the result', content: new OA\JsonContent(ref: '#/components/schemas/Work')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function store(StorePieceRequest $request, #[CurrentUser] User $user, Uploads $uploads, Works $works): JsonResponse
    {
        $file = ReferenceController::kept($request, $uploads);
        $work = $works->begin($user, WorkKind::Photo, [...$request->safe(['title', 'paper', 'from']), 'file' => $file]);

        return WorkResource::make($work->refresh())->response()->setStatusCode(202);
    }

    #[OA\Get(path: '/api/pieces/{piece}', operationId: 'piece', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'The piece', content: new OA\JsonContent(ref: '#/components/schemas/Piece')),
        new OA\Response(response: 404, description: 'Not in this studio', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function show(Piece $piece, PieceViews $views): PieceResource
    {
        Gate::authorize('view', $piece);

        return PieceResource::make($views->piece($piece));
    }

    #[OA\Patch(
        path: '/api/pieces/{piece}',
        operationId: 'changePiece',
        parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(properties: [
            new OA\Property(property: 'version', type: 'integer', description: 'that was seen: the change is refused if it is another by now'),
            new OA\Property(property: 'title', type: 'string'),
            new OA\Property(property: 'paper', type: 'string'),
            new OA\Property(property: 'schools', ref: '#/components/schemas/SchoolAnswers'),
            new OA\Property(property: 'lamp', ref: '#/components/schemas/LampId'),
            new OA\Property(property: 'tone', ref: '#/components/schemas/RangeModeId'),
            new OA\Property(property: 'lightDegrees', type: 'number', nullable: true),
            new OA\Property(property: 'interpretation', ref: '#/components/schemas/InterpretationChanges'),
            new OA\Property(property: 'crop', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/Crop')]),
            new OA\Property(property: 'widthMm', type: 'number'),
            new OA\Property(property: 'heightMm', type: 'number'),
            new OA\Property(property: 'marginMm', type: 'number', description: 'of a line drawing: so much beside each line stays paper'),
            new OA\Property(property: 'unit', type: 'string', enum: ['mm', 'in']),
            new OA\Property(property: 'sessionMinutes', type: 'integer'),
            new OA\Property(property: 'paletteSize', type: 'integer', nullable: true),
            new OA\Property(property: 'valueOnly', type: 'boolean'),
            new OA\Property(property: 'pinned', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property(property: 'banned', type: 'array', items: new OA\Items(type: 'string')),
        ])),
        responses: [
            new OA\Response(response: 409, description: 'Changed meanwhile elsewhere', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
            new OA\Response(response: 200, description: 'What is chosen now', content: new OA\JsonContent(ref: '#/components/schemas/PieceChoices')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function update(UpdatePieceRequest $request, Piece $piece, Pieces $pieces): PieceChoicesResource
    {
        Gate::authorize('update', $piece);
        $pieces->change($piece, $request->validated());

        return PieceChoicesResource::make($piece->refresh());
    }

    #[OA\Delete(path: '/api/pieces/{piece}', operationId: 'removePiece', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 204, description: 'Put away; it can be taken back')])]
    public function destroy(Piece $piece): JsonResponse
    {
        Gate::authorize('delete', $piece);
        $piece->delete();

        return new JsonResponse(null, 204);
    }

    #[OA\Post(path: '/api/pieces/{piece}/restore', operationId: 'restorePiece', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 204, description: 'Taken back')])]
    public function restore(Piece $piece): JsonResponse
    {
        Gate::authorize('update', $piece);
        $piece->restore();

        return new JsonResponse(null, 204);
    }

    #[OA\Post(
        path: '/api/pieces/{piece}/samples',
        operationId: 'sample',
        parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['x', 'y', 'radius'], properties: [
            new OA\Property(property: 'x', type: 'number'),
            new OA\Property(property: 'y', type: 'number'),
            new OA\Property(property: 'radius', type: 'number'),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'The colour of a round patch', content: new OA\JsonContent(ref: '#/components/schemas/Sample')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function sample(SampleRequest $request, Piece $piece, PhotoStore $photos): SampleResource
    {
        Gate::authorize('view', $piece);

        return SampleResource::make($photos->sample($piece->reference(), $request->float('x'), $request->float('y'), $request->float('radius')));
    }
}
