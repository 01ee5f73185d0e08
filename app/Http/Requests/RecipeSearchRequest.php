<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class RecipeSearchRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'L' => ['required', 'numeric', 'between:0,100'],
            'a' => ['required', 'numeric', 'between:-200,200'],
            'b' => ['required', 'numeric', 'between:-200,200'],
            'maxPencils' => ['integer', 'between:1,8'],
            'valueOnly' => ['boolean'],
            'noBlack' => ['boolean'],
        ];
    }
}
