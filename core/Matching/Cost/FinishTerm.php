<?php

declare(strict_types=1);

namespace Prism\Matching\Cost;

use Prism\Layering\Pressure;
use Prism\Matching\Manner;
use Prism\Schools\Blending;

/** Where the school closes the grain by a burnish or a wash, a stack that does not. */
final readonly class FinishTerm implements Term
{
    private const NOT_BURNISHED = 3.0;

    /** By a pencil that is neither the last colour itself nor the lightest of the passage. */
    private const FOREIGN = 5.0;

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
            return $laid->members[$last][1] < Pressure::BURNISH_PERCENT ? self::NOT_BURNISHED : $this->foreign($laid, $last);
        }

        return $laid->allCoats - $laid->members[$last][2] < Manner::WASH_FROM_COATS ? self::NOT_WASHED : 0.0;
    }

    private function foreign(Laid $laid, int $last): float
    {
        for ($i = 0; $i < $last; $i++) {
            if ($laid->members[$i][0] === $laid->members[$last][0]) {
                return 0.0;
            }
            if ($laid->coats[$i]->L > $laid->coats[$last]->L) {
                $darker = true;
            }
        }

        return isset($darker) ? self::FOREIGN : 0.0;
    }

    public function mostGain(): float
    {
        return 0.0;
    }
}
