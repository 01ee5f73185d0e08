<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Prism\Schools\DrawingHand;

final class AccountRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['hand' => ['required', Rule::enum(DrawingHand::class)]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['hand' => 'You draw with the right hand or the left: write "right" or "left".'];
    }
}
