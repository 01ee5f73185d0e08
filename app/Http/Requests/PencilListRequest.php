<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\User;
use App\Studio\Pencils\Layout;
use App\Studio\Pencils\PencilQuery;
use App\Studio\Pencils\TypedColour;
use Illuminate\Validation\Rule;

final class PencilListRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'scope' => ['in:all,box'],
            'order' => [Rule::enum(Layout::class)],
            'q' => ['nullable', 'string', 'max:80'],
            'range' => ['nullable', 'string', 'max:12'],
            'family' => ['nullable', 'string', 'max:40'],
            'lean' => ['nullable', 'string', 'max:12'],
            'binder' => ['nullable', 'in:wax,oil'],
            'value' => ['nullable', 'integer', 'between:1,9'],
            'near' => ['nullable', 'string', 'max:40'],
        ];
    }

    public function wanted(User $artist, TypedColour $colours): PencilQuery
    {
        return new PencilQuery(
            ownedOnly: $this->query('scope') === 'box',
            word: (string) $this->string('q'),
            range: (string) $this->string('range'),
            family: (string) $this->string('family'),
            lean: (string) $this->string('lean'),
            binder: (string) $this->string('binder'),
            valueStep: $this->filled('value') ? $this->integer('value') : null,
            near: $this->filled('near') ? $colours->read($artist, (string) $this->string('near'), 'near') : null,
            layout: $this->enum('order', Layout::class) ?? Layout::Number,
        );
    }
}
