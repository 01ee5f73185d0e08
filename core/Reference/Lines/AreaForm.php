<?php

declare(strict_types=1);

namespace Prism\Reference\Lines;

/** What an area of a line drawing is the outline of. */
enum AreaForm: string
{
    case Flat = 'flat';
    /** Swells towards the one who looks: a ball, a jug, a rope. */
    case Round = 'round';
    /** Falls away: the inside of a bowl. */
    case Hollow = 'hollow';
}
