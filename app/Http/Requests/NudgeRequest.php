<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Prism\Matching\Advice\Nudge;

final class NudgeRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['stack' => ['present', 'nullable', 'string', 'max:2000'], 'nudge' => ['required', Rule::enum(Nudge::class)]];
    }
}
