<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Colour\Lab;
use Prism\Matching\Search\PairLibrary;
use Prism\Materials\Kit;
use Prism\Materials\PencilId;
use Prism\Materials\PencilKind;
use Prism\Schools\SchoolSet;

/**
 * The colours that a box can make with one or two pencils, counted in cells of CIELAB: what lies in one cell an artist
 * would call one colour. Sets of cells can be joined and taken from one another, so that what a pencil adds can be counted.
 */
final readonly class Gamut
{
    /** Edge of a cell in L*, a* and b*. */
    public const CELL = 8.0;

    private const OFFSET = 128;

    /** What a school has in a dark is asked for one as dark as this, L*: neither black itself nor in the light. */
    private const DARK_L = 32.0;

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
        return self::with($library, array_fill(0, count($library->ids), true));
    }

    /** Without the pencils that the schools do not have in a dark. */
    public static function permitted(PairLibrary $library, Kit $kit, SchoolSet $schools): self
    {
        $dark = Target::colour(Lab::of(self::DARK_L, 0.0, 0.0));
        $limits = new Limits(schools: $schools);
        $kinds = array_map(static fn (string $id): PencilKind => PencilKind::of($kit->get(PencilId::of($id))->fullCoat ?? $dark->colour), $library->ids);

        return self::with($library, array_map(static fn (string $id, PencilKind $kind): bool => Permitted::pencil($id, $kind, $dark, $limits), $library->ids, $kinds));
    }

    /** @param  list<bool>  $has  which pencils, by index */
    private static function with(PairLibrary $library, array $has): self
    {
        $cells = [];
        $count = count($library->ids);
        foreach ($library->L as $i => $L) {
            $pair = intdiv($i, PairLibrary::GROUP);
            if ($has[intdiv($pair, $count)] && $has[$pair % $count]) {
                $cells[self::cell($L, $library->a[$i], $library->b[$i])] = true;
            }
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
