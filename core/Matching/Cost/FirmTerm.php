<?php

declare(strict_types=1);

namespace Prism\Matching\Cost;

use Prism\Matching\Manner;
use Prism\Matching\Target;
use Prism\Schools\Hand;

/** Firm early: a dark is begun with a firm dark, and blended by what follows. */
final readonly class FirmTerm implements Term
{
    private const GAIN = 1.6;

    /** Lighter than this, L*, nothing is begun firmly. */
    private const DARK_L = 50.0;

    private function __construct()
    {
    }

    public static function by(Hand $hand, Target $target): ?self
    {
        return $hand === Hand::FirmEarly && $target->colour->L < self::DARK_L ? new self : null;
    }

    public function of(Laid $laid): float
    {
        return count($laid->members) > 1 && $laid->coats[0]->anchors() && $laid->members[0][1] > Manner::FIRM_PERCENT ? -self::GAIN : 0.0;
    }

    public function mostGain(): float
    {
        return self::GAIN;
    }
}
