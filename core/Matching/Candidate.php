<?php

declare(strict_types=1);

namespace Prism\Matching;

/** A stack inside the search, by index of pencil, with what it costs. */
final readonly class Candidate
{
    /** @param  list<array{int, int, int}>  $layers bottom to top: index of the pencil, percent, passes */
    public function __construct(public array $layers, public float $cost)
    {
    }

    /** The pencils in their order; two candidates of one key differ in pressures only. */
    public function key(): string
    {
        return implode('>', array_column($this->layers, 0));
    }

    /** @return list<int> the pencils it needs, each once */
    public function pencils(): array
    {
        $pencils = [];
        foreach ($this->layers as [$pencil]) {
            $pencils[$pencil] = $pencil;
        }
        sort($pencils);

        return $pencils;
    }

    /** The pencils whatever their order. */
    public function set(): string
    {
        return implode(',', $this->pencils());
    }

    /** Share of the pencils that both use, of all that either uses: 1 for the same set. */
    public function sharedWith(self $other): float
    {
        $own = array_flip(array_column($this->layers, 0));
        $others = array_flip(array_column($other->layers, 0));

        $either = count($own + $others);

        return $either === 0 ? 1.0 : count(array_intersect_key($own, $others)) / $either;
    }
}
