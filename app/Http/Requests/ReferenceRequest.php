<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Studio\Photos\ReferenceRole;
use Illuminate\Validation\Rule;
use Prism\Reference\Image\Alignment;

final class ReferenceRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'name' => ['sometimes', 'required', 'string', 'max:80'],
            'role' => ['sometimes', 'required', Rule::enum(ReferenceRole::class)],
            'first' => ['sometimes', 'accepted'],
            'pairs' => ['sometimes', 'array', 'max:'.Alignment::MOST_PAIRS],
            'pairs.*' => ['array', 'size:4'],
            'pairs.*.*' => ['numeric', 'between:0,1'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['name.required' => 'Give the photo a name, such as "evening light".', 'pairs.max' => 'At most '.Alignment::MOST_PAIRS.' pairs of spots; remove one first.'];
    }
}
