<?php

declare(strict_types=1);

namespace App\Studio\Records;

use App\Models\Paper;
use App\Models\User;
use App\Studio\Calibration\Engine;
use App\Studio\Pencils\Catalogue;
use Illuminate\Validation\ValidationException;
use Prism\Layering\NotationError;
use Prism\Layering\Stack;
use Prism\Layering\UnknownPencil;

/** Stacks that are sent, in their plain notation, once it is known that they can be read and laid. */
final class CheckedStacks
{
    public function __construct(private readonly Engine $engine, private readonly Catalogue $catalogue)
    {
    }

    /** @throws ValidationException */
    public function one(User $artist, Paper $paper, string $notation, string $field): string
    {
        try {
            $stack = Stack::parse($notation);
            if (count($stack) === 0) {
                throw ValidationException::withMessages([$field => 'A recipe has at least one layer, such as QW:5892@50.']);
            }
            $this->engine->predictor($paper, $artist, $this->catalogue->desk($artist, $stack))->predict($stack);
        } catch (NotationError|UnknownPencil $refusal) {
            throw ValidationException::withMessages([$field => $refusal->getMessage()]);
        }

        return (string) $stack;
    }
}
