<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

use Closure;
use Prism\Colour\Lab;
use Prism\Colour\Words\Difference;
use Prism\Layering\Look;
use Prism\Layering\Passage;
use Prism\Layering\Predictor;
use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\StepKind;
use Prism\Matching\Sketch;
use Prism\Matching\Target;
use Prism\Matching\TouchBook;
use Prism\Schools\Blending;

/**
 * What to do next over what lies there. What is believed to lie there is first reconciled with what is seen: which hand, which
 * missing or doubled coat makes the two agree best ({@see PresentState}); the search goes on from that passage, from it lifted by some dabs,
 * and washed where the school washes. What is found is weighed over all that may well lie there: dark that was laid in too many coats lifts, the
 * same dark pressed in does not. Nothing is done inside the eye's tolerance, or where more is risked than gained.
 */
final readonly class Corrector
{
    /** Dabs with the eraser that are tried where it is too dark. */
    private const DABS = 3;

    /** A lift costs little time; a correction that gains less than this is not worth a new risk, dE00. */
    private const LIFT_COST = 0.1;

    private const LEAST_GAIN = 0.7;

    /** On full paper a layer has to promise so much: opaque white pressed over dark does. */
    private const LEAST_GAIN_FULL = 6.0;

    /** So much further off it may end where something else lies there than is likeliest, dE00. */
    private const MOST_LOSS = 0.5;

    /** What a light layer is laid at, percent, up to {@see Pressure::LIGHT_PERCENT}; and in so many coats. */
    private const GLAZES = [20, 30, 40, 50];

    private const COATS = [1, 2];

    /** Of so many, the best, is weighed what they risk, alone and gone over with another. */
    private const WEIGHED = 8;

    public function __construct(private Predictor $predictor, private TouchBook $book, private PairLibrary $library, private ShortStacks $short)
    {
    }

    /**
     * @param  Closure(Passage): Query  $asked  the query on a ground
     * @return non-empty-list<Correction> best first; the first leaves it where that is best
     *
     * @throws \Prism\Layering\UnknownPencil
     */
    public function of(Stack $present, ?Lab $seen, Closure $asked): array
    {
        $model = $this->predictor->model;
        $states = PresentState::likely($this->predictor, $present, $seen);
        $ground = $states[0][0]->passage;
        $query = $asked($ground);
        $target = $query->target;
        $leave = self::leave($states, $seen, $target);
        $before = $leave->before;
        $isTooDark = $before->L < $target->colour->L;
        // Too dark by more than the eye lets pass, and pressed in: neither an eraser nor a lighter pencil takes there any more.
        if (self::isNear($target, $before) || ($before->L < $target->colour->L - Correction::EYE_L && self::isBurnished($states))) {
            return [$leave];
        }
        $starts = [[[], $ground]];
        if (count($present) > 0 && $isTooDark) {
            $lifted = $ground;
            for ($dabs = 1; $dabs <= self::DABS; $dabs++) {
                $lifted = $model->apply($lifted, Step::lift());
                $starts[] = [array_fill(0, $dabs, Step::lift()), $lifted];
            }
        }
        if (count($present) > 0 && $query->limits->schools->blending === Blending::Solvent && $present->steps[count($present) - 1]->kind !== StepKind::Wash) {
            $starts[] = [[Step::wash()], $model->wash($ground)];
        }
        $found = [];
        foreach ($starts as [$steps, $passage]) {
            $easel = new Easel($model, $this->book, $asked($passage), $this->short);
            $dabs = self::LIFT_COST * count($steps);
            if ($steps !== []) {
                $look = $passage->look();
                $found[] = [Stack::of(...$steps), $look, self::miss($target, $look->colour) + $dabs];
            }
            $ranked = (new Explorer($easel, $this->book, $this->library))->explore();
            foreach (Variety::of($ranked, $query->limits->top, $this->book) as $candidate) {
                $found[] = [Stack::of(...$steps, ...$easel->stack($candidate->sketch)->steps), $candidate->look, $candidate->cost + $dabs];
            }
        }

        return $this->weighed($found, $leave, $states, $query);
    }

    /**
     * What brings home a passage that is near: a light layer of one pencil, or of two.
     *
     * @param  Closure(Passage): Query  $asked  the query on a ground
     * @return non-empty-list<Correction> best first; the first leaves it where that is best
     *
     * @throws \Prism\Layering\UnknownPencil
     */
    public function glazed(Stack $present, ?Lab $seen, Closure $asked): array
    {
        $states = PresentState::likely($this->predictor, $present, $seen);
        $query = $asked($states[0][0]->passage);
        $leave = self::leave($states, $seen, $query->target);
        if (self::isNear($query->target, $leave->before)) {
            return [$leave];
        }
        $easel = new Easel($this->predictor->model, $this->book, $query, $this->short);
        $ones = $this->glazes($easel, Sketch::of([]), $query->allowed);
        $found = array_slice($ones, 0, self::WEIGHED);
        foreach (array_slice($ones, 0, self::WEIGHED) as $one) {
            $below = $one->sketch->layers[0][0];
            $found = [...$found, ...array_slice($this->glazes($easel, $one->sketch, array_diff($query->allowed, [$below])), 0, 1)];
        }

        return $this->weighed(array_map(static fn (Candidate $one): array => [$easel->stack($one->sketch), $one->look, $one->cost], $found), $leave, $states, $query);
    }

    /**
     * @param  array<int>  $pencils  by index
     * @return list<Candidate> with one light layer more, cheapest first; each pencil once
     */
    private function glazes(Easel $easel, Sketch $below, array $pencils): array
    {
        $glazes = [];
        foreach ($pencils as $index) {
            $tried = [];
            foreach (self::GLAZES as $percent) {
                foreach (self::COATS as $coats) {
                    $tried[] = $easel->candidate($below->then([$index, $percent, $coats]));
                }
            }
            $glazes[] = Candidate::ranked($tried)[0];
        }

        return Candidate::ranked($glazes);
    }

    /**
     * Those that are worth it over all that may well lie there.
     *
     * @param  list<array{Stack, Look, float}>  $found  with what comes of each, and what it costs
     * @param  non-empty-list<array{PresentState, float}>  $states
     * @return non-empty-list<Correction> best first; to leave it where none is
     */
    private function weighed(array $found, Correction $leave, array $states, Query $query): array
    {
        $target = $query->target;
        $isFull = $states[0][0]->isFull();
        $worth = [];
        foreach ($found as [$own, $look, $cost]) {
            $likeliest = self::miss($target, $look->colour);
            [$expected, $worst] = $this->risked($own, $states, $target);
            $least = $isFull && ! array_any($own->steps, static fn (Step $step): bool => ! $step->isLayer()) ? self::LEAST_GAIN_FULL : self::LEAST_GAIN;
            if (max($likeliest, $expected) < $leave->cost - $least && $worst <= $leave->cost + self::MOST_LOSS) {
                $worth[] = new Correction($own, $leave->before, $look, Difference::between($look->colour, $target->colour), $cost + $expected - $likeliest);
            }
        }
        if ($worth === []) {
            return [$leave];
        }
        usort($worth, static fn (Correction $a, Correction $b): int => $a->cost <=> $b->cost);

        return array_slice($worth, 0, max(1, $query->limits->top));
    }

    /** @param  non-empty-list<array{PresentState, float}>  $states */
    private static function leave(array $states, ?Lab $seen, Target $target): Correction
    {
        $look = $states[0][0]->passage->look();
        $before = $seen ?? $look->colour;

        return new Correction(Stack::of(), $before, $look, Difference::between($before, $target->colour), self::miss($target, $before));
    }

    /**
     * What a correction comes to over all that may well lie there.
     *
     * @param  non-empty-list<array{PresentState, float}>  $states
     * @return array{float, float} miss expected, and at the worst of them
     */
    private function risked(Stack $steps, array $states, Target $target): array
    {
        $expected = $worst = 0.0;
        foreach ($states as [$state, $likely]) {
            $miss = self::miss($target, $this->predictor->model->draw($steps, $state->passage)->lab());
            $expected += $likely * $miss;
            $worst = max($worst, $miss);
        }

        return [$expected, $worst];
    }

    /**
     * Whether it was more likely than not pressed in.
     *
     * @param  non-empty-list<array{PresentState, float}>  $states
     */
    private static function isBurnished(array $states): bool
    {
        $burnished = 0.0;
        foreach ($states as [$state, $likely]) {
            $laid = array_values(array_filter($state->laid, static fn (?Step $step): bool => $step !== null));
            $burnished += $laid !== [] && $laid[count($laid) - 1]->isBurnish() ? $likely : 0.0;
        }

        return $burnished > 0.5;
    }

    private static function isNear(Target $target, Lab $colour): bool
    {
        $difference = Difference::between($colour, $target->colour);

        return ($target->valueOnly || $difference->dE00 <= Correction::EYE) && abs($difference->dL) <= Correction::EYE_L;
    }

    private static function miss(Target $target, Lab $colour): float
    {
        return $target->miss($colour->L, $colour->a, $colour->b);
    }
}
