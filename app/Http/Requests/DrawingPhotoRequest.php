<?php

declare(strict_types=1);

namespace App\Http\Requests;

final class DrawingPhotoRequest extends DrawingRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [...parent::rules(), ...self::about(), 'photo' => ['required', 'file'], 'note' => ['sometimes', 'nullable', 'string', 'max:2000']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['photo.*' => 'Choose a photo of the drawing: a JPEG, PNG or WebP.'];
    }

    /** @return array{note: ?string, turn: ?int, zone: ?string} */
    public function subject(): array
    {
        $turn = $this->validated('turn');

        return ['note' => $this->validated('note'), 'turn' => $turn === null ? null : (int) $turn, 'zone' => $this->validated('zone')];
    }
}
