<?php

declare(strict_types=1);

namespace Prism\Reference\Image;

use Prism\Colour\Srgb;

/** A picture scaled down for analysis, as planes of CIELAB, row by row from the top. */
final readonly class Field
{
    /**
     * @param  list<float>  $L
     * @param  list<float>  $a
     * @param  list<float>  $b
     */
    private function __construct(public int $width, public int $height, public array $L, public array $a, public array $b)
    {
    }

    /**
     * Averaged in linear light, as the eye does from a distance.
     *
     * @param  int  $longEdge  of the result in pixels; a smaller picture keeps its size
     */
    public static function of(Raster $picture, int $longEdge): self
    {
        $scale = min(1.0, $longEdge / max($picture->width, $picture->height));
        $width = max(1, (int) round($picture->width * $scale));
        $height = max(1, (int) round($picture->height * $scale));
        [$L, $a, $b] = Srgb::planesToLab(...$picture->averaged($width, $height));

        return new self($width, $height, $L, $a, $b);
    }

    /**
     * @param  list<float>  $L
     * @param  list<float>  $a
     * @param  list<float>  $b
     */
    public static function ofPlanes(int $width, int $height, array $L, array $a, array $b): self
    {
        if ($width < 1 || $height < 1 || count($L) !== $width * $height || count($a) !== count($L) || count($b) !== count($L)) {
            throw new \InvalidArgumentException(sprintf('A field of %d x %d needs %d values in each plane.', $width, $height, $width * $height));
        }

        return new self($width, $height, $L, $a, $b);
    }

    /** The part of it in a rectangle, in shares of width and height; at least a pixel. */
    public function within(float $x, float $y, float $width, float $height): self
    {
        [$left, $top, $columns, $rows] = self::box($this->width, $this->height, $x, $y, $width, $height);
        $L = $a = $b = [];
        for ($row = 0; $row < $rows; $row++) {
            $at = ($top + $row) * $this->width + $left;
            array_push($L, ...array_slice($this->L, $at, $columns));
            array_push($a, ...array_slice($this->a, $at, $columns));
            array_push($b, ...array_slice($this->b, $at, $columns));
        }

        return new self($columns, $rows, $L, $a, $b);
    }

    /**
     * A rectangle of shares in pixels.
     *
     * @return array{int, int, int, int} left, top, columns, rows
     */
    public static function box(int $width, int $height, float $x, float $y, float $shareX, float $shareY): array
    {
        $left = max(0, min($width - 1, (int) round($x * $width)));
        $top = max(0, min($height - 1, (int) round($y * $height)));

        return [
            $left, $top,
            max(1, min($width - $left, (int) round(($x + $shareX) * $width) - $left)),
            max(1, min($height - $top, (int) round(($y + $shareY) * $height) - $top)),
        ];
    }

    public function count(): int
    {
        return $this->width * $this->height;
    }
}
