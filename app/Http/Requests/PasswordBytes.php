<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Closure;
use Illuminate\Contracts\Validation\ValidationRule;

/** The one upper limit of passwords, at sign-in as where they are set: of a longer one bcrypt would not see the end. */
final class PasswordBytes implements ValidationRule
{
    public const MOST = 72;

    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        if (is_string($value) && strlen($value) > self::MOST) {
            $fail(sprintf('A password has at most %d letters, fewer if they carry accents.', self::MOST));
        }
    }
}
