<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Colour\Lab;
use Prism\Matching\Search\PairLibrary;

/**
 * The colours that a box can make with one or two pencils, counted in cells of CIELAB: what lies in one cell an artist
 * would call one colour. Sets of cells can be joined and taken from one another, so that what a pencil adds can be counted.
 */
final readonly class Gamut
{
    /** Edge of a cell in L*, a* and b*. */
    public const CELL = 8.0;

    private const OFFSET = 128;

    /** @param  array<int, true>  $cells */
    private function __construct(private array $cells)
    {
    }

    public static function none(): self
    {
        return new self([]);
    }

    public static function of(PairLibrary $library): self
    {
        $cells = [];
        foreach ($library->L as $i => $L) {
            $cells[self::cell($L, $library->a[$i], $library->b[$i])] = true;
        }

        return new self($cells);
    }

    /** @param  iterable<Lab>  $colours */
    public static function ofColours(iterable $colours): self
    {
        $cells = [];
        foreach ($colours as $lab) {
            $cells[self::cell($lab->L, $lab->a, $lab->b)] = true;
        }

        return new self($cells);
    }

    public function and(self $other): self
    {
        return new self($this->cells + $other->cells);
    }

    /** What this has and the other has not. */
    public function without(self $other): self
    {
        return new self(array_diff_key($this->cells, $other->cells));
    }

    public function has(Lab $colour): bool
    {
        return isset($this->cells[self::cell($colour->L, $colour->a, $colour->b)]);
    }

    public function count(): int
    {
        return count($this->cells);
    }

    /** @return list<Lab> the middle of each cell */
    public function colours(): array
    {
        $colours = [];
        foreach (array_keys($this->cells) as $cell) {
            $at = static fn (int $shift): float => ((($cell >> $shift) & 0xFF) - self::OFFSET + 0.5) * self::CELL;
            $colours[] = Lab::of(max(0.0, min(100.0, $at(16))), $at(8), $at(0));
        }

        return $colours;
    }

    private static function cell(float $L, float $a, float $b): int
    {
        return (((int) floor($L / self::CELL) + self::OFFSET) << 16) | (((int) floor($a / self::CELL) + self::OFFSET) << 8) | ((int) floor($b / self::CELL) + self::OFFSET);
    }
}
