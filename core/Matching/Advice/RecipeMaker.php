<?php

declare(strict_types=1);

namespace Prism\Matching\Advice;

use Prism\Colour\Wheel;
use Prism\Colour\Words\Difference;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Matching\Cost\ComplementTerm;
use Prism\Matching\Manner;
use Prism\Matching\PencilCoat;
use Prism\Matching\Recipe;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\PencilKind;

/** Turns a stack into a recipe for a target: prediction, difference in words, underlayer, warnings. */
final readonly class RecipeMaker
{
    private Warnings $warnings;

    /** @param  bool  $isNearest  what it is asked for are the nearest that were found in the whole box */
    public function __construct(private Predictor $predictor, Kit $kit, bool $isNearest = false)
    {
        $this->warnings = new Warnings($predictor->model, $kit, $isNearest);
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
        if ($first?->pencil === null || $stack->layerCount() < 2 || ! $target->hasComplement()
            || $first->pressurePercent > Manner::UNDER_PERCENT || $first->passes > Manner::UNDER_COATS) {
            return null;
        }
        $coat = $this->predictor->model->draw(Stack::of($first->withPressure(PencilKind::HEAVY_PERCENT)->withPasses(PencilKind::HEAVY_COATS)))->lab();
        $distance = Wheel::distance(Wheel::position($target->colour->hueDegrees()), Wheel::position($coat->hueDegrees()));

        return $coat->chroma() > PencilCoat::COLOURED && $distance >= ComplementTerm::FROM ? 0 : null;
    }
}
