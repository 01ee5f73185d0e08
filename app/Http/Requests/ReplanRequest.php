<?php

declare(strict_types=1);

namespace App\Http\Requests;

final class ReplanRequest extends DrawingRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'target' => ['required', 'string', 'max:30'],
            'take' => ['required', 'boolean'],
            'rest' => ['present', 'nullable', 'string', 'max:2000'],
        ];
    }
}
