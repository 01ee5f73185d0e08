<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class StorePieceRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'title' => ['required', 'string', 'max:120'],
            'paper' => ['required', 'string', 'exists:papers,slug'],
            'photo' => ['required', 'file', 'max:'.(config('prism.photo.max_megabytes') * 1024)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'photo.required' => 'Choose a photo: a JPEG, PNG or WebP.',
            'photo.uploaded' => 'The photo did not arrive whole; it may be larger than '.config('prism.photo.max_megabytes').' MB. Save a smaller copy.',
            'photo.max' => 'The photo is larger than '.config('prism.photo.max_megabytes').' MB. Save a smaller copy.',
            'title.required' => 'Give the piece a title.',
            'paper.exists' => 'There is no such paper; choose one from the list.',
        ];
    }
}
