<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Prism\Charts\ChartSheet;

final class ChartRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'kind' => ['required', 'in:card,singles,pairs,triples,stacks,lessons'],
            'paper' => ['required', 'string', $this->seenPaper()],
            'page' => ['required', Rule::in(array_keys(ChartSheet::PAGES))],
            'title' => ['nullable', 'string', 'max:120'],
            'pencils' => ['array', 'max:400'],
            'pencils.*' => ['string', 'max:25'],
            'text' => ['nullable', 'string', 'max:20000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['paper.exists' => 'There is no such paper; choose one from the list.'];
    }
}
