<?php

declare(strict_types=1);

namespace App\Http\Requests;

final class UpdateTargetRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'version' => ['required', 'integer', 'min:1'],
            'stack' => ['sometimes', 'present', 'nullable', 'string', 'max:2000'],
            'colour' => ['sometimes', 'present', 'nullable', 'array:L,a,b', 'required_array_keys:L,a,b'],
            'colour.L' => ['required_with:colour', 'numeric', 'between:0,100'],
            'colour.a' => ['required_with:colour', 'numeric', 'between:-128,128'],
            'colour.b' => ['required_with:colour', 'numeric', 'between:-128,128'],
        ];
    }
}
