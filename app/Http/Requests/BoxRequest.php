<?php

declare(strict_types=1);

namespace App\Http\Requests;

final class BoxRequest extends StudioRequest
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
