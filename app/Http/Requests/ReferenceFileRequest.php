<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Studio\Photos\ReferenceRole;
use Illuminate\Validation\Rule;

/** A photo: one more of a piece, or another in the place of one. */
final class ReferenceFileRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        $new = $this->route('piece') !== null ? 'required' : 'sometimes';

        return [
            ...self::photo(),
            'name' => [$new, 'string', 'max:80'],
            'role' => [$new, Rule::enum(ReferenceRole::class)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [...self::photoMessages(), 'name.required' => 'Give the photo a name, such as "evening light".', 'role.*' => 'Say what the photo is trusted for: colour, form, direction or light.'];
    }

    /** @return array<string, list<string>> what every photo must be */
    public static function photo(): array
    {
        return ['photo' => ['required', 'file', 'max:'.(config('prism.photo.max_megabytes') * 1024)]];
    }

    /** @return array<string, string> */
    public static function photoMessages(): array
    {
        $most = config('prism.photo.max_megabytes');

        return [
            'photo.required' => 'Choose a photo: a JPEG, PNG or WebP.',
            'photo.uploaded' => "The photo did not arrive whole; it may be larger than $most MB. Save a smaller copy.",
            'photo.max' => "The photo is larger than $most MB. Save a smaller copy.",
        ];
    }
}
