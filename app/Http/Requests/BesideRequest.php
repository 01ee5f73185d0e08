<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Two patches of a reference. */
final class BesideRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        $spot = SampleRequest::spot();
        $rules = $spot;
        foreach ($spot as $name => $rule) {
            $rules["beside.$name"] = $rule;
        }

        return $rules;
    }
}
