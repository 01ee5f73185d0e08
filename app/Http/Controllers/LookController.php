<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Problems;
use App\Http\Requests\BesideRequest;
use App\Http\Requests\LineRequest;
use App\Http\Requests\SampleRequest;
use App\Http\Requests\ZoneCountRequest;
use App\Http\Resources\LookResource;
use App\Http\Resources\ReferenceResource;
use App\Http\Resources\ReservesResource;
use App\Http\Resources\SampleResource;
use App\Models\Piece;
use App\Studio\Photos\PhotoStore;
use App\Studio\Photos\TransferPrint;
use App\Studio\Zones\Looking;
use App\Studio\Zones\Reach;
use App\Studio\Zones\ZoneBook;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use Prism\Reference\Image\PrintTiles;
use Prism\Reference\PaperLine;
use Prism\Reference\Zones\Outlines;

/** What a trained eye sees in the reference, and what is printed of it. */
final class LookController
{
    #[OA\Get(path: '/api/pieces/{piece}/look', operationId: 'look', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'Values, light, and what there is to choose from', content: new OA\JsonContent(ref: '#/components/schemas/Look')),
    ])]
    public function show(Piece $piece, Looking $looking, Reach $reach, ZoneBook $zones): LookResource
    {
        Gate::authorize('view', $piece);

        return new LookResource($piece, $looking, $reach, $zones);
    }

    #[OA\Get(path: '/api/pieces/{piece}/cut', operationId: 'previewZones', parameters: [
        new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'count', required: true, schema: new OA\Schema(type: 'integer')),
    ], responses: [
        new OA\Response(response: 200, description: 'Where the borders would be with so many zones; nothing is changed', content: new OA\JsonContent(required: ['zones', 'borders'], properties: [
            new OA\Property(property: 'zones', type: 'integer'),
            new OA\Property(property: 'borders', type: 'string', description: 'an SVG path in thousandths of width and height'),
        ])),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function preview(ZoneCountRequest $request, Piece $piece, Looking $looking, ZoneBook $zones): JsonResponse
    {
        Gate::authorize('view', $piece);
        $reading = $looking->reading($piece);
        if ($reading === null) {
            return Problems::refused('The photo is not read yet. Wait until it is, then choose how many zones.');
        }
        $map = $zones->preview($piece, $reading, $request->integer('count'));

        return new JsonResponse(['zones' => count($map->areas()), 'borders' => Outlines::of($map)->borders()]);
    }

    #[OA\Get(path: '/api/pieces/{piece}/reserves', operationId: 'reserves', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'What must stay paper or pale', content: new OA\JsonContent(required: ['reserves'], properties: [
            new OA\Property(property: 'reserves', nullable: true, description: 'null: not looked for since something in it changed; a long work finds them', oneOf: [new OA\Schema(ref: '#/components/schemas/Reserves')]),
        ])),
    ])]
    public function reserves(Piece $piece, Looking $looking): JsonResponse
    {
        Gate::authorize('view', $piece);
        $reserves = $looking->reserves($piece);

        return new JsonResponse(['reserves' => $reserves === null ? null : new ReservesResource($piece, $reserves, $looking)]);
    }

    #[OA\Post(path: '/api/pieces/{piece}/same-spot', operationId: 'sameSpot', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['x', 'y', 'radius'], properties: [
            new OA\Property(property: 'x', type: 'number'),
            new OA\Property(property: 'y', type: 'number'),
            new OA\Property(property: 'radius', type: 'number'),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'The same spot of the subject in each reference', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/SameSpot'))),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    #[OA\Schema(schema: 'SameSpot', required: ['reference', 'x', 'y', 'sample'], properties: [
        new OA\Property(property: 'reference', ref: '#/components/schemas/Reference'),
        new OA\Property(property: 'x', type: 'number'),
        new OA\Property(property: 'y', type: 'number'),
        new OA\Property(property: 'sample', nullable: true, description: 'null where it lies outside of that photo', oneOf: [new OA\Schema(ref: '#/components/schemas/Sample')]),
    ])]
    public function sameSpot(SampleRequest $request, Piece $piece, Looking $looking): JsonResponse
    {
        Gate::authorize('view', $piece);

        return new JsonResponse(array_map(static fn (array $spot): array => [
            'reference' => ReferenceResource::make($spot['reference']),
            'x' => $spot['x'],
            'y' => $spot['y'],
            'sample' => $spot['sample'] === null ? null : SampleResource::make($spot['sample']),
        ], $looking->sameSpot($piece, $request->float('x'), $request->float('y'), $request->float('radius'))));
    }

    #[OA\Post(path: '/api/pieces/{piece}/beside', operationId: 'beside', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['x', 'y', 'radius', 'beside'], properties: [
            new OA\Property(property: 'x', type: 'number'),
            new OA\Property(property: 'y', type: 'number'),
            new OA\Property(property: 'radius', type: 'number'),
            new OA\Property(property: 'beside', required: ['x', 'y', 'radius'], type: 'object', properties: [
                new OA\Property(property: 'x', type: 'number'),
                new OA\Property(property: 'y', type: 'number'),
                new OA\Property(property: 'radius', type: 'number'),
            ]),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'Two patches of the reference, and how the second differs from the first', content: new OA\JsonContent(required: ['first', 'second', 'difference'], properties: [
                new OA\Property(property: 'first', ref: '#/components/schemas/Sample'),
                new OA\Property(property: 'second', ref: '#/components/schemas/Sample'),
                new OA\Property(property: 'difference', ref: '#/components/schemas/Difference'),
            ])),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function beside(BesideRequest $request, Piece $piece, PhotoStore $photos): JsonResponse
    {
        Gate::authorize('view', $piece);
        $first = $photos->sample($piece->reference(), $request->float('x'), $request->float('y'), $request->float('radius'));
        $second = $photos->sample($piece->reference(), $request->float('beside.x'), $request->float('beside.y'), $request->float('beside.radius'));

        return new JsonResponse(['first' => SampleResource::make($first), 'second' => SampleResource::make($second), 'difference' => $second->differenceFrom($first)->jsonSerialize()]);
    }

    #[OA\Post(path: '/api/pieces/{piece}/lines', operationId: 'measureLine', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['line'], properties: [
            new OA\Property(property: 'line', type: 'array', description: 'x and y of both ends, shares of the photo', items: new OA\Items(type: 'number'), minItems: 4, maxItems: 4),
            new OA\Property(property: 'mine', type: 'array', nullable: true, description: 'the same line in the drawing that lies in its place', items: new OA\Items(type: 'number'), minItems: 4, maxItems: 4),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'How long they are on the paper, how they lean, and how the second differs from the first', content: new OA\JsonContent(required: ['photo', 'mine', 'difference'], properties: [
                new OA\Property(property: 'photo', type: 'string'),
                new OA\Property(property: 'mine', type: 'string', nullable: true),
                new OA\Property(property: 'difference', type: 'string', nullable: true),
            ])),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function lines(LineRequest $request, Piece $piece): JsonResponse
    {
        Gate::authorize('view', $piece);
        $photo = PaperLine::between(...$piece->onPaper($request->line()));
        $ends = $request->mine();
        $mine = $ends === null ? null : PaperLine::between(...$piece->onPaper($ends));
        $inInches = $piece->unit === 'in';

        return new JsonResponse(['photo' => $photo->words($inInches), 'mine' => $mine?->words($inInches), 'difference' => $mine?->against($photo, $inInches)]);
    }

    /** The outlines in true size, to be transferred to the paper. */
    public function transfer(Request $request, Piece $piece, TransferPrint $print): Response
    {
        Gate::authorize('view', $piece);
        $request->validate(['page' => ['sometimes', Rule::in(array_keys(PrintTiles::PAGES))]], ['page.in' => 'Choose a4 or letter.']);

        return new Response($print->pdf($piece, (string) $request->string('page', 'a4')), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => 'inline; filename="transfer.pdf"',
        ]);
    }
}
