<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/**
 * An empty text is a text where a field is one (a bare stack is written ""); of any other field it is nothing. Validation would let it
 * pass unseen, whatever the field is to be.
 */
abstract class StudioRequest extends FormRequest
{
    /** @return array<string, mixed> */
    abstract public function rules(): array;

    protected function prepareForValidation(): void
    {
        $input = $this->all();
        foreach ($this->rules() as $field => $rules) {
            $value = data_get($input, $field);
            if (is_string($value) && trim($value) === '' && ! in_array('string', (array) $rules, true)) {
                data_set($input, $field, null);
            }
        }
        $this->replace($input);
    }
}
