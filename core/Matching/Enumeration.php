<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Layering\Passage;
use Prism\Layering\ToothModel;

/**
 * Every stack of up to three layers that a small box gives at a few pressures: slow and sure, to measure the search by.
 */
final class Enumeration
{
    public const PRESSURES = [25, 40, 55, 75, 92];

    private readonly TouchBook $book;

    /** @var list<array<int, float>> L*, a*, b*, tooth left; stack after stack */
    private array $columns = [[], [], [], []];

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
        $judge = new Judge($this->book, $target, $limits);
        [$L, $a, $b, $tooth] = $this->columns;
        $least = INF;
        foreach ($L as $i => $value) {
            $miss = $target->miss($value, $a[$i], $b[$i]);
            // No stack costs less than its miss alone would, but for the gain of an underlayer.
            if ($judge->atLeast($miss) < $least) {
                $least = min($least, $judge->cost($miss, $tooth[$i], $this->stack($i)));
            }
        }

        return $least;
    }

    /** @param  list<int>  $below */
    private function grow(Passage $passage, array $below): void
    {
        $settings = count($this->book->ids) * count(self::PRESSURES);
        for ($setting = 0; $setting < $settings; $setting++) {
            [$index, $percent] = $this->layer($setting);
            $after = $this->model->lay($passage, $this->book->touch($index, $percent, 1));
            $lab = $after->lab();
            $this->columns[0][] = $lab->L;
            $this->columns[1][] = $lab->a;
            $this->columns[2][] = $lab->b;
            $this->columns[3][] = $after->toothLeft();
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
            $layers[] = [...$this->layer($this->layers[$at]), 1];
        }

        return $layers;
    }

    /** @return array{int, int} index and percent */
    private function layer(int $setting): array
    {
        $pressures = count(self::PRESSURES);

        return [intdiv($setting, $pressures), self::PRESSURES[$setting % $pressures]];
    }
}
