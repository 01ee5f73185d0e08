<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Prism\Reference\Zones\TargetRole;

final class StoreTargetRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'role' => ['required', Rule::enum(TargetRole::class)],
            ...SampleRequest::spot(),
        ];
    }
}
