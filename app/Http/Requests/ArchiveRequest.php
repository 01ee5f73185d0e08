<?php

declare(strict_types=1);

namespace App\Http\Requests;

final class ArchiveRequest extends StudioRequest
{
    private const MOST_KILOBYTES = 512 * 1024;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['archive' => ['required', 'file', 'max:'.self::MOST_KILOBYTES]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'archive.required' => 'Choose an archive: a zip file that was saved from a studio.',
            'archive.file' => 'Choose an archive: a zip file that was saved from a studio.',
            'archive.uploaded' => 'The archive did not arrive whole. It may have at most 512 MB; try again.',
            'archive.max' => 'An archive may have at most 512 MB.',
        ];
    }
}
