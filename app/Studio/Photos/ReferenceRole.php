<?php

declare(strict_types=1);

namespace App\Studio\Photos;

/** What a photo is trusted for, when there are several of one subject. */
enum ReferenceRole: string
{
    case Colour = 'colour';
    case Form = 'form';
    case Direction = 'direction';
    case Light = 'light';
}
