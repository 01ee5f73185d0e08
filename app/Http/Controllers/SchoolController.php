<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\SchoolsRequest;
use App\Models\User;
use App\Studio\Planning\SchoolChoices;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** The schools on which artists disagree, and those that a studio follows unless a piece says otherwise. */
#[OA\Schema(schema: 'SchoolAnswers', type: 'object', description: 'school by question', additionalProperties: new OA\AdditionalProperties(type: 'string', nullable: true))]
#[OA\Schema(schema: 'SchoolQuestions', required: ['questions', 'chosen'], properties: [
    new OA\Property(property: 'questions', type: 'array', items: new OA\Items(required: ['id', 'name', 'ofRecipes', 'schools'], properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'ofRecipes', type: 'boolean', description: 'it bears on recipes, not only on their order'),
        new OA\Property(property: 'schools', type: 'array', items: new OA\Items(required: ['id', 'name', 'sentence'], properties: [
            new OA\Property(property: 'id', type: 'string'),
            new OA\Property(property: 'name', type: 'string'),
            new OA\Property(property: 'sentence', type: 'string'),
        ])),
    ])),
    new OA\Property(property: 'chosen', ref: '#/components/schemas/SchoolAnswers'),
])]
final class SchoolController
{
    #[OA\Get(path: '/api/schools', operationId: 'schools', responses: [
        new OA\Response(response: 200, description: 'The questions, and what this studio answers', content: new OA\JsonContent(ref: '#/components/schemas/SchoolQuestions')),
    ])]
    public function show(#[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(['questions' => SchoolChoices::questions(), 'chosen' => SchoolChoices::ofStudio($user)->chosen]);
    }

    #[OA\Put(path: '/api/schools', operationId: 'chooseSchools', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['schools'], properties: [
        new OA\Property(property: 'schools', ref: '#/components/schemas/SchoolAnswers'),
    ])), responses: [
        new OA\Response(response: 200, description: 'As they are now', content: new OA\JsonContent(ref: '#/components/schemas/SchoolQuestions')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function update(SchoolsRequest $request, #[CurrentUser] User $user): JsonResponse
    {
        $user->update(['schools' => SchoolChoices::answered($user->schools, $request->validated('schools', []))]);

        return $this->show($user);
    }
}
