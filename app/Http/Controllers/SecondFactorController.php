<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\User;
use App\Studio\Account\SecondFactor;
use App\Studio\Account\SecurityLog;
use App\Studio\DemoStudio;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** What is asked for beside the password. */
#[OA\Schema(schema: 'RecoveryCodes', required: ['codes'], properties: [
    new OA\Property(property: 'codes', type: 'array', items: new OA\Items(type: 'string'), description: 'each is taken once in place of a code; they are told only now'),
])]
final class SecondFactorController
{
    private const WRONG = 'That code is not right, or was used already. Wait for the next one and write it here.';

    #[OA\Post(path: '/api/account/second-factor', operationId: 'beginSecondFactor', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['current_password'], properties: [
        new OA\Property(property: 'current_password', type: 'string'),
    ])), responses: [
        new OA\Response(response: 200, description: 'A key for an authenticator; it counts once a code of it is sent back', content: new OA\JsonContent(required: ['key', 'uri', 'picture'], properties: [
            new OA\Property(property: 'key', type: 'string', description: 'as it is typed'),
            new OA\Property(property: 'uri', type: 'string'),
            new OA\Property(property: 'picture', type: 'string', description: 'SVG of a code that a camera reads'),
        ])),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function begin(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        abort_if(DemoStudio::isCopy($user) || $user->email === config('prism.demo_email'), 422, 'The demo studio has no password, and so no second factor.');
        self::wantPassword($request);
        abort_if(SecondFactor::isOn($user), 422, 'The second factor is on already. Turn it off first, then set it up anew.');

        return new JsonResponse(SecondFactor::begin($user));
    }

    #[OA\Put(path: '/api/account/second-factor', operationId: 'confirmSecondFactor', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['code'], properties: [
        new OA\Property(property: 'code', type: 'string', description: 'six figures that the authenticator shows'),
    ])), responses: [
        new OA\Response(response: 200, description: 'From now on it is asked for', content: new OA\JsonContent(ref: '#/components/schemas/RecoveryCodes')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function confirm(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $request->validate(['code' => ['bail', 'required', 'string', 'max:40']], ['code.*' => 'Write the six figures that the authenticator shows.']);
        $codes = SecondFactor::confirm($user, (string) $request->string('code'));

        if ($codes === null) {
            throw ValidationException::withMessages(['code' => self::WRONG]);
        }
        SecurityLog::note('second factor on', $user);

        return new JsonResponse(['codes' => $codes]);
    }

    #[OA\Post(path: '/api/account/second-factor/codes', operationId: 'newRecoveryCodes', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['current_password'], properties: [
        new OA\Property(property: 'current_password', type: 'string'),
    ])), responses: [
        new OA\Response(response: 200, description: 'In place of those there were', content: new OA\JsonContent(ref: '#/components/schemas/RecoveryCodes')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function codes(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        self::wantPassword($request);
        $codes = SecondFactor::codes($user);
        abort_if($codes === null, 422, 'The second factor is not on, so there are no codes for it.');
        SecurityLog::note('new recovery codes', $user);

        return new JsonResponse(['codes' => $codes]);
    }

    #[OA\Delete(path: '/api/account/second-factor', operationId: 'endSecondFactor', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['current_password'], properties: [
        new OA\Property(property: 'current_password', type: 'string'),
    ])), responses: [
        new OA\Response(response: 200, description: 'The password is enough again', content: new OA\JsonContent(ref: '#/components/schemas/Session')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function end(Request $request, SessionController $session, #[CurrentUser] User $user): JsonResponse
    {
        self::wantPassword($request);
        SecondFactor::end($user);
        SecurityLog::note('second factor off', $user);

        return $session->show($request);
    }

    private static function wantPassword(Request $request): void
    {
        $request->validate(['current_password' => ['bail', 'required', 'string', 'current_password']], ['current_password.*' => 'That is not your password.']);
    }
}
