<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Prism\Matching\School;

final class UpdatePieceRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'title' => ['sometimes', 'required', 'string', 'max:120'],
            'paper' => ['sometimes', 'required', 'string', 'exists:papers,slug'],
            'school' => ['sometimes', 'required', Rule::enum(School::class)],
        ];
    }
}
