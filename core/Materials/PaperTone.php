<?php

declare(strict_types=1);

namespace Prism\Materials;

use Prism\Colour\Lab;

/** The colour of a paper in words, for who has measured none: about what such papers are. */
enum PaperTone: string
{
    case White = 'white';
    case Cream = 'cream';
    case Sand = 'sand';
    case LightGrey = 'light-grey';
    case Grey = 'grey';
    case DarkGrey = 'dark-grey';
    case Black = 'black';

    public function label(): string
    {
        return match ($this) {
            self::White => 'White',
            self::Cream => 'Cream',
            self::Sand => 'Sand',
            self::LightGrey => 'Light grey',
            self::Grey => 'Middle grey',
            self::DarkGrey => 'Dark grey',
            self::Black => 'Black',
        };
    }

    public function on(PaperKind $kind): Lab
    {
        return match ($this) {
            self::White => $kind->white(),
            self::Cream => Lab::of(91.5, 0.4, 9.0),
            self::Sand => Lab::of(77.0, 3.5, 16.0),
            self::LightGrey => Lab::of(80.0, 0.0, 1.0),
            self::Grey => Lab::of(62.0, 0.0, 1.5),
            self::DarkGrey => Lab::of(38.0, 0.0, 0.5),
            self::Black => Lab::of(17.0, 0.3, 0.2),
        };
    }
}
