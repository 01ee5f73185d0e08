<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Schools\Surface;

/** How the point travels in a place. */
enum Stroke: string
{
    case Circles = 'circles';
    case Form = 'form';
    case Hatch = 'hatch';
    case Strands = 'strands';
    case Line = 'line';

    /** As the surface asks for it: strands are followed, what is shiny is turned with its form, what is matt shows no stroke. */
    public static function on(Surface $surface): self
    {
        return match ($surface) {
            Surface::Stranded => self::Strands,
            Surface::Hard => self::Form,
            Surface::Smooth, Surface::Soft => self::Circles,
            Surface::Rough => self::Hatch,
        };
    }

    public function words(): string
    {
        return match ($this) {
            self::Circles => 'small circles',
            self::Form => 'along the form',
            self::Hatch => 'short hatching',
            self::Strands => 'along the strands',
            self::Line => 'one line, drawn towards you',
        };
    }
}
