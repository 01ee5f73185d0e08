<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Http\UploadedFile;
use Illuminate\Validation\Rule;

/** A photo in which a paper, or a coat of a pencil, lies beside plain white, and where in it which is seen. */
final class BesideWhiteRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'picture' => ['required', 'file', 'max:'.(config('prism.photo.max_megabytes') * 1024)],
            'white' => ['required', 'array', 'size:2'], 'white.*' => ['numeric', 'between:0,1'],
            'asked' => ['required', 'array', 'size:2'], 'asked.*' => ['numeric', 'between:0,1'],
            'of' => ['required', Rule::in(['paper', 'coat'])],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'picture.*' => 'Choose a photo in which it lies beside a white sheet: a JPEG, PNG or WebP of at most '.config('prism.photo.max_megabytes').' MB.',
            'white.*' => 'Point at the white sheet in the photo.', 'asked.*' => 'Point at what is to be read in the photo.',
        ];
    }

    public function picture(): UploadedFile
    {
        $picture = $this->file('picture');
        assert($picture instanceof UploadedFile);

        return $picture;
    }

    /**
     * @param  'white'|'asked'  $of
     * @return array{float, float} shares of width and height
     */
    public function place(string $of): array
    {
        [$x, $y] = array_values($this->validated($of));

        return [(float) $x, (float) $y];
    }
}
