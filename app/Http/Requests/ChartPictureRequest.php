<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Http\UploadedFile;

/** The picture of a filled chart; of a plain sheet, where its rows are. */
final class ChartPictureRequest extends StudioRequest
{
    private const MOST_ROWS = 60;

    private const MOST_FIELDS = 40;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'picture' => ['required', 'file', 'max:'.(config('prism.photo.max_megabytes') * 1024)],
            'rows' => ['array', 'max:'.self::MOST_ROWS],
            'rows.*.from' => ['required', 'array', 'size:2'], 'rows.*.from.*' => ['required', 'numeric', 'between:0,1'],
            'rows.*.to' => ['required', 'array', 'size:2'], 'rows.*.to.*' => ['required', 'numeric', 'between:0,1'],
            'rows.*.fields' => ['required', 'integer', 'between:2,'.self::MOST_FIELDS],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'picture.*' => 'Choose a picture of the filled chart: a JPEG, PNG or WebP of at most '.config('prism.photo.max_megabytes').' MB.',
            'rows.*.fields' => sprintf('A row has 2 to %d fields.', self::MOST_FIELDS),
            'rows.*.from' => 'Point at the first field of the row, in the picture.',
            'rows.*.to' => 'Point at the last field of the row, in the picture.',
        ];
    }

    public function picture(): UploadedFile
    {
        $picture = $this->file('picture');
        assert($picture instanceof UploadedFile);

        return $picture;
    }

    /** @return list<array{from: array{float, float}, to: array{float, float}, fields: int}> */
    public function rows(): array
    {
        $place = static function (array $place): array {
            [$x, $y] = array_values($place);

            return [(float) $x, (float) $y];
        };

        return array_map(static fn (array $row): array => ['from' => $place($row['from']), 'to' => $place($row['to']), 'fields' => (int) $row['fields']], array_values($this->validated('rows', [])));
    }
}
