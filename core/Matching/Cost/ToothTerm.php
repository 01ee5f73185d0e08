<?php

declare(strict_types=1);

namespace Prism\Matching\Cost;

/** Paper that is nearly full takes no correction. */
final readonly class ToothTerm implements Term
{
    private const LITTLE = 1.2;

    /** Share of the tooth below which it is little. */
    private const LITTLE_BELOW = 0.15;

    public function of(Laid $laid): float
    {
        return self::LITTLE * max(0.0, 1.0 - $laid->look->toothLeft / self::LITTLE_BELOW);
    }

    public function mostGain(): float
    {
        return 0.0;
    }
}
