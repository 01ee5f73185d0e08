<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\BoxRequest;
use App\Http\Resources\PaperResource;
use App\Http\Resources\PencilResource;
use App\Jobs\PrepareBox;
use App\Models\Paper;
use App\Models\Pencil;
use App\Models\User;
use App\Studio\Catalogue;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** Papers, pencils, and the box of those one owns. */
final class MaterialController
{
    #[OA\Get(path: '/api/papers', operationId: 'papers', responses: [new OA\Response(response: 200, description: 'Papers', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/Paper')))])]
    public function papers(): AnonymousResourceCollection
    {
        return PaperResource::collection(Paper::query()->orderBy('id')->get());
    }

    #[OA\Get(path: '/api/pencils', operationId: 'pencils', responses: [new OA\Response(response: 200, description: 'Every pencil, in box order', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/Pencil')))])]
    public function pencils(#[CurrentUser] User $user, Catalogue $catalogue): JsonResponse
    {
        $owned = $user->box()->pluck('pencils.id')->flip();

        return new JsonResponse(array_map(
            static fn (Pencil $pencil): PencilResource => new PencilResource($pencil, $owned->has($pencil->id)),
            array_values($catalogue->rows()),
        ));
    }

    #[OA\Put(
        path: '/api/box',
        operationId: 'changeBox',
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(properties: [
            new OA\Property(property: 'add', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property(property: 'remove', type: 'array', items: new OA\Items(type: 'string')),
        ])),
        responses: [
            new OA\Response(response: 204, description: 'Changed'),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function changeBox(BoxRequest $request, #[CurrentUser] User $user, Catalogue $catalogue): JsonResponse
    {
        $add = self::rowsOf($catalogue, (array) $request->validated('add', []), 'add');
        $remove = self::rowsOf($catalogue, (array) $request->validated('remove', []), 'remove');
        DB::transaction(static function () use ($user, $add, $remove): void {
            $user->box()->detach($remove);
            $user->box()->syncWithoutDetaching($add);
        });
        PrepareBox::dispatch($user);

        return new JsonResponse(null, 204);
    }

    /**
     * @param  array<array-key, mixed>  $ids
     * @return list<int>
     *
     * @throws ValidationException
     */
    private static function rowsOf(Catalogue $catalogue, array $ids, string $field): array
    {
        $rows = $catalogue->rows();
        $unknown = array_diff($ids, array_keys($rows));
        if ($unknown !== []) {
            throw ValidationException::withMessages([$field => sprintf('There is no pencil %s in any range.', implode(', ', $unknown))]);
        }

        return array_values(array_map(static fn (string $id): int => $rows[$id]->id, $ids));
    }
}
