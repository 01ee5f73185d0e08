<?php

declare(strict_types=1);

namespace Prism\Layering;

enum StepKind: string
{
    /** One even coat, or several passes of it, of one pencil at one pressure. */
    case Layer = 'layer';
    /** Solvent wash, dried. */
    case Wash = 'wash';
    /** Colourless blender. */
    case Blend = 'blend';
    /** Kneaded eraser. */
    case Lift = 'lift';
}
