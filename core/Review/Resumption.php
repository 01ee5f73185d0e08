<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Colour\Lab;
use Prism\Colour\Words\Difference;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;

/** Where a stack that is being laid has got to, by what is seen and without any log: coat by coat, whichever beginning of it looks most like that. */
final readonly class Resumption
{
    /**
     * @param  Stack  $rest  what is still to be laid of it; empty where all of it seems to lie there
     * @param  Lab  $after  what will be seen then
     * @param  float  $dE00  of what is seen from that beginning
     */
    private function __construct(public Stack $rest, public Lab $after, public float $dE00)
    {
    }

    /** @throws \Prism\Layering\UnknownPencil */
    public static function of(Stack $planned, Lab $seen, Predictor $predictor): self
    {
        $best = null;
        $model = $predictor->model;
        foreach (self::beginnings($planned) as [$laid, $rest]) {
            $passage = $model->draw($laid);
            $miss = $passage->lab()->differenceTo($seen);
            if ($best === null || $miss < $best->dE00) {
                $best = new self($rest, $model->draw($rest, $passage->seenAs($seen))->lab(), $miss);
            }
        }

        return $best ?? new self(Stack::of(), $seen, 0.0);
    }

    /** What comes of going on, in words. */
    public function words(Lab $wanted): string
    {
        $layers = $this->rest->layerCount();

        return sprintf('Go on with the plan: %d %s to come. After it: %s.', $layers, $layers === 1 ? 'layer' : 'layers', Difference::between($this->after, $wanted)->words);
    }

    /** @return list<array{Stack, Stack}> what lies there, and the rest */
    private static function beginnings(Stack $planned): array
    {
        $found = [];
        foreach ($planned->steps as $at => $step) {
            for ($coats = 0; $coats < ($step->isLayer() ? $step->passes : 1); $coats++) {
                $of = static fn (int $passes): array => $passes === 0 ? [] : [$step->withPasses($passes)];
                $found[] = [Stack::of(...array_slice($planned->steps, 0, $at), ...$of($coats)), Stack::of(...($step->isLayer() ? $of($step->passes - $coats) : [$step]), ...array_slice($planned->steps, $at + 1))];
            }
        }
        $found[] = [$planned, Stack::of()];

        return $found;
    }
}
