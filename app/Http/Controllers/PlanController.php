<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Middleware\KeptAnswers;
use App\Http\Requests\DesignationRequest;
use App\Http\Requests\GradientRequest;
use App\Http\Resources\ChartResource;
use App\Http\Resources\DesignationResource;
use App\Http\Resources\DrawnResource;
use App\Http\Resources\GradientResource;
use App\Http\Resources\NeighboursResource;
use App\Http\Resources\PieceResource;
use App\Http\Resources\PlanResource;
use App\Models\Piece;
use App\Studio\Drawing\PictureDrawings;
use App\Studio\Pencils\Catalogue;
use App\Studio\PieceViews;
use App\Studio\Planning\Gradients;
use App\Studio\Planning\PictureAdvice;
use App\Studio\Planning\PicturePalettes;
use App\Studio\Planning\PlanningUndo;
use App\Studio\Planning\PlanPages;
use App\Studio\Planning\PlanSheet;
use App\Studio\Planning\ZoneRecipes;
use App\Studio\Swatches\ChartMaker;
use App\Studio\Zones\PictureParts;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use Prism\Materials\PencilId;
use Prism\Reference\Image\PrintTiles;

/** The plan of a piece, and how far the drawing has come. */
final class PlanController
{
    public function __construct(private readonly ZoneRecipes $recipes, private readonly PlanPages $pages)
    {
    }

