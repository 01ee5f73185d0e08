<?php

declare(strict_types=1);

namespace Prism\Planning\Advice;

/** What an advice is about. */
enum AdviceKind: string
{
    case Temperature = 'temperature';
    case Edge = 'edge';
    case Shadow = 'shadow';
    case Sing = 'sing';
    case Ground = 'ground';
    case Finish = 'finish';
    case Push = 'push';

    public function label(): string
    {
        return match ($this) {
            self::Temperature => 'Near and far',
            self::Edge => 'Edge',
            self::Shadow => 'Cast shadow',
            self::Sing => 'To sing',
            self::Ground => 'Ground',
            self::Finish => 'Finish',
            self::Push => 'Neighbours',
        };
    }
}
