<?php

declare(strict_types=1);

namespace Prism\Reference\Image;

use Prism\Reference\LookRefused;

/**
 * A drawing in true size over several sheets of paper, which overlap so that they can be taped together; in the middle of the page
 * where one is enough. All in millimetres.
 *
 * @phpstan-type Tile array{column: int, row: int, x: float, y: float, width: float, height: float, left: float, top: float}
 *     left, top: where its upper left corner lies on the page
 */
final readonly class PrintTiles
{
    public const MARGIN = 10.0;

    public const OVERLAP = 8.0;

    private const MOST_SHEETS = 40;

    public const PAGES = ['a4' => [210.0, 297.0], 'letter' => [215.9, 279.4]];

    /**
     * @param  list<Tile>  $tiles  part of the drawing on each sheet, row by row
     */
    private function __construct(public float $pageWidth, public float $pageHeight, public int $columns, public int $rows, public array $tiles)
    {
    }

    /**
     * Sheets upright or lying, whichever needs fewer.
     *
     * @param  string  $page  a4 or letter
     *
     * @throws LookRefused if it would take too many sheets
     */
    public static function of(float $width, float $height, string $page): self
    {
        [$short, $long] = self::PAGES[$page] ?? throw new LookRefused(sprintf('There is no page "%s"; choose a4 or letter.', $page));
        $upright = self::on($width, $height, $short, $long);
        $lying = self::on($width, $height, $long, $short);
        $best = count($lying->tiles) < count($upright->tiles) ? $lying : $upright;
        if (count($best->tiles) > self::MOST_SHEETS) {
            throw new LookRefused(sprintf('A drawing of %.0f x %.0f mm would take %d sheets; at most %d are printed. Choose a smaller format.', $width, $height, count($best->tiles), self::MOST_SHEETS));
        }

        return $best;
    }

    private static function on(float $width, float $height, float $pageWidth, float $pageHeight): self
    {
        $along = static function (float $length, float $page): array {
            $room = $page - 2.0 * self::MARGIN;
            $count = $length <= $room ? 1 : (int) ceil(($length - self::OVERLAP) / ($room - self::OVERLAP) - 1e-9);
            $parts = [];
            for ($i = 0; $i < $count; $i++) {
                $from = $i * ($room - self::OVERLAP);
                $parts[] = [$from, min($room, $length - $from), $count === 1 ? ($page - $length) / 2.0 : self::MARGIN];
            }

            return $parts;
        };
        $tiles = [];
        $columns = $along($width, $pageWidth);
        $rows = $along($height, $pageHeight);
        foreach ($rows as $row => [$y, $tall, $top]) {
            foreach ($columns as $column => [$x, $wide, $left]) {
                $tiles[] = ['column' => $column, 'row' => $row, 'x' => $x, 'y' => $y, 'width' => $wide, 'height' => $tall, 'left' => $left, 'top' => $top];
            }
        }

        return new self($pageWidth, $pageHeight, count($columns), count($rows), $tiles);
    }
}
