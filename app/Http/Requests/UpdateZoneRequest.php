<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class UpdateZoneRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'version' => ['required', 'integer', 'min:1'],
            'name' => ['sometimes', 'required', 'string', 'max:80'],
            'stack' => ['sometimes', 'present', 'nullable', 'string', 'max:2000'],
        ];
    }
}
