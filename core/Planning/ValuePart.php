<?php

declare(strict_types=1);

namespace Prism\Planning;

/** What a given pencil serves as in a drawing by value: for a part of the values, or only to blend what the others laid. */
enum ValuePart: string
{
    case Light = 'light';
    case Middle = 'middle';
    case Dark = 'dark';
    case Blend = 'blend';

    /** The share of the values that are reached, from the darkest, at which it stands in their midst. */
    public function midst(): float
    {
        return match ($this) {
            self::Light => 5.0 / 6.0,
            self::Middle, self::Blend => 0.5,
            self::Dark => 1.0 / 6.0,
        };
    }
}
