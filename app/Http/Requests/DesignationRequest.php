<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Closure;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Illuminate\Validation\Validator;
use Prism\Materials\Kit;
use Prism\Planning\Gradient\Designation;
use Prism\Planning\ValuePart;

final class DesignationRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'pencils' => ['required', 'array', 'min:'.Designation::FEWEST, 'max:'.Designation::MOST],
            'pencils.*' => ['string', 'max:40', 'distinct'],
            'parts' => ['sometimes', 'array', 'max:'.Designation::MOST],
            'parts.*' => [Rule::enum(ValuePart::class)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'pencils.*' => sprintf('Choose %d to %d pencils.', Designation::FEWEST, Designation::MOST),
            'pencils.*.distinct' => 'Choose each pencil once.',
        ];
    }

    /** @return list<Closure(Validator): void> */
    public function after(): array
    {
        return [function (Validator $validator): void {
            $blending = array_keys((array) $this->input('parts', []), ValuePart::Blend->value, true);
            if ($blending !== [] && array_diff((array) $this->input('pencils', []), $blending) === []) {
                $validator->errors()->add('parts', 'All of these are set only to blend; set one at least to light, middle or dark.');
            }
        }];
    }

    /** @return array<string, ValuePart> set by hand, by pencil */
    public function parts(): array
    {
        return array_map(static fn (string $part): ValuePart => ValuePart::from($part), $this->validated('parts', []));
    }

    /**
     * @param  Kit  $box  of the artist
     *
     * @throws ValidationException if one of them is not in it
     */
    public function pencils(Kit $box): Kit
    {
        $wanted = array_flip($this->validated('pencils'));
        $kit = $box->where(static fn ($pencil): bool => isset($wanted[(string) $pencil->id]));
        $missing = array_diff(array_keys($wanted), $kit->ids());
        if ($missing !== []) {
            throw ValidationException::withMessages(['pencils' => sprintf('%s is not in your box.', implode(', ', $missing))]);
        }

        return $kit;
    }
}
