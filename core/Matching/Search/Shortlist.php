<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

/** Keeps the n items of least distance out of very many offers. */
final class Shortlist
{
    /** @var array<int, float> */
    private array $distances = [];

    /** @var array<int, int> */
    private array $items = [];

    private float $worst = INF;

    public function __construct(private readonly int $size)
    {
    }

    public function offer(float $distance, int $item): void
    {
        if ($distance >= $this->worst) {
            return;
        }
        $at = count($this->items);
        $this->distances[] = $distance;
        $this->items[] = $item;
        while ($at > 0 && $this->distances[$at - 1] > $distance) {
            $this->distances[$at] = $this->distances[$at - 1];
            $this->items[$at] = $this->items[$at - 1];
            $at--;
        }
        $this->distances[$at] = $distance;
        $this->items[$at] = $item;
        if (count($this->items) > $this->size) {
            array_pop($this->distances);
            array_pop($this->items);
        }
        if (count($this->items) === $this->size) {
            $this->worst = $this->distances[$this->size - 1];
        }
    }

    /** @return list<int> nearest first */
    public function kept(): array
    {
        return array_values($this->items);
    }
}
