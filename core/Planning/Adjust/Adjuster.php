<?php

declare(strict_types=1);

namespace Prism\Planning\Adjust;

use Prism\Colour\Lab;
use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\ToothModel;
use Prism\Matching\Manner;
use Prism\Matching\Permitted;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\PencilKind;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;

/**
 * Brings the colours of a zone some way, together, by one layer more of a pencil that lies out already: the layer that comes
 * nearest to what is wanted of all of them. Their order of values stays and the schools allow it; a paper that
 * takes no more shows in the prediction, since the colours then do not go far enough.
 */
final readonly class Adjuster
{
    /** Pressures that are tried, percent; each colour takes so many coats as serve it. */
    private const PERCENTS = [20, 30, 40, 50];

    private const COATS = [1, 2, 3];

    /** All colours together go so much of the way at least, each so much of it; and no further from the goal than this share of it. */
    private const LEAST_WAY = 0.5;

    private const OWN_WAY = 0.2;

    private const MOST_MISS = 0.8;

    /** Of what is grey already there is nothing to make quieter, CIELAB. */
    private const LEAST_LENGTH = 0.5;

    /** Two values of a zone keep so much of what lies between them, L*. */
    private const KEEPS_APART = 0.6;

    /** A touch less is as good, in CIELAB for each coat. */
    private const COAT = 0.15;

    /** @param  Kit  $pencils  that lie out */
    public function __construct(private ToothModel $model, private Kit $pencils)
    {
    }

    /**
     * @param  array<string, Stack>  $stacks  by target; colours without one, or of bare paper, stay as they are
     * @return ?Adjustment null where no pencil that lies out does it
     */
    public function towards(Aim $aim, PictureZone $zone, array $stacks): ?Adjustment
    {
        $colours = [];
        foreach ($zone->targets as $target) {
            $stack = $stacks[$target->id] ?? null;
            if ($stack !== null && $stack->layerCount() > 0 && $target->role->isOfForm()) {
                $colours[] = [$target, $stack, $this->model->draw($stack)->lab()];
            }
        }
        if ($colours === []) {
            return null;
        }
        $best = null;
        $least = INF;
        foreach ($this->pencils as $id => $pencil) {
            if ($pencil->fullCoat === null || in_array(PencilKind::of($pencil->fullCoat), [PencilKind::Black, PencilKind::White], true)) {
                continue;
            }
            foreach (self::PERCENTS as $percent) {
                [$adjustment, $cost] = $this->tried($aim, $zone, $colours, Step::layer($pencil->id, $percent), (string) $id);
                if ($adjustment !== null && $cost < $least) {
                    $least = $cost;
                    $best = $adjustment;
                }
            }
        }

        return $best;
    }

    /**
     * @param  non-empty-list<array{PictureTarget, Stack, Lab}>  $colours
     * @return array{?Adjustment, float} and what it costs, in CIELAB
     */
    private function tried(Aim $aim, PictureZone $zone, array $colours, Step $layer, string $id): array
    {
        $adjusted = [];
        $cost = $gone = $missed = 0.0;
        $most = null;
        foreach ($colours as [$target, $stack, $before]) {
            $goal = Target::colour($target->drawn)->inShadow($zone->light->isShadow());
            $limits = $zone->limits(count($stack) + 1, $goal);
            if (! Permitted::pencil($id, PencilKind::of($this->pencils->get($layer->pencil ?? throw new \LogicException)->fullCoat ?? $before), $goal, $limits)) {
                return [null, INF];
            }
            $way = $aim->of($before);
            $length = sqrt($way[0] ** 2 + $way[1] ** 2 + $way[2] ** 2);
            if ($length < self::LEAST_LENGTH) {
                continue;
            }
            $best = null;
            foreach (self::COATS as $coats) {
                $laid = $this->laid($stack, $layer->withPasses($coats), Manner::of($limits, $goal, $this->model));
                if ($laid === null) {
                    continue;
                }
                [$with, $own] = $laid;
                $after = $this->model->draw($with)->lab();
                $moved = [$after->L - $before->L, $after->a - $before->a, $after->b - $before->b];
                $miss = sqrt(($moved[0] - $way[0]) ** 2 + ($moved[1] - $way[1]) ** 2 + ($moved[2] - $way[2]) ** 2) + self::COAT * $coats;
                if ($best === null || $miss < $best['miss']) {
                    $best = ['stack' => $with, 'after' => $after, 'miss' => $miss, 'layer' => $own, 'gone' => ($moved[0] * $way[0] + $moved[1] * $way[1] + $moved[2] * $way[2]) / $length ** 2];
                }
            }
            if ($best === null || $best['gone'] < self::OWN_WAY) {
                return [null, INF];
            }
            $gone += $best['gone'];
            $missed += $best['miss'] / $length;
            $cost += $best['miss'];
            $most = $most === null || $best['layer']->passes > $most->passes ? $best['layer'] : $most;
            $adjusted[$target->id] = ['stack' => $best['stack'], 'before' => $before, 'after' => $best['after']];
        }
        $count = count($adjusted);
        $does = $most !== null && $adjusted !== [] && $gone >= self::LEAST_WAY * $count && $missed <= self::MOST_MISS * $count && self::keepsOrder($adjusted);

        return $does ? [new Adjustment($zone->id, $most, $adjusted), $cost / $count] : [null, INF];
    }

    /**
     * On top; below what ends the passage where that is firm.
     *
     * @return ?array{Stack, Step} with it, and the layer as it is laid; null where the paper does not bear it
     */
    private function laid(Stack $stack, Step $layer, Manner $manner): ?array
    {
        $steps = $stack->steps;
        $last = count($steps) - 1;
        $ends = $steps[$last]->pencil === null || $steps[$last]->pressurePercent > Manner::FIRM_PERCENT;
        $at = $ends ? $last : $last + 1;
        $under = $steps[$at - 1] ?? null;
        if ($under !== null && (string) $under->pencil === (string) $layer->pencil) {
            // A pencil is never laid over itself: that is more coats.
            if ($under->passes + $layer->passes > Manner::LAYER_COATS) {
                return null;
            }
            $steps[$at - 1] = $under->withPasses($under->passes + $layer->passes);
            $layer = $under->withPasses($layer->passes);
        } else {
            array_splice($steps, $at, 0, [$layer]);
            if ((string) ($steps[$at + 1]->pencil ?? '') === (string) $layer->pencil) {
                return null;
            }
        }
        $coats = array_sum(array_map(static fn (Step $step): int => $step->isLayer() ? $step->passes : 0, $steps));
        if ($coats > $manner->mostCoats || $layer->pressurePercent >= Pressure::BURNISH_PERCENT) {
            return null;
        }

        return [Stack::of(...$steps), $layer];
    }

    /** @param  array<string, array{stack: Stack, before: Lab, after: Lab}>  $adjusted */
    private static function keepsOrder(array $adjusted): bool
    {
        $adjusted = array_values($adjusted);
        foreach ($adjusted as $i => $one) {
            foreach (array_slice($adjusted, $i + 1) as $other) {
                $was = $one['before']->L - $other['before']->L;
                if (($one['after']->L - $other['after']->L) * ($was <=> 0.0) < self::KEEPS_APART * abs($was)) {
                    return false;
                }
            }
        }

        return true;
    }
}
