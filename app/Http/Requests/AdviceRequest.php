<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Prism\Planning\Advice\AdviceKind;

final class AdviceRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['zone' => ['required', 'string', 'max:30'], 'kind' => ['required', Rule::enum(AdviceKind::class)]];
    }

    public function kind(): AdviceKind
    {
        return AdviceKind::from((string) $this->validated('kind'));
    }

    public function zone(): string
    {
        return (string) $this->validated('zone');
    }
}
