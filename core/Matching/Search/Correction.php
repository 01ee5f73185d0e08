<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

use Prism\Colour\Lab;
use Prism\Colour\Words\Difference;
use Prism\Layering\Look;
use Prism\Layering\Stack;

/** What to do over what lies there: the steps alone, and what comes of them. */
final readonly class Correction
{
    /** Inside these a passage is left alone: dE00 and L*. */
    public const EYE = 2.0;

    public const EYE_L = 1.5;

    /**
     * @param  Stack  $steps  the correction alone, bottom to top; empty: leave it
     * @param  Lab  $before  what is seen now
     * @param  Look  $after  what will be seen
     * @param  Difference  $difference  of that from the target
     */
    public function __construct(public Stack $steps, public Lab $before, public Look $after, public Difference $difference, public float $cost)
    {
    }

    /** What to do and what comes of it, in one sentence. */
    public function words(): string
    {
        if ($this->isLeave()) {
            return $this->difference->dE00 <= self::EYE ? 'Leave it: the eye sees no difference.' : 'Leave it: nothing that still takes here brings it nearer.';
        }
        $lifts = $layers = 0;
        foreach ($this->steps->steps as $step) {
            $step->isLayer() ? $layers++ : $lifts++;
        }
        $do = match (true) {
            $layers === 0 => sprintf('Lift with %d %s.', $lifts, $lifts === 1 ? 'dab' : 'dabs'),
            $lifts > 0 => sprintf('Lift with %d %s, then %d more %s.', $lifts, $lifts === 1 ? 'dab' : 'dabs', $layers, $layers === 1 ? 'layer' : 'layers'),
            default => sprintf('%d more %s.', $layers, $layers === 1 ? 'layer' : 'layers'),
        };

        return sprintf('%s After it: %s.', $do, $this->difference->words);
    }

    public function isLeave(): bool
    {
        return count($this->steps) === 0;
    }
}
