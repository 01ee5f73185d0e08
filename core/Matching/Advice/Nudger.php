<?php

declare(strict_types=1);

namespace Prism\Matching\Advice;

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Matching\Cost\ComplementTerm;
use Prism\Matching\Limits;
use Prism\Matching\Manner;
use Prism\Matching\PencilCoat;
use Prism\Matching\Permitted;
use Prism\Matching\Recipe;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\Pencil;
use Prism\Materials\PencilKind;

/**
 * Answers "what does it need?": the best one change to a stack, or one more layer on what is drawn, that brings a nudge.
 */
final readonly class Nudger
{
    /** Pressures of a layer that is tried on top, and changes of pressure that are tried, percent. */
    private const OVER = [20, 30, 40, 50, 60];

    private const BY = [-20, -15, -10, -5, 5, 10, 15, 20];

    /** Dabs with the eraser that are tried. */
    private const DABS = 3;

    /** Duller is the complement's work: what a pencil from there is worth beside one from elsewhere, dE00. */
    private const COMPLEMENT = 0.6;

    /** A change that goes less than this share of the way is none. */
    private const LEAST_PROGRESS = 0.25;

    /** Of a further layer against a change of what is planned, dE00. */
    private const LAYER_COST = 0.3;

    public function __construct(private Predictor $predictor, private Kit $box)
    {
    }

    /**
     * @param  bool  $drawn  what is there lies on the paper already: only more can be laid on it, or lifted
     * @param  Limits  $limits  schools and surface, which no change breaks
     * @return list<Recipe> best first, of different changes; none if nothing in the box goes that way
     *
     * @throws \Prism\Layering\UnknownPencil
     */
    public function best(Stack $stack, Nudge $nudge, bool $drawn = false, int $top = 3, Limits $limits = new Limits): array
    {
        $model = $this->predictor->model;
        $passage = $model->draw($stack);
        $from = $passage->lab();
        $goal = $nudge->goal($from);
        $found = [];
        $try = static function (string $change, Stack $changed, Lab $to, float $cost) use (&$found, $nudge, $from, $goal): void {
            if ($nudge->progress($from, $to) >= self::LEAST_PROGRESS) {
                $cost += $to->differenceTo($goal);
                if (! isset($found[$change]) || $cost < $found[$change][1]) {
                    $found[$change] = [$changed, $cost];
                }
            }
        };
        $target = Target::colour($goal);
        $most = Manner::of($limits, $target, $model)->mostLast;
        $dulls = $nudge === Nudge::Duller ? ComplementTerm::by($limits->schools, Target::colour($from)) : null;
        foreach ($this->box as $id => $pencil) {
            $coat = isset($model->optics[$id]) ? $this->coat($pencil) : null;
            if ($coat === null || ! Permitted::pencil($id, $coat->kind, $target, $limits)) {
                continue;
            }
            $cost = self::LAYER_COST - ($dulls !== null && $dulls->distance($coat) >= ComplementTerm::FROM ? self::COMPLEMENT : 0.0);
            foreach (self::OVER as $percent) {
                $step = Step::layer($pencil->id, $percent);
                if ($percent <= $most && count($stack) < Stack::MAX_STEPS) {
                    $try("over $id", $stack->then($step), $model->glance($passage, $model->touch($model->optics[$id], $percent / 100.0, 1.0)), $cost);
                }
            }
        }
        $lifted = $stack;
        for ($dabs = 1; $dabs <= self::DABS && count($stack) > 0 && count($lifted) < Stack::MAX_STEPS; $dabs++) {
            $lifted = $lifted->then(Step::lift());
            $try('lift', $lifted, $model->draw($lifted)->lab(), self::LAYER_COST);
        }
        if (! $drawn) {
            foreach ($this->changes($stack, $most) as [$change, $changed]) {
                $try($change, $changed, $model->draw($changed)->lab(), 0.0);
            }
        }
        usort($found, static fn (array $a, array $b): int => $a[1] <=> $b[1]);
        $maker = new RecipeMaker($this->predictor, $this->box);

        return array_map(static fn (array $change): Recipe => $maker->make($change[0], $target, $change[1]), array_slice($found, 0, $top));
    }

    private function coat(Pencil $pencil): PencilCoat
    {
        $model = $this->predictor->model;
        $coat = $model->layer($model->bare(), $model->optics[(string) $pencil->id], PencilKind::HEAVY_PERCENT / 100.0, (float) PencilKind::HEAVY_COATS)->lab();

        return new PencilCoat($coat, PencilKind::of($pencil->fullCoat ?? $coat), $pencil->binder, $pencil->opacity);
    }

    /**
     * A stack with one step changed or left out, no layer pressed harder than may be where it lies.
     *
     * @return \Generator<array{string, Stack}>
     */
    private function changes(Stack $stack, int $mostLast): \Generator
    {
        foreach ($stack->steps as $at => $step) {
            $with = static function (?Step $other) use ($stack, $at): Stack {
                $steps = $stack->steps;
                array_splice($steps, $at, 1, $other === null ? [] : [$other]);

                return Stack::of(...$steps);
            };
            if (count($stack) > 1) {
                yield ["without $at", $with(null)];
            }
            if (! $step->isLayer()) {
                continue;
            }
            foreach (self::BY as $by) {
                $percent = $step->pressurePercent + $by;
                $most = max($step->pressurePercent, $at < count($stack) - 1 ? (float) Manner::FIRM_PERCENT : (float) $mostLast);
                if ($percent >= Pressure::MIN_PERCENT && $percent <= $most) {
                    yield ["pressure $at", $with($step->withPressure($percent))];
                }
            }
            foreach ([-1, 1] as $by) {
                $passes = $step->passes + $by;
                if ($passes >= 1 && $passes <= Manner::LAYER_COATS) {
                    yield ["passes $at", $with($step->withPasses($passes))];
                }
            }
        }
    }
}
