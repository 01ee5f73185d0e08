<?php

declare(strict_types=1);

namespace App\Studio\Pencils;

/** How a list of pencils lies. */
enum Layout: string
{
    /** As a rainbow: families round the wheel, light beside dark of one hue. */
    case Roll = 'roll';
    /** The same families, each from light to dark. */
    case Value = 'value';
    /** Each a small step from its neighbours. */
    case Walk = 'walk';
    case Number = 'number';
}
