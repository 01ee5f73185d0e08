<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

/** How the pencil is sharpened for a turn. */
enum Point: string
{
    case Needle = 'needle';
    case Sharp = 'sharp';
    case Rounded = 'rounded';

    public function words(): string
    {
        return match ($this) {
            self::Needle => 'needle point',
            self::Sharp => 'sharp point',
            self::Rounded => 'rounded point, held still',
        };
    }
}
