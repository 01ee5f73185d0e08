<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** A file of swatches, sent as its text. */
final class SwatchFileRequest extends StudioRequest
{
    private const MOST_CHARACTERS = 8_000_000;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['text' => ['required', 'string', 'max:'.self::MOST_CHARACTERS], 'paper' => ['nullable', 'string', $this->seenPaper()]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['text.required' => 'This file is empty. A swatches table begins with the header id,paper,steps,L,a,b.', 'paper.exists' => 'There is no such paper; choose one from the list.'];
    }

    public function paper(): ?string
    {
        return $this->filled('paper') ? (string) $this->input('paper') : null;
    }
}
