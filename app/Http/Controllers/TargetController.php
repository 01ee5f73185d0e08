<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\StoreTargetRequest;
use App\Http\Requests\UpdateTargetRequest;
use App\Http\Resources\TargetResource;
use App\Models\Zone;
use App\Models\ZoneTarget;
use App\Studio\ChangedMeanwhile;
use App\Studio\PieceViews;
use App\Studio\Planning\ZoneRecipes;
use App\Studio\Zones\Targets;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use Prism\Colour\Lab;
use Prism\Reference\Zones\TargetRole;

/** The colours that a zone is to have, each with its recipe. */
final class TargetController
{
    #[OA\Post(path: '/api/zones/{zone}/targets', operationId: 'addTarget', parameters: [new OA\PathParameter(name: 'zone', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['role', 'x', 'y', 'radius'], properties: [
            new OA\Property(property: 'role', ref: '#/components/schemas/TargetRole'),
            new OA\Property(property: 'x', type: 'number'),
            new OA\Property(property: 'y', type: 'number'),
            new OA\Property(property: 'radius', type: 'number'),
        ])),
        responses: [
            new OA\Response(response: 201, description: 'A colour more, as sampled there', content: new OA\JsonContent(ref: '#/components/schemas/Target')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function store(StoreTargetRequest $request, Zone $zone, Targets $targets, PieceViews $views): JsonResponse
    {
        Gate::authorize('update', $zone->piece);
        $target = $targets->sampled($zone, TargetRole::from((string) $request->validated('role')), $request->float('x'), $request->float('y'), $request->float('radius'));

        return TargetResource::make($views->target($target))->response()->setStatusCode(201);
    }

    #[OA\Patch(path: '/api/targets/{target}', operationId: 'changeTarget', parameters: [new OA\PathParameter(name: 'target', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['version'], properties: [
            new OA\Property(property: 'version', type: 'integer'),
            new OA\Property(property: 'stack', type: 'string', nullable: true, description: 'null takes the recipe away; empty is bare paper'),
            new OA\Property(property: 'colour', nullable: true, description: 'null goes back to what the photo shows', oneOf: [new OA\Schema(ref: '#/components/schemas/LabColour')]),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'The target', content: new OA\JsonContent(ref: '#/components/schemas/Target')),
            new OA\Response(response: 409, description: 'Changed meanwhile elsewhere', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    #[OA\Schema(schema: 'LabColour', required: ['L', 'a', 'b'], properties: [
        new OA\Property(property: 'L', type: 'number'),
        new OA\Property(property: 'a', type: 'number'),
        new OA\Property(property: 'b', type: 'number'),
    ])]
    public function update(UpdateTargetRequest $request, ZoneTarget $target, Targets $targets, ZoneRecipes $recipes, PieceViews $views): TargetResource
    {
        $piece = $target->zone->piece;
        Gate::authorize('update', $piece);
        $stack = $request->validated('stack') === null ? null : $recipes->checked($piece, (string) $request->validated('stack'));
        DB::transaction(static function () use ($request, $target, $targets, $stack, $piece): void {
            $row = ZoneTarget::query();
            $row->lockForUpdate();
            $current = $row->findOrFail($target->id);
            throw_if($current->version !== $request->integer('version'), ChangedMeanwhile::class, 'This zone');
            if ($request->has('colour')) {
                $colour = $request->validated('colour');
                $targets->set($current, $colour === null ? null : Lab::of((float) $colour['L'], (float) $colour['a'], (float) $colour['b']));
            }
            $current->version++;
            $current->save();
            if ($request->has('stack')) {
                $stack === null ? $current->recipe()->delete() : $current->recipe()->updateOrCreate([], ['stack' => $stack, 'by_hand' => true]);
            }
            $piece->touch();
        });

        return TargetResource::make($views->target($target->refresh()));
    }

    #[OA\Delete(path: '/api/targets/{target}', operationId: 'removeTarget', parameters: [new OA\PathParameter(name: 'target', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 204, description: 'Put away; it can be taken back'),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function destroy(ZoneTarget $target): JsonResponse
    {
        Gate::authorize('update', $target->zone->piece);
        abort_if($target->zone->targets()->count() < 2, 422, 'A zone keeps at least one colour. Change it, or remove the zone.');
        $target->delete();

        return new JsonResponse(null, 204);
    }

    #[OA\Post(path: '/api/targets/{target}/restore', operationId: 'restoreTarget', parameters: [new OA\PathParameter(name: 'target', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 204, description: 'Taken back')])]
    public function restore(ZoneTarget $target): JsonResponse
    {
        Gate::authorize('update', $target->zone->piece);
        $target->restore();

        return new JsonResponse(null, 204);
    }
}
