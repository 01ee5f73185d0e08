<?php

declare(strict_types=1);

namespace Prism\Calibration;

use Prism\Layering\Doubt;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Materials\PencilId;

/**
 * Which swatches would teach most. A swatch takes doubt (variance of a prediction) from every recipe that uses its pencils,
 * the more the fewer swatches these have; a pair that recipes use and that was never drawn in this order is worth a layer's
 * doubt each time. What is learnt weighs by how unsure the swatch itself is. One after the other, each counted with those before it.
 */
final class Lessons
{
    /** A pencil, or an ordered pair, that no recipe uses is still worth this much of one that does. */
    private const UNUSED_PENCIL = 1.0;

    private const UNUSED_PAIR = 0.05;

    /** Two coats of one pencil are the same swatch if their pressures are this near, percent. */
    private const SAME_PRESSURE = 12.0;

    /** @var array<string, int> swatches by pencil */
    private array $counts;

    /** @var array<string, true> ordered pairs that were drawn, "lower over" */
    private array $drawnPairs = [];

    /** @var array<string, list<float>> pressures at which a pencil was drawn alone */
    private array $drawnAlone = [];

    /** @var array<string, int> recipes by pencil */
    private array $used = [];

    /** @var array<string, int> recipes by ordered pair */
    private array $usedPairs = [];

    /**
     * @param  list<string>  $pencils  RANGE:NUMBER, all known to the predictor
     * @param  list<Stack>  $drawn  what is in the swatch book
     * @param  list<Stack>  $recipes  what the artist draws
     */
    public function __construct(private readonly Predictor $predictor, private readonly array $pencils, array $drawn, array $recipes)
    {
        $this->counts = array_fill_keys($pencils, 0);
        foreach ($drawn as $stack) {
            $this->draw($stack);
        }
        foreach ($recipes as $stack) {
            foreach ($stack->pencils() as $pencil) {
                $this->used[(string) $pencil] = ($this->used[(string) $pencil] ?? 0) + 1;
            }
            foreach (self::pairsOf($stack) as $pair) {
                $this->usedPairs[$pair] = ($this->usedPairs[$pair] ?? 0) + 1;
            }
        }
    }

    /** @return list<array{stack: Stack, worth: float, why: string}> best first */
    public function best(int $most = 10): array
    {
        $candidates = array_map(fn (Stack $stack): array => [$stack, $this->predictor->predict($stack)->sigma], $this->candidates());
        $lessons = [];
        while (count($lessons) < $most) {
            $best = null;
            $bestWorth = 0.0;
            foreach ($candidates as $i => [$stack, $sigma]) {
                $worth = $this->worth($stack, $sigma);
                if ($worth > $bestWorth) {
                    $bestWorth = $worth;
                    $best = $i;
                }
            }
            if ($best === null) {
                break;
            }
            $stack = $candidates[$best][0];
            $lessons[] = ['stack' => $stack, 'worth' => $bestWorth, 'why' => $this->why($stack)];
            $this->draw($stack);
            unset($candidates[$best]);
        }

        return $lessons;
    }

    /** What a swatch would teach now. */
    public function worth(Stack $stack, float $sigma): float
    {
        $learnt = 0.0;
        foreach ($stack->pencils() as $pencil) {
            $count = $this->counts[(string) $pencil] ?? 0;
            $learnt += (self::UNUSED_PENCIL + ($this->used[(string) $pencil] ?? 0)) * (Doubt::ofPencil($count) ** 2 - Doubt::ofPencil($count + 1) ** 2);
        }
        foreach (self::pairsOf($stack) as $pair) {
            if (! isset($this->drawnPairs[$pair])) {
                $learnt += (self::UNUSED_PAIR + ($this->usedPairs[$pair] ?? 0)) * Doubt::ofLayer() ** 2;
            }
        }

        return $learnt * $sigma;
    }

