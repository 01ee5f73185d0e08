<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\SignInRequest;
use App\Http\Resources\UserResource;
use App\Models\User;
use App\Studio\Account\SecondFactor;
use App\Studio\Account\SecurityLog;
use App\Studio\DemoStudio;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Arr;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cookie;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

final class SessionController
{
    private const DEMO_COOKIE = 'prism_demo';

    private const DEMO_MINUTES = 24 * 60;

    #[OA\Get(path: '/api/session', operationId: 'session', responses: [new OA\Response(response: 200, description: 'Who is signed in', content: new OA\JsonContent(ref: '#/components/schemas/Session'))])]
    public function show(Request $request): JsonResponse
    {
        $user = $request->user();

        return new JsonResponse(['user' => $user instanceof User ? UserResource::make($user) : null, 'demo' => config('prism.demo')]);
    }

    #[OA\Post(
        path: '/api/session',
        operationId: 'signIn',
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['email', 'password'], properties: [
            new OA\Property(property: 'email', type: 'string'),
            new OA\Property(property: 'password', type: 'string'),
            new OA\Property(property: 'remember', type: 'boolean'),
            new OA\Property(property: 'code', type: 'string', nullable: true, description: 'of the second factor, where there is one: it is asked for by a refusal of this field'),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'Signed in', content: new OA\JsonContent(ref: '#/components/schemas/Session')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function store(SignInRequest $request): JsonResponse
    {
        $code = (string) $request->validated('code');
        $passes = static function (User $user) use ($code): bool {
            if (SecondFactor::isOn($user) && ! SecondFactor::takes($user, $code)) {
                SecurityLog::note($code === '' ? 'asked for a code' : 'a wrong code', $user);
                throw ValidationException::withMessages(['code' => $code === '' ? 'Write the six figures that your authenticator shows, or one of your recovery codes.' : 'That code is not right, or was used already. Wait for the next one.']);
            }

            return true;
        };
        if (! Auth::attemptWhen(Arr::only($request->validated(), ['email', 'password']), $passes, $request->boolean('remember'))) {
            throw ValidationException::withMessages(['email' => 'No studio has this e-mail with this password.']);
        }
        $request->session()->regenerate();

        return $this->show($request);
    }

    #[OA\Post(path: '/api/session/demo', operationId: 'openDemo', responses: [
        new OA\Response(response: 200, description: 'Signed in to the demo studio', content: new OA\JsonContent(ref: '#/components/schemas/Session')),
        new OA\Response(response: 404, description: 'There is no demo studio here', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function demo(Request $request, DemoStudio $demo): JsonResponse
    {
        abort_unless((bool) config('prism.demo'), 404, 'There is no demo studio here.');
        if ((bool) config('prism.demo_copies')) {
            // Who comes back finds what they left.
            $studio = $demo->known((int) $request->cookie(self::DEMO_COOKIE)) ?? $demo->copy();
            Cookie::queue(self::DEMO_COOKIE, (string) $studio->id, self::DEMO_MINUTES);
        }
        Auth::login($studio ?? $demo->original());
        $request->session()->regenerate();

        return $this->show($request);
    }

    #[OA\Delete(path: '/api/session', operationId: 'signOut', responses: [new OA\Response(response: 200, description: 'Signed out', content: new OA\JsonContent(ref: '#/components/schemas/Session'))])]
    public function destroy(Request $request): JsonResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return $this->show($request);
    }
}
