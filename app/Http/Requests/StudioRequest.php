<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Rules\Exists;

/**
 * An empty text is a text where a field is one (a bare stack is written ""); of any other field it is nothing. Validation would let it
 * pass unseen, whatever the field is to be.
 */
abstract class StudioRequest extends FormRequest
{
    /** @return array<string, mixed> */
    abstract public function rules(): array;

    /** One of the papers that ship, or of one's own. */
    public static function paperOf(User $artist): Exists
    {
        return Rule::exists('papers', 'slug')->where(static fn (Builder $paper) => $paper->whereNull('deleted_at')->where(static fn (Builder $either) => $either->whereNull('user_id')->orWhere('user_id', $artist->id)));
    }

    protected function seenPaper(): Exists
    {
        $artist = $this->user();
        assert($artist instanceof User);

        return self::paperOf($artist);
    }

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
