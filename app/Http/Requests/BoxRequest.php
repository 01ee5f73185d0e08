<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class BoxRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'add' => ['array', 'max:500'],
            'add.*' => ['string', 'max:30'],
            'remove' => ['array', 'max:500'],
            'remove.*' => ['string', 'max:30'],
        ];
    }
}
