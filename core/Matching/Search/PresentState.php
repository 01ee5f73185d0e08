<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

use Prism\Colour\Lab;
use Prism\Layering\Passage;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\Step;

/**
 * The passage that most likely lies there, from what is believed to have been laid and what is seen: of a light or heavy hand,
 * and of one coat left out or laid twice, what makes the two agree best, weighed against how rare each mishap is. What still
 * differs is put into the passage as it is seen, so that all that follows starts from there.
 */
final readonly class PresentState
{
    /** How far a hand's weight lies from its own, one standard deviation, logarithm; and how far it is looked for. */
    private const HAND = 0.2;

    private const HANDS = [-0.45, -0.36, -0.28, -0.2, -0.13, -0.06, 0.0, 0.06, 0.13, 0.2, 0.28, 0.36, 0.45];

    /** What a coat left out or laid twice costs, in half squares of standard deviations: rarer than either hand. */
    private const COAT = 2.4;

    /** So many of them are told apart at most, and none that is so much less likely than the likeliest. */
    private const MOST = 6;

    private const UNLIKELY = 0.08;

    /** Of a drawing by another hand than the model's, layers took on paper with more tooth left than this, and hardly on any with less (bench, review). */
    private const FULL_TOOTH = 0.17;

    /** What reading adds to the doubt of a prediction, dE00. */
    private const READING = 0.8;

    /** @param  list<?Step>  $laid  for each step that was believed what was most likely laid; null: it was left out */
    private function __construct(public Passage $passage, public array $laid)
    {
    }

    /** Whether hardly anything takes there any more, whatever it is laid with. */
    public function isFull(): bool
    {
        return $this->passage->toothLeft() < self::FULL_TOOTH;
    }

    /**
     * What lies there most likely.
     *
     * @throws \Prism\Layering\UnknownPencil
     */
    public static function of(Predictor $predictor, Stack $believed, ?Lab $seen): self
    {
        return self::likely($predictor, $believed, $seen)[0][0];
    }

    /**
     * All that may well lie there, each with the hand that makes it agree best.
     *
     * @return non-empty-list<array{self, float}> likeliest first; how likely, 1 in all
     *
     * @throws \Prism\Layering\UnknownPencil
     */
    public static function likely(Predictor $predictor, Stack $believed, ?Lab $seen): array
    {
        $model = $predictor->model;
        if ($seen === null) {
            return [[new self($model->draw($believed), $believed->steps), 1.0]];
        }
        $sigma = hypot($predictor->predict($believed)->sigma * 0.7, self::READING);
        $found = [];
        foreach (self::mishaps($believed) as [$mishap, $rare]) {
            $best = null;
            $least = INF;
            foreach (self::HANDS as $hand) {
                $laid = array_map(static fn (?Step $step): ?Step => $step?->pressing(exp($hand)), $mishap);
                $passage = $model->draw(Stack::of(...self::steps($laid)));
                $cost = 0.5 * ($passage->lab()->differenceTo($seen) / $sigma) ** 2 + 0.5 * ($hand / self::HAND) ** 2 + $rare;
                if ($cost < $least) {
                    $least = $cost;
                    $best = [$passage, $laid];
                }
            }
            if ($best !== null) {
                $found[] = [...$best, $least];
            }
        }
        usort($found, static fn (array $one, array $other): int => $one[2] <=> $other[2]);
        [$passage, $laid, $least] = array_shift($found) ?? [$model->bare(), $believed->steps, 0.0];
        $states = [[new self($passage->seenAs($seen), $laid), 1.0]];
        $sum = 1.0;
        foreach (array_slice($found, 0, self::MOST - 1) as [$passage, $laid, $cost]) {
            $likely = exp($least - $cost);
            if ($likely >= self::UNLIKELY) {
                $states[] = [new self($passage->seenAs($seen), $laid), $likely];
                $sum += $likely;
            }
        }

        return array_map(static fn (array $state): array => [$state[0], $state[1] / $sum], $states);
    }

    /** @return list<array{list<?Step>, float}> what may have been laid for each step, and how rare that is */
    private static function mishaps(Stack $believed): array
    {
        $found = [[$believed->steps, 0.0]];
        $instead = static fn (int $at, ?Step $step): array => array_values(array_replace($believed->steps, [$at => $step]));
        foreach ($believed->steps as $at => $step) {
            if (! $step->isLayer()) {
                continue;
            }
            $found[] = [$instead($at, $step->passes > 1 ? $step->withPasses($step->passes - 1) : null), self::COAT];
            if ($step->passes > 2) {
                // The whole layer, not a coat of it.
                $found[] = [$instead($at, null), self::COAT];
            }
            $more = min(Step::MAX_PASSES, 2 * $step->passes);
            if ($more > $step->passes) {
                $found[] = [$instead($at, $step->withPasses($more)), self::COAT];
            }
            if ($step->passes > 1 && $step->passes < Step::MAX_PASSES) {
                $found[] = [$instead($at, $step->withPasses($step->passes + 1)), self::COAT];
            }
        }

        return $found;
    }

    /**
     * @param  list<?Step>  $steps
     * @return list<Step>
     */
    private static function steps(array $steps): array
    {
        return array_values(array_filter($steps, static fn (?Step $step): bool => $step !== null));
    }
}
