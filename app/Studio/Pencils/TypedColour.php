<?php

declare(strict_types=1);

namespace App\Studio\Pencils;

use App\Models\Pencil;
use App\Models\User;
use Illuminate\Validation\ValidationException;
use Prism\Colour\InvalidColour;
use Prism\Colour\Lab;
use Prism\Materials\PencilId;

/** A colour as an artist types it: hex, three numbers L* a* b*, or a pencil of theirs, by its number alone where that tells which. */
final class TypedColour
{
    public function __construct(private readonly Catalogue $catalogue)
    {
    }

    /**
     * @param  string  $field  that a refusal is about
     *
     * @throws ValidationException
     */
    public function read(User $artist, string $text, string $field): Lab
    {
        $text = trim($text);
        $text = $this->named($artist, $text, $field) ?? $text;
        try {
            if (preg_match('/^'.PencilId::PATTERN.'$/', $text) === 1) {
                $row = $this->catalogue->row($artist, PencilId::of($text));

                return ($row === null ? null : Catalogue::colour($row))
                    ?? throw ValidationException::withMessages([$field => sprintf('There is no pencil %s with a colour in your ranges.', $text)]);
            }

            return Lab::typed($text);
        } catch (InvalidColour $refusal) {
            throw ValidationException::withMessages([$field => $refusal->getMessage().' Three numbers L* a* b* or a pencil such as QW:5892 are read too.']);
        }
    }

    /**
     * RANGE:NUMBER of what is the number of a pencil.
     *
     * @throws ValidationException where several have it
     */
    private function named(User $artist, string $text, string $field): ?string
    {
        if (preg_match('/^[A-Za-z0-9][A-Za-z0-9.\-]{0,11}$/', $text) !== 1) {
            return null;
        }
        $found = Pencil::seenBy($artist)->with('range')->where('number', $text)->get()->map(static fn (Pencil $pencil): string => $pencil->range->code.':'.$pencil->number)->sort()->values();
        if ($found->count() > 1) {
            throw ValidationException::withMessages([$field => sprintf('%d pencils have the number %s: write %s.', $found->count(), $text, $found->join(', ', ' or '))]);
        }

        return $found->first();
    }
}
