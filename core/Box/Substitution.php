<?php

declare(strict_types=1);

namespace Prism\Box;

use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Matching\Advice\RecipeMaker;
use Prism\Matching\Limits;
use Prism\Matching\Recipe;
use Prism\Matching\Search;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\PencilId;

/** What to take instead of a pencil, or of a whole recipe, out of another kit: the nearest pencil, and the nearest mix. */
final class Substitution
{
    /** A pencil stands for another as it is laid lightly, in the middle and heavily. */
    public const STRENGTHS = ['light' => [30.0, 1], 'medium' => [60.0, 1], 'heavy' => [90.0, 2]];

    /** @var array<string, ?PencilId> */
    private array $nearest = [];

    private readonly RecipeMaker $maker;

    /**
     * @param  Predictor  $predictor  knows the kit and what is to be replaced
     * @param  Kit  $kit  to choose from; all known to the predictor
     * @param  Search  $search  of that kit
     * @param  Kit  $all  the kit and what is to be replaced
     */
    public function __construct(private readonly Predictor $predictor, private readonly Kit $kit, private readonly Search $search, Kit $all)
    {
        $this->maker = new RecipeMaker($predictor, $all);
    }

    /** The one pencil that comes nearest at light, medium and heavy together, other than itself; null if there is no other. */
    public function nearestPencil(PencilId $pencil): ?PencilId
    {
        if (array_key_exists((string) $pencil, $this->nearest)) {
            return $this->nearest[(string) $pencil];
        }
        $looks = fn (string $id): array => array_map(fn (array $strength) => $this->predictor->model->draw(self::laid($id, $strength))->lab(), self::STRENGTHS);
        $goal = $looks((string) $pencil);
        $best = null;
        $least = INF;
        foreach ($this->kit->ids() as $id) {
            if ($id === (string) $pencil) {
                continue;
            }
            $miss = 0.0;
            foreach ($looks($id) as $strength => $lab) {
                $miss += $goal[$strength]->differenceTo($lab);
            }
            if ($miss < $least) {
                $least = $miss;
                $best = $id;
            }
        }

        return $this->nearest[(string) $pencil] = $best === null ? null : PencilId::of($best);
    }

    /**
     * A pencil laid lightly, in the middle and heavily; the nearest pencil laid so; and the nearest mix for each.
     *
     * @return array<string, array{wanted: Recipe, pencil: ?Recipe, mix: Recipe}> by strength; differences are from what is wanted
     */
    public function ofPencil(PencilId $pencil, Limits $limits = new Limits(top: 1)): array
    {
        $other = $this->nearestPencil($pencil);
        $found = [];
        foreach (self::STRENGTHS as $name => $strength) {
            $wanted = self::laid((string) $pencil, $strength);
            $target = Target::colour($this->predictor->model->draw($wanted)->lab());
            $found[$name] = [
                'wanted' => $this->maker->make($wanted, $target),
                'pencil' => $other === null ? null : $this->maker->make(self::laid((string) $other, $strength), $target),
                'mix' => $this->mix($target, $limits, $pencil),
            ];
        }

        return $found;
    }

    /**
     * A recipe in pencils of the kit: each pencil that is missing replaced by its nearest, and the nearest mix for the
     * colour as a whole.
     *
     * @return array{wanted: Recipe, swapped: ?Recipe, mix: Recipe, swaps: array<string, PencilId>} swapped is null where the kit has all of it
     */
    public function ofStack(Stack $stack, Limits $limits = new Limits(top: 1)): array
    {
        $target = Target::colour($this->predictor->model->draw($stack)->lab());
        $swaps = [];
        $steps = [];
        foreach ($stack->steps as $step) {
            $other = $step->pencil === null || $this->kit->has($step->pencil) ? null : $this->nearestPencil($step->pencil);
            if ($step->pencil !== null && $other !== null) {
                $swaps[(string) $step->pencil] = $other;
                $step = Step::layer($other, $step->pressurePercent, $step->passes);
            }
            $steps[] = $step;
        }

        return [
            'wanted' => $this->maker->make($stack, $target),
            'swapped' => $swaps === [] ? null : $this->maker->make(Stack::of(...$steps), $target),
            'mix' => $this->search->find($target, $limits, $this->kit)[0],
            'swaps' => $swaps,
        ];
    }

    private function mix(Target $target, Limits $limits, PencilId $without): Recipe
    {
        return $this->search->find($target, $limits, $this->kit->where(static fn ($pencil): bool => (string) $pencil->id !== (string) $without))[0];
    }

    /** @param  array{float, int}  $strength */
    private static function laid(string $id, array $strength): Stack
    {
        return Stack::of(Step::layer(PencilId::of($id), $strength[0], $strength[1]));
    }
}
