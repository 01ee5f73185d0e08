<?php

declare(strict_types=1);

namespace Prism\Schools;

/** What light, middle and dark of one form are drawn with. */
enum Shading: string
{
    case Free = 'free';
    case Trio = 'trio';

    public function label(): string
    {
        return match ($this) {
            self::Free => 'Each as it comes nearest',
            self::Trio => 'Trio of neighbours',
        };
    }

    /** What it does to a drawing, in one sentence. */
    public function sentence(): string
    {
        return match ($this) {
            self::Free => 'Light, middle and dark of a form are each drawn with what comes nearest to them.',
            self::Trio => 'Three neighbouring hues as light, middle and dark of a form: they shade into one another with hardly any blending.',
        };
    }
}
