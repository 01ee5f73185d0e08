<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\AccountRequest;
use App\Http\Requests\ForgotPasswordRequest;
use App\Http\Requests\RegisterRequest;
use App\Http\Requests\ResetPasswordRequest;
use App\Models\User;
use App\Studio\Account\Address;
use App\Studio\Account\Room;
use App\Studio\Account\SecurityLog;
use App\Studio\Account\SignedIn;
use App\Studio\DemoStudio;
use App\Studio\StudioRemoval;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Arr;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Password;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

final class AccountController
{
    #[OA\Post(
        path: '/api/account',
        operationId: 'register',
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['name', 'email', 'password', 'password_confirmation'], properties: [
            new OA\Property(property: 'name', type: 'string'),
            new OA\Property(property: 'email', type: 'string'),
            new OA\Property(property: 'password', type: 'string'),
            new OA\Property(property: 'password_confirmation', type: 'string'),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'A new studio, signed in', content: new OA\JsonContent(ref: '#/components/schemas/Session')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function store(RegisterRequest $request, SessionController $session): JsonResponse
    {
        $user = User::query()->create(Arr::only($request->validated(), ['name', 'email', 'password']));
        Auth::login($user);
        $request->session()->regenerate();
        Address::ask($user);

        return $session->show($request);
    }

    #[OA\Patch(path: '/api/account', operationId: 'changeAccount', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(properties: [
        new OA\Property(property: 'hand', type: 'string', enum: ['right', 'left'], description: 'that draws: plans keep it off what is done'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'email', type: 'string', description: 'with current_password'),
        new OA\Property(property: 'password', type: 'string', description: 'twice, with current_password; signs out elsewhere'),
        new OA\Property(property: 'password_confirmation', type: 'string'),
        new OA\Property(property: 'current_password', type: 'string'),
        new OA\Property(property: 'paper', type: 'string', nullable: true, description: 'of new pieces'),
        new OA\Property(property: 'lamp', ref: '#/components/schemas/LampId', description: 'of new pieces'),
        new OA\Property(property: 'unit', type: 'string', enum: ['mm', 'in'], description: 'of new pieces'),
        new OA\Property(property: 'sessionMinutes', type: 'integer', description: 'of new pieces'),
        new OA\Property(property: 'begun', type: 'boolean', description: 'the first visit is done with'),
    ])), responses: [
        new OA\Response(response: 200, description: 'As it is now', content: new OA\JsonContent(ref: '#/components/schemas/Session')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function update(AccountRequest $request, SessionController $session, #[CurrentUser] User $user): JsonResponse
    {
        $before = $user->email;
        $user->update($request->columns());
        $user->unsetRelation('paper');
        if ($request->has('password')) {
            // Whoever was signed in with the old password is so no longer, but for this page.
            SignedIn::endElsewhere($user, $request->session());
            SecurityLog::note('new password', $user);
        }
        if ($user->email !== $before) {
            Address::changed($user, $before);
            SecurityLog::note('another e-mail', $user);
        }

        return $session->show($request);
    }

    #[OA\Post(path: '/api/account/confirmation', operationId: 'askAgain', responses: [new OA\Response(response: 204, description: 'The link is sent again, if the e-mail is not confirmed yet')])]
    public function askAgain(#[CurrentUser] User $user): JsonResponse
    {
        Address::ask($user);

        return new JsonResponse(null, 204);
    }

    /** What the link in the mail opens: nobody has to be signed in where the mail is read. */
    public function confirm(int $artist, string $digest): RedirectResponse
    {
        $user = User::query()->find($artist);
        abort_if($user === null || ! Address::confirm($user, $digest), 403, 'This link is of another address. Studio, under You, sends a new one.');

        return redirect('/studio#you');
    }

    #[OA\Get(path: '/api/account/room', operationId: 'room', responses: [
        new OA\Response(response: 200, description: 'What the pictures of the studio take, and may take', content: new OA\JsonContent(required: ['usedBytes', 'mostBytes'], properties: [
            new OA\Property(property: 'usedBytes', type: 'integer'),
            new OA\Property(property: 'mostBytes', type: 'integer'),
        ])),
    ])]
    public function room(#[CurrentUser] User $user, Room $room): JsonResponse
    {
        return new JsonResponse(['usedBytes' => $room->used($user), 'mostBytes' => $room->most()]);
    }

    #[OA\Get(path: '/api/account/sessions', operationId: 'signedIn', responses: [
        new OA\Response(response: 200, description: 'Where one is signed in, this browser first', content: new OA\JsonContent(type: 'array', items: new OA\Items(required: ['here', 'browser', 'address', 'lastAt'], properties: [
            new OA\Property(property: 'here', type: 'boolean'),
            new OA\Property(property: 'browser', type: 'string'),
            new OA\Property(property: 'address', type: 'string'),
            new OA\Property(property: 'lastAt', type: 'string', format: 'date-time'),
        ]))),
    ])]
    public function sessions(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(SignedIn::of($user, $request->session()));
    }

    #[OA\Delete(path: '/api/account/sessions', operationId: 'signOutElsewhere', responses: [new OA\Response(response: 204, description: 'Signed out everywhere but here')])]
    public function endSessions(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        SignedIn::endElsewhere($user, $request->session());
        SecurityLog::note('signed out elsewhere', $user);

        return new JsonResponse(null, 204);
    }

    #[OA\Delete(path: '/api/account', operationId: 'removeAccount', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['current_password'], properties: [
        new OA\Property(property: 'current_password', type: 'string'),
    ])), responses: [
        new OA\Response(response: 200, description: 'All of it is gone, and nobody is signed in', content: new OA\JsonContent(ref: '#/components/schemas/Session')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function destroy(Request $request, SessionController $session, #[CurrentUser] User $user, StudioRemoval $removal): JsonResponse
    {
        abort_if(DemoStudio::isCopy($user) || $user->email === config('prism.demo_email'), 422, 'The demo studio cannot be deleted; your copy of it goes by itself after a day.');
        $request->validate(['current_password' => ['bail', 'required', 'string', 'current_password']], ['current_password.*' => 'That is not your password. Nothing was deleted.']);
        SecurityLog::note('deleted the studio', $user);
        Auth::logout();
        $removal->remove($user);

        return $session->destroy($request);
    }

    #[OA\Post(
        path: '/api/account/forgot',
        operationId: 'forgotPassword',
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['email'], properties: [new OA\Property(property: 'email', type: 'string')])),
        responses: [new OA\Response(response: 204, description: 'Sent, if there is such a studio')],
    )]
    public function forgot(ForgotPasswordRequest $request): JsonResponse
    {
        // The answer is the same whether the address is known or not.
        Password::sendResetLink(Arr::only($request->validated(), ['email']));

        return new JsonResponse(null, 204);
    }

    #[OA\Post(
        path: '/api/account/reset',
        operationId: 'resetPassword',
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['token', 'email', 'password', 'password_confirmation'], properties: [
            new OA\Property(property: 'token', type: 'string'),
            new OA\Property(property: 'email', type: 'string'),
            new OA\Property(property: 'password', type: 'string'),
            new OA\Property(property: 'password_confirmation', type: 'string'),
        ])),
        responses: [
            new OA\Response(response: 204, description: 'The password is changed'),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function reset(ResetPasswordRequest $request): JsonResponse
    {
        $status = Password::reset(
            Arr::only($request->validated(), ['token', 'email', 'password', 'password_confirmation']),
            static function (User $user, string $password): void {
                $user->forceFill(['password' => $password, 'remember_token' => Str::random(60)])->save();
                // Whoever was signed in with the old password is so no longer, and no script comes in.
                DB::table('sessions')->where('user_id', $user->id)->delete();
                $user->tokens()->delete();
                SecurityLog::note('new password by a link', $user);
            },
        );
        if ($status !== Password::PASSWORD_RESET) {
            throw ValidationException::withMessages(['token' => 'This link is used up or too old. Ask for a new one.']);
        }

        return new JsonResponse(null, 204);
    }
}
