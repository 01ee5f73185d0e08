<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ChartPictureRequest;
use App\Http\Requests\ChartRequest;
use App\Http\Requests\ChartSwatchesRequest;
use App\Http\Resources\ChartResource;
use App\Http\Resources\WorkResource;
use App\Jobs\PrepareBox;
use App\Models\Chart;
use App\Models\Paper;
use App\Models\User;
use App\Studio\LongWork\WorkKind;
use App\Studio\LongWork\Works;
use App\Studio\Photos\PhotoRefused;
use App\Studio\Photos\Uploads;
use App\Studio\Swatches\ChartMaker;
use App\Studio\Swatches\ChartPaper;
use App\Studio\Swatches\ChartPictures;
use App\Studio\Swatches\SwatchBook;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Charts: laid out, printed, filled by the simulated hand, read from a picture. */
final class ChartController
{
    #[OA\Get(path: '/api/charts', operationId: 'charts', responses: [new OA\Response(response: 200, description: 'The latest first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/Chart')))])]
    public function index(#[CurrentUser] User $user): AnonymousResourceCollection
    {
        return ChartResource::collection($user->charts()->with('paper')->latest('id')->get());
    }

    #[OA\Post(path: '/api/charts', operationId: 'addChart', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['kind', 'paper', 'page'], properties: [
        new OA\Property(property: 'kind', type: 'string', enum: ['card', 'singles', 'pairs', 'triples', 'stacks', 'lessons']),
        new OA\Property(property: 'paper', type: 'string'),
        new OA\Property(property: 'page', type: 'string', enum: ['a4', 'letter']),
        new OA\Property(property: 'title', type: 'string'),
        new OA\Property(property: 'pencils', type: 'array', items: new OA\Items(type: 'string'), description: 'the whole box if empty'),
        new OA\Property(property: 'text', type: 'string', description: 'stacks by line, for chosen stacks'),
    ])), responses: [
        new OA\Response(response: 201, description: 'Laid out', content: new OA\JsonContent(ref: '#/components/schemas/Chart')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function store(ChartRequest $request, #[CurrentUser] User $user, ChartMaker $maker): JsonResponse
    {
        $paper = Paper::called($user, $request->validated('paper')) ?? abort(422);
        $chart = $maker->make($user, $request->validated('kind'), $paper, $request->validated('page'), trim((string) $request->validated('title')), array_values($request->validated('pencils', [])), (string) $request->validated('text'));

        return ChartResource::make($chart)->response()->setStatusCode(201);
    }

    #[OA\Get(path: '/api/charts/{chart}', operationId: 'chart', parameters: [new OA\PathParameter(name: 'chart', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'A chart', content: new OA\JsonContent(ref: '#/components/schemas/Chart'))])]
    public function show(Chart $chart): ChartResource
    {
        Gate::authorize('view', $chart);

        return ChartResource::make($chart);
    }

    #[OA\Delete(path: '/api/charts/{chart}', operationId: 'removeChart', parameters: [new OA\PathParameter(name: 'chart', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 204, description: 'Taken away; it can be taken back')])]
    public function destroy(Chart $chart): JsonResponse
    {
        Gate::authorize('view', $chart);
        $chart->delete();

        return new JsonResponse(null, 204);
    }

    #[OA\Post(path: '/api/charts/{chart}/restore', operationId: 'restoreChart', parameters: [new OA\PathParameter(name: 'chart', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 204, description: 'Taken back')])]
    public function restore(Chart $chart): JsonResponse
    {
        Gate::authorize('view', $chart);
        $chart->restore();

        return new JsonResponse(null, 204);
    }

    public function pdf(Chart $chart, ChartPaper $paper): Response
    {
        Gate::authorize('view', $chart);

        return new Response($paper->pdf($chart), 200, ['Content-Type' => 'application/pdf', 'Content-Disposition' => 'inline; filename="chart.pdf"']);
    }

    public function svg(Chart $chart, int $sheet, ChartPaper $paper): Response
    {
        Gate::authorize('view', $chart);

        return new Response($paper->svg($chart, $sheet), 200, ['Content-Type' => 'image/svg+xml']);
    }

    /** The simulated picture of a sheet, once it was filled. */
    public function filled(Chart $chart, int $sheet, ChartPictures $pictures): BinaryFileResponse
    {
        Gate::authorize('view', $chart);

        return new BinaryFileResponse($pictures->path($chart, $sheet) ?? abort(404, 'This sheet was not filled yet.'), 200, ['Content-Type' => 'image/jpeg', 'Cache-Control' => 'no-store']);
    }

    #[OA\Post(path: '/api/charts/{chart}/readings', operationId: 'readChart', parameters: [new OA\PathParameter(name: 'chart', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(required: true, content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(required: ['picture'], properties: [
        new OA\Property(property: 'picture', type: 'string', format: 'binary'),
        new OA\Property(property: 'rows', type: 'array', description: 'of a plain sheet: where its rows of fields begin and end, in the order of the chart', items: new OA\Items(required: ['from', 'to', 'fields'], properties: [
            new OA\Property(property: 'from', type: 'array', description: 'middle of its first field, shares of width and height', items: new OA\Items(type: 'number')),
            new OA\Property(property: 'to', type: 'array', description: 'middle of its last field', items: new OA\Items(type: 'number')),
            new OA\Property(property: 'fields', type: 'integer'),
        ])),
    ]))), responses: [
        new OA\Response(response: 202, description: 'It is read when its turn comes: what the picture says is the result, nothing is written yet', content: new OA\JsonContent(ref: '#/components/schemas/Work')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function read(ChartPictureRequest $request, #[CurrentUser] User $user, Chart $chart, Uploads $uploads, Works $works): JsonResponse
    {
        Gate::authorize('view', $chart);
        try {
            $work = $works->begin($user, WorkKind::Reading, ['chart' => $chart->id, 'file' => $uploads->keep($request->picture()), 'rows' => $request->rows()]);
        } catch (PhotoRefused $refusal) {
            throw ValidationException::withMessages(['picture' => $refusal->getMessage()]);
        }

        return WorkResource::make($work->refresh())->response()->setStatusCode(202);
    }

    #[OA\Post(path: '/api/charts/{chart}/swatches', operationId: 'takeReadings', parameters: [new OA\PathParameter(name: 'chart', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['simulated', 'fields'], properties: [
        new OA\Property(property: 'simulated', type: 'boolean'),
        new OA\Property(property: 'fields', type: 'array', items: new OA\Items(required: ['number', 'L', 'a', 'b'], properties: [
            new OA\Property(property: 'number', type: 'integer'),
            new OA\Property(property: 'L', type: 'number'),
            new OA\Property(property: 'a', type: 'number'),
            new OA\Property(property: 'b', type: 'number'),
            new OA\Property(property: 'spread', type: 'number'),
        ])),
        new OA\Property(property: 'pencils', type: 'array', description: 'what a card says of pencils of own ranges', items: new OA\Items(required: ['id'], properties: [
            new OA\Property(property: 'id', type: 'string'),
            new OA\Property(property: 'binder', type: 'string', enum: ['wax', 'oil']),
            new OA\Property(property: 'opacity', type: 'string', enum: ['transparent', 'semi', 'opaque']),
            new OA\Property(property: 'core', type: 'string', enum: ['hard', 'soft'], nullable: true),
            new OA\Property(property: 'stains', type: 'boolean'),
        ])),
        new OA\Property(property: 'intoBox', type: 'boolean', description: 'its pencils are put into the box'),
    ])), responses: [
        new OA\Response(response: 200, description: 'In the swatch book, all of them', content: new OA\JsonContent(required: ['written'], properties: [new OA\Property(property: 'written', type: 'integer')])),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function take(ChartSwatchesRequest $request, #[CurrentUser] User $user, Chart $chart, SwatchBook $book): JsonResponse
    {
        Gate::authorize('view', $chart);
        $written = $book->take($user, $chart, $request->fields(), $request->pencils(), $request->boolean('simulated'), $request->boolean('intoBox'));
        if ($request->boolean('intoBox')) {
            PrepareBox::dispatch($user);
        }

        return new JsonResponse(['written' => $written]);
    }
}
