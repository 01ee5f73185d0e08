<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\TokenRequest;
use App\Models\Token;
use App\Models\User;
use App\Studio\Account\Address;
use App\Studio\Account\SecurityLog;
use App\Studio\DemoStudio;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** Tokens, by which scripts of the artist's own come in. */
#[OA\Schema(schema: 'TokenAbility', type: 'string', enum: ['read', 'pieces', 'box'], description: 'read all; change pieces, their plans and drawings; change pencils, papers, swatches, recipes')]
#[OA\Schema(schema: 'Token', required: ['id', 'name', 'abilities', 'lastUsedAt', 'expiresAt'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'abilities', type: 'array', items: new OA\Items(ref: '#/components/schemas/TokenAbility')),
    new OA\Property(property: 'lastUsedAt', type: 'string', format: 'date-time', nullable: true),
    new OA\Property(property: 'expiresAt', type: 'string', format: 'date-time'),
])]
final class TokenController
{
    private const MOST = 20;

    #[OA\Get(path: '/api/account/tokens', operationId: 'tokens', responses: [
        new OA\Response(response: 200, description: 'Those that are still good, the latest first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/Token'))),
    ])]
    public function index(#[CurrentUser] User $user): JsonResponse
    {
        $tokens = $user->tokens()->where('expires_at', '>', now())->latest('id')->get();

        return new JsonResponse($tokens->map(self::told(...)));
    }

    #[OA\Post(path: '/api/account/tokens', operationId: 'addToken', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['name', 'abilities', 'days', 'current_password'], properties: [
        new OA\Property(property: 'name', type: 'string', description: 'what it is for'),
        new OA\Property(property: 'abilities', type: 'array', items: new OA\Items(ref: '#/components/schemas/TokenAbility')),
        new OA\Property(property: 'days', type: 'integer', description: 'that it lasts'),
        new OA\Property(property: 'current_password', type: 'string'),
    ])), responses: [
        new OA\Response(response: 201, description: 'It is told only now', content: new OA\JsonContent(required: ['token', 'written'], properties: [
            new OA\Property(property: 'token', ref: '#/components/schemas/Token'),
            new OA\Property(property: 'written', type: 'string', description: 'as it is sent: Authorization: Bearer ...'),
        ])),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function store(TokenRequest $request, #[CurrentUser] User $user): JsonResponse
    {
        abort_if(DemoStudio::isCopy($user) || $user->email === config('prism.demo_email'), 422, 'The demo studio has no password, and so no tokens.');
        abort_if(Address::isOpen($user), 422, Address::FIRST);
        abort_if($user->tokens()->where('expires_at', '>', now())->count() >= self::MOST, 422, sprintf('You have %d tokens. End one that nothing uses any more.', self::MOST));
        $made = $user->createToken((string) $request->string('name'), array_values(array_unique((array) $request->validated('abilities'))), now()->addDays($request->integer('days')));
        SecurityLog::note('a token made', $user);

        return new JsonResponse(['token' => self::told($user->tokens()->whereKey($made->accessToken->getKey())->firstOrFail()), 'written' => $made->plainTextToken], 201);
    }

    #[OA\Delete(path: '/api/account/tokens/{token}', operationId: 'endToken', parameters: [new OA\PathParameter(name: 'token', required: true, schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 204, description: 'Whoever has it comes in no more')])]
    public function destroy(int $token, #[CurrentUser] User $user): JsonResponse
    {
        abort_if($user->tokens()->whereKey($token)->delete() === 0, 404, 'There is no such token in your studio.');
        SecurityLog::note('a token ended', $user);

        return new JsonResponse(null, 204);
    }

    /** @return array{id: int, name: string, abilities: list<string>, lastUsedAt: ?string, expiresAt: string} */
    private static function told(Token $token): array
    {
        return ['id' => $token->id, 'name' => $token->name, 'abilities' => $token->abilities, 'lastUsedAt' => $token->last_used_at?->toIso8601ZuluString(), 'expiresAt' => $token->expires_at->toIso8601ZuluString()];
    }
}
