<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Calibration\Swatch;

/** A row of the swatches table: the swatch, and what was noted with it. */
final readonly class SwatchEntry
{
    public function __construct(public Swatch $swatch, public string $note = '', public ?string $measuredAt = null, public string $source = '')
    {
    }
}
