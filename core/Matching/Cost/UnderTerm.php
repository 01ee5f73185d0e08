<?php

declare(strict_types=1);

namespace Prism\Matching\Cost;

/** A strong underlayer comes up through pale layers: what lies first follows the value of the target, and no dark lies under a light. */
final readonly class UnderTerm implements Term
{
    /** For each L* by which a lower coat is darker than the target, beyond what a light may bear. */
    private const COMES_UP = 0.04;

    private const BEARS = 30.0;

    /** A light, L*; in middles and darks values meet anyhow. */
    private const LIGHT_L = 60.0;

    public function __construct(private float $targetL)
    {
    }

    public function of(Laid $laid): float
    {
        if ($this->targetL < self::LIGHT_L) {
            return 0.0;
        }
        $cost = 0.0;
        for ($i = count($laid->coats) - 2; $i >= 0; $i--) {
            $cost += self::COMES_UP * max(0.0, $this->targetL - $laid->coats[$i]->L - self::BEARS);
        }

        return $cost;
    }

    public function mostGain(): float
    {
        return 0.0;
    }
}
