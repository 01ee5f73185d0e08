<?php

declare(strict_types=1);

namespace Prism\Reference\Lines;

use Prism\Reference\Image\Raster;
use Prism\Reference\LookRefused;

/**
 * The lines of a drawing: how dark each pixel is against the paper around it, so that uneven light on the sheet is no line.
 */
final readonly class Ink
{
    /** The paper is read in squares of this share of the long edge. */
    private const SQUARE = 0.03;

    /** In each square paper is the lightness that this share of its pixels does not reach. */
    private const PAPER = 0.85;

    /** A square that is darker than this share of the lightest is full of ink; the paper is not so uneven. */
    private const DARKEST_PAPER = 0.5;

    /** Darkness below this, 0-1, is grain and dust. */
    private const GRAIN = 0.1;

    /** What is at least this share as dark as the dark lines is a line, within these limits. */
    private const LINE_SHARE = 0.4;

    private const LIGHTEST_LINE = 0.13;

    private const DARKEST_LINE = 0.35;

    /** More of the picture than this is not lines but tones. */
    private const MOST_TONE = 0.3;

    private const LEAST = 0.0005;

    /**
     * @param  string  $darkness  a byte a pixel, 0 paper, 255 black
     * @param  int  $line  from this darkness on it is a line
     */
    private function __construct(public int $width, public int $height, public string $darkness, public int $line)
    {
    }

    /**
     * As it was read once.
     *
     * @param  string  $darkness  a byte a pixel, 0 paper, 255 black
     * @param  int  $line  from this darkness on it is a line, 1-255
     *
     * @throws \InvalidArgumentException if the bytes are not width x height
     */
    public static function kept(int $width, int $height, string $darkness, int $line): self
    {
        if ($width < 1 || strlen($darkness) !== $width * $height || $line < 1 || $line > 255) {
            throw new \InvalidArgumentException(sprintf('Lines of %d x %d need %d bytes; here are %d.', $width, $height, $width * $height, strlen($darkness)));
        }

        return new self($width, $height, $darkness, $line);
    }

    /** @throws LookRefused if the picture has no lines, or tones and not lines */
    public static function of(Raster $picture): self
    {
        [$width, $height] = [$picture->width, $picture->height];
        $grey = self::grey($picture);
        $square = max(8, (int) round(self::SQUARE * max($width, $height)));
        [$columns, $rows, $paper] = self::paper($grey, $width, $height, $square);
        $darkness = '';
        $bars = array_fill(0, 256, 0);
        for ($y = 0; $y < $height; $y++) {
            $v = max(0.0, min($rows - 1.0, ($y + 0.5) / $square - 0.5));
            $row = (int) $v;
            $down = $v - $row;
            $below = min($rows - 1, $row + 1);
            for ($x = 0; $x < $width; $x++) {
                $u = max(0.0, min($columns - 1.0, ($x + 0.5) / $square - 0.5));
                $column = (int) $u;
                $right = $u - $column;
                $next = min($columns - 1, $column + 1);
                $white = (1.0 - $down) * ((1.0 - $right) * $paper[$row * $columns + $column] + $right * $paper[$row * $columns + $next])
                    + $down * ((1.0 - $right) * $paper[$below * $columns + $column] + $right * $paper[$below * $columns + $next]);
                $dark = 1.0 - ord($grey[$y * $width + $x]) / $white;
                $byte = $dark < self::GRAIN ? 0 : min(255, (int) round(255.0 * $dark));
                $bars[$byte]++;
                $darkness .= chr($byte);
            }
        }

        return new self($width, $height, $darkness, self::lineFrom($bars, $width * $height));
    }

    /**
     * Where lines are at another size: a pixel is a line if any that it covers is one.
     *
     * @return string a byte a pixel, 1 for a line
     */
    public function walls(int $width, int $height): string
    {
        $walls = str_repeat("\0", $width * $height);
        $at = 0;
        for ($y = 0; $y < $this->height; $y++) {
            $row = intdiv($y * $height, $this->height) * $width;
            for ($x = 0; $x < $this->width; $x++, $at++) {
                if (ord($this->darkness[$at]) >= $this->line) {
                    $walls[$row + intdiv($x * $width, $this->width)] = "\1";
                }
            }
        }

        return $walls;
    }

    /** Gamma-coded luma (ITU-R BT.709), a byte a pixel. */
    private static function grey(Raster $picture): string
    {
        $rgb = $picture->rgb();
        $grey = '';
        for ($at = 0, $end = strlen($rgb); $at < $end; $at += 3) {
            $grey .= chr((54 * ord($rgb[$at]) + 183 * ord($rgb[$at + 1]) + 19 * ord($rgb[$at + 2])) >> 8);
        }

        return $grey;
    }

    /** @return array{int, int, list<float>} columns, rows, lightness of the paper in each square */
    private static function paper(string $grey, int $width, int $height, int $square): array
    {
        $columns = max(1, intdiv($width, $square));
        $rows = max(1, intdiv($height, $square));
        $read = [];
        for ($row = 0; $row < $rows; $row++) {
            for ($column = 0; $column < $columns; $column++) {
                $bars = array_fill(0, 256, 0);
                $count = 0;
                for ($y = $row * $square, $bottom = min($height, $y + $square); $y < $bottom; $y++) {
                    for ($x = $column * $square, $end = min($width, $x + $square); $x < $end; $x++, $count++) {
                        $bars[ord($grey[$y * $width + $x])]++;
                    }
                }
                $left = self::PAPER * $count;
                $level = 0;
                while ($level < 255 && ($left -= $bars[$level]) > 0) {
                    $level++;
                }
                $read[] = $level;
            }
        }
        $least = self::DARKEST_PAPER * max(1, ...$read);
        $paper = [];
        for ($row = 0; $row < $rows; $row++) {
            for ($column = 0; $column < $columns; $column++) {
                // Around it, too: a square may be all line.
                $lightest = $least;
                for ($k = max(0, $row - 1); $k <= min($rows - 1, $row + 1); $k++) {
                    for ($i = max(0, $column - 1); $i <= min($columns - 1, $column + 1); $i++) {
                        $lightest = max($lightest, $read[$k * $columns + $i]);
                    }
                }
                $paper[] = (float) $lightest;
            }
        }

        return [$columns, $rows, $paper];
    }

    /**
     * @param  array<int, int>  $bars  pixels of each darkness
     *
     * @throws LookRefused
     */
    private static function lineFrom(array $bars, int $count): int
    {
        $bars[0] = 0;
        $dark = array_sum($bars);
        if ($dark < self::LEAST * $count) {
            throw new LookRefused('There are no lines in this picture. Choose a line drawing, dark on light paper, photographed or scanned.');
        }
        if ($dark > self::MOST_TONE * $count) {
            throw new LookRefused('This picture has tones and not lines on paper. Start a piece from it as a photo, or choose a line drawing.');
        }
        $left = 0.95 * $dark;
        $level = 0;
        while ($level < 255 && ($left -= $bars[$level]) > 0) {
            $level++;
        }

        return (int) round(255.0 * max(self::LIGHTEST_LINE, min(self::DARKEST_LINE, self::LINE_SHARE * $level / 255.0)));
    }
}
