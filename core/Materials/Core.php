<?php

declare(strict_types=1);

namespace Prism\Materials;

/** How hard the lead of a pencil is: a hard one keeps a point and draws lines, a soft one lays colour fast. */
enum Core: string
{
    case Hard = 'hard';
    case Soft = 'soft';
}
