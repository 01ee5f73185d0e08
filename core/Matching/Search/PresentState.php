<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

use Prism\Colour\Lab;
use Prism\Layering\Passage;
use Prism\Layering\Predictor;
use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Layering\Step;

/**
 * The passage that most likely lies there, from what is believed to have been laid and what is seen: of a light or heavy hand,
 * and of one coat left out or laid twice, what makes the two agree best, weighed against how rare each mishap is. What still
 * differs is put into the passage as it is seen, so that all that follows starts from there.
 */
final class PresentState
{
    /** How far a hand's weight lies from its own, one standard deviation, logarithm; and how far it is looked for. */
    private const HAND = 0.12;

    private const HANDS = [-0.45, -0.36, -0.28, -0.2, -0.13, -0.06, 0.0, 0.06, 0.13, 0.2, 0.28, 0.36, 0.45];

    /** What a coat left out or laid twice costs, in half squares of standard deviations: rarer than either hand. */
    private const COAT = 1.6;

    /** What reading adds to the doubt of a prediction, dE00. */
    private const READING = 0.8;

    /**
     * @throws \Prism\Layering\UnknownPencil
     */
    public static function of(Predictor $predictor, Stack $believed, ?Lab $seen): Passage
    {
        $model = $predictor->model;
        if ($seen === null) {
            return $model->draw($believed);
        }
        $sigma = hypot($predictor->predict($believed)->sigma * 0.7, self::READING);
        $best = null;
        $least = INF;
        foreach (self::mishaps($believed) as [$stack, $rare]) {
            foreach (self::HANDS as $hand) {
                $passage = $model->draw(self::pressed($stack, exp($hand)));
                $cost = 0.5 * ($passage->lab()->differenceTo($seen) / $sigma) ** 2 + 0.5 * ($hand / self::HAND) ** 2 + $rare;
                if ($cost < $least) {
                    $least = $cost;
                    $best = $passage;
                }
            }
        }

        return ($best ?? $model->bare())->seenAs($seen);
    }

    /** @return list<array{Stack, float}> what may have been laid, and how rare that is */
    private static function mishaps(Stack $believed): array
    {
        $found = [[$believed, 0.0]];
        foreach ($believed->steps as $at => $step) {
            if (! $step->isLayer()) {
                continue;
            }
            $found[] = [$step->passes > 1 ? $believed->with($at, $step->withPasses($step->passes - 1)) : $believed->without($at), self::COAT];
            if ($step->passes > 2) {
                // The whole layer, not a coat of it.
                $found[] = [$believed->without($at), self::COAT];
            }
            $more = min(Step::MAX_PASSES, 2 * $step->passes);
            if ($more > $step->passes) {
                $found[] = [$believed->with($at, $step->withPasses($more)), self::COAT];
            }
            if ($step->passes > 1 && $step->passes < Step::MAX_PASSES) {
                $found[] = [$believed->with($at, $step->withPasses($step->passes + 1)), self::COAT];
            }
        }

        return $found;
    }

    private static function pressed(Stack $stack, float $by): Stack
    {
        return Stack::of(...array_map(
            static fn (Step $step): Step => $step->isLayer() ? $step->withPressure(max(Pressure::MIN_PERCENT, min(Pressure::MAX_PERCENT, $step->pressurePercent * $by))) : $step,
            $stack->steps,
        ));
    }
}
