<?php

declare(strict_types=1);

namespace Prism\Reference;

/** What a zone's surface is like: it decides how the zone is finished. */
enum Surface: string
{
    case Hard = 'hard';
    case Soft = 'soft';
    case Rough = 'rough';
    case Stranded = 'stranded';

    public function label(): string
    {
        return match ($this) {
            self::Hard => 'hard and shiny',
            self::Soft => 'soft',
            self::Rough => 'rough',
            self::Stranded => 'grained or fur-like, with a direction',
        };
    }
}
