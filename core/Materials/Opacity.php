<?php

declare(strict_types=1);

namespace Prism\Materials;

enum Opacity: string
{
    case Transparent = 'transparent';
    case Semi = 'semi';
    case Opaque = 'opaque';

    /** Scattering against that of a semi-opaque film of the same thickness; a prior for calibration. */
    public function scattering(): float
    {
        return match ($this) {
            self::Transparent => 0.4,
            self::Semi => 1.0,
            self::Opaque => 2.7,
        };
    }
}
