<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Paper;
use App\Models\User;
use App\Studio\DemoStudio;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Rules\Password;
use Illuminate\Validation\Validator;
use Prism\Colour\Lamp;
use Prism\Schools\DrawingHand;

/** What an artist says of themself and of their habits; each alone, or several at once. */
final class AccountRequest extends StudioRequest
{
    /** What only who knows the password may change. */
    private const GUARDED = ['email', 'password'];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'hand' => ['sometimes', 'required', Rule::enum(DrawingHand::class)],
            'name' => ['sometimes', 'required', 'string', 'max:80'],
            'email' => ['sometimes', 'required', 'email', 'max:190', Rule::unique('users', 'email')->ignore($this->artist()->id)],
            'password' => ['sometimes', 'required', 'string', 'confirmed', Password::defaults()],
            'current_password' => ['bail', 'string', 'required_with:email,password', 'current_password'],
            'paper' => ['sometimes', 'nullable', 'string', $this->seenPaper()],
            'lamp' => ['sometimes', 'required', Rule::enum(Lamp::class)],
            'unit' => ['sometimes', 'required', 'in:mm,in'],
            'sessionMinutes' => ['sometimes', 'required', 'integer', 'between:15,480'],
            'begun' => ['sometimes', 'accepted'],
        ];
    }

    /** @return list<\Closure(Validator): void> */
    public function after(): array
    {
        return [function (Validator $validator): void {
            if ($this->hasAny(self::GUARDED) && DemoStudio::isCopy($this->artist())) {
                $validator->errors()->forget('current_password')->add('current_password', 'This copy of the demo studio has no password and goes by itself after a day. Make a studio of your own.');
            }
        }];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'hand' => 'You draw with the right hand or the left: write "right" or "left".',
            'current_password' => 'That is not your password now.',
            'current_password.required_with' => 'Type your password of now: only you may change this.',
            'email.unique' => 'Another studio has this e-mail.',
            'sessionMinutes.*' => 'A sitting lasts 15 to 480 minutes.',
        ];
    }

    /** @return array<string, mixed> columns of a user */
    public function columns(): array
    {
        $said = $this->validated();
        $columns = array_intersect_key($said, array_flip(['hand', 'name', 'email', 'password', 'lamp', 'unit']));
        if (isset($said['sessionMinutes'])) {
            $columns['session_minutes'] = $said['sessionMinutes'];
        }
        if (array_key_exists('paper', $said)) {
            $columns['paper_id'] = $said['paper'] === null ? null : Paper::called($this->artist(), $said['paper'])?->id;
        }
        if (isset($said['begun'])) {
            $columns['begun_at'] = now();
        }

        return $columns;
    }

    private function artist(): User
    {
        $artist = $this->user();
        assert($artist instanceof User);

        return $artist;
    }
}
