<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\LassoRequest;
use App\Http\Requests\MergeZonesRequest;
use App\Http\Requests\StoreZoneRequest;
use App\Http\Requests\UpdateZoneRequest;
use App\Http\Requests\ZoneCountRequest;
use App\Http\Requests\ZonesRequest;
use App\Http\Resources\PieceResource;
use App\Http\Resources\ZoneResource;
use App\Models\Piece;
use App\Models\Zone;
use App\Studio\ChangedMeanwhile;
use App\Studio\PieceViews;
use App\Studio\Planning\ZoneRecipes;
use App\Studio\Zones\AreaBook;
use App\Studio\Zones\ZoneBook;
use App\Studio\Zones\ZoneCorrections;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Arr;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** The zones of a piece: found, drawn, merged, split, named, taken back. What changes several zones answers with the piece. */
final class ZoneController
{
    public function __construct(private readonly ZoneBook $zones, private readonly PieceViews $views)
    {
    }

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
            new OA\Response(response: 201, description: 'The new zone: a mere spot', content: new OA\JsonContent(ref: '#/components/schemas/Zone')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function store(StoreZoneRequest $request, Piece $piece, ZoneRecipes $recipes): JsonResponse
    {
        Gate::authorize('update', $piece);
        $stack = $request->validated('stack') === null ? null : $recipes->checked($piece, (string) $request->validated('stack'));
        $zone = DB::transaction(function () use ($piece, $request, $stack): Zone {
            $zone = $this->zones->spot($piece, (string) $request->validated('name'), $request->float('x'), $request->float('y'), $request->float('radius'));
            if ($stack !== null) {
                $zone->targets()->firstOrFail()->recipe()->create(['stack' => $stack]);
            }

            return $zone;
        });

        return ZoneResource::make($this->views->zone($zone->refresh()->setRelation('piece', $piece)))->response()->setStatusCode(201);
    }

    #[OA\Patch(
        path: '/api/zones/{zone}',
        operationId: 'changeZone',
        parameters: [new OA\PathParameter(name: 'zone', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['version'], properties: [
            new OA\Property(property: 'version', type: 'integer'),
            new OA\Property(property: 'name', type: 'string'),
            new OA\Property(property: 'schools', ref: '#/components/schemas/SchoolAnswers'),
            new OA\Property(property: 'interpretation', ref: '#/components/schemas/InterpretationChanges'),
            new OA\Property(property: 'ground', type: 'object', nullable: true, description: 'of another medium, that the zone is begun on; null for none', required: ['colour', 'tooth'], properties: [
                new OA\Property(property: 'colour', type: 'string', description: 'as it is typed: hex, Lab or a pencil'),
                new OA\Property(property: 'tooth', type: 'string', enum: ['as-paper', 'smoother', 'little']),
            ]),
            new OA\Property(property: 'corrections', type: 'object', description: 'what the artist sees otherwise; null goes back to the estimate', properties: [
                new OA\Property(property: 'surface', type: 'string', nullable: true),
                new OA\Property(property: 'direction', type: 'number', nullable: true),
                new OA\Property(property: 'crisp', type: 'boolean', nullable: true),
                new OA\Property(property: 'distance', type: 'string', nullable: true),
                new OA\Property(property: 'importance', type: 'integer', nullable: true),
                new OA\Property(property: 'light', type: 'string', nullable: true),
            ]),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'The zone', content: new OA\JsonContent(ref: '#/components/schemas/Zone')),
            new OA\Response(response: 409, description: 'Changed meanwhile elsewhere', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function update(UpdateZoneRequest $request, Zone $zone, ZoneCorrections $corrections): ZoneResource
    {
        Gate::authorize('update', $zone->piece);
        DB::transaction(static function () use ($request, $zone, $corrections): void {
            $row = Zone::query();
            $row->lockForUpdate();
            $current = $row->findOrFail($zone->id);
            throw_if($current->version !== $request->integer('version'), ChangedMeanwhile::class, 'This zone');
            $corrections->amend($current, Arr::only($request->validated(), ['name', 'corrections', 'schools', 'interpretation', 'ground']));
        });
        $fresh = $zone->refresh();

        return ZoneResource::make($this->views->zone($fresh->setRelation('piece', $fresh->piece)));
    }

    #[OA\Post(path: '/api/pieces/{piece}/zones/find', operationId: 'findZones', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['count'], properties: [new OA\Property(property: 'count', type: 'integer'), new OA\Property(property: 'zonesVersion', type: 'integer', description: 'that was seen: the change is refused if it is another by now')])),
        responses: [
            new OA\Response(response: 200, description: 'The piece, cut into so many zones', content: new OA\JsonContent(ref: '#/components/schemas/Piece')),
            new OA\Response(response: 409, description: 'Changed meanwhile elsewhere', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function find(ZoneCountRequest $request, Piece $piece): PieceResource
    {
        Gate::authorize('update', $piece);
        $this->zones->asSeen($piece, $request->seen(), fn () => $this->zones->find($piece, $request->integer('count')));

        return PieceResource::make($this->views->piece($piece->refresh()));
    }

    #[OA\Post(path: '/api/pieces/{piece}/zones/merge', operationId: 'mergeZones', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['into', 'gone'], properties: [
            new OA\Property(property: 'into', type: 'string', description: 'the zone that stays'),
            new OA\Property(property: 'gone', type: 'string'),
            new OA\Property(property: 'zonesVersion', type: 'integer', description: 'that was seen: the change is refused if it is another by now'),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'The piece with one zone less', content: new OA\JsonContent(ref: '#/components/schemas/Piece')),
            new OA\Response(response: 409, description: 'Changed meanwhile elsewhere', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function merge(MergeZonesRequest $request, Piece $piece): PieceResource
    {
        Gate::authorize('update', $piece);
        $this->zones->asSeen($piece, $request->seen(), fn () => $this->zones->merge(
            $piece->zones()->whereKey($request->validated('into'))->firstOrFail()->setRelation('piece', $piece),
            $piece->zones()->whereKey($request->validated('gone'))->firstOrFail(),
        ));

        return PieceResource::make($this->views->piece($piece->refresh()));
    }

    #[OA\Post(path: '/api/zones/{zone}/split', operationId: 'splitZone', parameters: [new OA\PathParameter(name: 'zone', required: true, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'zonesVersion', description: 'that was seen: the change is refused if it is another by now', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 200, description: 'The piece with one zone more', content: new OA\JsonContent(ref: '#/components/schemas/Piece')),
        new OA\Response(response: 409, description: 'Changed meanwhile elsewhere', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function split(ZonesRequest $request, Zone $zone): PieceResource
    {
        Gate::authorize('update', $zone->piece);
        $this->zones->asSeen($zone->piece, $request->seen(), fn () => $this->zones->split($zone));

        return PieceResource::make($this->views->piece($zone->piece->refresh()));
    }

    #[OA\Post(path: '/api/pieces/{piece}/zones/lasso', operationId: 'lassoZone', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['line', 'how'], properties: [
            new OA\Property(property: 'line', type: 'array', description: 'corners of a closed line, shares of width and height', items: new OA\Items(type: 'array', items: new OA\Items(type: 'number'))),
            new OA\Property(property: 'how', type: 'string', enum: ['new', 'add', 'take']),
            new OA\Property(property: 'zone', type: 'string', description: 'that it is added to or taken from'),
            new OA\Property(property: 'zonesVersion', type: 'integer', description: 'that was seen: the change is refused if it is another by now'),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'The piece', content: new OA\JsonContent(ref: '#/components/schemas/Piece')),
            new OA\Response(response: 409, description: 'Changed meanwhile elsewhere', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function lasso(LassoRequest $request, Piece $piece): PieceResource
    {
        Gate::authorize('update', $piece);
        $this->zones->asSeen($piece, $request->seen(), function () use ($piece, $request): void {
            $zone = $request->validated('how') === 'new' ? null : $piece->zones()->whereKey($request->validated('zone'))->firstOrFail();
            $this->zones->lasso($piece, $request->line(), (string) $request->validated('how'), $zone);
        });

        return PieceResource::make($this->views->piece($piece->refresh()));
    }

    #[OA\Post(path: '/api/pieces/{piece}/zones/undo', operationId: 'undoZones', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'zonesVersion', description: 'that was seen: the change is refused if it is another by now', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 200, description: 'The piece with the last change of its zones taken back', content: new OA\JsonContent(ref: '#/components/schemas/Piece')),
        new OA\Response(response: 409, description: 'Changed meanwhile elsewhere', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function undo(ZonesRequest $request, Piece $piece, AreaBook $areas): PieceResource
    {
        Gate::authorize('update', $piece);
        $this->zones->asSeen($piece, $request->seen(), fn () => $piece->lines === null ? $this->zones->undo($piece) : $areas->undo($piece));

        return PieceResource::make($this->views->piece($piece->refresh()));
    }

    #[OA\Delete(path: '/api/zones/{zone}', operationId: 'removeZone', parameters: [new OA\PathParameter(name: 'zone', required: true, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'zonesVersion', description: 'that was seen: the change is refused if it is another by now', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 200, description: 'The piece; what the zone had goes to those that it touched', content: new OA\JsonContent(ref: '#/components/schemas/Piece')),
        new OA\Response(response: 409, description: 'Changed meanwhile elsewhere', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function destroy(ZonesRequest $request, Zone $zone): PieceResource
    {
        Gate::authorize('update', $zone->piece);
        $this->zones->asSeen($zone->piece, $request->seen(), fn () => $this->zones->remove($zone));

        return PieceResource::make($this->views->piece($zone->piece->refresh()));
    }
}
