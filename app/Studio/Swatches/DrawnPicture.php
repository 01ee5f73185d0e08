<?php

declare(strict_types=1);

namespace App\Studio\Swatches;

use Prism\Layering\Stack;

/** A whole picture as a hand has drawn it: which stacks lie where. */
final readonly class DrawnPicture
{
    /**
     * @param  string  $paper  slug
     * @param  float  $widthMm  of the drawing; it is as high as its columns and rows say
     * @param  float  $marginMm  of bare paper round it
     * @param  string  $lies  three bytes a pixel, as {@see \Prism\Planning\PartMap::bytes} tells
     * @param  array<int, Stack>  $stacks  by number of the colour, from 1
     */
    public function __construct(public string $paper, public float $widthMm, public float $marginMm, public int $columns, public int $rows, public string $lies, public array $stacks)
    {
    }

    public function heightMm(): float
    {
        return $this->widthMm * $this->rows / $this->columns;
    }

    /**
     * Corners of the drawing on its sheet, from the upper left, mm.
     *
     * @return list<array{float, float}>
     */
    public function corners(): array
    {
        [$near, $right, $bottom] = [$this->marginMm, $this->marginMm + $this->widthMm, $this->marginMm + $this->heightMm()];

        return [[$near, $near], [$right, $near], [$right, $bottom], [$near, $bottom]];
    }
}
