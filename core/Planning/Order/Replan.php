<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Colour\Words\Difference;
use Prism\Layering\Prediction;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Matching\EmptyBox;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Search\Correction;
use Prism\Matching\Target;
use Prism\Materials\Kit;

/** What to lay in a place from here on, where what was laid there takes the plan too far from its colour. */
final readonly class Replan
{
    /** A plan that has come this much farther from its target than it was, dE00, is replanned; a new one is nearer by as much. */
    private const WORTH = 0.7;

    /** Far off, a new plan that leaves more than the rest of its miss is not worth changing pencils for. */
    private const WORTH_SHARE = 0.15;

    /** A pencil that does not lie out must bring the colour nearer than those that do by so much, dE00. */
    private const FETCHED = 1.5;

    /** So many layers may follow at least, however few the plan still had, and at most. */
    private const LAYERS = [3, 6];

    /**
     * @param  Stack  $rest  what is laid from here on instead; empty: nothing more
     * @param  Prediction  $old  what the plan comes to as it stands
     * @param  Prediction  $new  what this comes to
     */
    private function __construct(public Passed $passed, public Stack $rest, public Prediction $old, public Prediction $new, public Difference $oldDifference, public Difference $newDifference)
    {
    }

    /**
     * Null where the plan still serves: inside the eye's tolerance, or no farther off than it was; and where nothing is nearer.
     *
     * @param  Predictor  $predictor  for what the place stands on
     * @param  Kit  $out  pencils that lie out
     *
     * @throws EmptyBox
     * @throws \Prism\Layering\UnknownPencil
     */
    public static function of(Passed $passed, Target $target, Predictor $predictor, Search $search, Limits $limits, Kit $out): ?self
    {
        if (! $passed->otherwise) {
            return null;
        }
        $then = static fn (Stack $rest): Stack => Stack::of(...$passed->present->steps, ...$rest->steps);
        $old = $predictor->predict($then($passed->rest));
        $difference = Difference::between($old->colour, $target->colour);
        $isNear = ($target->valueOnly || $difference->dE00 <= Correction::EYE) && abs($difference->dL) <= Correction::EYE_L;
        $miss = self::miss($target, $old);
        if ($isNear || $miss < self::miss($target, $predictor->predict($passed->planned)) + self::WORTH) {
            return null;
        }
        [$least, $most] = self::LAYERS;
        $limits = new Limits(1, $limits->maxPencils, max($least, min($most, $passed->rest->layerCount())), $limits->schools, $limits->noBlack, $limits->waxLast, [], $limits->surface, $limits->last, $limits->given);
        $best = null;
        foreach ([[$out, 0.0], [null, self::FETCHED]] as [$only, $more]) {
            foreach ($search->correct($passed->present, $target, $limits, $only) as $correction) {
                $new = $predictor->predict($then($correction->steps));
                $gain = $miss - self::miss($target, $new) - $more;
                if ($gain >= max(self::WORTH, self::WORTH_SHARE * $miss) && ($best === null || $gain > $best[0])) {
                    $best = [$gain, $correction->steps, $new];
                }
            }
        }

        return $best === null ? null : new self($passed, $best[1], $old, $best[2], $difference, Difference::between($best[2]->colour, $target->colour));
    }

    /** What has come of it and what this does, in one sentence. */
    public function sentence(): string
    {
        return sprintf('As it goes on it comes out %s (dE00 %.1f); so it comes out %s (%.1f).', $this->oldDifference->words, $this->oldDifference->dE00, $this->newDifference->words, $this->newDifference->dE00);
    }

    private static function miss(Target $target, Prediction $prediction): float
    {
        return $target->miss($prediction->colour->L, $prediction->colour->a, $prediction->colour->b);
    }
}
