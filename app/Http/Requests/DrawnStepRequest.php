<?php

declare(strict_types=1);

namespace App\Http\Requests;

final class DrawnStepRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'key' => ['required', 'string', 'max:80'],
            'state' => ['required', 'in:done,skipped'],
            'was' => ['sometimes', 'required', 'in:open,done,skipped'],
        ];
    }
}
