<?php

declare(strict_types=1);

namespace Prism\Schools;

/** How one goes over the picture. */
enum Progress: string
{
    case ZoneByZone = 'zone-by-zone';
    case ColourByColour = 'colour-by-colour';

    public function label(): string
    {
        return match ($this) {
            self::ZoneByZone => 'Zone by zone',
            self::ColourByColour => 'Colour by colour',
        };
    }

    public function sentence(): string
    {
        return match ($this) {
            self::ZoneByZone => 'Zone by zone: some at a time are finished before the next; while one dries, work goes on in another.',
            self::ColourByColour => 'Colour by colour: the same pencil everywhere it is needed, then the next.',
        };
    }
}
