<?php

declare(strict_types=1);

namespace App\Http\Requests;

final class CorrectionsRequest extends DrawingRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'targets' => ['required', 'array', 'min:1', 'max:100'],
            'targets.*' => ['required', 'string', 'distinct', 'max:30'],
        ];
    }

    /** @return list<string> */
    public function targets(): array
    {
        return array_values(array_map(strval(...), $this->validated('targets')));
    }
}
