<?php

declare(strict_types=1);

namespace Prism\Schools;

/** What a passage is made lighter with. */
enum Brightening: string
{
    case Yellow = 'yellow';
    case White = 'white';

    public function label(): string
    {
        return match ($this) {
            self::Yellow => 'Yellow',
            self::White => 'White',
        };
    }

    /** What it does to a drawing, in one sentence. */
    public function sentence(): string
    {
        return match ($this) {
            self::Yellow => 'A pale yellow brightens: the colour stays clean and turns warmer.',
            self::White => 'White brightens: the colour turns pastel and cooler.',
        };
    }
}
