<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** A line between two places of the reference; and what seems to be the same in the drawing that lies in its place. */
final class LineRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'line' => ['required', 'array', 'size:4'],
            'line.*' => ['required', 'numeric', 'between:0,1'],
            'mine' => ['sometimes', 'nullable', 'array', 'size:4'],
            'mine.*' => ['required', 'numeric', 'between:0,1'],
        ];
    }

    /** @return ?array{float, float, float, float} shares of the photo's width and height, by turns */
    public function ends(string $of): ?array
    {
        $ends = $this->input($of);

        return is_array($ends) ? [(float) $ends[0], (float) $ends[1], (float) $ends[2], (float) $ends[3]] : null;
    }
}
