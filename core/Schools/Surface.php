<?php

declare(strict_types=1);

namespace Prism\Schools;

/** What a thing's surface is like: it decides how hard the last coat may be pressed, and how far the grain is to close. */
enum Surface: string
{
    case Hard = 'hard';
    case Smooth = 'smooth';
    case Soft = 'soft';
    case Rough = 'rough';
    case Stranded = 'stranded';

    public function label(): string
    {
        return match ($this) {
            self::Hard => 'hard and shiny',
            self::Smooth => 'smooth and matt',
            self::Soft => 'soft',
            self::Rough => 'rough',
            self::Stranded => 'grained or fur-like, with a direction',
        };
    }

    /** Where the grain may speak. */
    public function isOpen(): bool
    {
        return in_array($this, [self::Soft, self::Rough, self::Stranded], true);
    }
}
