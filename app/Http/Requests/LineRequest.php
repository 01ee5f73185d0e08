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
            'line' => ['required', 'list', 'size:4'],
            'line.*' => ['required', 'numeric', 'between:0,1'],
            'mine' => ['sometimes', 'nullable', 'list', 'size:4'],
            'mine.*' => ['required', 'numeric', 'between:0,1'],
        ];
    }

    /** @return array{float, float, float, float} x and y of both ends, shares of the photo's width and height */
    public function line(): array
    {
        return self::ends($this->array('line'));
    }

    /** @return ?array{float, float, float, float} the same in the drawing */
    public function mine(): ?array
    {
        return $this->input('mine') === null ? null : self::ends($this->array('mine'));
    }

    /**
     * @param  array<mixed>  $shares
     * @return array{float, float, float, float}
     */
    private static function ends(array $shares): array
    {
        [$x1, $y1, $x2, $y2] = array_map(floatval(...), $shares);

        return [$x1, $y1, $x2, $y2];
    }
}
