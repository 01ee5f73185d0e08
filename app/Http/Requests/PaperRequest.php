<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Paper;
use App\Models\User;
use Illuminate\Validation\Rule;
use Prism\Materials\PaperKind;

/** A paper of one's own, as it is written down. */
final class PaperRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        $artist = $this->user();
        assert($artist instanceof User);
        $own = Rule::unique('papers', 'name')->where('user_id', $artist->id)->whereNull('deleted_at');
        $paper = $this->route('paper');

        return [
            'name' => ['required', 'string', 'max:80', $paper instanceof Paper ? $own->ignore($paper->id) : $own],
            'kind' => ['required', Rule::enum(PaperKind::class)],
            'colour' => ['required', 'string', 'max:60'],
            'widthMm' => ['nullable', 'required_with:heightMm', 'numeric', 'between:20,3000'],
            'heightMm' => ['nullable', 'required_with:widthMm', 'numeric', 'between:20,3000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.unique' => 'You have a paper of that name already.',
            'name.required' => 'Give the paper a name, such as what stands on its pad.',
            'colour.required' => 'Say what colour the paper is.',
            'widthMm.*' => 'A sheet is 20 to 3000 mm wide; leave both fields empty if you cut your own.',
            'heightMm.*' => 'A sheet is 20 to 3000 mm high; leave both fields empty if you cut your own.',
        ];
    }

    public function kind(): PaperKind
    {
        return PaperKind::from($this->validated('kind'));
    }

    /** @return array{?float, ?float} */
    public function sheet(): array
    {
        $width = $this->validated('widthMm');
        $height = $this->validated('heightMm');

        return [$width === null ? null : (float) $width, $height === null ? null : (float) $height];
    }
}
