<?php

declare(strict_types=1);

namespace Prism\Matching\Advice;

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Matching\Recipe;
use Prism\Matching\Target;
use Prism\Materials\Kit;

/**
 * Answers "what does it need?": the best one change to a stack, or one more layer on what is drawn, that brings a nudge.
 */
final readonly class Nudger
{
    /** Pressures of a layer that is tried on top, and changes of pressure that are tried, percent. */
    private const OVER = [20, 30, 40, 50, 65, 85];

    private const BY = [-20, -15, -10, -5, 5, 10, 15, 20];

    private const MOST_PASSES = 4;

    /** A change that goes less than this share of the way is none. */
    private const LEAST_PROGRESS = 0.25;

    /** Of a further layer against a change of what is planned, dE00. */
    private const LAYER_COST = 0.3;

    public function __construct(private Predictor $predictor, private Kit $box)
    {
    }

    /**
     * @param  bool  $drawn  what is there lies on the paper already: only more can be laid on it, or lifted
     * @return list<Recipe> best first, of different changes; none if nothing in the box goes that way
     *
     * @throws \Prism\Layering\UnknownPencil
     */
    public function best(Stack $stack, Nudge $nudge, bool $drawn = false, int $top = 3): array
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
        foreach ($this->box as $id => $pencil) {
            if (! isset($model->optics[$id])) {
                continue;
            }
            foreach (self::OVER as $percent) {
                $step = Step::layer($pencil->id, $percent);
                $try("over $id", $stack->then($step), $model->glance($passage, $model->touch($model->optics[$id], $percent / 100.0, 1.0)), self::LAYER_COST);
            }
        }
        if (count($stack) > 0) {
            $lifted = $stack->then(Step::lift());
            $try('lift', $lifted, $model->draw($lifted)->lab(), self::LAYER_COST);
        }
        if (! $drawn) {
            foreach ($this->changes($stack) as [$change, $changed]) {
                $try($change, $changed, $model->draw($changed)->lab(), 0.0);
            }
        }
        usort($found, static fn (array $a, array $b): int => $a[1] <=> $b[1]);
        $maker = new RecipeMaker($this->predictor, $this->box);

        return array_map(static fn (array $change): Recipe => $maker->make($change[0], Target::colour($goal), $change[1]), array_slice($found, 0, $top));
    }

    /**
     * A stack with one step changed or left out.
     *
     * @return \Generator<array{string, Stack}>
     */
    private function changes(Stack $stack): \Generator
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
                if ($percent >= Pressure::MIN_PERCENT && $percent <= Pressure::MAX_PERCENT) {
                    yield ["pressure $at", $with($step->withPressure($percent))];
                }
            }
            foreach ([-1, 1] as $by) {
                $passes = $step->passes + $by;
                if ($passes >= 1 && $passes <= self::MOST_PASSES) {
                    yield ["passes $at", $with($step->withPasses($passes))];
                }
            }
        }
    }
}
