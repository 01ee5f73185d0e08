<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Reference\Image\Raster;

/** A picture in linear light, scaled down to where the grain of paper and sensor is averaged out. */
final readonly class LinearPicture
{
    /** Long edge in pixels; a smaller picture keeps its size. */
    public const EDGE = 1000;

    /**
     * @param  float  $scale  pixels of the picture as it was taken for each of these
     * @param  array<int, float>  $red  0-1, row by row from the top
     * @param  array<int, float>  $green
     * @param  array<int, float>  $blue
     */
    private function __construct(public int $width, public int $height, public float $scale, private array $red, private array $green, private array $blue)
    {
    }

    public static function of(Raster $picture): self
    {
        $scale = max(1.0, max($picture->width, $picture->height) / self::EDGE);
        $width = max(1, (int) round($picture->width / $scale));
        $height = max(1, (int) round($picture->height / $scale));
        [$red, $green, $blue] = $picture->averaged($width, $height);

        return new self($width, $height, $picture->width / $width, $red, $green, $blue);
    }

    /**
     * Between the four pixels around a place; at the edge where that lies outside.
     *
     * @return array{float, float, float}
     */
    public function at(float $x, float $y): array
    {
        $x = max(0.0, min($this->width - 1.001, $x - 0.5));
        $y = max(0.0, min($this->height - 1.001, $y - 0.5));
        $column = (int) $x;
        $row = (int) $y;
        $u = $x - $column;
        $v = $y - $row;
        $i = $row * $this->width + $column;
        $right = $this->width > 1 ? 1 : 0;
        $below = $this->height > 1 ? $this->width : 0;
        $a = (1.0 - $u) * (1.0 - $v);
        $b = $u * (1.0 - $v);
        $c = (1.0 - $u) * $v;
        $d = $u * $v;

        return [
            $a * $this->red[$i] + $b * $this->red[$i + $right] + $c * $this->red[$i + $below] + $d * $this->red[$i + $below + $right],
            $a * $this->green[$i] + $b * $this->green[$i + $right] + $c * $this->green[$i + $below] + $d * $this->green[$i + $below + $right],
            $a * $this->blue[$i] + $b * $this->blue[$i + $right] + $c * $this->blue[$i + $below] + $d * $this->blue[$i + $below + $right],
        ];
    }

    /** @return list<float> luminance, 0-1, row by row */
    public function luminance(): array
    {
        $Y = [];
        foreach ($this->red as $i => $red) {
            $Y[] = 0.2225 * $red + 0.7169 * $this->green[$i] + 0.0606 * $this->blue[$i];
        }

        return $Y;
    }
}
