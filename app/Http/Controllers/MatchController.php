<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Problems;
use App\Http\Requests\NudgeRequest;
use App\Http\Requests\PredictionRequest;
use App\Http\Requests\RecipeSearchRequest;
use App\Http\Resources\ColourResource;
use App\Http\Resources\RecipeResource;
use App\Http\Resources\RestsOn;
use App\Http\Resources\StackPredictionResource;
use App\Http\Resources\TrioResource;
use App\Models\Piece;
use App\Models\User;
use App\Models\Zone;
use App\Studio\Calibration\Engine;
use App\Studio\Pencils\Catalogue;
use App\Studio\Planning\RecipeBook;
use App\Studio\Planning\StackAdvice;
use App\Studio\Planning\ZoneRecipes;
use App\Studio\Zones\Grounds;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Matching\Advice\Nudge;
use Prism\Matching\Advice\WhyNote;
use Prism\Matching\EmptyBox;
use Prism\Matching\Recipe;
use Prism\Matching\Target;

/** Recipes for a colour, and what a stack looks like. */
final class MatchController
{
    private const RECIPES = 4;

    private const FROM_BOOK = 2;

    #[OA\Post(
        path: '/api/pieces/{piece}/recipes',
        operationId: 'findRecipes',
        parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['L', 'a', 'b'], properties: [
            new OA\Property(property: 'L', type: 'number'),
            new OA\Property(property: 'a', type: 'number'),
            new OA\Property(property: 'b', type: 'number'),
            new OA\Property(property: 'zone', type: 'string', nullable: true, description: 'whose schools and surface are followed; else those of the piece'),
            new OA\Property(property: 'maxPencils', type: 'integer'),
            new OA\Property(property: 'valueOnly', type: 'boolean'),
            new OA\Property(property: 'noBlack', type: 'boolean'),
            new OA\Property(property: 'maxLayers', type: 'integer'),
            new OA\Property(property: 'waxLast', type: 'boolean', description: 'nothing but wax goes over wax'),
            new OA\Property(property: 'toned', type: 'boolean', description: 'on toned paper: black and white freely, never together'),
            new OA\Property(property: 'lightfast', type: 'boolean', description: 'only pencils that do not fade'),
            new OA\Property(property: 'paletteOnly', type: 'boolean', description: 'only pencils that the plan of the picture uses'),
            new OA\Property(property: 'must', type: 'array', items: new OA\Items(type: 'string'), description: 'pencils to be used'),
            new OA\Property(property: 'avoid', type: 'array', items: new OA\Items(type: 'string')),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'Recipes, best first, and the nearest single pencil', content: new OA\JsonContent(required: ['recipes', 'nearest', 'book', 'boxCount', 'calibration'], properties: [
                new OA\Property(property: 'book', type: 'array', description: 'chosen by hand before, and fitting here', items: new OA\Items(required: ['recipe', 'from'], properties: [
                    new OA\Property(property: 'recipe', ref: '#/components/schemas/Recipe'),
                    new OA\Property(property: 'from', type: 'string', description: 'piece and zone'),
                ])),
                new OA\Property(property: 'recipes', type: 'array', items: new OA\Items(ref: '#/components/schemas/Recipe')),
                new OA\Property(property: 'nearest', ref: '#/components/schemas/Recipe'),
                new OA\Property(property: 'boxCount', type: 'integer'),
                new OA\Property(property: 'calibration', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/RestsOn')]),
            ])),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function search(RecipeSearchRequest $request, #[CurrentUser] User $user, Piece $piece, Catalogue $catalogue, Engine $engine, RecipeBook $book): JsonResponse
    {
        Gate::authorize('view', $piece);
        $target = $request->target($piece);
        $limits = $request->limits($piece, self::RECIPES);
        $box = $catalogue->box($user);
        $only = $request->allowed($box, $piece);
        try {
            $paper = Grounds::paper($piece, $request->zone($piece));
            $search = $engine->search($paper, $user, $box);
            $found = $search->find($target, $limits, $only);
            $own = $book->fitting($piece, $target, self::FROM_BOOK);
            $desk = $catalogue->desk($user, ...array_map(static fn (array $one): Stack => $one['recipe']->stack, $own));
            $model = $engine->predictor($paper, $user, $desk)->model;
            $told = static fn (Recipe $recipe): RecipeResource => RecipeResource::make($recipe)->under($piece->lamp, $model, $target->colour);

            return new JsonResponse([
                'recipes' => array_map($told, $found),
                'nearest' => $told($search->nearestSingle($target, $limits, $only)),
                'book' => array_map(static fn (array $one): array => ['recipe' => $told($one['recipe']), 'from' => $one['from']], $own),
                'boxCount' => count($box),
                'calibration' => RestsOn::of($user),
            ]);
        } catch (EmptyBox $empty) {
            return Problems::refused($empty->getMessage(), ['errors' => ['box' => [$empty->getMessage()]]]);
        }
    }

    #[OA\Post(
        path: '/api/zones/{zone}/trio',
        operationId: 'findTrio',
        parameters: [new OA\PathParameter(name: 'zone', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(response: 200, description: 'Three neighbouring hues as light, middle and dark of the zone', content: new OA\JsonContent(ref: '#/components/schemas/Trio')),
            new OA\Response(response: 422, description: 'The zone has no light, middle and dark, or the box no such three', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function trio(Zone $zone, ZoneRecipes $recipes): TrioResource|JsonResponse
    {
        Gate::authorize('view', $zone->piece);
        try {
            return new TrioResource($recipes->trio($zone));
        } catch (EmptyBox $empty) {
            return Problems::refused($empty->getMessage(), ['errors' => ['box' => [$empty->getMessage()]]]);
        }
    }

    #[OA\Post(
        path: '/api/pieces/{piece}/predictions',
        operationId: 'predict',
        parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['stack', 'L', 'a', 'b'], properties: [
            new OA\Property(property: 'zone', type: 'string', nullable: true, description: 'on whose ground it is laid'),
            new OA\Property(property: 'stack', type: 'string', description: 'stack notation'),
            new OA\Property(property: 'L', type: 'number'),
            new OA\Property(property: 'a', type: 'number'),
            new OA\Property(property: 'b', type: 'number'),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'What the stack looks like', content: new OA\JsonContent(ref: '#/components/schemas/StackPrediction')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function predict(PredictionRequest $request, Piece $piece, Catalogue $catalogue, Engine $engine): StackPredictionResource
    {
        Gate::authorize('view', $piece);
        $target = Target::colour(Lab::of($request->float('L'), $request->float('a'), $request->float('b')));
        $stack = Stack::parse((string) $request->validated('stack'));
        $desk = $catalogue->desk($piece->user, $stack);
        $paper = Grounds::paper($piece, $request->zone($piece));
        $recipe = $engine->recipes($paper, $piece->user, $desk)->make($stack, $target);

        return new StackPredictionResource($recipe, $engine->predictor($paper, $piece->user, $desk), $piece->user, $target->colour, $piece->lamp);
    }

    #[OA\Post(
        path: '/api/pieces/{piece}/why',
        operationId: 'why',
        parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['stack', 'L', 'a', 'b'], properties: [
            new OA\Property(property: 'zone', type: 'string', nullable: true, description: 'on whose ground it is laid'),
            new OA\Property(property: 'stack', type: 'string'),
            new OA\Property(property: 'L', type: 'number'),
            new OA\Property(property: 'a', type: 'number'),
            new OA\Property(property: 'b', type: 'number'),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'The same stack without this or that, the most telling first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/WhyNote'))),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    #[OA\Schema(schema: 'WhyNote', required: ['what', 'stack', 'colour', 'difference', 'nearer'], properties: [
        new OA\Property(property: 'what', type: 'string'),
        new OA\Property(property: 'stack', type: 'string'),
        new OA\Property(property: 'colour', ref: '#/components/schemas/Colour'),
        new OA\Property(property: 'difference', ref: '#/components/schemas/Difference'),
        new OA\Property(property: 'nearer', type: 'boolean', description: 'it comes nearer to the target'),
    ])]
    public function why(PredictionRequest $request, Piece $piece, StackAdvice $advice): JsonResponse
    {
        Gate::authorize('view', $piece);

        return new JsonResponse(array_map(static fn (WhyNote $note): array => [
            'what' => $note->what, 'stack' => (string) $note->stack, 'colour' => ColourResource::make($note->colour),
            'difference' => $note->difference->jsonSerialize(), 'nearer' => $note->nearer,
        ], $advice->why($piece, $request->zone($piece), Stack::parse((string) $request->validated('stack')), Target::colour(Lab::of($request->float('L'), $request->float('a'), $request->float('b'))))));
    }

    #[OA\Post(
        path: '/api/pieces/{piece}/nudges',
        operationId: 'nudge',
        parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['stack', 'nudge'], properties: [
            new OA\Property(property: 'zone', type: 'string', nullable: true, description: 'on whose ground it is laid'),
            new OA\Property(property: 'stack', type: 'string'),
            new OA\Property(property: 'nudge', ref: '#/components/schemas/NudgeId'),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'The best changes that bring it, best first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/Recipe'))),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    #[OA\Schema(schema: 'NudgeId', type: 'string', enum: ['lighter', 'darker', 'redder', 'yellower', 'greener', 'bluer', 'cleaner', 'duller'])]
    public function nudge(NudgeRequest $request, Piece $piece, StackAdvice $advice): AnonymousResourceCollection
    {
        Gate::authorize('view', $piece);

        return RecipeResource::collection($advice->nudged($piece, $request->zone($piece), Stack::parse((string) $request->validated('stack')), Nudge::from((string) $request->validated('nudge'))));
    }
}
