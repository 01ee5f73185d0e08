<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Prism\Colour\InvalidColour;
use Prism\Colour\Lab;
use Prism\Exchange\PencilEntry;
use Prism\Materials\Binder;
use Prism\Materials\Core;
use Prism\Materials\InvalidMaterial;
use Prism\Materials\Opacity;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;
use Prism\Materials\Status;

/** A pencil as it is written on the form: new, or changed. */
final class PencilRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'range' => ['required', 'string', 'max:12'],
            'number' => ['required', 'string', 'max:12'],
            'maker' => ['nullable', 'string', 'max:80'],
            'rangeName' => ['nullable', 'string', 'max:80'],
            'name' => ['present', 'string', 'max:'.Pencil::NAME_LETTERS],
            'aliases' => ['array', 'max:20'],
            'aliases.*' => ['string', 'max:'.Pencil::NAME_LETTERS],
            'binder' => ['required', Rule::enum(Binder::class)],
            'opacity' => ['required', Rule::enum(Opacity::class)],
            'core' => ['nullable', Rule::enum(Core::class)],
            'stains' => ['boolean'],
            'lightfastness' => ['nullable', Rule::in(Pencil::LIGHTFASTNESS)],
            'status' => ['required', Rule::enum(Status::class)],
            'replacedBy' => ['nullable', 'string', 'max:25'],
            'colour' => ['nullable', 'string', 'max:40'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'range.required' => 'Give the code of the range, such as HS.',
            'number.required' => 'Give the number on the barrel.',
        ];
    }

    /** @throws ValidationException */
    public function entry(): PencilEntry
    {
        $id = $this->pencil('number', $this->string('range').':'.$this->string('number'));
        $colour = trim((string) $this->string('colour'));

        return new PencilEntry(
            new Pencil(
                $id,
                trim((string) $this->string('name')),
                Binder::from((string) $this->string('binder')),
                Opacity::from((string) $this->string('opacity')),
                $this->filled('lightfastness') ? (string) $this->string('lightfastness') : null,
                $colour === '' ? null : self::colour($colour),
                core: $this->filled('core') ? Core::from((string) $this->string('core')) : null,
                stains: $this->boolean('stains'),
            ),
            array_values(array_filter(array_map(trim(...), (array) $this->validated('aliases', [])), static fn (string $alias): bool => $alias !== '')),
            Status::from((string) $this->string('status')),
            $this->filled('replacedBy') ? $this->pencil('replacedBy', trim((string) $this->string('replacedBy'))) : null,
        );
    }

    private function pencil(string $field, string $text): PencilId
    {
        try {
            return PencilId::of($text);
        } catch (InvalidMaterial $refusal) {
            throw ValidationException::withMessages([$field => $refusal->getMessage()]);
        }
    }

    private static function colour(string $text): Lab
    {
        try {
            return Lab::typed($text);
        } catch (InvalidColour $refusal) {
            throw ValidationException::withMessages(['colour' => $refusal->getMessage().' Or write three numbers L* a* b*.']);
        }
    }
}
