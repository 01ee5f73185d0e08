<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Prism\Colour\Lamp;

final class BalanceRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        $spot = 'required_if:balance.by,neutral,grey-card';

        return [
            'balance' => ['present', 'nullable', 'array'],
            'balance.by' => ['required_with:balance', Rule::in(['neutral', 'grey-card', 'lamp'])],
            'balance.x' => [$spot, 'numeric', 'between:0,1'],
            'balance.y' => [$spot, 'numeric', 'between:0,1'],
            'balance.radius' => [$spot, 'numeric', 'between:0,0.1'],
            'balance.lamp' => ['required_if:balance.by,lamp', Rule::enum(Lamp::class)],
        ];
    }
}
