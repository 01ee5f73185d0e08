<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Colour\Appearance;
use Prism\Colour\Difference;
use Prism\Colour\Wheel;
use Prism\Layering\Predictor;
use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Materials\Binder;
use Prism\Materials\Kit;

/** Turns a stack into a recipe for a target: prediction, difference in words, underlayer, warnings. */
final readonly class RecipeMaker
{
    /** Above this dE00 the target counts as out of reach. */
    private const OUT_OF_REACH = 6.0;

    private const PAPER_FULL = 0.04;

    private const LOW_TOOTH = 0.15;

    /** An underlayer is laid no harder than this, and lies this far round the wheel (of 18 parts) from the target. */
    public const UNDERLAYER_PERCENT = 50.0;

    public const UNDERLAYER_DISTANCE = 5.0;

    private const BLOOM_PERCENT = 80.0;

    private const BLOOM_LIGHTNESS = 45.0;

    public function __construct(private Predictor $predictor, private Kit $kit)
    {
    }

    /** @throws \Prism\Layering\UnknownPencil */
    public function make(Stack $stack, Target $target, float $cost = 0.0): Recipe
    {
        $prediction = $this->predictor->predict($stack);
        $difference = Difference::between($prediction->colour, $target->colour);

        return new Recipe($stack, $prediction, $difference, $this->underlayer($stack, $target), $this->warnings($stack, $target, $prediction->toothLeft, $difference, $prediction->colour->L), $cost);
    }

    private function underlayer(Stack $stack, Target $target): ?int
    {
        $first = $stack->steps[0] ?? null;
        if ($first?->pencil === null || $stack->layerCount() < 2 || $first->pressurePercent > self::UNDERLAYER_PERCENT) {
            return null;
        }
        $goal = Appearance::of($target->colour);
        $own = Appearance::of($this->predictor->model->draw(Stack::of($first))->lab());
        if ($goal->isNeutral() || $own->isNeutral()) {
            return null;
        }

        return Wheel::distance($goal->wheelPosition, $own->wheelPosition) >= self::UNDERLAYER_DISTANCE ? 0 : null;
    }

    /** @return list<Warning> */
    private function warnings(Stack $stack, Target $target, float $toothLeft, Difference $difference, float $L): array
    {
        $warnings = [];
        $miss = $target->valueOnly ? abs($difference->dL) : $difference->dE00;
        if ($miss > self::OUT_OF_REACH) {
            $warnings[] = Warning::OutOfReach;
        }
        if ($toothLeft < self::PAPER_FULL) {
            $warnings[] = Warning::PaperFull;
        } elseif ($toothLeft < self::LOW_TOOTH) {
            $warnings[] = Warning::LowTooth;
        }
        $last = count($stack) - 1;
        foreach ($stack->steps as $index => $step) {
            if ($step->pencil === null) {
                continue;
            }
            $pencil = $this->kit->get($step->pencil);
            if (in_array($pencil->lightfastness, ['IV', 'V'], true)) {
                $warnings[] = Warning::Fades;
            }
            if ($pencil->binder === Binder::Wax && $step->pressurePercent >= self::BLOOM_PERCENT && $L < self::BLOOM_LIGHTNESS) {
                $warnings[] = Warning::Bloom;
            }
            if ($index < $last && $step->pressurePercent >= Pressure::BURNISH_PERCENT) {
                $warnings[] = Warning::ClosesEarly;
            }
        }

        return array_values(array_unique($warnings, SORT_REGULAR));
    }
}
