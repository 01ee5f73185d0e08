<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Prism\Planning\Gradient\GradientFinish;

final class GradientRequest extends StudioRequest
{
    public const MOST = 7;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'pencils' => ['required_without:zone', 'array', 'min:2', 'max:'.self::MOST],
            'pencils.*' => ['string', 'max:40', 'distinct'],
            'zone' => ['required_without:pencils', 'string', 'max:30'],
            'finish' => ['sometimes', Rule::enum(GradientFinish::class)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'pencils.required_without' => 'Choose two pencils or more, or a zone.',
            'pencils.*' => sprintf('Choose 2 to %d pencils, each once.', self::MOST),
            'zone.required_without' => 'Choose two pencils or more, or a zone.',
        ];
    }

    public function finish(): GradientFinish
    {
        return GradientFinish::from((string) $this->validated('finish', GradientFinish::Layers->value));
    }
}
