<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Materials\PencilId;

/**
 * A gradient of n pencils: each alone, and each two together where the darker is laid over the end of the lighter, make
 * 2n - 1 steps, each with its place along the form and what it looks like.
 */
final readonly class Feathering
{
    /** A light hand, so that one can be laid over the other; alone, two passes of it. */
    private const PERCENT = 40.0;

    private const ALONE_PASSES = 2;

    /** Nearer to the one before than this, in dE00, a step is hardly told from it. */
    public const TOLD_APART = 1.0;

    /** @param  list<array{stack: Stack, colour: Lab, from: float, to: float, apart: float|null}>  $steps  light to dark; places as shares of the length; apart: dE00 from the one before */
    private function __construct(public array $steps)
    {
    }

    /**
     * @param  list<PencilId>  $pencils  light to dark, two or more
     *
     * @throws \InvalidArgumentException if there is nothing to join
     * @throws \Prism\Layering\UnknownPencil
     */
    public static function of(array $pencils, Predictor $predictor): self
    {
        $spans = Joins::spans(count($pencils), 1.0);
        $steps = [];
        $before = null;
        $add = static function (Stack $stack, float $from, float $to) use ($predictor, &$steps, &$before): void {
            $colour = $predictor->predict($stack)->colour;
            $steps[] = ['stack' => $stack, 'colour' => $colour, 'from' => $from, 'to' => $to, 'apart' => $before === null ? null : $colour->differenceTo($before)];
            $before = $colour;
        };
        foreach ($pencils as $i => $pencil) {
            $add(Stack::of(Step::layer($pencil, self::PERCENT, self::ALONE_PASSES)), $spans[$i - 1]['to'] ?? 0.0, $spans[$i + 1]['from'] ?? 1.0);
            if (isset($pencils[$i + 1])) {
                $add(Stack::of(Step::layer($pencil, self::PERCENT), Step::layer($pencils[$i + 1], self::PERCENT)), $spans[$i + 1]['from'], $spans[$i]['to']);
            }
        }

        return new self($steps);
    }
}
