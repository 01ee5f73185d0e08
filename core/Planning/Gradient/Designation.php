<?php

declare(strict_types=1);

namespace Prism\Planning\Gradient;

use Prism\Colour\Lab;
use Prism\Colour\ValueScale;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Materials\Kit;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;
use Prism\Planning\ValuePart;

/**
 * A few given pencils, whatever their hues, set to the values they serve: this one is my light, these are middle, that is dark.
 * Each takes the steps of the value ladder that it reaches best, from a whisper to a firm coat.
 */
final readonly class Designation
{
    public const FEWEST = 2;

    public const MOST = 5;

    /** Rungs are tried with these pressures, percent and passes. */
    private const TOUCHES = [[20, 1], [30, 1], [40, 1], [50, 1], [45, 2], [45, 3], [50, 5], [60, 4], [70, 2], [80, 3]];

    /** What blends lies over the coat of another: percent and coats. */
    private const BLENDING = [50, 2];

    /** The two darkest over one another, back and forth: percent and coats of each. */
    private const TOGETHER = [50, 2];

    /** A rung that lies in another part's share of the values, in steps, so much nearer must a pencil come. */
    private const FOREIGN = 0.9;

    /**
     * @param  list<array{pencil: Pencil, part: string, coat: Lab, from: int, to: int}>  $pencils  lightest first: light, middle,
     *                                                                                             dark or blend, and from which
     *                                                                                             step of nine to which
     * @param  list<array{step: int, stack: Stack, colour: Lab, reached: bool}>  $ladder  from 9 down to 1: what draws each step
     */
    private function __construct(public array $pencils, public array $ladder)
    {
    }

    /**
     * @param  array<string, ValuePart>  $parts  set by hand, by RANGE:NUMBER, also against a pencil's own value; what is not set is found
     *
     * @throws \InvalidArgumentException unless it is two to five pencils, of which one at least does more than blend
     * @throws \Prism\Layering\UnknownPencil
     */
    public static function of(Kit $pencils, Predictor $predictor, array $parts = []): self
    {
        if (count($pencils) < self::FEWEST || count($pencils) > self::MOST) {
            throw new \InvalidArgumentException(sprintf('%d pencils cannot be set to light, middle and dark; choose %d to %d.', count($pencils), self::FEWEST, self::MOST));
        }
        $byId = $coats = $tried = [];
        $blends = array_keys(array_filter($parts, static fn (ValuePart $part): bool => $part === ValuePart::Blend));
        foreach ($pencils as $pencil) {
            $id = (string) $pencil->id;
            $byId[$id] = $pencil;
            foreach (self::TOUCHES as [$percent, $passes]) {
                $coat = Step::layer($pencil->id, $percent, $passes);
                $coats[$id] = $predictor->predict(Stack::of($coat))->colour;
                if (in_array($id, $blends, true)) {
                    continue;
                }
                $tried[] = [$id, Stack::of($coat), $coats[$id]];
                foreach ($blends as $blend) {
                    $stack = Stack::of($coat, Step::layer(PencilId::of($blend), ...self::BLENDING));
                    $tried[] = [$id, $stack, $predictor->predict($stack)->colour];
                }
            }
        }
        if ($tried === []) {
            throw new \InvalidArgumentException('All of these are set only to blend; set one at least to light, middle or dark.');
        }
        uasort($coats, static fn (Lab $a, Lab $b): int => $b->L <=> $a->L);
        $order = array_keys($coats);
        $drawing = array_values(array_diff($order, $blends));
        $found = array_fill_keys($blends, ValuePart::Blend);
        foreach ($drawing as $i => $id) {
            $found[$id] = $parts[$id] ?? match ($i) {
                0 => ValuePart::Light,
                count($drawing) - 1 => ValuePart::Dark,
                default => ValuePart::Middle,
            };
        }
        if (count($drawing) > 1) {
            // The two darkest over one another reach further down than either.
            [$over, $under] = array_slice($drawing, -2);
            $stack = Stack::of(Step::layer($byId[$under]->id, ...self::TOGETHER), Step::layer($byId[$over]->id, ...self::TOGETHER), Step::layer($byId[$under]->id, ...self::TOGETHER));
            $tried[] = [$under, $stack, $predictor->predict($stack)->colour];
        }
        $ladder = self::ladder($tried, $found);
        $from = $to = [];
        foreach ($ladder as $rung) {
            if ($rung['reached']) {
                $from[$rung['id']] ??= $rung['step'];
                $to[$rung['id']] = $rung['step'];
            }
        }
        $list = [];
        foreach ($order as $id) {
            $own = ValueScale::step($coats[$id]->L);
            $list[] = ['pencil' => $byId[$id], 'part' => $found[$id]->value, 'coat' => $coats[$id], 'from' => $from[$id] ?? $own, 'to' => $to[$id] ?? $own];
        }

        return new self($list, array_map(static fn (array $rung): array => ['step' => $rung['step'], 'stack' => $rung['stack'], 'colour' => $rung['colour'], 'reached' => $rung['reached']], $ladder));
    }

    /**
     * Each rung by what comes nearest to it, those first whose part of the values it lies in, so that each pencil draws its own part and
     * none takes them all.
     *
     * @param  non-empty-list<array{string, Stack, Lab}>  $tried
     * @param  array<string, ValuePart>  $parts
     * @return list<array{step: int, stack: Stack, colour: Lab, reached: bool, id: string}>
     */
    private static function ladder(array $tried, array $parts): array
    {
        $L = array_map(static fn (array $one): float => $one[2]->L, $tried);
        $dark = min($L);
        $span = max(1e-6, max($L) - $dark);
        $ladder = [];
        for ($rung = ValueScale::STEPS; $rung >= 1; $rung--) {
            $goal = ValueScale::lightnessOf($rung);
            $share = max(0.0, min(1.0, ($goal - $dark) / $span));
            $off = static function (array $one) use ($goal, $share, $parts): float {
                $away = max(0.0, abs($parts[$one[0]]->midst() - $share) - 1.0 / 6.0);

                return abs($one[2]->L - $goal) / ValueScale::stepSize() + ($away > 1e-9 ? self::FOREIGN : 0.0);
            };
            usort($tried, static fn (array $a, array $b): int => $off($a) <=> $off($b));
            [$id, $stack, $colour] = $tried[0];
            $ladder[] = ['step' => $rung, 'stack' => $stack, 'colour' => $colour, 'reached' => abs($colour->L - $goal) <= ValueScale::stepSize() / 2, 'id' => $id];
        }

        return $ladder;
    }
}
