<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class PredictionRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'stack' => ['present', 'nullable', 'string', 'max:2000'],
            'L' => ['required', 'numeric', 'between:0,100'],
            'a' => ['required', 'numeric', 'between:-200,200'],
            'b' => ['required', 'numeric', 'between:-200,200'],
        ];
    }
}
