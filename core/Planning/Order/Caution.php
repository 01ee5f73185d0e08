<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

/** What to mind where a technique appears. The label and local rules come before anything said here. */
enum Caution: string
{
    case Solvent = 'solvent';
    case Pigment = 'pigment';
    case Blade = 'blade';
    case Breaks = 'breaks';

    public function sentence(): string
    {
        return match ($this) {
            self::Solvent => 'Solvent: air the room, no flame or heater near, a lidded vessel, little at a time, away from children and animals; gloves, rags and waste as the label and local rules say. They come before this plan.',
            self::Pigment => 'Pigment: do not lick points or blow dust, no food at the desk; children use products labelled for them.',
            self::Blade => 'Sharpening: cut away from the body and cap the blade.',
            self::Breaks => 'A long drawing: rest eyes and hand now and then.',
        };
    }
}
