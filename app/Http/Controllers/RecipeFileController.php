<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\RecipeFileRequest;
use App\Models\KeptRecipe;
use App\Models\User;
use App\Studio\Records\RecipeCards;
use App\Studio\Records\RecipeFiles;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Collection;
use OpenApi\Attributes as OA;

/** The recipes of a book as files and on paper. */
final class RecipeFileController
{
    /** Cards of one print. */
    private const MOST_CARDS = 200;

    public function __construct(private readonly RecipeFiles $files)
    {
    }

    public function export(Request $request, #[CurrentUser] User $user, string $format): Response
    {
        $rows = self::chosen($request, $user);

        return new Response($format === 'gpl' ? $this->files->gpl($rows) : $this->files->csv($rows), 200, [
            'Content-Type' => $format === 'gpl' ? 'text/plain; charset=UTF-8' : 'text/csv; charset=UTF-8',
            'Content-Disposition' => 'attachment; filename="recipes.'.$format.'"',
        ]);
    }

    public function cards(Request $request, #[CurrentUser] User $user): Response
    {
        $rows = self::chosen($request, $user)->take(self::MOST_CARDS);
        abort_if($rows->isEmpty(), 404, 'There are no recipes to print. Keep some first.');

        return new Response(RecipeCards::pdf($rows), 200, ['Content-Type' => 'application/pdf', 'Content-Disposition' => 'inline; filename="recipes.pdf"']);
    }

    #[OA\Post(path: '/api/recipes/preview', operationId: 'previewRecipes', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['text'], properties: [new OA\Property(property: 'text', type: 'string', description: 'a recipes table (CSV): name, paper, steps; purpose, tags with | between, note')])), responses: [
        new OA\Response(response: 200, description: 'What the table would bring', content: new OA\JsonContent(type: 'array', items: new OA\Items(required: ['row', 'name', 'stack', 'paper', 'known'], properties: [
            new OA\Property(property: 'row', type: 'integer'),
            new OA\Property(property: 'name', type: 'string'),
            new OA\Property(property: 'stack', type: 'string'),
            new OA\Property(property: 'paper', type: 'string'),
            new OA\Property(property: 'known', type: 'string', nullable: true, description: 'what the book calls it already'),
        ]))),
        new OA\Response(response: 422, description: 'Every bad row', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function preview(RecipeFileRequest $request, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(array_map(static fn (array $row): array => [
            'row' => $row['row'], 'name' => $row['entry']->name, 'stack' => (string) $row['entry']->stack, 'paper' => $row['entry']->paper, 'known' => $row['known'],
        ], $this->files->preview($user, (string) $request->validated('text'))));
    }

    #[OA\Post(path: '/api/recipes/import', operationId: 'importRecipes', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['text'], properties: [new OA\Property(property: 'text', type: 'string')])), responses: [
        new OA\Response(response: 200, description: 'Taken in but for those that the book had', content: new OA\JsonContent(required: ['written'], properties: [new OA\Property(property: 'written', type: 'integer')])),
        new OA\Response(response: 422, description: 'Every bad row; nothing was taken in', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function import(RecipeFileRequest $request, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(['written' => $this->files->import($user, (string) $request->validated('text'))]);
    }

    /** @return Collection<int, KeptRecipe> those of a tag, or all */
    private static function chosen(Request $request, User $user): Collection
    {
        $rows = collect($user->keptRecipes()->with('paper')->get()->sortBy(['name', 'id'])->values()->all());
        $tag = $request->string('tag')->value();

        return $tag === '' ? $rows : $rows->filter(static fn (KeptRecipe $row): bool => in_array($tag, $row->tags, true))->values();
    }
}
