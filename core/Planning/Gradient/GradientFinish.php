<?php

declare(strict_types=1);

namespace Prism\Planning\Gradient;

/** What evens a gradient at its end. */
enum GradientFinish: string
{
    case Layers = 'layers';
    case Blender = 'blender';
    case White = 'white';
    case Lightest = 'lightest';
}
