<?php

declare(strict_types=1);

namespace Prism\Schools;

/** What shadows are drawn with. */
enum Shadows: string
{
    case Complement = 'complement';
    case Split = 'split';
    case Black = 'black';
    case BlackFirst = 'black-first';
    case Neutral = 'neutral';

    public function label(): string
    {
        return match ($this) {
            self::Complement => 'Complement, no black',
            self::Split => 'Split complement',
            self::Black => 'Black, last',
            self::BlackFirst => 'Black first',
            self::Neutral => 'Blue and magenta',
        };
    }

    /** What it does to a drawing, in one sentence. */
    public function sentence(): string
    {
        return match ($this) {
            self::Complement => 'Shadows come from the complement of the local colour and dark cool pencils, without black.',
            self::Split => 'Shadows come from the two neighbours of the complement, which slide into green or mud less than the complement itself.',
            self::Black => 'Black may deepen a shadow: lightly, as its last layer, on top of other darks.',
            self::BlackFirst => 'Where the dark is truly black, black goes down first and coloured darks over it; elsewhere no black.',
            self::Neutral => 'Shadows come from greys mixed of a blue and a magenta instead of a grey pencil: cool for what is far, warm for what is near.',
        };
    }

    /** Whether a black pencil is ever taken for a shadow. */
    public function hasBlack(): bool
    {
        return $this === self::Black || $this === self::BlackFirst;
    }
}
