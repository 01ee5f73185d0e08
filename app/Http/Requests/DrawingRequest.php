<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Support\Carbon;

/** What is sent while one draws: it has a name of its own, and may have waited for the network. */
abstract class DrawingRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'mark' => ['required', 'string', 'ulid'],
            'madeAt' => ['bail', 'sometimes', 'required', 'string', 'date', 'before_or_equal:tomorrow', 'after:2000-01-01'],
        ];
    }

    /** @return array<string, mixed> what a note or a photo is about */
    protected static function about(): array
    {
        return [
            'turn' => ['sometimes', 'nullable', 'integer', 'min:1', 'max:65000'],
            'zone' => ['sometimes', 'nullable', 'string', 'max:80'],
        ];
    }

    public function mark(): string
    {
        return (string) $this->validated('mark');
    }

    public function madeAt(): Carbon
    {
        return $this->has('madeAt') ? Carbon::parse((string) $this->validated('madeAt')) : Carbon::now();
    }
}
