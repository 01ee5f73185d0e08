<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;

final class StorePieceRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'title' => ['required', 'string', 'max:120'],
            'paper' => ['required', 'string', $this->seenPaper()],
            'from' => ['sometimes', 'required', Rule::in(['photo', 'lines'])],
            ...ReferenceFileRequest::photo(),
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            ...ReferenceFileRequest::photoMessages(),
            'title.required' => 'Give the piece a title.',
            'paper.exists' => 'There is no such paper; choose one from the list.',
        ];
    }
}
