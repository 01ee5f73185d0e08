<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\AreasRequest;
use App\Http\Resources\PieceResource;
use App\Models\Piece;
use App\Studio\PieceViews;
use App\Studio\Zones\AreaBook;
use App\Studio\Zones\ZoneBook;
use Illuminate\Support\Arr;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** The areas of a line drawing. */
final class AreaController
{
    #[OA\Put(path: '/api/pieces/{piece}/areas', operationId: 'colourAreas', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['zones'], properties: [
            new OA\Property(property: 'zones', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property(property: 'by', type: 'string', enum: ['paper', 'colour', 'ladder', 'trio', 'recipe'], description: 'paper: left as it is; ladder: three pencils of the box from pale to dark; trio: with its neighbours on the wheel'),
            new OA\Property(property: 'colour', type: 'string', description: 'of the middle, as it is typed: a pencil, hex or Lab'),
            new OA\Property(property: 'recipe', type: 'string', description: 'the target whose recipe it is'),
            new OA\Property(property: 'form', ref: '#/components/schemas/AreaForm'),
            new OA\Property(property: 'shines', type: 'boolean'),
            new OA\Property(property: 'body', type: 'string', nullable: true, description: 'the zone whose form it is a part of; null: a form of its own'),
            new OA\Property(property: 'zonesVersion', type: 'integer', description: 'that was seen: the change is refused if it is another by now'),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'The piece, its picture coloured so', content: new OA\JsonContent(ref: '#/components/schemas/Piece')),
            new OA\Response(response: 409, description: 'Changed meanwhile elsewhere', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    #[OA\Schema(schema: 'AreaForm', type: 'string', enum: ['flat', 'round', 'hollow'])]
    public function update(AreasRequest $request, Piece $piece, AreaBook $areas, ZoneBook $zones, PieceViews $views): PieceResource
    {
        Gate::authorize('update', $piece);
        abort_if($piece->lines === null, 422, 'This piece is drawn from a photo, which has its colours. Begin a piece from a line drawing to colour its areas.');
        $chosen = $request->zones($piece);
        $zones->asSeen($piece, $request->seen(), static fn () => $areas->colour($piece, $chosen, Arr::except($request->validated(), ['zones', 'zonesVersion'])));

        return PieceResource::make($views->piece($piece->refresh()));
    }
}
