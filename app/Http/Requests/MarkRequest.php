<?php

declare(strict_types=1);

namespace App\Http\Requests;

final class MarkRequest extends DrawingRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'keys' => ['required', 'array', 'min:1', 'max:500'],
            'keys.*' => ['required', 'string', 'max:80', 'distinct'],
            'state' => ['required', 'in:done,skipped,open'],
            'was' => ['sometimes', 'required', 'in:open,done,skipped'],
        ];
    }

    /** @return list<string> */
    public function stepKeys(): array
    {
        return array_values($this->validated('keys'));
    }
}
