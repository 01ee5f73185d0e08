<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Problems;
use App\Http\Requests\StudioRequest;
use App\Http\Resources\PencilResource;
use App\Http\Resources\RecipeResource;
use App\Http\Resources\RestsOn;
use App\Models\Paper;
use App\Models\User;
use App\Studio\Pencils\Catalogue;
use App\Studio\Pencils\Substitutes;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;
use Prism\Matching\EmptyBox;
use Prism\Matching\Recipe;
use Prism\Materials\PencilId;

/** What to take instead. */
final class SubstituteController
{
    private const MOST_CHARACTERS = 8000;

    #[OA\Post(path: '/api/substitutes', operationId: 'substitutes', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['text', 'paper'], properties: [
        new OA\Property(property: 'text', type: 'string', description: 'a pencil, a list of pencils or recipes, by lines'),
        new OA\Property(property: 'paper', type: 'string'),
        new OA\Property(property: 'into', type: 'string', description: 'a range; the box if empty'),
    ])), responses: [
        new OA\Response(response: 200, description: 'Nearest pencils and mixes', content: new OA\JsonContent(ref: '#/components/schemas/Substitutes')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    #[OA\Schema(schema: 'Substitutes', required: ['pencils', 'recipes', 'calibration'], properties: [
        new OA\Property(property: 'calibration', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/RestsOn')]),
        new OA\Property(property: 'pencils', type: 'array', items: new OA\Items(required: ['pencil', 'replacedBy', 'nearest', 'strengths'], properties: [
            new OA\Property(property: 'pencil', ref: '#/components/schemas/Pencil'),
            new OA\Property(property: 'replacedBy', type: 'string', nullable: true, description: 'by its maker'),
            new OA\Property(property: 'nearest', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/Pencil')]),
            new OA\Property(property: 'strengths', type: 'array', items: new OA\Items(required: ['strength', 'wanted', 'pencil', 'mix'], properties: [
                new OA\Property(property: 'strength', type: 'string'),
                new OA\Property(property: 'wanted', ref: '#/components/schemas/Recipe'),
                new OA\Property(property: 'pencil', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/Recipe')]),
                new OA\Property(property: 'mix', ref: '#/components/schemas/Recipe'),
            ])),
        ])),
        new OA\Property(property: 'recipes', type: 'array', items: new OA\Items(required: ['wanted', 'swapped', 'mix'], properties: [
            new OA\Property(property: 'wanted', ref: '#/components/schemas/Recipe'),
            new OA\Property(property: 'swapped', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/Recipe')]),
            new OA\Property(property: 'mix', ref: '#/components/schemas/Recipe'),
        ])),
    ])]
    public function find(Request $request, #[CurrentUser] User $user, Catalogue $catalogue, Substitutes $substitutes): JsonResponse
    {
        $wish = $request->validate([
            'text' => ['required', 'string', 'max:'.self::MOST_CHARACTERS],
            'paper' => ['required', 'string', StudioRequest::paperOf($user)],
            'into' => ['nullable', 'string', 'max:12'],
        ], ['text.required' => 'Write the pencils or recipes that you want in other pencils.']);
        try {
            $found = $substitutes->for($user, Paper::called($user, $wish['paper']) ?? abort(422), $wish['text'], (string) ($wish['into'] ?? ''));
        } catch (EmptyBox) {
            return Problems::refused('There is nothing to choose from: your box, or that range, has no pencil with a colour.');
        }
        $row = static fn (?PencilId $id): ?PencilResource => $id === null || ($pencil = $catalogue->row($user, $id)) === null ? null : new PencilResource($pencil, $found['from']->has($id));
        $recipe = static fn (?Recipe $recipe): ?RecipeResource => $recipe === null ? null : RecipeResource::make($recipe);

        return new JsonResponse([
            'calibration' => RestsOn::of($user),
            'pencils' => array_map(static fn (array $pencil): array => [
                'pencil' => $row($pencil['pencil']),
                'replacedBy' => $pencil['replacedBy'] === null ? null : (string) $pencil['replacedBy'],
                'nearest' => $row($pencil['nearest']),
                'strengths' => array_map(static fn (string $strength, array $of): array => ['strength' => $strength, 'wanted' => $recipe($of['wanted']), 'pencil' => $recipe($of['pencil']), 'mix' => $recipe($of['mix'])], array_keys($pencil['strengths']), $pencil['strengths']),
            ], $found['pencils']),
            'recipes' => array_map(static fn (array $stack): array => ['wanted' => $recipe($stack['wanted']), 'swapped' => $recipe($stack['swapped']), 'mix' => $recipe($stack['mix'])], $found['stacks']),
        ]);
    }
}
