<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

use Closure;
use Prism\Colour\Lab;
use Prism\Colour\Words\Difference;
use Prism\Layering\Passage;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\StepKind;
use Prism\Matching\Target;
use Prism\Matching\TouchBook;
use Prism\Schools\Blending;

/**
 * What to do next over what lies there. What is believed to lie there is first reconciled with what is seen: which hand, which
 * missing or doubled coat makes the two agree best ({@see PresentState}); the search goes on from that passage, from it lifted by some dabs,
 * and washed where the school washes. Nothing is done inside the eye's tolerance, or where more is risked than gained.
 */
final readonly class Corrector
{
    /** Dabs with the eraser that are tried where it is too dark. */
    private const DABS = 3;

    /** A lift costs little time; a correction that gains less than this is not worth a new risk, dE00. */
    private const LIFT_COST = 0.1;

    private const LEAST_GAIN = 0.7;

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
        $ground = PresentState::of($this->predictor, $present, $seen)->passage;
        $before = $seen ?? $ground->lab();
        $query = $asked($ground);
        $target = $query->target;
        $leave = new Correction(Stack::of(), $before, $ground->look(), Difference::between($before, $target->colour), self::miss($target, $before));
        if (self::isNear($target, $before)) {
            return [$leave];
        }
        $starts = [[[], $ground]];
        if (count($present) > 0 && $before->L < $target->colour->L) {
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
            if ($steps !== []) {
                $look = $passage->look();
                $cost = self::miss($target, $look->colour) + self::LIFT_COST * count($steps);
                $found[] = new Correction(Stack::of(...$steps), $before, $look, Difference::between($look->colour, $target->colour), $cost);
            }
            $ranked = (new Explorer($easel, $this->book, $this->library))->explore();
            foreach (Variety::of($ranked, $query->limits->top, $this->book) as $candidate) {
                $own = Stack::of(...[...$steps, ...$easel->stack($candidate->sketch)->steps]);
                $found[] = new Correction($own, $before, $candidate->look, Difference::between($candidate->look->colour, $target->colour), $candidate->cost + self::LIFT_COST * count($steps));
            }
        }
        $worth = array_filter($found, static fn (Correction $one): bool => self::miss($target, $one->after->colour) < $leave->cost - self::LEAST_GAIN);
        if ($worth === []) {
            return [$leave];
        }
        usort($worth, static fn (Correction $a, Correction $b): int => $a->cost <=> $b->cost);

        return array_slice($worth, 0, max(1, $query->limits->top));
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
