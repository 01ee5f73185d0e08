<?php

declare(strict_types=1);

namespace Prism\Reference\Reserves;

/** What stays free of colour, or nearly. */
enum ReserveKind: string
{
    case Paper = 'paper';
    case Pale = 'pale';
}
