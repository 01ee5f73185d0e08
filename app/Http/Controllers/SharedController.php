<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Share;
use App\Studio\Drawing\PictureDrawings;
use App\Studio\Photos\PhotoStore;
use App\Studio\Photos\PhotoView;
use App\Studio\Review\DrawingReviews;
use App\Studio\Sharing\SharedViews;
use App\Studio\Sharing\Shares;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** What a link shows to whoever has it: to be read, and no more. */
final class SharedController
{
    private const GONE = 'This link leads nowhere, or not any more. Ask whoever sent it for another.';

    public function __construct(private readonly Shares $shares)
    {
    }

    #[OA\Get(path: '/api/shared/{token}', operationId: 'shared', parameters: [new OA\PathParameter(name: 'token', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'A plan or a record', content: new OA\JsonContent(required: ['kind', 'title', 'paper', 'widthMm', 'heightMm', 'unit', 'withPhoto', 'until', 'plan', 'record'], properties: [
            new OA\Property(property: 'kind', type: 'string', enum: ['plan', 'record']),
            new OA\Property(property: 'title', type: 'string'),
            new OA\Property(property: 'paper', type: 'string'),
            new OA\Property(property: 'widthMm', type: 'number'),
            new OA\Property(property: 'heightMm', type: 'number'),
            new OA\Property(property: 'unit', type: 'string', enum: ['mm', 'in']),
            new OA\Property(property: 'withPhoto', type: 'boolean'),
            new OA\Property(property: 'until', type: 'string', format: 'date-time'),
            new OA\Property(property: 'plan', nullable: true, type: 'object', required: ['minutes', 'sessions', 'pencils', 'turns'], properties: [
                new OA\Property(property: 'minutes', type: 'number'),
                new OA\Property(property: 'sessions', type: 'integer'),
                new OA\Property(property: 'pencils', type: 'array', items: new OA\Items(ref: '#/components/schemas/SharedPencil')),
                new OA\Property(property: 'turns', type: 'array', items: new OA\Items(required: ['number', 'stage', 'role', 'session', 'minutes', 'why', 'pencil', 'pressurePercent', 'pressureWord', 'places'], properties: [
                    new OA\Property(property: 'number', type: 'integer'),
                    new OA\Property(property: 'stage', type: 'string', enum: ['reserve', 'map', 'underlayer', 'build', 'dark', 'finish']),
                    new OA\Property(property: 'role', type: 'string', enum: ['ground', 'reserve', 'map', 'redraw', 'underlayer', 'layer', 'rub', 'wash', 'lift', 'line', 'blend', 'burnish', 'sparkle']),
                    new OA\Property(property: 'session', type: 'integer'),
                    new OA\Property(property: 'minutes', type: 'number'),
                    new OA\Property(property: 'why', type: 'string'),
                    new OA\Property(property: 'pencil', nullable: true, type: 'object', required: ['number', 'name', 'hex'], properties: [
                        new OA\Property(property: 'number', type: 'string'),
                        new OA\Property(property: 'name', type: 'string'),
                        new OA\Property(property: 'hex', type: 'string', nullable: true),
                    ]),
                    new OA\Property(property: 'pressurePercent', type: 'number', nullable: true),
                    new OA\Property(property: 'pressureWord', type: 'string', nullable: true),
                    new OA\Property(property: 'places', type: 'array', items: new OA\Items(required: ['name', 'part', 'coats'], properties: [
                        new OA\Property(property: 'name', type: 'string'),
                        new OA\Property(property: 'part', type: 'string'),
                        new OA\Property(property: 'coats', type: 'integer'),
                    ])),
                ])),
            ]),
            new OA\Property(property: 'record', nullable: true, type: 'object', required: ['caption', 'minutes', 'sittings', 'turns', 'pencils', 'checks'], properties: [
                new OA\Property(property: 'caption', type: 'string'),
                new OA\Property(property: 'minutes', type: 'number'),
                new OA\Property(property: 'sittings', type: 'integer'),
                new OA\Property(property: 'turns', type: 'integer'),
                new OA\Property(property: 'pencils', type: 'array', items: new OA\Items(ref: '#/components/schemas/SharedPencil')),
                new OA\Property(property: 'checks', type: 'array', items: new OA\Items(required: ['photo', 'at', 'words'], properties: [
                    new OA\Property(property: 'photo', type: 'string'),
                    new OA\Property(property: 'at', type: 'string', format: 'date-time'),
                    new OA\Property(property: 'words', type: 'string'),
                ])),
            ]),
        ])),
        new OA\Response(response: 404, description: 'It leads nowhere, or not any more', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    #[OA\Schema(schema: 'SharedPencil', required: ['number', 'name', 'hex', 'share'], properties: [
        new OA\Property(property: 'number', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'hex', type: 'string', nullable: true),
        new OA\Property(property: 'share', type: 'string', description: 'of all that is laid, in hundredths'),
    ])]
    public function show(string $token, SharedViews $views): JsonResponse
    {
        return new JsonResponse($views->of($this->found($token)));
    }

    #[OA\Get(path: '/api/shared/{token}/preview', operationId: 'sharedPreview', parameters: [new OA\PathParameter(name: 'token', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'The drawing as it is planned', content: new OA\MediaType(mediaType: 'image/png', schema: new OA\Schema(type: 'string', format: 'binary')))])]
    public function preview(string $token, PictureDrawings $drawings): Response
    {
        return new Response($drawings->simulated($this->found($token, 'plan')->piece, null), 200, ['Content-Type' => 'image/png', 'Cache-Control' => 'private, max-age=60']);
    }

    #[OA\Get(path: '/api/shared/{token}/photo', operationId: 'sharedPhoto', parameters: [new OA\PathParameter(name: 'token', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'The reference, where its artist lets it be seen', content: new OA\MediaType(mediaType: 'image/jpeg', schema: new OA\Schema(type: 'string', format: 'binary')))])]
    public function photo(string $token, PhotoStore $photos): BinaryFileResponse
    {
        $share = $this->found($token);
        abort_unless($share->with_photo, 404, self::GONE);

        return response()->file($photos->path($share->piece->reference(), PhotoView::Photo), ['Content-Type' => 'image/jpeg', 'Cache-Control' => 'private, max-age=60']);
    }

    #[OA\Get(path: '/api/shared/{token}/checks/{mark}', operationId: 'sharedCheck', parameters: [new OA\PathParameter(name: 'token', required: true, schema: new OA\Schema(type: 'string')), new OA\PathParameter(name: 'mark', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'A photo of the drawing, set straight', content: new OA\MediaType(mediaType: 'image/png', schema: new OA\Schema(type: 'string', format: 'binary')))])]
    public function check(string $token, string $mark, DrawingReviews $reviews): BinaryFileResponse
    {
        $path = $reviews->pictureOf($this->found($token, 'record')->piece, $mark, 'straight') ?? abort(404, self::GONE);

        return response()->file($path, ['Content-Type' => 'image/png', 'Cache-Control' => 'private, max-age=60']);
    }

    /** @param  ?string  $kind  of what is asked for */
    private function found(string $token, ?string $kind = null): Share
    {
        $share = $this->shares->find($token);

        return $share !== null && ($kind === null || $share->kind === $kind) ? $share : abort(404, self::GONE);
    }
}
