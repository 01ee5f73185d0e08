<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Colour\Lab;
use Prism\Colour\ValueScale;
use Prism\Layering\Predictor;
use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Materials\Kit;
use Prism\Materials\Pencil;

/**
 * A few given pencils, whatever their hues, set to the values they serve: this one is my light, these are middle, that is dark.
 * Each takes the steps of the value ladder that it reaches best, from a whisper to a firm coat.
 */
final readonly class Designation
{
    public const FEWEST = 2;

    public const MOST = 5;

    /** Rungs are tried with these pressures, percent and passes. */
    private const TOUCHES = [[20, 1], [35, 1], [50, 1], [65, 1], [65, 2], [80, 2], [95, 2]];

    private const UNDER = [65, 2];

    /**
     * @param  list<array{pencil: Pencil, part: string, coat: Lab, from: int, to: int}>  $pencils  lightest first: light, middle or
     *                                                                                             dark, and from which step of
     *                                                                                             nine to which
     * @param  list<array{step: int, stack: Stack, colour: Lab, reached: bool}>  $ladder  from 9 down to 1: what draws each step
     */
    private function __construct(public array $pencils, public array $ladder)
    {
    }

    /**
     * @throws \InvalidArgumentException unless it is two to five pencils
     * @throws \Prism\Layering\UnknownPencil
     */
    public static function of(Kit $pencils, Predictor $predictor): self
    {
        if (count($pencils) < self::FEWEST || count($pencils) > self::MOST) {
            throw new \InvalidArgumentException(sprintf('%d pencils cannot be set to light, middle and dark; choose %d to %d.', count($pencils), self::FEWEST, self::MOST));
        }
        $byId = $coats = $tried = [];
        foreach ($pencils as $pencil) {
            $id = (string) $pencil->id;
            $byId[$id] = $pencil;
            foreach (self::TOUCHES as [$percent, $passes]) {
                $stack = Stack::of(Step::layer($pencil->id, $percent, $passes));
                $coats[$id] = $predictor->predict($stack)->colour;
                $tried[] = [$id, $stack, $coats[$id]];
            }
        }
        uasort($coats, static fn (Lab $a, Lab $b): int => $b->L <=> $a->L);
        $order = array_keys($coats);
        // The two darkest over one another reach further down than either.
        [$under, $over] = array_slice($order, -2);
        $stack = Stack::of(Step::layer($byId[$over]->id, ...self::UNDER), Step::layer($byId[$under]->id, Pressure::BURNISH_PERCENT));
        $tried[] = [$over, $stack, $predictor->predict($stack)->colour];
        $ladder = $from = $to = [];
        for ($rung = ValueScale::STEPS; $rung >= 1; $rung--) {
            $L = ValueScale::lightnessOf($rung);
            usort($tried, static fn (array $a, array $b): int => abs($a[2]->L - $L) <=> abs($b[2]->L - $L));
            [$id, $stack, $colour] = $tried[0];
            $reached = abs($colour->L - $L) <= ValueScale::stepSize() / 2;
            $ladder[] = ['step' => $rung, 'stack' => $stack, 'colour' => $colour, 'reached' => $reached];
            if ($reached) {
                $from[$id] ??= $rung;
                $to[$id] = $rung;
            }
        }
        $list = [];
        foreach ($order as $i => $id) {
            $own = ValueScale::step($coats[$id]->L);
            $list[] = [
                'pencil' => $byId[$id],
                'part' => $i === 0 ? 'light' : ($i === count($order) - 1 ? 'dark' : 'middle'),
                'coat' => $coats[$id], 'from' => $from[$id] ?? $own, 'to' => $to[$id] ?? $own,
            ];
        }

        return new self($list, $ladder);
    }
}
