<?php

declare(strict_types=1);

namespace Prism\Matching;

/**
 * Layers as a search moves them: members from the bottom to the top, of which one run may be laid in rounds. A pencil never
 * follows itself: that is one layer with more coats.
 *
 * A layer is the index of its pencil, percent and coats.
 *
 * @phpstan-type Layer array{int, int, int}
 */
final readonly class Sketch
{
    /** @var list<Layer> every layer, rounds written out */
    public array $layers;

    /**
     * @param  list<Layer>  $members
     * @param  int  $from  first member of the run
     * @param  int  $length  members of the run, 0 for none
     * @param  int  $times  rounds of it
     */
    private function __construct(public array $members, public int $from, public int $length, public int $times)
    {
        $run = array_slice($members, $from, $length);
        $layers = array_slice($members, 0, $from);
        for ($round = 0; $round < $times; $round++) {
            array_push($layers, ...$run);
        }
        $this->layers = [...$layers, ...array_slice($members, $from + $length)];
    }

    /** @param  list<Layer>  $members */
    public static function of(array $members): self
    {
        return new self(self::merged($members), 0, 0, 1);
    }

    /** @param  Layer  $member */
    public function with(int $at, array $member): self
    {
        $members = $this->members;
        array_splice($members, $at, 1, [$member]);

        return $this->again($members);
    }

    /** Without one member; a run of one that is left is one layer. */
    public function without(int $at): self
    {
        $members = $this->members;
        array_splice($members, $at, 1);
        if ($this->length === 0) {
            return self::of($members);
        }
        $inside = $at >= $this->from && $at < $this->from + $this->length;
        $length = $this->length - ($inside ? 1 : 0);
        if ($length < 2) {
            return self::of($members);
        }
        $sketch = new self($members, $this->from - ($at < $this->from ? 1 : 0), $length, $this->times);

        return $sketch->isWhole() ? $sketch : self::of($members);
    }

    /** @param  Layer  $member */
    public function then(array $member): self
    {
        if ($this->length === 0) {
            return self::of([...$this->members, $member]);
        }
        $sketch = $this->again([...$this->members, $member]);

        return $sketch->isWhole() ? $sketch : $this;
    }

    /** @param  Layer  $member */
    public function over(array $member): self
    {
        $sketch = new self([$member, ...$this->members], $this->from + ($this->length > 0 ? 1 : 0), $this->length, $this->times);

        return $sketch->isWhole() ? $sketch : self::of($sketch->members);
    }

    /** The run laid so many times; null where a pencil would follow itself. */
    public function inRounds(int $from, int $length, int $times): ?self
    {
        $sketch = $times < 2 ? new self($this->members, 0, 0, 1) : new self($this->members, $from, $length, $times);

        return $sketch->isWhole() ? $sketch : null;
    }

    /** Which layer a member is first laid as. */
    public function layerOf(int $member): int
    {
        return $member < $this->from + $this->length ? $member : $member + ($this->times - 1) * $this->length;
    }

    /** Whether the last layer of all is this member. */
    public function isLast(int $member): bool
    {
        return $member === count($this->members) - 1;
    }

    public function isInRound(int $member): bool
    {
        return $this->times > 1 && $member >= $this->from && $member < $this->from + $this->length;
    }

    public function coats(): int
    {
        return array_sum(array_column($this->layers, 2));
    }

    /** The pencils in their order; two of one key differ in pressures, coats and rounds only. */
    public function key(): string
    {
        return implode('>', array_column($this->members, 0));
    }

    /** @return list<int> the pencils it needs, each once, in the order of the box */
    public function pencils(): array
    {
        $pencils = [];
        foreach ($this->members as [$pencil]) {
            $pencils[$pencil] = $pencil;
        }
        sort($pencils);

        return $pencils;
    }

    /** @param  list<Layer>  $members */
    private function again(array $members): self
    {
        return new self($members, $this->from, $this->length, $this->times);
    }

    private function isWhole(): bool
    {
        foreach ($this->layers as $i => [$pencil]) {
            if ($i > 0 && $this->layers[$i - 1][0] === $pencil) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  list<Layer>  $members
     * @return list<Layer>
     */
    private static function merged(array $members): array
    {
        $merged = [];
        foreach ($members as $member) {
            $last = count($merged) - 1;
            if ($last < 0 || $merged[$last][0] !== $member[0]) {
                $merged[] = $member;

                continue;
            }
            [$pencil, $percent, $coats] = $merged[$last];
            $all = $coats + $member[2];
            $mean = ($percent * $coats + $member[1] * $member[2]) / $all;
            $merged[$last] = [$pencil, (int) (round($mean / Manner::GRID) * Manner::GRID), min(Manner::LAYER_COATS, $all)];
        }

        return $merged;
    }
}