    /** @return list<Stack> coats of single pencils that were not drawn, and pairs that recipes use or that touch a used pencil */
    private function candidates(): array
    {
        $candidates = [];
        foreach ($this->pencils as $id) {
            foreach (ChartStacks::PRESSURES as [$percent, $passes]) {
                $near = array_filter($this->drawnAlone[$id] ?? [], static fn (float $had): bool => abs($had - $percent) < self::SAME_PRESSURE);
                if ($near === []) {
                    $candidates[] = Stack::of(Step::layer(PencilId::of($id), $percent, $passes));
                }
            }
        }
        foreach (array_keys($this->usedPairs) as $pair) {
            [$lower, $upper] = explode(' ', $pair);
            if (isset($this->counts[$lower], $this->counts[$upper]) && ! isset($this->drawnPairs[$pair])) {
                $candidates[] = ChartStacks::built(PencilId::of($lower), PencilId::of($upper));
            }
        }
        // Where nothing is used yet, the pencils next to each other in the box stand for pairs.
        for ($i = 1; $i < count($this->pencils); $i++) {
            if (! isset($this->drawnPairs[$this->pencils[$i - 1].' '.$this->pencils[$i]])) {
                $candidates[] = ChartStacks::built(PencilId::of($this->pencils[$i - 1]), PencilId::of($this->pencils[$i]));
            }
        }

        return $candidates;
    }

    private function why(Stack $stack): string
    {
        $unknown = array_filter($stack->pencils(), fn (PencilId $pencil): bool => ($this->counts[(string) $pencil] ?? 0) === 0);
        usort($unknown, fn (PencilId $one, PencilId $other): int => ($this->used[(string) $other] ?? 0) <=> ($this->used[(string) $one] ?? 0));
        if ($unknown !== []) {
            return sprintf('%s has no swatch yet', $unknown[0]->number).$this->inRecipes((string) $unknown[0]);
        }
        foreach (self::pairsOf($stack) as $pair) {
            $used = $this->usedPairs[$pair] ?? 0;
            if ($used > 0 && ! isset($this->drawnPairs[$pair])) {
                return sprintf('%s over %s is in %d of your recipes and was never swatched', $stack->steps[1]->pencil?->number, $stack->steps[0]->pencil?->number, $used);
            }
        }
        $few = $stack->pencils()[0];
        foreach ($stack->pencils() as $pencil) {
            $few = ($this->counts[(string) $pencil] ?? 0) < ($this->counts[(string) $few] ?? 0) ? $pencil : $few;
        }
        $count = $this->counts[(string) $few] ?? 0;

        return sprintf('%s has %s', $few->number, $count === 1 ? 'only one swatch' : sprintf('%d swatches, none like this', $count)).$this->inRecipes((string) $few);
    }

    private function inRecipes(string $pencil): string
    {
        $used = $this->used[$pencil] ?? 0;

        return $used === 0 ? '' : sprintf(' and is in %d of your recipes', $used);
    }

    private function draw(Stack $stack): void
    {
        foreach ($stack->pencils() as $pencil) {
            $this->counts[(string) $pencil] = ($this->counts[(string) $pencil] ?? 0) + 1;
        }
        foreach (self::pairsOf($stack) as $pair) {
            $this->drawnPairs[$pair] = true;
        }
        if (count($stack) === 1 && $stack->steps[0]->pencil !== null) {
            $this->drawnAlone[(string) $stack->steps[0]->pencil][] = $stack->steps[0]->pressurePercent;
        }
    }

    /** @return list<string> "lower upper" for each two layers that lie on one another */
    private static function pairsOf(Stack $stack): array
    {
        $pairs = [];
        for ($i = 1; $i < count($stack->steps); $i++) {
            $lower = $stack->steps[$i - 1]->pencil;
            $upper = $stack->steps[$i]->pencil;
            if ($lower !== null && $upper !== null && (string) $lower !== (string) $upper) {
                $pairs[] = $lower.' '.$upper;
            }
        }

        return $pairs;
    }
}
