<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** A table of recipes, sent as its text. */
final class RecipeFileRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['text' => ['required', 'string', 'max:2000000']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['text.required' => 'This file is empty. A recipes table begins with the header name,paper,steps.', 'text.max' => 'This file is too large for a table of recipes; at most 2 MB are read.'];
    }
}
