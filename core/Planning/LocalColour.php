<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Colour\Lab;
use Prism\Colour\Wheel;
use Prism\Matching\PencilCoat;

/** Whether colours of one zone are one thing in more or less light, or two things that meet there. */
final class LocalColour
{
    /** Hues further apart on the wheel of 18 are two local colours; greys go with any. */
    private const APART = 2.5;

    public static function isShared(Lab $one, Lab $other): bool
    {
        return min($one->chroma(), $other->chroma()) <= PencilCoat::COLOURED
            || Wheel::distance(Wheel::position($one->hueDegrees()), Wheel::position($other->hueDegrees())) <= self::APART;
    }
}
