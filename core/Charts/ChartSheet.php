<?php

declare(strict_types=1);

namespace Prism\Charts;

use Prism\Layering\Stack;

/**
 * @phpstan-type Cell array{number: int, x: float, y: float, width: float, height: float, stack: Stack, stripe: ?array{float, float, float, float}}
 *     the stripe is a black bar that is drawn over, by which one sees what the pencil covers
 *
 * One printed sheet of a chart, in millimetres from its upper left corner: four corner marks by which a picture of it can be
 * set straight, a bar that tells which way up it is, its number in squares, and numbered cells to be filled.
 */
final readonly class ChartSheet
{
    /** name => width, height */
    public const PAGES = ['a4' => [210.0, 297.0], 'letter' => [215.9, 279.4]];

    /** Edge of a corner mark, and of the white square in its middle. */
    public const MARK = 9.0;

    public const MARK_HOLE = 3.0;

    /** Of the middle of a mark from both edges of the sheet. */
    private const MARK_INSET = 13.0;

    public const COLUMNS = 6;

    private const LEFT = 11.0;

    private const TOP = 27.0;

    private const BOTTOM = 21.0;

    /** Cell: the line with its number, the field to be filled, lines of instruction. */
    private const PITCH = 27.6;

    private const FIELD_TOP = 4.2;

    private const FIELD_HEIGHT = 12.5;

    private const GAP = 4.6;

    /** Width of the bar at the end of a heavy field, mm. */
    private const STRIPE = 5.0;

    private const BITS = 6;

    public const MOST_SHEETS = 63;

    /**
     * @param  list<Cell>  $cells  fields to be filled
     */
    private function __construct(
        public string $page,
        public float $width,
        public float $height,
        public int $number,
        public int $sheets,
        public array $cells,
    ) {
    }

    /**
     * All sheets that a chart needs.
     *
     * @param  list<Stack>  $stacks  by cell; an empty one is the bare paper
     * @param  bool  $withStripes  whether heavy fields of one pencil lie half over a black bar
     * @return list<self>
     *
     * @throws \InvalidArgumentException if the page is unknown, or there are no cells or too many
     */
    public static function all(string $page, array $stacks, bool $withStripes = false): array
    {
        [$width, $height] = self::PAGES[$page] ?? throw new \InvalidArgumentException(sprintf('Charts are printed on %s, not on "%s".', implode(' or ', array_keys(self::PAGES)), $page));
        $rows = (int) floor(($height - self::TOP - self::BOTTOM) / self::PITCH);
        $each = $rows * self::COLUMNS;
        $sheets = (int) ceil(count($stacks) / $each);
        if ($sheets < 1 || $sheets > self::MOST_SHEETS) {
            throw new \InvalidArgumentException(sprintf('A chart has 1 to %d cells; this one has %d.', self::MOST_SHEETS * $each, count($stacks)));
        }
        $pitch = ($width - 2.0 * self::LEFT) / self::COLUMNS;
        $all = [];
        for ($sheet = 0; $sheet < $sheets; $sheet++) {
            $cells = [];
            foreach (array_slice($stacks, $sheet * $each, $each) as $i => $stack) {
                $x = self::LEFT + ($i % self::COLUMNS) * $pitch + self::GAP / 2.0;
                $y = self::TOP + intdiv($i, self::COLUMNS) * self::PITCH + self::FIELD_TOP;
                $long = $pitch - self::GAP;
                $cells[] = [
                    'number' => $sheet * $each + $i + 1, 'x' => $x, 'y' => $y, 'width' => $long, 'height' => self::FIELD_HEIGHT, 'stack' => $stack,
                    'stripe' => $withStripes && $stack->isHeavyCoat() ? [$x + $long - self::STRIPE, $y, self::STRIPE, self::FIELD_HEIGHT] : null,
                ];
            }
            $all[] = new self($page, $width, $height, $sheet + 1, $sheets, $cells);
        }

        return $all;
    }

    /** @return list<array{float, float}> middles of the corner marks: upper left, upper right, lower right, lower left */
    public function marks(): array
    {
        $i = self::MARK_INSET;

        return [[$i, $i], [$this->width - $i, $i], [$this->width - $i, $this->height - $i], [$i, $this->height - $i]];
    }

    /** @return array{float, float, float, float} the black bar beside the upper left mark: x, y, width, height */
    public function bar(): array
    {
        return [self::MARK_INSET + 8.0, self::MARK_INSET - 2.0, 14.0, 4.0];
    }

    /** @return list<array{float, float, float, float}> places of the squares that tell the number, lowest bit first, then the parity */
    public static function codePlaces(): array
    {
        $places = [];
        for ($bit = 0; $bit <= self::BITS; $bit++) {
            $places[] = [self::MARK_INSET + 27.0 + 5.0 * $bit, self::MARK_INSET - 1.5, 3.0, 3.0];
        }

        return $places;
    }

    /** @return list<bool> which of the {@see codePlaces()} are black */
    public function code(): array
    {
        $bits = [];
        for ($bit = 0; $bit < self::BITS; $bit++) {
            $bits[] = ($this->number >> $bit & 1) === 1;
        }

        return [...$bits, count(array_filter($bits)) % 2 === 1];
    }

    /**
     * The sheet's number; null if the squares do not agree.
     *
     * @param  list<bool>  $bits
     */
    public static function numberOf(array $bits): ?int
    {
        $parity = array_pop($bits);
        $number = 0;
        foreach ($bits as $bit => $black) {
            $number |= $black ? 1 << $bit : 0;
        }

        return count(array_filter($bits)) % 2 === ($parity ? 1 : 0) && $number > 0 ? $number : null;
    }

    /** @return list<array{float, float, float, float}> everything printed solid black: marks without their holes, bar, code, stripes */
    public function blacks(): array
    {
        $blacks = [$this->bar()];
        foreach ($this->marks() as [$x, $y]) {
            $side = (self::MARK - self::MARK_HOLE) / 2.0;
            $half = self::MARK / 2.0;
            $blacks[] = [$x - $half, $y - $half, self::MARK, $side];
            $blacks[] = [$x - $half, $y + $half - $side, self::MARK, $side];
            $blacks[] = [$x - $half, $y - $half + $side, $side, self::MARK_HOLE];
            $blacks[] = [$x + $half - $side, $y - $half + $side, $side, self::MARK_HOLE];
        }
        foreach (array_keys(array_filter($this->code())) as $bit) {
            $blacks[] = self::codePlaces()[$bit];
        }
        foreach ($this->cells as $cell) {
            if ($cell['stripe'] !== null) {
                $blacks[] = $cell['stripe'];
            }
        }

        return $blacks;
    }

    /**
     * Places where the paper shows: left and right of every field, halfway up.
     *
     * @return array<int, array<int, array{float, float}>> by row and gap, their middles
     */
    public function whites(): array
    {
        $rows = [];
        foreach ($this->cells as $i => $cell) {
            $rows[intdiv($i, self::COLUMNS)] = $cell['y'] + $cell['height'] / 2.0;
        }
        $pitch = ($this->width - 2.0 * self::LEFT) / self::COLUMNS;
        $whites = [];
        foreach ($rows as $row => $y) {
            for ($gap = 0; $gap <= self::COLUMNS; $gap++) {
                $whites[$row][$gap] = [self::LEFT + $gap * $pitch, $y];
            }
        }

        return $whites;
    }
}
