<?php

declare(strict_types=1);

namespace App\Http\Requests;

final class NoteRequest extends DrawingRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            ...self::about(),
            'note' => ['required', 'string', 'max:2000'],
        ];
    }
}
