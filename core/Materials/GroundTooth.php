<?php

declare(strict_types=1);

namespace Prism\Materials;

/** How a ground of another medium takes pencil, against the paper under it. */
enum GroundTooth: string
{
    case AsPaper = 'as-paper';
    case Smoother = 'smoother';
    case Little = 'little';

    public function label(): string
    {
        return match ($this) {
            self::AsPaper => 'As the paper',
            self::Smoother => 'Smoother',
            self::Little => 'Hardly',
        };
    }

    /** What is left of the paper's tooth, 0-1: a thin wash of colour, a layer of chalk or watercolour pencil, a closed coat. */
    public function share(): float
    {
        return match ($this) {
            self::AsPaper => 1.0,
            self::Smoother => 0.7,
            self::Little => 0.45,
        };
    }
}
