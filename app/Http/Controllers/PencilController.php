<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PencilFileRequest;
use App\Http\Requests\PencilListRequest;
use App\Http\Requests\PencilRequest;
use App\Http\Resources\ColourResource;
use App\Http\Resources\PencilPageResource;
use App\Http\Resources\PencilResource;
use App\Jobs\PrepareBox;
use App\Models\Paper;
use App\Models\Pencil;
use App\Models\Range;
use App\Models\User;
use App\Studio\Pencils\Catalogue;
use App\Studio\Pencils\NearestPencils;
use App\Studio\Pencils\PencilBook;
use App\Studio\Pencils\PencilList;
use App\Studio\Pencils\PencilPage;
use App\Studio\Pencils\TypedColour;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use Prism\Materials\PencilId;

/** The pencils of all ranges: looked through, looked at, written down. */
final class PencilController
{
    #[OA\Get(path: '/api/pencils', operationId: 'pencils', parameters: [
        new OA\QueryParameter(name: 'scope', schema: new OA\Schema(type: 'string', enum: ['all', 'box'])),
        new OA\QueryParameter(name: 'order', schema: new OA\Schema(type: 'string', enum: ['roll', 'value', 'walk', 'number'])),
        new OA\QueryParameter(name: 'q', description: 'number, name, former name', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'near', description: 'hex, L* a* b* or a pencil: nearest first', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'range', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'family', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'lean', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'binder', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'value', schema: new OA\Schema(type: 'integer')),
    ], responses: [new OA\Response(response: 200, description: 'Pencils in the order asked for', content: new OA\JsonContent(required: ['pencils', 'total', 'owned', 'ranges', 'families'], properties: [
        new OA\Property(property: 'pencils', type: 'array', items: new OA\Items(ref: '#/components/schemas/Pencil')),
        new OA\Property(property: 'total', type: 'integer'),
        new OA\Property(property: 'owned', type: 'integer'),
        new OA\Property(property: 'ranges', type: 'array', items: new OA\Items(ref: '#/components/schemas/Range')),
        new OA\Property(property: 'families', type: 'array', items: new OA\Items(type: 'string')),
    ]))])]
    #[OA\Schema(schema: 'Range', required: ['code', 'maker', 'name', 'own', 'count', 'owned'], properties: [
        new OA\Property(property: 'code', type: 'string'),
        new OA\Property(property: 'maker', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'own', type: 'boolean', description: 'the artist wrote it down'),
        new OA\Property(property: 'count', type: 'integer'),
        new OA\Property(property: 'owned', type: 'integer'),
    ])]
    public function index(PencilListRequest $request, #[CurrentUser] User $user, TypedColour $colours, PencilList $list): JsonResponse
    {
        return new JsonResponse($list->find($user, $request->wanted($user, $colours)));
    }

    #[OA\Get(path: '/api/nearest-pencils', operationId: 'nearestPencils', parameters: [
        new OA\QueryParameter(name: 'to', required: true, description: 'hex, L* a* b* or a pencil', schema: new OA\Schema(type: 'string')),
    ], responses: [
        new OA\Response(response: 200, description: 'A few of each, nearest first', content: new OA\JsonContent(required: ['box', 'others', 'beside'], properties: [
            new OA\Property(property: 'box', type: 'array', items: new OA\Items(ref: '#/components/schemas/Pencil')),
            new OA\Property(property: 'others', type: 'array', items: new OA\Items(ref: '#/components/schemas/Pencil')),
            new OA\Property(property: 'beside', type: 'array', description: 'its complement and its neighbours on the wheel, each with the nearest pencil of the box; empty of a grey', items: new OA\Items(required: ['what', 'colour', 'pencil'], properties: [
                new OA\Property(property: 'what', type: 'string', enum: ['complement', 'darker', 'lighter']),
                new OA\Property(property: 'colour', ref: '#/components/schemas/Colour'),
                new OA\Property(property: 'pencil', ref: '#/components/schemas/Pencil'),
            ])),
        ])),
        new OA\Response(response: 422, description: 'No colour', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function nearest(Request $request, #[CurrentUser] User $user, TypedColour $colours, NearestPencils $nearest): JsonResponse
    {
        $request->validate(['to' => ['required', 'string', 'max:40']]);

        $found = $nearest->to($user, $colours->read($user, (string) $request->string('to'), 'to'));

        return new JsonResponse([...$found, 'beside' => array_map(static fn (array $one): array => [...$one, 'colour' => ColourResource::make($one['colour'])], $found['beside'])]);
    }

    #[OA\Get(path: '/api/pencils/{pencil}', operationId: 'pencil', parameters: [
        new OA\PathParameter(name: 'pencil', required: true, schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'paper', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'All that is known of it', content: new OA\JsonContent(ref: '#/components/schemas/PencilPage'))])]
    public function show(Request $request, #[CurrentUser] User $user, string $pencil, Catalogue $catalogue, PencilPage $page): PencilPageResource
    {
        return new PencilPageResource($page->of($user, self::paper($request, $user), self::found($catalogue, $user, $pencil)));
    }

    #[OA\Post(path: '/api/pencils', operationId: 'addPencil', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PencilForm')), responses: [
        new OA\Response(response: 201, description: 'Written down', content: new OA\JsonContent(ref: '#/components/schemas/Pencil')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    #[OA\Schema(schema: 'PencilForm', required: ['range', 'number', 'name', 'binder', 'opacity', 'status', 'aliases'], properties: [
        new OA\Property(property: 'range', type: 'string'),
        new OA\Property(property: 'rangeName', type: 'string'),
        new OA\Property(property: 'maker', type: 'string'),
        new OA\Property(property: 'number', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'aliases', type: 'array', items: new OA\Items(type: 'string')),
        new OA\Property(property: 'binder', type: 'string', enum: ['wax', 'oil']),
        new OA\Property(property: 'opacity', type: 'string', enum: ['transparent', 'semi', 'opaque']),
        new OA\Property(property: 'core', type: 'string', enum: ['hard', 'soft'], nullable: true, description: 'null: not known'),
        new OA\Property(property: 'stains', type: 'boolean', description: 'cannot be erased without a trace'),
        new OA\Property(property: 'lightfastness', type: 'string', nullable: true),
        new OA\Property(property: 'status', type: 'string', enum: ['current', 'renamed', 'discontinued', 'replaced']),
        new OA\Property(property: 'replacedBy', type: 'string', nullable: true),
        new OA\Property(property: 'colour', type: 'string', nullable: true, description: 'hex, or L* a* b* of a heavy coat; left alone where absent'),
    ])]
    public function store(PencilRequest $request, #[CurrentUser] User $user, Catalogue $catalogue, PencilBook $book): JsonResponse
    {
        $entry = $request->entry();
        $id = $entry->pencil->id;
        $shipped = Range::query();
        $range = $shipped->whereNull('user_id')->where('code', $id->range)->first();
        if ($range !== null) {
            Gate::authorize('update', $range);
        }
        if ($catalogue->row($user, $id) !== null) {
            throw ValidationException::withMessages(['number' => sprintf('There is a pencil %s already; open it to change it.', $id)]);
        }
        $row = $book->put($user, $entry, (string) $request->validated('maker', ''), (string) $request->validated('rangeName', ''));

        return (new PencilResource($row, false))->response()->setStatusCode(201);
    }

    #[OA\Put(path: '/api/pencils/{pencil}', operationId: 'changePencil', parameters: [new OA\PathParameter(name: 'pencil', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PencilForm')), responses: [
        new OA\Response(response: 200, description: 'Changed', content: new OA\JsonContent(ref: '#/components/schemas/Pencil')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function update(PencilRequest $request, #[CurrentUser] User $user, string $pencil, Catalogue $catalogue, PencilBook $book): PencilResource
    {
        $row = self::found($catalogue, $user, $pencil);
        Gate::authorize('update', $row->range);
        $columns = PencilBook::columns($request->entry());
        if (! $request->has('colour')) {
            // The colour was not touched; a measured spectrum stays.
            unset($columns['bands'], $columns['spectrum'], $columns['L'], $columns['a'], $columns['b']);
        }
        DB::transaction(static function () use ($row, $columns, $request): void {
            $row->update($columns);
            $row->range->update(array_filter(['maker' => $request->validated('maker'), 'name' => $request->validated('rangeName')], static fn (?string $text): bool => $text !== null && $text !== ''));
        });

        return new PencilResource($row, $user->box()->whereKey($row->id)->exists());
    }

    #[OA\Delete(path: '/api/pencils/{pencil}', operationId: 'removePencil', parameters: [new OA\PathParameter(name: 'pencil', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 204, description: 'Taken away')])]
    public function destroy(#[CurrentUser] User $user, string $pencil, Catalogue $catalogue, PencilPage $page): JsonResponse
    {
        $row = self::found($catalogue, $user, $pencil);
        Gate::authorize('update', $row->range);
        $id = PencilId::of($pencil);
        $zones = count($page->usedIn($user, $id));
        $swatches = $user->swatches()->where('stack', 'like', '%'.$id.'@%')->count();
        abort_if($zones + $swatches > 0, 422, sprintf('Pencil %s is in %d of your recipes and %d of your swatches. Mark it discontinued instead.', $id, $zones, $swatches));
        $row->delete();

        return new JsonResponse(null, 204);
    }

    #[OA\Post(path: '/api/pencils/preview', operationId: 'previewPencils', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PencilFile')), responses: [
        new OA\Response(response: 200, description: 'What the file would bring', content: new OA\JsonContent(required: ['new', 'changed', 'unchanged', 'columns', 'missing', 'rows'], properties: [
            new OA\Property(property: 'new', type: 'integer'),
            new OA\Property(property: 'changed', type: 'integer'),
            new OA\Property(property: 'unchanged', type: 'integer'),
            new OA\Property(property: 'columns', type: 'array', description: 'of a table, and what each is taken for; null: it is not read', items: new OA\Items(required: ['header', 'means'], properties: [new OA\Property(property: 'header', type: 'string'), new OA\Property(property: 'means', type: 'string', nullable: true)])),
            new OA\Property(property: 'missing', type: 'array', description: 'columns that are needed and not there: no row can be read before it is said which they are', items: new OA\Items(type: 'string')),
            new OA\Property(property: 'rows', type: 'array', items: new OA\Items(required: ['row', 'id', 'name', 'binder', 'hex', 'change'], properties: [
                new OA\Property(property: 'row', type: 'integer'),
                new OA\Property(property: 'id', type: 'string'),
                new OA\Property(property: 'name', type: 'string'),
                new OA\Property(property: 'binder', type: 'string'),
                new OA\Property(property: 'hex', type: 'string', nullable: true),
                new OA\Property(property: 'change', type: 'string', enum: ['new', 'changed', 'unchanged']),
            ])),
        ])),
        new OA\Response(response: 422, description: 'Every bad row', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    #[OA\Schema(schema: 'PencilFile', required: ['text'], properties: [
        new OA\Property(property: 'text', type: 'string', description: 'a pencils table (CSV) or a GPL palette; with a range, numbers of it'),
        new OA\Property(property: 'range', type: 'string', nullable: true, description: 'of which the text lists numbers, such as 101-124, 130 Rose, 133'),
        new OA\Property(property: 'binder', type: 'string', enum: ['wax', 'oil'], description: 'for a palette and for numbers, which do not say'),
        new OA\Property(property: 'intoBox', type: 'boolean'),
        new OA\Property(property: 'rangeOfAll', type: 'string', nullable: true, description: 'code of the range, for a table without that column'),
        new OA\Property(property: 'columns', type: 'array', description: 'what columns mean whose header does not tell, or tells wrongly; null: nothing', items: new OA\Items(required: ['header', 'means'], properties: [new OA\Property(property: 'header', type: 'string'), new OA\Property(property: 'means', type: 'string', nullable: true)])),
    ])]
    public function preview(PencilFileRequest $request, #[CurrentUser] User $user, PencilBook $book): JsonResponse
    {
        $preview = $book->preview($user, $request->text(), $request->binder(), $request->range(), $request->columns());
        $preview['rows'] = array_map(static fn (array $row): array => [
            'row' => $row['row'], 'id' => (string) $row['entry']->pencil->id, 'name' => $row['entry']->pencil->name,
            'binder' => $row['entry']->pencil->binder->value, 'hex' => $row['entry']->pencil->fullCoat?->toHex(), 'change' => $row['change'],
        ], $preview['rows']);

        return new JsonResponse($preview);
    }

    #[OA\Post(path: '/api/pencils/import', operationId: 'importPencils', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PencilFile')), responses: [
        new OA\Response(response: 200, description: 'Taken in, all of it', content: new OA\JsonContent(required: ['written'], properties: [new OA\Property(property: 'written', type: 'integer')])),
        new OA\Response(response: 422, description: 'Every bad row; nothing was taken in', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function import(PencilFileRequest $request, #[CurrentUser] User $user, PencilBook $book): JsonResponse
    {
        $written = $book->import($user, $request->text(), $request->binder(), $request->boolean('intoBox'), $request->range(), $request->columns());
        PrepareBox::dispatch($user);

        return new JsonResponse(['written' => $written]);
    }

    /** The pencils as a file: CSV with all that is known, or a GPL palette of their colours. */
    public function export(Request $request, #[CurrentUser] User $user, PencilBook $book, string $format): Response
    {
        $pencils = Pencil::seenBy($user)->with('range');
        if ($request->query('scope') === 'box') {
            $pencils->whereIn('id', $user->box()->select('pencils.id'));
        }
        if ($request->filled('range')) {
            $pencils->whereRelation('range', 'code', (string) $request->string('range'));
        }
        $rows = $pencils->get()->sortBy(['range_id', 'id']);

        return new Response($format === 'gpl' ? $book->gpl('Knotty Prism pencils', $rows) : $book->csv($rows), 200, [
            'Content-Type' => $format === 'gpl' ? 'text/plain; charset=UTF-8' : 'text/csv; charset=UTF-8',
            'Content-Disposition' => 'attachment; filename="pencils.'.$format.'"',
        ]);
    }

    private static function found(Catalogue $catalogue, User $user, string $pencil): Pencil
    {
        return $catalogue->row($user, PencilId::of($pencil)) ?? abort(404, sprintf('There is no pencil %s in your ranges.', $pencil));
    }

    private static function paper(Request $request, User $user): Paper
    {
        $papers = Paper::seenBy($user)->get();
        if ($request->filled('paper')) {
            return $papers->firstWhere('slug', (string) $request->string('paper')) ?? abort(422, 'There is no such paper; choose one from the list.');
        }
        $most = $user->swatches()->selectRaw('paper_id, count(*) as n')->groupBy('paper_id')->orderByDesc('n')->value('paper_id');

        return $papers->firstWhere('id', $most) ?? $papers->sortBy('id')->firstOrFail();
    }
}
