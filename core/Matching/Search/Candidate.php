<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

use Prism\Layering\Look;
use Prism\Matching\Sketch;
use Prism\Matching\TouchBook;

/** Layers with what is seen of them and what they cost as an answer to a target. */
final readonly class Candidate
{
    public function __construct(public Sketch $sketch, public Look $look, public float $cost)
    {
    }

    public function costing(float $cost): self
    {
        return new self($this->sketch, $this->look, $cost);
    }

    /** The pencils whatever their order. */
    public function set(): string
    {
        return implode(',', $this->sketch->pencils());
    }

    /** Share of the pencils that both use, of all that either uses, near-twins being one: 1 for the same set. */
    public function sharedWith(self $other, TouchBook $book): float
    {
        $own = $others = [];
        foreach ($this->sketch->members as [$pencil]) {
            $own[$book->twin($pencil)] = true;
        }
        foreach ($other->sketch->members as [$pencil]) {
            $others[$book->twin($pencil)] = true;
        }
        $either = count($own + $others);

        return $either === 0 ? 1.0 : count(array_intersect_key($own, $others)) / $either;
    }

    /**
     * @param  array<array-key, self>  $candidates
     * @return ($candidates is non-empty-array ? non-empty-list<self> : list<self>) cheapest first
     */
    public static function ranked(array $candidates): array
    {
        usort($candidates, static fn (self $a, self $b): int => $a->cost <=> $b->cost);

        return $candidates;
    }
}
