<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Studio\Account\TokenAbility;
use Illuminate\Validation\Rule;

/** A new token: what for, how long, and the password of who makes it. */
final class TokenRequest extends StudioRequest
{
    public const MOST_DAYS = 366;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'current_password' => ['bail', 'required', 'string', 'current_password'],
            'name' => ['bail', 'required', 'string', 'max:80'],
            'abilities' => ['bail', 'required', 'array', 'min:1'],
            'abilities.*' => ['bail', 'string', Rule::enum(TokenAbility::class)],
            'days' => ['bail', 'required', 'integer', 'between:1,'.self::MOST_DAYS],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'current_password.*' => 'That is not your password.',
            'name.*' => 'Name what the token is for, in 80 letters at most.',
            'abilities.*' => 'Say what it may do: read, pieces, box.',
            'days.*' => 'A token lasts a day to a year: 1 to '.self::MOST_DAYS.' days.',
        ];
    }
}
