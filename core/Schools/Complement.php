<?php

declare(strict_types=1);

namespace Prism\Schools;

/** Where the complement of a local colour goes. */
enum Complement: string
{
    case Under = 'under';
    case Between = 'between';
    case Over = 'over';

    public function label(): string
    {
        return match ($this) {
            self::Under => 'Under',
            self::Between => 'Between',
            self::Over => 'Over',
        };
    }

    /** What it does to a drawing, in one sentence. */
    public function sentence(): string
    {
        return match ($this) {
            self::Under => 'The complement is laid first, lightly, and the local colour sings over it.',
            self::Between => 'The local colour, the complement lightly over it, the local colour again.',
            self::Over => 'The complement goes on top, lightly, and tones down what has turned out too bright.',
        };
    }
}
