<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\DrillRoundResource;
use App\Models\DrillRound;
use App\Models\Paper;
use App\Models\User;
use App\Studio\Practice\PracticeRooms;
use App\Studio\Practice\Skill;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use Prism\Practice\DrillKind;

/** Drills. */
final class PracticeController
{
    public function __construct(private readonly PracticeRooms $practice)
    {
    }

    #[OA\Get(path: '/api/practice', operationId: 'practice', responses: [new OA\Response(response: 200, description: 'Each skill, the one that is due longest first', content: new OA\JsonContent(required: ['skills', 'streak'], properties: [
        new OA\Property(property: 'streak', type: 'integer', description: 'days on end'),
        new OA\Property(property: 'skills', type: 'array', items: new OA\Items(required: ['kind', 'name', 'says', 'level', 'isDue', 'dueAt', 'rounds'], properties: [
            new OA\Property(property: 'kind', ref: '#/components/schemas/DrillKindId'),
            new OA\Property(property: 'name', type: 'string'),
            new OA\Property(property: 'says', type: 'string'),
            new OA\Property(property: 'level', type: 'integer', description: '1 easy to 5 hard'),
            new OA\Property(property: 'isDue', type: 'boolean'),
            new OA\Property(property: 'dueAt', type: 'string', format: 'date-time', nullable: true),
            new OA\Property(property: 'rounds', type: 'array', description: 'the last ones, oldest first', items: new OA\Items(required: ['at', 'level', 'right', 'of'], properties: [
                new OA\Property(property: 'at', type: 'string', format: 'date-time'),
                new OA\Property(property: 'level', type: 'integer'),
                new OA\Property(property: 'right', type: 'integer'),
                new OA\Property(property: 'of', type: 'integer'),
            ])),
        ])),
    ]))])]
    public function show(#[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse([
            'streak' => $this->practice->streak($user),
            'skills' => array_map(static fn (Skill $skill): array => [
                'kind' => $skill->kind->value, 'name' => $skill->kind->label(), 'says' => $skill->kind->says(), 'level' => $skill->level, 'isDue' => $skill->isDue(), 'dueAt' => $skill->dueAt?->toIso8601ZuluString(),
                'rounds' => array_map(static fn (DrillRound $round): array => ['at' => $round->done_at?->toIso8601ZuluString(), 'level' => $round->level, 'right' => $round->right, 'of' => count($round->answers)], $skill->rounds),
            ], $this->practice->skills($user)),
        ]);
    }

    #[OA\Post(path: '/api/practice/rounds', operationId: 'beginRound', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['kind'], properties: [new OA\Property(property: 'kind', ref: '#/components/schemas/DrillKindId')])), responses: [
        new OA\Response(response: 201, description: 'Its questions', content: new OA\JsonContent(ref: '#/components/schemas/DrillRound')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function store(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $kind = $request->validate(['kind' => ['required', Rule::enum(DrillKind::class)]], ['kind.*' => 'There is no such drill; choose one from the list.'])['kind'];
        $papers = Paper::seenBy($user);
        $papers->orderBy('id');
        $paper = $user->paper ?? $papers->firstOrFail();

        return DrillRoundResource::make($this->practice->begin($user, DrillKind::from((string) $kind), $paper))->response()->setStatusCode(201);
    }

    #[OA\Get(path: '/api/practice/rounds/{round}', operationId: 'drillRound', parameters: [new OA\PathParameter(name: 'round', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'As far as it is', content: new OA\JsonContent(ref: '#/components/schemas/DrillRound'))])]
    public function round(DrillRound $round): DrillRoundResource
    {
        self::isDrill($round);

        return DrillRoundResource::make($round);
    }

    #[OA\Post(path: '/api/practice/rounds/{round}/answers', operationId: 'answerDrill', parameters: [new OA\PathParameter(name: 'round', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['question', 'answer'], properties: [
        new OA\Property(property: 'question', type: 'integer', description: 'from 0'),
        new OA\Property(property: 'answer', type: 'array', description: 'the option; of an order all of them', items: new OA\Items(type: 'string')),
    ])), responses: [
        new OA\Response(response: 200, description: 'With what was right, and why', content: new OA\JsonContent(ref: '#/components/schemas/DrillRound')),
        new OA\Response(response: 409, description: 'Answered already', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function answer(Request $request, DrillRound $round): DrillRoundResource
    {
        self::isDrill($round);
        $given = $request->validate(['question' => ['required', 'integer', 'min:0'], 'answer' => ['required', 'array', 'min:1', 'max:9'], 'answer.*' => ['required', 'string', 'max:40']], ['answer.*' => 'Choose one of the answers.']);

        return DrillRoundResource::make($this->practice->answer($round, (int) $given['question'], array_map(strval(...), array_values($given['answer']))));
    }

    /** The palette of a week is kept among the rounds, and is none. */
    private static function isDrill(DrillRound $round): void
    {
        abort_if(DrillKind::tryFrom($round->kind) === null, 404, 'There is no such round in your studio.');
    }
}
