<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Problems;
use App\Http\Requests\PredictionRequest;
use App\Http\Requests\RecipeSearchRequest;
use App\Http\Resources\RecipeResource;
use App\Http\Resources\RestsOn;
use App\Http\Resources\StackPredictionResource;
use App\Models\Piece;
use App\Models\User;
use App\Studio\Catalogue;
use App\Studio\Engine;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Matching\EmptyBox;
use Prism\Matching\Limits;
use Prism\Matching\Target;

/** Recipes for a colour, and what a stack looks like. */
final class MatchController
{
    private const RECIPES = 4;

    #[OA\Post(
        path: '/api/pieces/{piece}/recipes',
        operationId: 'findRecipes',
        parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['L', 'a', 'b'], properties: [
            new OA\Property(property: 'L', type: 'number'),
            new OA\Property(property: 'a', type: 'number'),
            new OA\Property(property: 'b', type: 'number'),
            new OA\Property(property: 'maxPencils', type: 'integer'),
            new OA\Property(property: 'valueOnly', type: 'boolean'),
            new OA\Property(property: 'noBlack', type: 'boolean'),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'Recipes, best first, and the nearest single pencil', content: new OA\JsonContent(required: ['recipes', 'nearest', 'boxCount', 'calibration'], properties: [
                new OA\Property(property: 'recipes', type: 'array', items: new OA\Items(ref: '#/components/schemas/Recipe')),
                new OA\Property(property: 'nearest', ref: '#/components/schemas/Recipe'),
                new OA\Property(property: 'boxCount', type: 'integer'),
                new OA\Property(property: 'calibration', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/RestsOn')]),
            ])),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function search(RecipeSearchRequest $request, #[CurrentUser] User $user, Piece $piece, Catalogue $catalogue, Engine $engine): JsonResponse
    {
        Gate::authorize('view', $piece);
        $colour = Lab::of($request->float('L'), $request->float('a'), $request->float('b'));
        $target = $request->boolean('valueOnly') ? Target::value($colour) : Target::colour($colour);
        $limits = new Limits(top: self::RECIPES, maxPencils: $request->integer('maxPencils', 4), school: $piece->school, noBlack: $request->boolean('noBlack'));
        $box = $catalogue->box($user);
        try {
            $search = $engine->search($piece->paper, $user, $box);

            return new JsonResponse([
                'recipes' => RecipeResource::collection($search->find($target, $limits)),
                'nearest' => RecipeResource::make($search->nearestSingle($target, $limits)),
                'boxCount' => count($box),
                'calibration' => RestsOn::of($user),
            ]);
        } catch (EmptyBox $empty) {
            return Problems::refused($empty->getMessage(), ['errors' => ['box' => [$empty->getMessage()]]]);
        }
    }

    #[OA\Post(
        path: '/api/pieces/{piece}/predictions',
        operationId: 'predict',
        parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['stack', 'L', 'a', 'b'], properties: [
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
        $recipe = $engine->recipes($piece->paper, $piece->user, $desk)->make($stack, $target);

        return new StackPredictionResource($recipe, $engine->predictor($piece->paper, $piece->user, $desk), $piece->user);
    }
}
