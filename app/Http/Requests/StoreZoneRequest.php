<?php

declare(strict_types=1);

namespace App\Http\Requests;

final class StoreZoneRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:80'],
            ...SampleRequest::spot(),
            'stack' => ['nullable', 'string', 'max:2000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['name.required' => 'Give the zone a name, such as "rim of the float".'];
    }
}
