<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\ValidationException;
use Prism\Colour\InvalidColour;
use Prism\Colour\Lab;

/** A swatch as it is typed. */
final class SwatchRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'paper' => ['required', 'string', $this->seenPaper()],
            'stack' => ['present', 'string', 'max:1000'],
            'colour' => ['required_unless:simulated,true', 'nullable', 'string', 'max:60'],
            'simulated' => ['boolean'],
            'note' => ['nullable', 'string', 'max:300'],
            'drawnOn' => ['nullable', 'date_format:Y-m-d'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'paper.exists' => 'There is no such paper; choose one from the list.',
            'colour.required_unless' => 'Give the colour that was read: hex, or L* a* b*.',
            'drawnOn.date_format' => 'Write the day as 2026-11-24.',
        ];
    }

    public function colour(): Lab
    {
        try {
            return Lab::typed((string) $this->validated('colour'));
        } catch (InvalidColour $refusal) {
            throw ValidationException::withMessages(['colour' => $refusal->getMessage().' Or write three numbers L* a* b*.']);
        }
    }
}
