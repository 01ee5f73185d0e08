<?php

declare(strict_types=1);

namespace Prism\Materials;

/** Is a pencil still made, and under this name? */
enum Status: string
{
    case Current = 'current';
    case Renamed = 'renamed';
    case Discontinued = 'discontinued';
    case Replaced = 'replaced';
}
