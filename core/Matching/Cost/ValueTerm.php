<?php

declare(strict_types=1);

namespace Prism\Matching\Cost;

use Prism\Matching\Manner;
use Prism\Matching\PencilCoat;
use Prism\Matching\Target;
use Prism\Schools\FirstValue;

/** Which value is laid first, as a school has it: nothing for its own way, up to about 2 against it. */
final readonly class ValueTerm implements Term
{
    /** Steps of value smaller than this, L*, are no change of direction. */
    private const STEP = 8.0;

    /** So many L* against the school cost one dE00. */
    private const AGAINST = 30.0;

    private const MOST = 2.0;

    /** Where the form lies not below, or nothing lies over it. */
    private const NO_FORM = 1.2;

    private const ONE_LAYER = 0.8;

    private function __construct(private FirstValue $school, private float $targetL)
    {
    }

    public static function by(FirstValue $school, Target $target): self
    {
        return new self($school, $target->colour->L);
    }

    public function of(Laid $laid): float
    {
        $coats = $laid->coats;
        $count = count($coats);
        if ($this->school === FirstValue::FormFirst) {
            return $this->formFirst($coats);
        }
        if ($count < 2) {
            return 0.0;
        }
        $cost = 0.0;
        if ($this->school === FirstValue::MiddleFirst) {
            // The main colour first: what shifts it lies further from the target.
            for ($i = 1; $i < $count; $i++) {
                $cost += max(0.0, $this->off($coats[0]) - $this->off($coats[$i])) / self::AGAINST;
            }

            return min(self::MOST, $cost);
        }
        for ($i = 1; $i < $count; $i++) {
            $against = match ($this->school) {
                FirstValue::LightToDark => $coats[$i]->L - $coats[$i - 1]->L,
                FirstValue::BothEnds => $this->off($coats[$i]) - $this->off($coats[$i - 1]),
                default => $coats[$i - 1]->L - $coats[$i]->L,
            };
            // A light underlayer of another colour is no change of direction.
            $weight = $i === 1 && $laid->members[0][1] <= Manner::UNDER_PERCENT && $laid->members[0][2] <= Manner::UNDER_COATS ? 0.4 : 1.0;
            $cost += $weight * max(0.0, $against - self::STEP) / self::AGAINST;
        }

        return min(self::MOST, $cost);
    }

    public function mostGain(): float
    {
        return 0.0;
    }

    /** @param  list<PencilCoat>  $coats */
    private function formFirst(array $coats): float
    {
        $count = count($coats);
        if ($count < 2) {
            return self::ONE_LAYER;
        }
        $cost = $coats[0]->isForm() ? 0.0 : self::NO_FORM;
        for ($i = 1; $i < $count; $i++) {
            $cost += max(0.0, $coats[$i - 1]->L - $coats[$i]->L - self::STEP) / self::AGAINST;
        }

        return min(self::MOST, $cost);
    }

    private function off(PencilCoat $coat): float
    {
        return abs($coat->L - $this->targetL);
    }
}
