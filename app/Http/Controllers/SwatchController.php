<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\SwatchFileRequest;
use App\Http\Requests\SwatchRequest;
use App\Http\Resources\SwatchResource;
use App\Models\Paper;
use App\Models\Swatch;
use App\Models\User;
use App\Studio\Swatches\SwatchBook;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use Prism\Exchange\SwatchEntry;
use Prism\Layering\Stack;
use Prism\Layering\Technique;

/** The swatch book. */
final class SwatchController
{
    private const PAGE = 60;

    #[OA\Get(path: '/api/swatches', operationId: 'swatches', parameters: [
        new OA\QueryParameter(name: 'pencil', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'paper', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'technique', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'source', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'page', schema: new OA\Schema(type: 'integer')),
    ], responses: [new OA\Response(response: 200, description: 'The latest first', content: new OA\JsonContent(required: ['swatches', 'count', 'page', 'pages', 'techniques'], properties: [
        new OA\Property(property: 'swatches', type: 'array', items: new OA\Items(ref: '#/components/schemas/Swatch')),
        new OA\Property(property: 'count', type: 'integer'),
        new OA\Property(property: 'page', type: 'integer'),
        new OA\Property(property: 'pages', type: 'integer'),
        new OA\Property(property: 'techniques', type: 'array', items: new OA\Items(required: ['id', 'name'], properties: [new OA\Property(property: 'id', type: 'string'), new OA\Property(property: 'name', type: 'string')])),
    ]))])]
    public function index(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $wish = $request->validate([
            'pencil' => ['nullable', 'string', 'max:25'], 'paper' => ['nullable', 'string', 'max:40'],
            'technique' => ['nullable', 'string', 'max:10'], 'source' => ['nullable', 'string', 'max:20'], 'page' => ['integer', 'min:1'],
        ]);
        $swatches = $user->swatches()->with('paper');
        if (($wish['pencil'] ?? '') !== '') {
            // A whole number, or the beginning of one: 6858 finds QW:6858 and nothing of 16858.
            $pencil = addcslashes($wish['pencil'], '%_\\');
            $swatches->where('stack', 'like', str_contains($pencil, ':') ? "%$pencil@%" : "%:$pencil@%");
        }
        if (($wish['paper'] ?? '') !== '') {
            $swatches->whereRelation('paper', 'slug', $wish['paper']);
        }
        foreach (['technique', 'source'] as $column) {
            if (($wish[$column] ?? '') !== '') {
                $swatches->where($column, $wish[$column]);
            }
        }
        $page = $swatches->latest('id')->paginate(self::PAGE);

        return new JsonResponse([
            'swatches' => SwatchResource::collection($page->items()),
            'count' => $page->total(), 'page' => $page->currentPage(), 'pages' => $page->lastPage(),
            'techniques' => array_map(static fn (Technique $technique): array => ['id' => $technique->value, 'name' => $technique->word()], Technique::cases()),
        ]);
    }

    #[OA\Post(path: '/api/swatches', operationId: 'addSwatch', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/SwatchForm')), responses: [
        new OA\Response(response: 201, description: 'Written down', content: new OA\JsonContent(ref: '#/components/schemas/Swatch')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    #[OA\Schema(schema: 'SwatchForm', required: ['paper', 'stack'], properties: [
        new OA\Property(property: 'paper', type: 'string'),
        new OA\Property(property: 'stack', type: 'string', description: 'empty for the bare paper'),
        new OA\Property(property: 'colour', type: 'string', nullable: true, description: 'hex, or L* a* b*'),
        new OA\Property(property: 'simulated', type: 'boolean', description: 'no colour is given: the simulated studio that ships draws it and reads it'),
        new OA\Property(property: 'note', type: 'string', nullable: true),
        new OA\Property(property: 'drawnOn', type: 'string', nullable: true),
    ])]
    public function store(SwatchRequest $request, #[CurrentUser] User $user, SwatchBook $book): JsonResponse
    {
        $stack = Stack::parse((string) $request->validated('stack'));
        $paper = self::paper($request, $user);
        $simulated = $request->boolean('simulated');
        $colour = $simulated ? $book->drawn($user, $paper, $stack) : $request->colour();
        $swatch = $book->write($user, $paper, $stack, $colour, $simulated ? 'simulated' : 'typed', (string) $request->validated('note'), $request->validated('drawnOn'));

        return SwatchResource::make($swatch->load('paper'))->response()->setStatusCode(201);
    }

    #[OA\Patch(path: '/api/swatches/{swatch}', operationId: 'noteSwatch', parameters: [new OA\PathParameter(name: 'swatch', required: true, schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['note'], properties: [new OA\Property(property: 'note', type: 'string')])), responses: [
        new OA\Response(response: 200, description: 'Noted', content: new OA\JsonContent(ref: '#/components/schemas/Swatch')),
    ])]
    public function update(Request $request, Swatch $swatch): SwatchResource
    {
        Gate::authorize('view', $swatch);
        $swatch->update(['note' => (string) $request->validate(['note' => ['present', 'nullable', 'string', 'max:300']])['note']]);

        return SwatchResource::make($swatch->load('paper'));
    }

    #[OA\Delete(path: '/api/swatches/{swatch}', operationId: 'removeSwatch', parameters: [new OA\PathParameter(name: 'swatch', required: true, schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 204, description: 'Taken out; it can be put back')])]
    public function destroy(Swatch $swatch): JsonResponse
    {
        Gate::authorize('view', $swatch);
        $swatch->delete();

        return new JsonResponse(null, 204);
    }

    #[OA\Post(path: '/api/swatches/{swatch}/restore', operationId: 'restoreSwatch', parameters: [new OA\PathParameter(name: 'swatch', required: true, schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 204, description: 'Put back')])]
    public function restore(Swatch $swatch): JsonResponse
    {
        Gate::authorize('view', $swatch);
        $swatch->restore();

        return new JsonResponse(null, 204);
    }

    #[OA\Post(path: '/api/swatches/preview', operationId: 'previewSwatches', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/SwatchFile')), responses: [
        new OA\Response(response: 200, description: 'What the file holds', content: new OA\JsonContent(required: ['count', 'rows'], properties: [
            new OA\Property(property: 'count', type: 'integer'),
            new OA\Property(property: 'rows', type: 'array', description: 'the first of them', items: new OA\Items(required: ['row', 'paper', 'stack', 'hex', 'L', 'a', 'b'], properties: [
                new OA\Property(property: 'row', type: 'integer'),
                new OA\Property(property: 'paper', type: 'string'),
                new OA\Property(property: 'stack', type: 'string'),
                new OA\Property(property: 'hex', type: 'string'),
                new OA\Property(property: 'L', type: 'number'),
                new OA\Property(property: 'a', type: 'number'),
                new OA\Property(property: 'b', type: 'number'),
            ])),
        ])),
        new OA\Response(response: 422, description: 'Every bad row', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    #[OA\Schema(schema: 'SwatchFile', required: ['text'], properties: [
        new OA\Property(property: 'text', type: 'string', description: 'a swatches table (CSV) or CGATS'),
        new OA\Property(property: 'paper', type: 'string', nullable: true, description: 'of all rows; needed for CGATS'),
    ])]
    public function preview(SwatchFileRequest $request, #[CurrentUser] User $user, SwatchBook $book): JsonResponse
    {
        $entries = $book->read($user, (string) $request->input('text'), $request->paper());

        return new JsonResponse([
            'count' => count($entries),
            'rows' => array_map(static fn (int $row, SwatchEntry $entry): array => [
                'row' => $row, 'paper' => $entry->swatch->paper, 'stack' => (string) $entry->swatch->stack, 'hex' => $entry->swatch->colour->toHex(), ...$entry->swatch->colour->jsonSerialize(),
            ], array_slice(array_keys($entries), 0, self::PAGE), array_slice(array_values($entries), 0, self::PAGE)),
        ]);
    }

    #[OA\Post(path: '/api/swatches/import', operationId: 'importSwatches', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/SwatchFile')), responses: [
        new OA\Response(response: 200, description: 'Taken in, all of it', content: new OA\JsonContent(required: ['written'], properties: [new OA\Property(property: 'written', type: 'integer')])),
        new OA\Response(response: 422, description: 'Every bad row; nothing was taken in', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function import(SwatchFileRequest $request, #[CurrentUser] User $user, SwatchBook $book): JsonResponse
    {
        return new JsonResponse(['written' => $book->import($user, (string) $request->input('text'), $request->paper())]);
    }

    /** The book as a file: a swatches table, or CGATS text. */
    public function export(#[CurrentUser] User $user, SwatchBook $book, string $format): Response
    {
        return new Response($format === 'csv' ? $book->csv($user) : $book->cgats($user), 200, [
            'Content-Type' => $format === 'csv' ? 'text/csv; charset=UTF-8' : 'text/plain; charset=UTF-8',
            'Content-Disposition' => 'attachment; filename="swatches.'.$format.'"',
        ]);
    }

    private static function paper(SwatchRequest $request, User $user): Paper
    {
        return Paper::called($user, $request->validated('paper')) ?? abort(422);
    }
}
