<?php

declare(strict_types=1);

namespace Prism\Schools;

/** How firmly a passage is begun. */
enum Hand: string
{
    case Light = 'light';
    case FirmEarly = 'firm-early';

    public function label(): string
    {
        return match ($this) {
            self::Light => 'Light throughout',
            self::FirmEarly => 'Firm early',
        };
    }

    /** What it does to a drawing, in one sentence. */
    public function sentence(): string
    {
        return match ($this) {
            self::Light => 'Many light coats with a sharp point: the paper stays open, and nothing is final until late.',
            self::FirmEarly => 'Darks and opaque colours go on firmly at once, up to 80 %, and are blended by what follows.',
        };
    }
}
