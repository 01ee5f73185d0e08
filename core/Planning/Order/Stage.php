<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

/** What a turn is for; the order of the cases is that of the work. */
enum Stage: string
{
    case Reserve = 'reserve';
    case Map = 'map';
    case Underlayer = 'underlayer';
    case Build = 'build';
    case Dark = 'dark';
    case Finish = 'finish';

    public function label(): string
    {
        return match ($this) {
            self::Reserve => 'Keep the paper',
            self::Map => 'Map the lines',
            self::Underlayer => 'Underlayer',
            self::Build => 'Build',
            self::Dark => 'Darks',
            self::Finish => 'Finish',
        };
    }
}
