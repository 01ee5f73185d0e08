<?php

declare(strict_types=1);

namespace App\Http\Requests;

final class SignInRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'email' => ['required', 'email', 'max:190'],
            'password' => ['required', 'string', new PasswordBytes],
            'remember' => ['boolean'],
            // Of the second factor, where there is one.
            'code' => ['bail', 'sometimes', 'nullable', 'string', 'max:40'],
        ];
    }
}
