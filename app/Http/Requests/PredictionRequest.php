<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Piece;
use App\Models\Zone;

final class PredictionRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'zone' => ['nullable', 'string', 'max:26'],
            'stack' => ['present', 'nullable', 'string', 'max:2000'],
            'L' => ['required', 'numeric', 'between:0,100'],
            'a' => ['required', 'numeric', 'between:-200,200'],
            'b' => ['required', 'numeric', 'between:-200,200'],
        ];
    }

    /** On whose ground it is laid; null: on the paper of the piece. */
    public function zone(Piece $piece): ?Zone
    {
        return $this->filled('zone') ? $piece->zones()->whereKey($this->validated('zone'))->first() : null;
    }
}
