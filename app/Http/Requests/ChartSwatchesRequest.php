<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Prism\Calibration\ChartStacks;

/** Readings of a chart that the artist wants in the book. */
final class ChartSwatchesRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'simulated' => ['required', 'boolean'],
            'fields' => ['required', 'array', 'min:1', 'max:'.ChartStacks::MOST_CELLS],
            'fields.*.number' => ['required', 'integer', 'min:1'],
            'fields.*.L' => ['required', 'numeric'],
            'fields.*.a' => ['required', 'numeric'],
            'fields.*.b' => ['required', 'numeric'],
            'fields.*.spread' => ['nullable', 'numeric'],
        ];
    }
}
