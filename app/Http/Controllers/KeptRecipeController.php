<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Problems;
use App\Http\Requests\KeptRecipeRequest;
use App\Http\Requests\StudioRequest;
use App\Http\Resources\ColourResource;
use App\Http\Resources\KeptRecipeResource;
use App\Http\Resources\RecipeResource;
use App\Http\Resources\RestsOn;
use App\Models\KeptRecipe;
use App\Models\Paper;
use App\Models\User;
use App\Models\ZoneTarget;
use App\Studio\Pencils\Catalogue;
use App\Studio\Pencils\TypedColour;
use App\Studio\Records\CheckedStacks;
use App\Studio\Records\KeptRecipes;
use App\Studio\Records\RecipeWish;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use Prism\Matching\EmptyBox;

/** The recipes of an artist's book. */
final class KeptRecipeController
{
    public function __construct(private readonly KeptRecipes $recipes, private readonly CheckedStacks $stacks)
    {
    }

    #[OA\Get(path: '/api/recipes', operationId: 'recipes', parameters: [
        new OA\QueryParameter(name: 'words', description: 'in name, purpose, note, tags, pencils and piece', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'tag', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'step', description: 'value step, 1-9', schema: new OA\Schema(type: 'integer')),
        new OA\QueryParameter(name: 'near', description: 'a colour as it is typed: the nearest first', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'most', schema: new OA\Schema(type: 'integer')),
    ], responses: [
        new OA\Response(response: 200, description: 'The nearest, else the last kept first', content: new OA\JsonContent(required: ['recipes', 'count', 'tags', 'calibration'], properties: [
            new OA\Property(property: 'recipes', type: 'array', items: new OA\Items(ref: '#/components/schemas/KeptRecipe')),
            new OA\Property(property: 'count', type: 'integer', description: 'of the wish, also beyond those that are shown'),
            new OA\Property(property: 'tags', type: 'array', items: new OA\Items(required: ['tag', 'count'], properties: [new OA\Property(property: 'tag', type: 'string'), new OA\Property(property: 'count', type: 'integer')])),
            new OA\Property(property: 'calibration', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/RestsOn')]),
        ])),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function index(Request $request, #[CurrentUser] User $user, TypedColour $colours): JsonResponse
    {
        $wish = $request->validate([
            'words' => ['nullable', 'string', 'max:100'], 'tag' => ['nullable', 'string', 'max:40'], 'step' => ['nullable', 'integer', 'between:1,9'],
            'near' => ['nullable', 'string', 'max:60'], 'most' => ['nullable', 'integer', 'between:1,500'],
        ], ['step.*' => 'A value step is from 1 to 9.']);
        $found = $this->recipes->find($user, new RecipeWish(
            (string) ($wish['words'] ?? ''), (string) ($wish['tag'] ?? ''), isset($wish['step']) ? (int) $wish['step'] : null,
            isset($wish['near']) ? $colours->read($user, (string) $wish['near'], 'near') : null, (int) ($wish['most'] ?? 60),
        ));

        return new JsonResponse([
            'recipes' => KeptRecipeResource::collection($found['recipes']), 'count' => $found['count'],
            'tags' => array_map(static fn (string $tag, int $count): array => ['tag' => $tag, 'count' => $count], array_map(strval(...), array_keys($found['tags'])), $found['tags']),
            'calibration' => RestsOn::of($user),
        ]);
    }

    #[OA\Schema(schema: 'KeptRecipeForm', required: ['name'], properties: [
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'purpose', type: 'string'),
        new OA\Property(property: 'tags', type: 'array', items: new OA\Items(type: 'string')),
        new OA\Property(property: 'note', type: 'string'),
    ])]
    #[OA\Post(path: '/api/recipes', operationId: 'keepRecipe', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(allOf: [
        new OA\Schema(ref: '#/components/schemas/KeptRecipeForm'),
        new OA\Schema(required: ['paper', 'stack'], properties: [
            new OA\Property(property: 'paper', type: 'string'),
            new OA\Property(property: 'stack', type: 'string'),
            new OA\Property(property: 'target', type: 'string', nullable: true, description: 'the colour of a zone that it was found for'),
        ]),
    ])), responses: [
        new OA\Response(response: 201, description: 'Kept', content: new OA\JsonContent(ref: '#/components/schemas/KeptRecipe')),
        new OA\Response(response: 422, description: 'Refused, also where the book has it already', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function store(KeptRecipeRequest $request, #[CurrentUser] User $user): JsonResponse
    {
        $paper = $request->paper();
        $stack = $this->stacks->one($user, $paper, (string) $request->validated('stack'), 'stack');
        $same = $this->recipes->same($user, $paper, $stack);
        if ($same !== null) {
            throw ValidationException::withMessages(['stack' => sprintf('Your book has this recipe already: %s.', $same->name)]);
        }
        if ($user->keptRecipes()->count() >= KeptRecipes::MOST) {
            throw ValidationException::withMessages(['stack' => sprintf('A book takes at most %d recipes. Remove some first.', KeptRecipes::MOST)]);
        }
        $target = $request->filled('target') ? ZoneTarget::query()->findOrFail((string) $request->validated('target')) : null;
        $target === null || Gate::authorize('view', $target->zone->piece);
        $kept = $this->recipes->keep($user, $paper, [[...$request->called(), 'stack' => $stack]], $target);

        return KeptRecipeResource::make($this->recipes->seen($user, $kept)[0])->response()->setStatusCode(201);
    }

    #[OA\Post(path: '/api/recipes/ladder', operationId: 'keepLadder', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(allOf: [
        new OA\Schema(ref: '#/components/schemas/KeptRecipeForm'),
        new OA\Schema(required: ['paper', 'stacks'], properties: [
            new OA\Property(property: 'paper', type: 'string'),
            new OA\Property(property: 'stacks', type: 'array', description: 'from pale to dark', items: new OA\Items(type: 'string')),
        ]),
    ])), responses: [
        new OA\Response(response: 201, description: 'Kept together', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/KeptRecipe'))),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function keepLadder(KeptRecipeRequest $request, #[CurrentUser] User $user): JsonResponse
    {
        $paper = $request->paper();
        $called = $request->called();
        $stacks = array_map(fn (mixed $stack): string => $this->stacks->one($user, $paper, (string) $stack, 'stacks'), array_values($request->validated('stacks')));
        $kept = $this->recipes->keep($user, $paper, array_map(static fn (string $stack, int $at): array => [...$called, 'name' => mb_substr($called['name'], 0, 74).' '.($at + 1), 'stack' => $stack], $stacks, array_keys($stacks)), isLadder: true);

        return KeptRecipeResource::collection($this->recipes->seen($user, $kept))->response()->setStatusCode(201);
    }

    #[OA\Put(path: '/api/recipes/{kept}', operationId: 'changeRecipe', parameters: [new OA\PathParameter(name: 'kept', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(allOf: [
        new OA\Schema(ref: '#/components/schemas/KeptRecipeForm'),
        new OA\Schema(required: ['version'], properties: [new OA\Property(property: 'version', type: 'integer', description: 'that was seen')]),
    ])), responses: [
        new OA\Response(response: 200, description: 'Changed', content: new OA\JsonContent(ref: '#/components/schemas/KeptRecipe')),
        new OA\Response(response: 409, description: 'Changed meanwhile elsewhere', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function update(KeptRecipeRequest $request, #[CurrentUser] User $user, KeptRecipe $kept): KeptRecipeResource
    {
        $this->recipes->change($kept, [...array_intersect_key($request->called(), $request->validated()), 'version' => $request->integer('version')]);

        return KeptRecipeResource::make($this->recipes->seen($user, collect([$kept->refresh()]))[0]);
    }

    #[OA\Delete(path: '/api/recipes/{kept}', operationId: 'removeRecipe', parameters: [new OA\PathParameter(name: 'kept', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 204, description: 'Put away; it can be taken back')])]
    public function destroy(KeptRecipe $kept): JsonResponse
    {
        $kept->delete();

        return new JsonResponse(null, 204);
    }

    #[OA\Post(path: '/api/recipes/{kept}/restore', operationId: 'restoreRecipe', parameters: [new OA\PathParameter(name: 'kept', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 204, description: 'Taken back')])]
    public function restore(KeptRecipe $kept): JsonResponse
    {
        $kept->restore();

        return new JsonResponse(null, 204);
    }

    #[OA\Post(path: '/api/ladders', operationId: 'findLadder', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['colour', 'paper', 'rungs', 'same'], properties: [
        new OA\Property(property: 'colour', type: 'string', description: 'as it is typed'),
        new OA\Property(property: 'paper', type: 'string'),
        new OA\Property(property: 'rungs', type: 'integer', description: '3 to 9'),
        new OA\Property(property: 'same', type: 'boolean', description: 'all of the same pencils, in other shares'),
    ])), responses: [
        new OA\Response(response: 200, description: 'The colour from pale to dark; nothing is kept', content: new OA\JsonContent(type: 'array', items: new OA\Items(required: ['wanted', 'recipe'], properties: [
            new OA\Property(property: 'wanted', ref: '#/components/schemas/Colour'),
            new OA\Property(property: 'recipe', ref: '#/components/schemas/Recipe'),
        ]))),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function ladder(Request $request, #[CurrentUser] User $user, TypedColour $colours, Catalogue $catalogue): JsonResponse
    {
        $wish = $request->validate([
            'colour' => ['required', 'string', 'max:60'], 'paper' => ['required', 'string', StudioRequest::paperOf($user)],
            'rungs' => ['required', 'integer', 'between:3,9'], 'same' => ['required', 'boolean'],
        ], ['colour.required' => 'Type the colour of the ladder: a pencil, hex with #, or three numbers L* a* b*.', 'rungs.*' => 'A ladder has 3 to 9 rungs.']);
        try {
            $ladder = $this->recipes->ladder($user, Paper::called($user, (string) $wish['paper']) ?? abort(422), $colours->read($user, (string) $wish['colour'], 'colour'), (int) $wish['rungs'], (bool) $wish['same']);
        } catch (EmptyBox) {
            return Problems::refused('Your box is empty, so there is nothing to make a ladder of. Put pencils in the box first.');
        }

        return new JsonResponse(array_map(static fn (array $rung): array => ['wanted' => ColourResource::make($rung['wanted']), 'recipe' => RecipeResource::make($rung['recipe'])], $ladder));
    }
}
