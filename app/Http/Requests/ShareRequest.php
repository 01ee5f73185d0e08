<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Studio\Sharing\Shares;
use Illuminate\Validation\Rule;

final class ShareRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'kind' => ['required', Rule::in(Shares::KINDS)],
            'withPhoto' => ['boolean'],
            'days' => ['required', 'integer', Rule::in(Shares::DAYS)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['kind.*' => 'Say what is to be seen: the plan or the record.', 'days.*' => 'A link holds 7, 30 or 90 days.'];
    }
}
