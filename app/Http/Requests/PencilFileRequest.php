<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Prism\Exchange\ColumnChoice;
use Prism\Exchange\PencilTable;
use Prism\Materials\Binder;

/** A file of pencils, sent as its text. */
final class PencilFileRequest extends StudioRequest
{
    private const MOST_CHARACTERS = 8_000_000;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'text' => ['required', 'string', 'max:'.self::MOST_CHARACTERS],
            'binder' => ['nullable', Rule::enum(Binder::class)],
            'intoBox' => ['boolean'],
            'range' => ['nullable', 'string', 'regex:/^[A-Za-z][A-Za-z0-9]{0,11}$/'],
            'rangeOfAll' => ['nullable', 'string', 'regex:/^[A-Za-z][A-Za-z0-9]{0,11}$/'],
            'columns' => ['sometimes', 'array', 'max:200'],
            'columns.*.header' => ['required', 'string', 'max:200'],
            'columns.*.means' => ['nullable', Rule::in(PencilTable::names())],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['range.regex' => 'Write a short code of letters and digits, such as HB.', 'rangeOfAll.regex' => 'Write a short code of letters and digits, such as HB.', 'columns.*.means' => 'Choose what this column means from the list.', 'text.required' => $this->filled('range') ? 'Write the numbers of your pencils, such as 101-124, 130 Rose, 133.' : 'This file is empty. A pencils table begins with the header range,number,name,binder.', 'text.max' => 'This file is too large for a table of pencils; at most 8 MB are read.'];
    }

    public function text(): string
    {
        return (string) $this->input('text');
    }

    public function binder(): Binder
    {
        return Binder::tryFrom((string) $this->input('binder')) ?? Binder::Wax;
    }

    /** What is said of the columns of a table. */
    public function columns(): ColumnChoice
    {
        $means = [];
        foreach ($this->validated('columns') ?? [] as $column) {
            $means[(string) $column['header']] = (string) ($column['means'] ?? '');
        }

        return new ColumnChoice($means, $this->filled('rangeOfAll') ? ['range' => strtoupper((string) $this->string('rangeOfAll'))] : []);
    }

    /** Of which the text is a list of numbers; null: it is a file. */
    public function range(): ?string
    {
        return $this->filled('range') ? (string) $this->string('range') : null;
    }
}
