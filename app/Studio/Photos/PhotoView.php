<?php

declare(strict_types=1);

namespace App\Studio\Photos;

/** The views of a reference that are kept as files. */
enum PhotoView: string
{
    case Photo = 'photo';
    /** More pixels, to look at closely. */
    case Large = 'large';
    /** Greys of the same lightness. */
    case Value = 'value';
    /** Light is warm, dark is cool. */
    case Temperature = 'temperature';
}
