<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Piece;
use App\Models\Zone;
use Illuminate\Validation\Rule;
use Prism\Matching\Advice\Nudge;

final class NudgeRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['stack' => ['present', 'nullable', 'string', 'max:2000'], 'nudge' => ['required', Rule::enum(Nudge::class)]];
    }

    /** On whose ground it is laid; null: on the paper of the piece. */
    public function zone(Piece $piece): ?Zone
    {
        return $this->filled('zone') ? $piece->zones()->whereKey($this->validated('zone'))->first() : null;
    }
}
