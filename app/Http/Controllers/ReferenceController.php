<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\BalanceRequest;
use App\Http\Requests\ReferenceFileRequest;
use App\Http\Requests\ReferenceRequest;
use App\Http\Requests\StorePieceRequest;
use App\Http\Resources\PieceResource;
use App\Http\Resources\WorkResource;
use App\Models\Piece;
use App\Models\Reference;
use App\Studio\LongWork\WorkKind;
use App\Studio\LongWork\Works;
use App\Studio\Photos\PhotoRefused;
use App\Studio\Photos\PhotoStore;
use App\Studio\Photos\PhotoView;
use App\Studio\Photos\References;
use App\Studio\Photos\Uploads;
use App\Studio\PieceViews;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** The photos that a piece is drawn from. */
final class ReferenceController
{
    public function __construct(private readonly Works $works, private readonly PieceViews $views)
    {
    }

    #[OA\Post(path: '/api/pieces/{piece}/references', operationId: 'addReference', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(required: ['photo', 'name', 'role'], properties: [
            new OA\Property(property: 'photo', type: 'string', format: 'binary'),
            new OA\Property(property: 'name', type: 'string'),
            new OA\Property(property: 'role', type: 'string'),
        ]))),
        responses: [
            new OA\Response(response: 202, description: 'It is in the piece when it is decoded', content: new OA\JsonContent(ref: '#/components/schemas/Work')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function store(ReferenceFileRequest $request, Piece $piece, References $references, Uploads $uploads): JsonResponse
    {
        Gate::authorize('update', $piece);
        self::refused(static fn () => $references->checkRoom($piece));

        return $this->decoding($piece, [...$request->safe(['name', 'role']), 'file' => self::kept($request, $uploads)]);
    }

    #[OA\Post(path: '/api/references/{reference}/photo', operationId: 'replacePhoto', parameters: [new OA\PathParameter(name: 'reference', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(required: ['photo'], properties: [
            new OA\Property(property: 'photo', type: 'string', format: 'binary'),
        ]))),
        responses: [
            new OA\Response(response: 202, description: 'It takes this one\'s place when it is decoded', content: new OA\JsonContent(ref: '#/components/schemas/Work')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function replace(ReferenceFileRequest $request, Reference $reference, Uploads $uploads): JsonResponse
    {
        Gate::authorize('update', $reference->piece);

        return $this->decoding($reference->piece, ['reference' => $reference->id, 'picture' => $reference->picture, 'file' => self::kept($request, $uploads)]);
    }

    #[OA\Delete(path: '/api/references/{reference}/photo', operationId: 'takePhotoBack', parameters: [new OA\PathParameter(name: 'reference', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(response: 200, description: 'The piece with the photo, or the light, as it was before the last change', content: new OA\JsonContent(ref: '#/components/schemas/Piece')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function takeBack(Reference $reference, References $references): PieceResource
    {
        Gate::authorize('update', $reference->piece);
        self::refused(static fn () => $references->takeBack($reference));
        if ($references->isFirst($reference)) {
            $this->works->begin($reference->piece->user, WorkKind::Look, ['piece' => $reference->piece_id]);
        }

        return PieceResource::make($this->views->piece($reference->piece->refresh()));
    }

    #[OA\Patch(path: '/api/references/{reference}', operationId: 'changeReference', parameters: [new OA\PathParameter(name: 'reference', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(properties: [
            new OA\Property(property: 'name', type: 'string'),
            new OA\Property(property: 'role', type: 'string'),
            new OA\Property(property: 'first', type: 'boolean', description: 'zones and targets are read in it from now on'),
            new OA\Property(property: 'pairs', type: 'array', items: new OA\Items(type: 'array', items: new OA\Items(type: 'number'))),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'The piece', content: new OA\JsonContent(ref: '#/components/schemas/Piece')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function update(ReferenceRequest $request, Reference $reference, References $references): PieceResource
    {
        Gate::authorize('update', $reference->piece);
        $references->change($reference, $request->validated());
        if ($request->boolean('first')) {
            $this->works->begin($reference->piece->user, WorkKind::Look, ['piece' => $reference->piece_id]);
        }

        return PieceResource::make($this->views->piece($reference->piece->refresh()));
    }

    #[OA\Put(path: '/api/references/{reference}/balance', operationId: 'balanceReference', parameters: [new OA\PathParameter(name: 'reference', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['balance'], properties: [
            new OA\Property(property: 'balance', nullable: true, description: 'null: as the camera saw it', oneOf: [new OA\Schema(ref: '#/components/schemas/Balance')]),
        ])),
        responses: [
            new OA\Response(response: 202, description: 'The pictures are made anew in that light, and a first one is read anew', content: new OA\JsonContent(ref: '#/components/schemas/Work')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function balance(BalanceRequest $request, Reference $reference, References $references): JsonResponse
    {
        Gate::authorize('update', $reference->piece);
        $by = $request->validated('balance');
        // A patch that tells nothing is refused now, not when its turn comes.
        $references->light($reference, $by);
        $wish = ['piece' => $reference->piece_id, 'reference' => $reference->id, 'balance' => $by];
        $work = $this->works->begin($reference->piece->user, WorkKind::Balance, $wish)->refresh();
        if ($work->wish != $wish) {
            throw ValidationException::withMessages(['balance' => 'The light of a photo is being set just now. Wait until that is done, or cancel it.']);
        }

        return WorkResource::make($work)->response()->setStatusCode(202);
    }

    #[OA\Delete(path: '/api/references/{reference}', operationId: 'removeReference', parameters: [new OA\PathParameter(name: 'reference', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 204, description: 'Put away; it can be taken back'),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function destroy(Reference $reference, References $references): JsonResponse
    {
        Gate::authorize('update', $reference->piece);
        if ($references->isFirst($reference)) {
            throw ValidationException::withMessages(['reference' => 'Zones are read in this photo. Replace it, or make another one the first; then it can be removed.']);
        }
        $reference->delete();

        return new JsonResponse(null, 204);
    }

    #[OA\Post(path: '/api/references/{reference}/restore', operationId: 'restoreReference', parameters: [new OA\PathParameter(name: 'reference', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 204, description: 'Taken back')])]
    public function restore(Reference $reference): JsonResponse
    {
        Gate::authorize('update', $reference->piece);
        $reference->restore();

        return new JsonResponse(null, 204);
    }

    public function photo(Reference $reference, PhotoView $view, PhotoStore $photos): BinaryFileResponse
    {
        Gate::authorize('view', $reference->piece);

        return response()->file($photos->path($reference, $view), ['Content-Type' => 'image/jpeg', 'Cache-Control' => 'private, max-age=86400']);
    }

    /** @param  array<string, mixed>  $wish */
    private function decoding(Piece $piece, array $wish): JsonResponse
    {
        $work = $this->works->begin($piece->user, WorkKind::Photo, ['piece' => $piece->id, ...$wish]);

        return WorkResource::make($work->refresh())->response()->setStatusCode(202);
    }

    /**
     * @return string by which {@see Uploads} know the photo
     *
     * @throws ValidationException in the reader's own words
     */
    public static function kept(ReferenceFileRequest|StorePieceRequest $request, Uploads $uploads): string
    {
        $upload = $request->file('photo');
        assert($upload instanceof UploadedFile);

        return self::refused(static fn (): string => $uploads->keep($upload));
    }

    /**
     * @template T
     *
     * @param  \Closure(): T  $do
     * @return T
     *
     * @throws ValidationException
     */
    private static function refused(\Closure $do): mixed
    {
        try {
            return $do();
        } catch (PhotoRefused $refusal) {
            throw ValidationException::withMessages(['photo' => $refusal->getMessage()]);
        }
    }
}
