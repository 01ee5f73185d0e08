<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ShareRequest;
use App\Models\Piece;
use App\Models\Share;
use App\Studio\Account\Address;
use App\Studio\Sharing\Shares;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** An artist's links to a plan or a record. */
#[OA\Schema(schema: 'Share', required: ['id', 'kind', 'withPhoto', 'path', 'until', 'madeAt'], properties: [
    new OA\Property(property: 'id', type: 'string'),
    new OA\Property(property: 'kind', type: 'string', enum: ['plan', 'record']),
    new OA\Property(property: 'withPhoto', type: 'boolean'),
    new OA\Property(property: 'path', type: 'string', description: 'of the link, after the address of the studio'),
    new OA\Property(property: 'until', type: 'string', format: 'date-time'),
    new OA\Property(property: 'madeAt', type: 'string', format: 'date-time'),
])]
final class ShareController
{
    public function __construct(private readonly Shares $shares)
    {
    }

    #[OA\Get(path: '/api/pieces/{piece}/shares', operationId: 'shares', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'Links that hold, the latest first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/Share'))),
    ])]
    public function index(Piece $piece): JsonResponse
    {
        Gate::authorize('view', $piece);

        return new JsonResponse($this->shares->of($piece)->map(self::told(...))->all());
    }

    #[OA\Post(path: '/api/pieces/{piece}/shares', operationId: 'share', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['kind', 'days'], properties: [
        new OA\Property(property: 'kind', type: 'string', enum: ['plan', 'record']),
        new OA\Property(property: 'withPhoto', type: 'boolean', description: 'the reference is seen too'),
        new OA\Property(property: 'days', type: 'integer', enum: [7, 30, 90]),
    ])), responses: [
        new OA\Response(response: 201, description: 'The link', content: new OA\JsonContent(ref: '#/components/schemas/Share')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function store(ShareRequest $request, Piece $piece): JsonResponse
    {
        Gate::authorize('update', $piece);
        abort_if(Address::isOpen($piece->user), 422, Address::FIRST);
        if ($this->shares->of($piece)->count() >= Shares::MOST) {
            throw ValidationException::withMessages(['kind' => sprintf('There are %d links to this piece. End one before you make another.', Shares::MOST)]);
        }
        $share = $this->shares->make($piece, $request->string('kind')->value(), $request->boolean('withPhoto'), $request->integer('days'));

        return new JsonResponse(self::told($share), 201);
    }

    #[OA\Delete(path: '/api/shares/{share}', operationId: 'endShare', parameters: [new OA\PathParameter(name: 'share', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 204, description: 'It leads nowhere from now on'),
        new OA\Response(response: 404, description: 'Not in this studio', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function destroy(Share $share): JsonResponse
    {
        Gate::authorize('update', $share->piece);
        $share->delete();

        return new JsonResponse(null, 204);
    }

    /** @return array<string, mixed> */
    private static function told(Share $share): array
    {
        return [
            'id' => $share->id, 'kind' => $share->kind, 'withPhoto' => $share->with_photo, 'path' => "/shared/$share->token",
            'until' => $share->expires_at->toIso8601ZuluString(), 'madeAt' => $share->created_at->toIso8601ZuluString(),
        ];
    }
}
