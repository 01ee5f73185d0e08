<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\User;
use App\Studio\Catalogue;
use App\Studio\PencilQuery;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;
use Prism\Colour\InvalidColour;
use Prism\Colour\Lab;
use Prism\Materials\PencilId;

final class PencilListRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'scope' => ['in:all,box'],
            'order' => ['in:roll,number'],
            'q' => ['nullable', 'string', 'max:80'],
            'range' => ['nullable', 'string', 'max:12'],
            'family' => ['nullable', 'string', 'max:40'],
            'lean' => ['nullable', 'string', 'max:12'],
            'binder' => ['nullable', 'in:wax,oil'],
            'value' => ['nullable', 'integer', 'between:1,9'],
            'near' => ['nullable', 'string', 'max:40'],
        ];
    }

    public function wanted(User $artist, Catalogue $catalogue): PencilQuery
    {
        return new PencilQuery(
            ownedOnly: $this->query('scope') === 'box',
            word: (string) $this->string('q'),
            range: (string) $this->string('range'),
            family: (string) $this->string('family'),
            lean: (string) $this->string('lean'),
            binder: (string) $this->string('binder'),
            valueStep: $this->filled('value') ? $this->integer('value') : null,
            near: $this->filled('near') ? self::colour((string) $this->string('near'), $artist, $catalogue) : null,
            asRoll: $this->query('order') === 'roll',
        );
    }

    /** A hex colour, three numbers L* a* b*, or a pencil. */
    private static function colour(string $text, User $artist, Catalogue $catalogue): Lab
    {
        $text = trim($text);
        try {
            if (preg_match('/^'.PencilId::PATTERN.'$/', $text) === 1) {
                $row = $catalogue->row($artist, PencilId::of($text));

                return ($row === null ? null : Catalogue::colour($row))
                    ?? throw ValidationException::withMessages(['near' => sprintf('There is no pencil %s with a colour in your ranges.', $text)]);
            }

            return Lab::typed($text);
        } catch (InvalidColour $refusal) {
            throw ValidationException::withMessages(['near' => $refusal->getMessage().' Three numbers L* a* b* or a pencil such as QW:119 are read too.']);
        }
    }
}
