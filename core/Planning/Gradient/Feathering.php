<?php

declare(strict_types=1);

namespace Prism\Planning\Gradient;

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Materials\PencilId;

/**
 * A gradient of n pencils: each alone, and each two together where the darker is laid over the end of the lighter, make
 * 2n - 1 steps, each with its place along the form and what it looks like.
 *
 * It is laid in rounds over the whole form, as many as the dark end needs to come to the darkest that its pencil reaches lightly;
 * what differs from step to step is the pressure, chosen so that values fall evenly from the light end to the dark.
 */
final readonly class Feathering
{
    /** Pressures stand on this grid, percent: from a whisper to what may still be laid over. */
    private const PERCENTS = [20, 25, 30, 35, 40, 45, 50, 55, 60];

    /** The light end: one pencil, so lightly. */
    private const LIGHT_END = 30;

    public const MOST_ROUNDS = 6;

    /** A round more that darkens the dark end by less than this, L*, is not worth its time. */
    private const WORTH = 1.5;

    /** What evens the strokes at the end, percent; a white or the lightest pencil. */
    private const FINISH = 60;

    /** Nearer to the one before than this, in dE00, a step is hardly told from it. */
    public const TOLD_APART = 1.0;

    /**
     * @param  ?int  $rounds  over the whole form; null where each value has layers of its own
     * @param  list<array{stack: Stack, colour: Lab, from: float, to: float, apart: float|null}>  $steps  light to dark; places as shares of the length; apart: dE00 from the one before
     */
    private function __construct(public ?int $rounds, public array $steps)
    {
    }

    /**
     * @param  list<PencilId>  $pencils  light to dark, two or more
     * @param  ?PencilId  $white  that it is finished with, where that is asked for
     *
     * @throws \InvalidArgumentException if there is nothing to join, or no white to finish with
     * @throws \Prism\Layering\UnknownPencil
     */
    public static function of(array $pencils, Predictor $predictor, GradientFinish $finish = GradientFinish::Layers, ?PencilId $white = null): self
    {
        $spans = Joins::spans(count($pencils), 1.0);
        $look = static fn (Stack $stack): Lab => $predictor->model->draw($stack)->lab();
        $rounds = self::rounds($pencils[count($pencils) - 1], $look);
        $places = [];
        foreach ($pencils as $i => $pencil) {
            $places[] = [[$pencil], $spans[$i - 1]['to'] ?? 0.0, $spans[$i + 1]['from'] ?? 1.0];
            if (isset($pencils[$i + 1])) {
                $places[] = [[$pencil, $pencils[$i + 1]], $spans[$i + 1]['from'], $spans[$i]['to']];
            }
        }
        $last = count($places) - 1;
        $light = $look(Stack::of(Step::layer($pencils[0], self::LIGHT_END, $rounds)))->L;
        $dark = $look(Stack::of(Step::layer($pencils[count($pencils) - 1], self::darkest(), $rounds)))->L;
        $steps = [];
        $before = null;
        foreach ($places as $at => [$of, $from, $to]) {
            $wanted = $light + ($dark - $light) * $at / $last;
            $stack = self::nearest($of, $rounds, $wanted, $at === 0 ? self::LIGHT_END : null, $look);
            $stack = self::finished($stack, $finish, $finish === GradientFinish::White ? ($white ?? throw new \InvalidArgumentException('There is no white to finish it with.')) : $pencils[0]);
            $colour = $look($stack);
            $steps[] = ['stack' => $stack, 'colour' => $colour, 'from' => $from, 'to' => $to, 'apart' => $before === null ? null : $colour->differenceTo($before)];
            $before = $colour;
        }

        return new self($rounds, $steps);
    }

    /**
     * The values of a form, each by layers of its own: where two meet, half of the coats of each lie over one another.
     *
     * @param  list<Stack>  $stacks  light to dark, two or more
     * @param  list<array{from: float, to: float}>  $spans  where each lies, as shares of the length
     * @param  PencilId  $by  white or lightest pencil that it is finished with, where that is asked for
     */
    public static function between(array $stacks, array $spans, Predictor $predictor, GradientFinish $finish, PencilId $by): self
    {
        $steps = [];
        $before = null;
        $add = static function (Stack $stack, float $from, float $to) use ($predictor, $finish, $by, &$steps, &$before): void {
            $stack = self::finished($stack, $finish, $by);
            $colour = $predictor->model->draw($stack)->lab();
            $steps[] = ['stack' => $stack, 'colour' => $colour, 'from' => $from, 'to' => $to, 'apart' => $before === null ? null : $colour->differenceTo($before)];
            $before = $colour;
        };
        foreach ($stacks as $i => $stack) {
            $add($stack, max(0.0, $spans[$i - 1]['to'] ?? 0.0), min(1.0, $spans[$i + 1]['from'] ?? 1.0));
            if (isset($stacks[$i + 1])) {
                $add(self::together($stack, $stacks[$i + 1]), $spans[$i + 1]['from'], $spans[$i]['to']);
            }
        }

        return new self(null, $steps);
    }

    /** Half of the coats of each, a pencil never over itself. */
    private static function together(Stack $light, Stack $dark): Stack
    {
        $steps = [];
        foreach ([...$light->steps, ...$dark->steps] as $step) {
            $half = $step->withPasses(max(1, intdiv($step->passes, 2)));
            $last = count($steps) - 1;
            if ($last >= 0 && $steps[$last]->pencil !== null && (string) $steps[$last]->pencil === (string) $half->pencil) {
                $steps[$last] = $half->withPasses(min(Step::MAX_PASSES, $steps[$last]->passes + $half->passes));

                continue;
            }
            $steps[] = $half;
        }

        return Stack::of(...$steps);
    }

    /**
     * As many as still darken the dark end.
     *
     * @param  \Closure(Stack): Lab  $look
     */
    private static function rounds(PencilId $darkest, \Closure $look): int
    {
        $before = INF;
        for ($rounds = 1; $rounds < self::MOST_ROUNDS; $rounds++) {
            $L = $look(Stack::of(Step::layer($darkest, self::darkest(), $rounds)))->L;
            if ($before - $L < self::WORTH) {
                return max(1, $rounds - 1);
            }
            $before = $L;
        }

        return self::MOST_ROUNDS;
    }

    /**
     * One pencil, or the darker over the lighter, in so many rounds, at the pressures that come nearest to a value.
     *
     * @param  list<PencilId>  $pencils  one or two
     * @param  ?int  $percent  of the first, where that is settled
     * @param  \Closure(Stack): Lab  $look
     */
    private static function nearest(array $pencils, int $rounds, float $wanted, ?int $percent, \Closure $look): Stack
    {
        $best = null;
        $least = INF;
        foreach (self::PERCENTS as $own) {
            if ($percent !== null && $own !== $percent) {
                continue;
            }
            // Two share the rounds: what each adds comes to about one pencil's coats.
            $shared = isset($pencils[1]) ? [Step::layer($pencils[0], $own, max(1, intdiv($rounds + 1, 2))), Step::layer($pencils[1], $own, max(1, intdiv($rounds + 1, 2)))] : [Step::layer($pencils[0], $own, $rounds)];
            $stack = Stack::of(...$shared);
            $miss = abs($look($stack)->L - $wanted);
            if ($miss < $least - 1e-9) {
                $least = $miss;
                $best = $stack;
            }
        }

        return $best ?? Stack::of();
    }

    private static function finished(Stack $stack, GradientFinish $finish, PencilId $by): Stack
    {
        return match ($finish) {
            GradientFinish::Layers => $stack,
            GradientFinish::Blender => $stack->then(Step::blend()),
            GradientFinish::White, GradientFinish::Lightest => (string) $stack->steps[count($stack) - 1]->pencil === (string) $by ? $stack : $stack->then(Step::layer($by, self::FINISH)),
        };
    }

    private static function darkest(): int
    {
        return self::PERCENTS[count(self::PERCENTS) - 1];
    }
}
