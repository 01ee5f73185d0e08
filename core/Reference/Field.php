<?php

declare(strict_types=1);

namespace Prism\Reference;

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
        $planes = $picture->averaged($width, $height);
        $L = $a = $b = [];
        $count = $width * $height;
        [$red, $green, $blue] = $planes;
        for ($i = 0; $i < $count; $i++) {
            $lab = Srgb::linearToLab($red[$i], $green[$i], $blue[$i]);
            $L[] = $lab->L;
            $a[] = $lab->a;
            $b[] = $lab->b;
        }

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

    public function count(): int
    {
        return $this->width * $this->height;
    }
}
