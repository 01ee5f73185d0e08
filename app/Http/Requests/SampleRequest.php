<?php

declare(strict_types=1);

namespace App\Http\Requests;

final class SampleRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return self::spot();
    }

    /** @return array<string, list<string>> a round patch, in shares of width and height */
    public static function spot(): array
    {
        return [
            'x' => ['required', 'numeric', 'between:0,1'],
            'y' => ['required', 'numeric', 'between:0,1'],
            'radius' => ['required', 'numeric', 'between:0,0.1'],
        ];
    }
}
