<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Colour\Appearance;
use Prism\Colour\Difference;
use Prism\Colour\Wheel;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Materials\Kit;

/** Turns a stack into a recipe for a target: prediction, difference in words, underlayer, warnings. */
final readonly class RecipeMaker
{
    /** An underlayer is laid no harder than this, and lies this far round the wheel (of 18 parts) from the target. */
    public const UNDERLAYER_PERCENT = 50.0;

    public const UNDERLAYER_DISTANCE = 5.0;

    private Warnings $warnings;

    public function __construct(private Predictor $predictor, Kit $kit)
    {
        $this->warnings = new Warnings($predictor->model, $kit);
    }

    /** @throws \Prism\Layering\UnknownPencil */
    public function make(Stack $stack, Target $target, float $cost = 0.0): Recipe
    {
        $prediction = $this->predictor->predict($stack);
        $difference = Difference::between($prediction->colour, $target->colour);

        return new Recipe($stack, $prediction, $difference, $this->underlayer($stack, $target), $this->warnings->of($stack, $target, $prediction, $difference), $cost);
    }

    /** Index of the step that is laid first, lightly, in another hue; null if there is none. */
    public function underlayer(Stack $stack, Target $target): ?int
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
}
