<?php

declare(strict_types=1);

namespace Prism\Matching\Cost;

use Prism\Layering\Pressure;
use Prism\Matching\Manner;
use Prism\Schools\Blending;

/** Where the school closes the grain by a burnish or a wash, a stack that does not. */
final readonly class FinishTerm implements Term
{
    private const NOT_BURNISHED = 1.6;

    private const NOT_WASHED = 0.8;

    private function __construct(private Blending $finish)
    {
    }

    public static function by(Blending $finish): ?self
    {
        return in_array($finish, [Blending::Burnish, Blending::Solvent], true) ? new self($finish) : null;
    }

    public function of(Laid $laid): float
    {
        $last = count($laid->members) - 1;
        if ($last < 1) {
            return 0.0;
        }
        if ($this->finish === Blending::Burnish) {
            return $laid->members[$last][1] < Pressure::BURNISH_PERCENT ? self::NOT_BURNISHED : 0.0;
        }

        return $laid->allCoats - $laid->members[$last][2] < Manner::WASH_FROM_COATS ? self::NOT_WASHED : 0.0;
    }

    public function mostGain(): float
    {
        return 0.0;
    }
}
