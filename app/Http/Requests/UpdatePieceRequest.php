<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Studio\Planning\SchoolChoices;
use App\Studio\Zones\Interpretations;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;
use Prism\Colour\Lamp;
use Prism\Reference\Light\RangeMode;

final class UpdatePieceRequest extends StudioRequest
{
    /** A crop has at least this share of each side. */
    private const SMALLEST_CROP = 0.05;

    /** Millimetres: a stamp, and a sheet as wide as a desk. */
    private const SMALLEST = 20;

    private const LARGEST = 1500;

    /** Millimetres beside a line that stay paper. */
    private const WIDEST_MARGIN = 5;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        $size = ['sometimes', 'required', 'numeric', sprintf('between:%d,%d', self::SMALLEST, self::LARGEST)];

        return [
            'version' => ['sometimes', 'required', 'integer', 'min:1'],
            'title' => ['sometimes', 'required', 'string', 'max:120'],
            'paper' => ['sometimes', 'required', 'string', $this->seenPaper()],
            ...SchoolChoices::rules(),
            ...Interpretations::rules(false),
            'lamp' => ['sometimes', 'required', Rule::enum(Lamp::class)],
            'tone' => ['sometimes', 'required', Rule::enum(RangeMode::class)],
            'lightDegrees' => ['sometimes', 'nullable', 'numeric', 'between:0,360'],
            'crop' => ['sometimes', 'nullable', 'array:x,y,width,height', 'required_array_keys:x,y,width,height'],
            'crop.x' => ['required_with:crop', 'numeric', 'between:0,1'],
            'crop.y' => ['required_with:crop', 'numeric', 'between:0,1'],
            'crop.width' => ['required_with:crop', 'numeric', 'between:'.self::SMALLEST_CROP.',1'],
            'crop.height' => ['required_with:crop', 'numeric', 'between:'.self::SMALLEST_CROP.',1'],
            'widthMm' => $size,
            'heightMm' => $size,
            'marginMm' => ['sometimes', 'required', 'numeric', 'between:0,'.self::WIDEST_MARGIN],
            'unit' => ['sometimes', 'required', Rule::in(['mm', 'in'])],
            'sessionMinutes' => ['sometimes', 'required', 'integer', 'between:10,600'],
            'paletteSize' => ['sometimes', 'nullable', 'integer', 'between:1,160'],
            'valueOnly' => ['sometimes', 'required', 'boolean'],
            'pinned' => ['sometimes', 'array', 'max:60'],
            'pinned.*' => ['string', 'regex:/^[A-Z]\w*:[\w.-]+\z/'],
            'banned' => ['sometimes', 'array', 'max:160'],
            'banned.*' => ['string', 'regex:/^[A-Z]\w*:[\w.-]+\z/'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        $size = sprintf('A drawing is from %d to %d mm on a side.', self::SMALLEST, self::LARGEST);

        return [
            'title.required' => 'Give the piece a title.',
            'sessionMinutes.*' => 'A session is from 10 to 600 minutes.',
            'widthMm.*' => $size,
            'heightMm.*' => $size,
            'marginMm.*' => sprintf('What stays paper beside a line is from 0 to %d mm wide.', self::WIDEST_MARGIN),
            'crop.width' => 'The crop is too small; leave at least a twentieth of each side.',
            'crop.height' => 'The crop is too small; leave at least a twentieth of each side.',
        ];
    }

    public function after(): \Closure
    {
        return function (Validator $validator): void {
            $crop = $this->input('crop');
            if (! is_array($crop) || $validator->errors()->isNotEmpty()) {
                return;
            }
            if ((float) $crop['x'] + (float) $crop['width'] > 1.0001 || (float) $crop['y'] + (float) $crop['height'] > 1.0001) {
                $validator->errors()->add('crop', 'The crop reaches beyond the photo. Move it back, or make it smaller.');
            }
        };
    }
}
