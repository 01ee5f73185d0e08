<?php

declare(strict_types=1);

namespace App\Http\Requests;

final class MergeZonesRequest extends ZonesRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [...parent::rules(), 'into' => ['required', 'string', 'max:30'], 'gone' => ['required', 'string', 'max:30', 'different:into']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['gone.different' => 'Choose two zones; a zone cannot be merged with itself.'];
    }
}
