<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Prism\Calibration\ChartStacks;
use Prism\Colour\Lab;
use Prism\Materials\Binder;
use Prism\Materials\Core;
use Prism\Materials\Opacity;
use Prism\Materials\PencilId;

/** Readings of a chart that the artist wants in the book, and what a card says of the pencils themselves. */
final class ChartSwatchesRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'simulated' => ['required', 'boolean'],
            'fields' => ['required', 'array', 'min:1', 'max:'.ChartStacks::MOST_CELLS],
            'fields.*.number' => ['required', 'integer', 'min:1'],
            'fields.*.L' => ['required', 'numeric', 'between:0,100'],
            'fields.*.a' => ['required', 'numeric', 'between:-160,160'],
            'fields.*.b' => ['required', 'numeric', 'between:-160,160'],
            'fields.*.spread' => ['nullable', 'numeric'],
            'pencils' => ['array', 'max:'.ChartStacks::MOST_CELLS],
            'pencils.*.id' => ['required', 'string', 'regex:/^'.PencilId::PATTERN.'$/', 'distinct'],
            'pencils.*.binder' => ['sometimes', Rule::enum(Binder::class)],
            'pencils.*.opacity' => ['sometimes', Rule::enum(Opacity::class)],
            'pencils.*.core' => ['sometimes', 'nullable', Rule::enum(Core::class)],
            'pencils.*.stains' => ['sometimes', 'boolean'],
            'intoBox' => ['boolean'],
        ];
    }

    /** @return array<int, array{colour: Lab, spread: ?float}> by number of the field */
    public function fields(): array
    {
        $fields = [];
        foreach ($this->validated('fields') as $field) {
            $fields[(int) $field['number']] = [
                'colour' => Lab::of((float) $field['L'], (float) $field['a'], (float) $field['b']),
                'spread' => isset($field['spread']) ? (float) $field['spread'] : null,
            ];
        }

        return $fields;
    }

    /** @return array<string, array<string, mixed>> columns by RANGE:NUMBER */
    public function pencils(): array
    {
        $pencils = [];
        foreach ($this->validated('pencils', []) as $pencil) {
            $pencils[$pencil['id']] = array_intersect_key($pencil, array_flip(['binder', 'opacity', 'core', 'stains']));
        }

        return $pencils;
    }
}
