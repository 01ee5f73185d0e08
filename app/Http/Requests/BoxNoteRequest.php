<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** What an artist notes of a pencil that they own. */
final class BoxNoteRequest extends StudioRequest
{
    private const NEW_PENCIL_MM = 180;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'favourite' => ['boolean'],
            'spare' => ['integer', 'between:0,99'],
            'lengthMm' => ['nullable', 'integer', 'between:5,'.self::NEW_PENCIL_MM],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'spare.*' => 'Spare pencils are counted from 0 to 99.',
            'lengthMm.*' => sprintf('A stub is 5 to %d mm long.', self::NEW_PENCIL_MM),
        ];
    }

    /** @return array<string, mixed> */
    public function columns(): array
    {
        $columns = [];
        foreach (['favourite' => 'favourite', 'spare' => 'spare', 'lengthMm' => 'length_mm'] as $field => $column) {
            if ($this->has($field)) {
                $columns[$column] = $this->validated($field);
            }
        }

        return array_key_exists('length_mm', $columns) ? [...$columns, 'measured_at' => now()] : $columns;
    }
}
