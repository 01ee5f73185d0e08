<?php

declare(strict_types=1);

namespace Prism\Matching\Cost;

use Prism\Materials\Binder;

/** Oil slides on wax; who wants wax only last will not have it. */
final readonly class BinderTerm implements Term
{
    private const SLIDES = 0.25;

    private const REFUSED = 40.0;

    public function __construct(private bool $waxLast)
    {
    }

    public function of(Laid $laid): float
    {
        $each = $this->waxLast ? self::REFUSED : self::SLIDES;
        $cost = 0.0;
        foreach ($laid->coats as $i => $coat) {
            if ($i > 0 && $coat->binder === Binder::Oil && $laid->coats[$i - 1]->binder === Binder::Wax) {
                $cost += $each;
            }
        }
        if ($this->waxLast && $laid->rounds > 1 && count(array_unique(array_map(static fn ($coat): string => $coat->binder->value ?? '', $laid->coats))) > 1) {
            // Rounds come back to what lies below.
            $cost += self::REFUSED;
        }

        return $cost;
    }

    public function mostGain(): float
    {
        return 0.0;
    }
}
