<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Prism\Materials\Binder;

/** A file of pencils, sent as its text. */
final class PencilFileRequest extends StudioRequest
{
    private const MOST_CHARACTERS = 8_000_000;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'text' => ['required', 'string', 'max:'.self::MOST_CHARACTERS],
            'binder' => ['nullable', Rule::enum(Binder::class)],
            'intoBox' => ['boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['text.required' => 'This file is empty. A pencils table begins with the header range,number,name,binder.', 'text.max' => 'This file is too large for a table of pencils; at most 8 MB are read.'];
    }

    public function text(): string
    {
        return (string) $this->input('text');
    }

    public function binder(): Binder
    {
        return Binder::tryFrom((string) $this->input('binder')) ?? Binder::Wax;
    }
}
