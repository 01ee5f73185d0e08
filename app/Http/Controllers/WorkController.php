<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\WorkRequest;
use App\Http\Resources\WorkResource;
use App\Models\User;
use App\Models\Work;
use App\Studio\LongWork\WorkKind;
use App\Studio\LongWork\Works;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Arr;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** Long work: asked for, watched, cancelled. */
final class WorkController
{
    public function __construct(private readonly Works $works)
    {
    }

    #[OA\Post(path: '/api/works', operationId: 'startWork', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['kind'], properties: [
        new OA\Property(property: 'kind', type: 'string', enum: ['calibration', 'audit', 'filling', 'search-again', 'look', 'planning', 'reserves', 'demo-piece', 'review', 'simulated-drawing', 'archive', 'restore']),
        new OA\Property(property: 'paper', type: 'string', description: 'for an audit'),
        new OA\Property(property: 'chart', type: 'string', description: 'for a filling'),
        new OA\Property(property: 'sheet', type: 'integer', description: 'for a filling: which sheet of the chart'),
        new OA\Property(property: 'targets', type: 'array', items: new OA\Items(type: 'string'), description: 'for a search again'),
        new OA\Property(property: 'piece', type: 'string', description: 'for a look, for planning, for reserves and for a review; for an archive of a piece alone'),
        new OA\Property(property: 'photo', type: 'string', description: 'for a review: mark of a photo in the log'),
        new OA\Property(property: 'hand', type: 'string', enum: ['true', 'heavy', 'light', 'drifting', 'careless'], description: 'for a simulated drawing: how it errs'),
        new OA\Property(property: 'taped', type: 'boolean', description: 'for a review: tape lies round the drawing, and no bare paper'),
        new OA\Property(property: 'corners', type: 'array', description: 'for a review: upper left, upper right, lower right, lower left, shares of the photo’s width and height; found where they are left out', items: new OA\Items(type: 'array', items: new OA\Items(type: 'number'))),
        new OA\Property(property: 'anew', type: 'boolean', description: 'for planning: exchange recipes that were chosen by hand too'),
        new OA\Property(property: 'withBox', type: 'boolean', description: 'for the demo piece: with pencils for it, if the box is empty'),
        new OA\Property(property: 'file', type: 'string', description: 'to take an archive in: as it was called when it was looked through'),
        new OA\Property(property: 'ways', type: 'object', description: 'to take an archive in: what becomes of pieces that are here already, by folder', additionalProperties: new OA\AdditionalProperties(type: 'string', enum: ['leave', 'beside', 'replace'])),
        new OA\Property(property: 'habits', type: 'boolean', description: 'to take an archive in: its habits and the calibration it uses in place of those here'),
        new OA\Property(property: 'onlyNew', type: 'boolean', description: 'for a calibration: only take in the swatches that are new to the one in use'),
    ])), responses: [
        new OA\Response(response: 202, description: 'Waits for its turn; of one kind only one runs at a time', content: new OA\JsonContent(ref: '#/components/schemas/Work')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function store(WorkRequest $request, #[CurrentUser] User $user): JsonResponse
    {
        $work = $this->works->begin($user, WorkKind::from((string) $request->validated('kind')), Arr::except($request->validated(), ['kind']));

        return WorkResource::make($work->refresh())->response()->setStatusCode(202);
    }

    #[OA\Get(path: '/api/works', operationId: 'latestWork', parameters: [new OA\QueryParameter(name: 'kind', required: true, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'piece', required: false, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'The latest of a kind', content: new OA\JsonContent(required: ['work'], properties: [new OA\Property(property: 'work', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/Work')])])),
    ])]
    public function latest(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $works = $user->works()->where('kind', (string) $request->string('kind'))->latest('id');
        if ($request->filled('piece')) {
            $works->where('wish->piece', (string) $request->string('piece'));
        }
        $work = $works->first();

        return new JsonResponse(['work' => $work === null ? null : new WorkResource($this->works->tended($work))]);
    }

    #[OA\Get(path: '/api/works/{work}', operationId: 'work', parameters: [new OA\PathParameter(name: 'work', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'How far it is', content: new OA\JsonContent(ref: '#/components/schemas/Work')),
    ])]
    public function show(Work $work): WorkResource
    {
        Gate::authorize('view', $work);

        return new WorkResource($this->works->tended($work));
    }

    #[OA\Delete(path: '/api/works/{work}', operationId: 'cancelWork', parameters: [new OA\PathParameter(name: 'work', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'Cancelled, unless it was over already', content: new OA\JsonContent(ref: '#/components/schemas/Work')),
    ])]
    public function cancel(Work $work): WorkResource
    {
        Gate::authorize('view', $work);
        $open = Work::query()->whereKey($work->id);
        $open->whereIn('state', ['waiting', 'running'])->update(['state' => 'cancelled']);

        return new WorkResource($work->refresh());
    }
}
