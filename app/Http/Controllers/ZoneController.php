<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\StoreZoneRequest;
use App\Http\Requests\UpdateZoneRequest;
use App\Http\Resources\ZoneResource;
use App\Models\Piece;
use App\Models\Zone;
use App\Studio\Catalogue;
use App\Studio\Engine;
use App\Studio\PhotoStore;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Arr;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use Prism\Layering\Stack;

final class ZoneController
{
    #[OA\Post(
        path: '/api/pieces/{piece}/zones',
        operationId: 'addZone',
        parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['name', 'x', 'y', 'radius'], properties: [
            new OA\Property(property: 'name', type: 'string'),
            new OA\Property(property: 'x', type: 'number'),
            new OA\Property(property: 'y', type: 'number'),
            new OA\Property(property: 'radius', type: 'number'),
            new OA\Property(property: 'stack', type: 'string', nullable: true, description: 'its recipe; empty for bare paper, absent for none yet'),
        ])),
        responses: [
            new OA\Response(response: 201, description: 'The new zone', content: new OA\JsonContent(ref: '#/components/schemas/Zone')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function store(StoreZoneRequest $request, Piece $piece, PhotoStore $photos, Engine $engine): JsonResponse
    {
        Gate::authorize('update', $piece);
        $stack = $request->validated('stack') !== null ? self::checked($engine, $piece, (string) $request->validated('stack')) : null;
        $place = Arr::only($request->validated(), ['x', 'y', 'radius']);
        $sample = $photos->sample($piece, (float) $place['x'], (float) $place['y'], (float) $place['radius']);
        $zone = DB::transaction(static function () use ($piece, $request, $place, $sample, $stack): Zone {
            $zone = $piece->zones()->create([
                ...$place,
                'name' => $request->validated('name'),
                'L' => $sample->colour->L,
                'a' => $sample->colour->a,
                'b' => $sample->colour->b,
                'spread' => $sample->spread,
                'position' => 1 + (int) $piece->zones()->max('position'),
            ]);
            if ($stack !== null) {
                $zone->recipe()->create(['stack' => $stack]);
            }
            $piece->touch();

            return $zone;
        });

        return ZoneResource::make($zone->setRelation('piece', $piece))->response()->setStatusCode(201);
    }

    #[OA\Patch(
        path: '/api/zones/{zone}',
        operationId: 'changeZone',
        parameters: [new OA\PathParameter(name: 'zone', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['version'], properties: [
            new OA\Property(property: 'version', type: 'integer'),
            new OA\Property(property: 'name', type: 'string'),
            new OA\Property(property: 'stack', type: 'string', nullable: true, description: 'null takes the recipe away; empty is bare paper'),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'The zone', content: new OA\JsonContent(ref: '#/components/schemas/Zone')),
            new OA\Response(response: 409, description: 'Changed meanwhile elsewhere', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function update(UpdateZoneRequest $request, Zone $zone, Engine $engine): ZoneResource
    {
        Gate::authorize('update', $zone->piece);
        $changesStack = $request->has('stack');
        $stack = $request->validated('stack') === null ? null : self::checked($engine, $zone->piece, (string) $request->validated('stack'));
        DB::transaction(static function () use ($request, $zone, $changesStack, $stack): void {
            $row = Zone::query();
            $row->lockForUpdate();
            $current = $row->findOrFail($zone->id);
            abort_if($current->version !== $request->integer('version'), 409, 'This zone was changed meanwhile, in another window perhaps. Reload to see it; your change is not saved.');
            $current->fill(Arr::only($request->validated(), ['name']));
            $current->version++;
            $current->save();
            if ($changesStack && $stack === null) {
                $current->recipe()->delete();
            } elseif ($changesStack) {
                $current->recipe()->updateOrCreate([], ['stack' => $stack]);
            }
            $current->piece->touch();
        });
        $fresh = $zone->refresh();

        return ZoneResource::make($fresh->setRelation('piece', $fresh->piece));
    }

    #[OA\Delete(path: '/api/zones/{zone}', operationId: 'removeZone', parameters: [new OA\PathParameter(name: 'zone', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 204, description: 'Taken away; it can be taken back')])]
    public function destroy(Zone $zone): JsonResponse
    {
        Gate::authorize('update', $zone->piece);
        $zone->delete();

        return new JsonResponse(null, 204);
    }

    #[OA\Post(path: '/api/zones/{zone}/restore', operationId: 'restoreZone', parameters: [new OA\PathParameter(name: 'zone', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 204, description: 'Taken back')])]
    public function restore(string $zone): JsonResponse
    {
        $found = Zone::withTrashed()->findOrFail($zone);
        Gate::authorize('update', $found->piece);
        $found->restore();

        return new JsonResponse(null, 204);
    }

    /** The stack in its plain notation, once it is known to be readable and of pencils that there are. */
    private static function checked(Engine $engine, Piece $piece, string $notation): string
    {
        $stack = Stack::parse($notation);
        $engine->predictor($piece->paper, $piece->user, app(Catalogue::class)->desk($piece->user, $stack))->predict($stack);

        return (string) $stack;
    }
}
