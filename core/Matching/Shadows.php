<?php

declare(strict_types=1);

namespace Prism\Matching;

/** What shadows are drawn with. */
enum Shadows: string
{
    case Complement = 'complement';
    case Split = 'split';
    case Black = 'black';
    case Neutral = 'neutral';

    public function label(): string
    {
        return match ($this) {
            self::Complement => 'Complement and dark cool colours',
            self::Split => 'Split complement',
            self::Black => 'Black, last',
            self::Neutral => 'Neutral from blue and magenta',
        };
    }

    /** What it does to a drawing, in one sentence. */
    public function sentence(): string
    {
        return match ($this) {
            self::Complement => 'Shadows come from the complement of the local colour and dark cool pencils, without black.',
            self::Split => 'Shadows come from the two neighbours of the complement, which slide into green or mud less than the complement itself.',
            self::Black => 'Black may deepen a shadow, as its last layer, over other darks.',
            self::Neutral => 'Shadows come from greys mixed of a blue and a magenta instead of a grey pencil: cool for what is far, warm for what is near.',
        };
    }
}
