<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ArchiveRequest;
use App\Models\Restore;
use App\Models\User;
use App\Studio\Archive\Archives;
use App\Studio\Archive\Restores;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\UploadedFile;
use OpenApi\Attributes as OA;
use Prism\Exchange\Archive\ArchiveRefused;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Archives of a piece or of the whole studio: fetched, brought, taken back. */
final class ArchiveController
{
    #[OA\Get(path: '/api/archives/{archive}', operationId: 'archive', parameters: [new OA\PathParameter(name: 'archive', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'The archive, as it was written', content: new OA\MediaType(mediaType: 'application/zip', schema: new OA\Schema(type: 'string', format: 'binary'))),
        new OA\Response(response: 404, description: 'It is not kept any more', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function show(string $archive, #[CurrentUser] User $user, Archives $archives): BinaryFileResponse
    {
        $path = $archives->path($user, $archive) ?? abort(404, 'This archive is not kept any more. Save it anew.');

        return response()->file($path, ['Content-Type' => 'application/zip', 'Content-Disposition' => 'attachment', 'Cache-Control' => 'private, no-store']);
    }

    #[OA\Post(path: '/api/archives', operationId: 'bringArchive', requestBody: new OA\RequestBody(required: true, content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(required: ['archive'], properties: [new OA\Property(property: 'archive', type: 'string', format: 'binary')]))), responses: [
        new OA\Response(response: 200, description: 'What it would bring; nothing is taken in yet', content: new OA\JsonContent(required: ['file', 'isStudio', 'isFirst', 'counts', 'pieces', 'notes'], properties: [
            new OA\Property(property: 'file', type: 'string', description: 'by which it is taken in'),
            new OA\Property(property: 'isStudio', type: 'boolean'),
            new OA\Property(property: 'isFirst', type: 'boolean', description: 'nothing is in this studio yet'),
            new OA\Property(property: 'counts', type: 'object', required: ['box', 'swatches', 'recipes', 'calibrations', 'practice', 'charts'], properties: [
                new OA\Property(property: 'box', type: 'integer'),
                new OA\Property(property: 'swatches', type: 'integer'),
                new OA\Property(property: 'recipes', type: 'integer'),
                new OA\Property(property: 'calibrations', type: 'integer'),
                new OA\Property(property: 'practice', type: 'integer', description: 'rounds'),
                new OA\Property(property: 'charts', type: 'integer'),
            ]),
            new OA\Property(property: 'pieces', type: 'array', items: new OA\Items(required: ['folder', 'title', 'zones', 'done', 'photos', 'here'], properties: [
                new OA\Property(property: 'folder', type: 'string'),
                new OA\Property(property: 'title', type: 'string'),
                new OA\Property(property: 'zones', type: 'integer'),
                new OA\Property(property: 'done', type: 'integer', description: 'presses in Draw'),
                new OA\Property(property: 'photos', type: 'integer', description: 'of the drawing'),
                new OA\Property(property: 'here', nullable: true, type: 'object', description: 'the same piece, if it is here already', required: ['id', 'title', 'done'], properties: [
                    new OA\Property(property: 'id', type: 'string'),
                    new OA\Property(property: 'title', type: 'string'),
                    new OA\Property(property: 'done', type: 'integer'),
                ]),
            ])),
            new OA\Property(property: 'notes', type: 'array', items: new OA\Items(type: 'string')),
        ])),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function store(ArchiveRequest $request, #[CurrentUser] User $user, Restores $restores): JsonResponse
    {
        $upload = $request->file('archive');
        assert($upload instanceof UploadedFile);
        $file = $restores->keep($user, $upload);
        try {
            return new JsonResponse($restores->preview($user, $file));
        } catch (ArchiveRefused $refusal) {
            $restores->forget($user, $file);
            throw $refusal;
        }
    }

    #[OA\Get(path: '/api/restores/latest', operationId: 'latestRestore', responses: [new OA\Response(response: 200, description: 'The archive that was taken in last, if it is not taken back', content: new OA\JsonContent(required: ['restore'], properties: [
        new OA\Property(property: 'restore', nullable: true, type: 'object', required: ['id', 'title', 'pieces', 'at'], properties: [
            new OA\Property(property: 'id', type: 'string'),
            new OA\Property(property: 'title', type: 'string'),
            new OA\Property(property: 'pieces', type: 'integer'),
            new OA\Property(property: 'at', type: 'string', format: 'date-time'),
        ]),
    ]))])]
    public function latest(#[CurrentUser] User $user): JsonResponse
    {
        $restore = $user->restores()->whereNull('undone_at')->latest('id')->first();

        return new JsonResponse(['restore' => $restore === null ? null : ['id' => $restore->id, 'title' => $restore->title, 'pieces' => count($restore->made['pieces'] ?? []), 'at' => $restore->created_at->toIso8601String()]]);
    }

    #[OA\Delete(path: '/api/restores/{restore}', operationId: 'takeRestoreBack', parameters: [new OA\PathParameter(name: 'restore', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'As it was before', content: new OA\JsonContent(required: ['message'], properties: [new OA\Property(property: 'message', type: 'string')])),
    ])]
    public function takeBack(Restore $restore, #[CurrentUser] User $user, Restores $restores): JsonResponse
    {
        $restores->takeBack($user, $restore);

        return new JsonResponse(['message' => 'Taken back: the studio is as it was before.']);
    }
}