    #[OA\Get(path: '/api/pieces/{piece}/plan', operationId: 'plan', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'Pull list, cautions and ordered steps', content: new OA\JsonContent(ref: '#/components/schemas/Plan')),
    ])]
    public function show(Request $request, Piece $piece): PlanResource|JsonResponse
    {
        Gate::authorize('view', $piece);
        $plan = $this->recipes->known($piece);
        $before = $request->attributes->get(KeptAnswers::BEFORE);
        $told = is_string($before) ? DrawnResource::on($before, $this->pages->drawn($piece, $plan)) : null;

        return $told === null ? new PlanResource($this->pages->of($piece, $plan)) : new JsonResponse($told);
    }

    #[OA\Get(path: '/api/pieces/{piece}/neighbours', operationId: 'neighbours', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'Touching zones that will merge, nearest first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/Neighbours'))),
    ])]
    public function neighbours(Piece $piece, PictureAdvice $advice): AnonymousResourceCollection
    {
        Gate::authorize('view', $piece);

        return NeighboursResource::collection($advice->neighbours($piece, $this->recipes->known($piece)));
    }

    public function sheet(Piece $piece, PlanSheet $sheet): Response
    {
        Gate::authorize('view', $piece);

        return new Response($sheet->pdf($piece, $this->recipes->known($piece)), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => 'inline; filename="plan.pdf"',
        ]);
    }

    /** What the drawing will look like after so many steps. */
    public function simulation(Request $request, Piece $piece, PictureDrawings $drawings): Response
    {
        Gate::authorize('view', $piece);
        $request->validate(['steps' => ['sometimes', 'integer', 'min:0', 'max:100000']]);

        return new Response($drawings->simulated($piece, $request->has('steps') ? $request->integer('steps') : null), 200, ['Content-Type' => 'image/png', 'Cache-Control' => 'private, max-age=60']);
    }

    #[OA\Get(path: '/api/pieces/{piece}/parts', operationId: 'pictureParts', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'Where in the picture each colour lies', content: new OA\JsonContent(required: ['targets', 'picture'], properties: [
            new OA\Property(property: 'targets', type: 'array', description: 'colours, counted from 1 in the picture', items: new OA\Items(type: 'string')),
            new OA\Property(property: 'picture', type: 'string', description: 'a PNG as a data URL: red and green the two colours that a pixel lies between (0: none), blue how far it is on the way from the first to the second'),
        ])),
    ])]
    public function parts(Piece $piece, PictureParts $parts): JsonResponse
    {
        Gate::authorize('view', $piece);
        ['targets' => $targets, 'png' => $png] = $parts->all($piece);

        return new JsonResponse(['targets' => $targets, 'picture' => 'data:image/png;base64,'.base64_encode($png)]);
    }

    #[OA\Get(path: '/api/pieces/{piece}/value-check', operationId: 'valueCheck', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'How the finished drawing will stand beside the photo, by value', content: new OA\JsonContent(required: ['mean', 'dark', 'light', 'photoDark', 'photoLight'], properties: [
            new OA\Property(property: 'mean', type: 'number', description: 'error of L*'),
            new OA\Property(property: 'dark', type: 'number'),
            new OA\Property(property: 'light', type: 'number'),
            new OA\Property(property: 'photoDark', type: 'number'),
            new OA\Property(property: 'photoLight', type: 'number'),
        ])),
    ])]
    public function valueCheck(Piece $piece, PictureDrawings $drawings): JsonResponse
    {
        Gate::authorize('view', $piece);

        return new JsonResponse($drawings->valueCheck($piece));
    }

    #[OA\Delete(path: '/api/pieces/{piece}/planning/last', operationId: 'undoPlanning', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'Recipes and palette as they were before the last planning', content: new OA\JsonContent(ref: '#/components/schemas/Plan')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function takeBack(Piece $piece, PlanningUndo $planning): PlanResource
    {
        Gate::authorize('update', $piece);
        $planning->undo($piece);

        $piece->refresh();

        return new PlanResource($this->pages->of($piece, $this->recipes->known($piece)));
    }

    #[OA\Post(path: '/api/pieces/{piece}/designation', operationId: 'designate', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['pencils'], properties: [new OA\Property(property: 'pencils', type: 'array', items: new OA\Items(type: 'string'), description: 'two to five'), new OA\Property(property: 'parts', type: 'object', description: 'set by hand: light, middle, dark or only to blend, by pencil; the others are found', additionalProperties: new OA\AdditionalProperties(type: 'string', enum: ['light', 'middle', 'dark', 'blend']))])),
        responses: [
            new OA\Response(response: 200, description: 'Which of them is light, middle and dark, and what they make together', content: new OA\JsonContent(ref: '#/components/schemas/Designation')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function designate(DesignationRequest $request, Piece $piece, PicturePalettes $palettes, Catalogue $catalogue): DesignationResource
    {
        Gate::authorize('view', $piece);

        return new DesignationResource($palettes->designated($piece, $request->pencils($catalogue->box($piece->user)), $request->parts()));
    }

    #[OA\Post(path: '/api/pieces/{piece}/gradient', operationId: 'gradient', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(properties: [
            new OA\Property(property: 'pencils', type: 'array', items: new OA\Items(type: 'string'), description: 'two to seven'),
            new OA\Property(property: 'zone', type: 'string', description: 'instead: its values as they are drawn, along its form'),
            new OA\Property(property: 'finish', type: 'string', enum: ['layers', 'blender', 'white', 'lightest']),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'Where each step lies, in how many rounds, at which pressure', content: new OA\JsonContent(required: ['gradient', 'lengthMm', 'towards'], properties: [
                new OA\Property(property: 'gradient', ref: '#/components/schemas/Gradient'),
                new OA\Property(property: 'lengthMm', type: 'number', nullable: true, description: 'of the form of a zone'),
                new OA\Property(property: 'towards', type: 'string', nullable: true, description: 'where its dark lies, in words'),
            ])),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function gradient(GradientRequest $request, Piece $piece, Gradients $gradients): JsonResponse
    {
        Gate::authorize('view', $piece);
        $zone = $request->validated('zone');
        $found = $zone === null ? $gradients->ofPencils($piece, array_values($request->validated('pencils', [])), $request->finish()) : $gradients->ofZone($piece, (string) $zone, $request->finish());

        return new JsonResponse(['gradient' => GradientResource::make($found['gradient']), 'lengthMm' => $found['lengthMm'] === null ? null : round($found['lengthMm'], 1), 'towards' => $found['towards']]);
    }

    #[OA\Post(path: '/api/pieces/{piece}/toned', operationId: 'tone', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['colour'], properties: [new OA\Property(property: 'colour', type: 'string', nullable: true, description: 'the one colour; null: the one that serves best')])),
        responses: [
            new OA\Response(response: 200, description: 'The piece, set to be planned with black, white and one colour', content: new OA\JsonContent(ref: '#/components/schemas/Piece')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function tone(Request $request, Piece $piece, PicturePalettes $palettes, PieceViews $views): PieceResource
    {
        Gate::authorize('update', $piece);
        $colour = $request->validate(['colour' => ['nullable', 'string', 'max:40']], ['colour.*' => 'Name one pencil, such as QW:6858.'])['colour'] ?? null;
        $palettes->tone($piece, $colour === null ? null : PencilId::of((string) $colour));

        return new PieceResource($views->piece($piece->refresh()));
    }

    #[OA\Post(path: '/api/pieces/{piece}/proof', operationId: 'provePlan', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['page'], properties: [new OA\Property(property: 'page', type: 'string', enum: ['a4', 'letter'])])),
        responses: [
            new OA\Response(response: 201, description: 'A chart of each planned recipe, to be drawn and read', content: new OA\JsonContent(ref: '#/components/schemas/Chart')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function prove(Request $request, Piece $piece, ChartMaker $charts): JsonResponse
    {
        Gate::authorize('update', $piece);
        $page = $request->validate(['page' => ['required', Rule::in(array_keys(PrintTiles::PAGES))]], ['page.*' => 'Choose a4 or letter.'])['page'];

        return ChartResource::make($charts->proof($piece, $this->recipes->plan($piece), (string) $page))->response()->setStatusCode(201);
    }
}
