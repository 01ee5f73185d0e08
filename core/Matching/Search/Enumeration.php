<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

use Prism\Colour\Lab;
use Prism\Layering\Look;
use Prism\Layering\Passage;
use Prism\Layering\ToothModel;
use Prism\Matching\Cost\Cost;
use Prism\Matching\Cost\Laid;
use Prism\Matching\Limits;
use Prism\Matching\Manner;
use Prism\Matching\Sketch;
use Prism\Matching\Target;
use Prism\Matching\TouchBook;

/**
 * Every stack of up to three layers that a small box gives at a few pressures: slow and sure, to measure the search by.
 */
final class Enumeration
{
    /** Percent and coats. */
    public const TOUCHES = [[25, 1], [40, 1], [45, 3], [50, 5], [70, 2]];

    private readonly TouchBook $book;

    /** @var list<array<int, float>> L*, a*, b*, tooth left, grain; stack after stack */
    private array $columns = [[], [], [], [], []];

    /** @var list<int> layers as numbers, three to a stack, -1 for none */
    private array $layers = [];

    /** @param  list<string>  $ids  about a dozen pencils */
    public function __construct(private readonly ToothModel $model, array $ids)
    {
        $this->book = new TouchBook($model, $ids);
        $this->grow($model->bare(), []);
    }

    public function count(): int
    {
        return count($this->columns[0]);
    }

    /** The least cost of any of these stacks, as the search would judge it. */
    public function leastCost(Target $target, Limits $limits): float
    {
        $cost = Cost::of($target, $limits, $this->book);
        $manner = Manner::of($limits, $target, $this->model);
        [$L, $a, $b, $tooth, $grain] = $this->columns;
        $least = INF;
        foreach ($L as $i => $value) {
            // No stack costs less than its miss alone would, but for what schools take off.
            if ($cost->atLeast($target->miss($value, $a[$i], $b[$i])) >= $least) {
                continue;
            }
            $layers = $this->stack($i);
            if ($manner->allows($layers, $this->book)) {
                $least = min($least, $cost->at(Laid::of(Sketch::of($layers), new Look(Lab::of($value, $a[$i], $b[$i]), $grain[$i], $tooth[$i]), $this->book)));
            }
        }

        return $least;
    }

    /** @param  list<int>  $below */
    private function grow(Passage $passage, array $below): void
    {
        $settings = count($this->book->ids) * count(self::TOUCHES);
        for ($setting = 0; $setting < $settings; $setting++) {
            [$index, $percent, $coats] = $this->layer($setting);
            if ($below !== [] && $this->layer($below[count($below) - 1])[0] === $index) {
                // That is one layer with more coats.
                continue;
            }
            $after = $this->model->lay($passage, $this->book->touch($index, $percent, $coats));
            $lab = $after->lab();
            $this->columns[0][] = $lab->L;
            $this->columns[1][] = $lab->a;
            $this->columns[2][] = $lab->b;
            $this->columns[3][] = $after->toothLeft();
            $this->columns[4][] = $after->grain();
            $stack = [...$below, $setting];
            array_push($this->layers, $stack[0], $stack[1] ?? -1, $stack[2] ?? -1);
            if (count($stack) < 3) {
                $this->grow($after, $stack);
            }
        }
    }

    /** @return list<array{int, int, int}> */
    private function stack(int $i): array
    {
        $layers = [];
        for ($at = 3 * $i; $at < 3 * $i + 3 && $this->layers[$at] >= 0; $at++) {
            $layers[] = $this->layer($this->layers[$at]);
        }

        return $layers;
    }

    /** @return array{int, int, int} index, percent, coats */
    private function layer(int $setting): array
    {
        $touches = count(self::TOUCHES);

        return [intdiv($setting, $touches), ...self::TOUCHES[$setting % $touches]];
    }
}
