<?php

declare(strict_types=1);

namespace App\Studio;

/** The views of a reference that are kept as files. */
enum PhotoView: string
{
    case Photo = 'photo';
    case Value = 'value';
}
