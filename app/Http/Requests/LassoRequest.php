<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;

final class LassoRequest extends ZonesRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'line' => ['required', 'array', 'min:3', 'max:2000'],
            'line.*' => ['array', 'size:2'],
            'line.*.*' => ['numeric', 'between:-0.5,1.5'],
            'how' => ['required', Rule::in(['new', 'add', 'take'])],
            'zone' => ['required_unless:how,new', 'string', 'max:30'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['line.*' => 'Draw a line round what is meant: at least three corners.', 'zone.required_unless' => 'Choose the zone first that the lasso adds to or takes from.'];
    }

    /** @return list<array{float, float}> */
    public function line(): array
    {
        return array_map(static fn (array $corner): array => [(float) $corner[0], (float) $corner[1]], array_values($this->validated('line')));
    }
}
