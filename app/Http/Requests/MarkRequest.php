<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\User;
use App\Studio\Pencils\Catalogue;
use Illuminate\Validation\ValidationException;
use Prism\Layering\Step;
use Prism\Materials\PencilId;
use Prism\Planning\Order\Deviation;

final class MarkRequest extends DrawingRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'keys' => ['required', 'array', 'min:1', 'max:500'],
            'keys.*' => ['required', 'string', 'max:80', 'distinct'],
            'state' => ['required', 'in:done,skipped,open'],
            'otherwise' => ['sometimes', 'required', 'array', 'prohibited_unless:state,done'],
            'otherwise.pencil' => ['sometimes', 'required', 'string', 'max:40'],
            'otherwise.pressurePercent' => ['sometimes', 'required', 'numeric', 'between:1,100'],
            'otherwise.coats' => ['sometimes', 'required', 'integer', 'between:1,'.Step::MAX_PASSES],
            'otherwise.dabs' => ['sometimes', 'required', 'integer', 'between:0,'.Deviation::MOST_DABS],
            'was' => ['sometimes', 'required', 'in:open,done,skipped'],
        ];
    }

    /**
     * What the hand did otherwise.
     *
     * @throws ValidationException if there is no such pencil
     */
    public function otherwise(Catalogue $catalogue, User $artist): ?Deviation
    {
        if (! $this->has('otherwise')) {
            return null;
        }
        $pencil = $this->validated('otherwise.pencil') === null ? null : PencilId::of((string) $this->validated('otherwise.pencil'));
        if ($pencil !== null && $catalogue->row($artist, $pencil) === null) {
            throw ValidationException::withMessages(['otherwise.pencil' => sprintf('There is no pencil %s in your ranges; pick one from the list, by number or name.', $pencil)]);
        }
        $said = static fn (mixed $value): ?float => $value === null ? null : (float) $value;
        $coats = $said($this->validated('otherwise.coats'));

        return Deviation::of($pencil, $said($this->validated('otherwise.pressurePercent')), $coats === null ? null : (int) $coats, (int) $this->validated('otherwise.dabs', 0));
    }

    /** @return list<string> */
    public function stepKeys(): array
    {
        return array_values($this->validated('keys'));
    }
}
