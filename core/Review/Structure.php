<?php

declare(strict_types=1);

namespace Prism\Review;

/** What a picture is made of for the eye that looks for its like: how its value changes, across and down, whatever its values are. */
final readonly class Structure
{
    /** A step of value counts no more than this for each pixel, L*: outlines say where things are, not how strong they are. */
    private const MOST = 6.0;

    /**
     * @param  array<int, float>  $across  change of L* for each pixel, row by row
     * @param  array<int, float>  $down
     */
    private function __construct(public int $width, public int $height, public array $across, public array $down)
    {
    }

    /** @param  array<int, float>  $L  row by row */
    public static function of(int $width, int $height, array $L): self
    {
        $across = $down = array_fill(0, $width * $height, 0.0);
        for ($y = 1; $y < $height - 1; $y++) {
            for ($x = 1; $x < $width - 1; $x++) {
                $i = $y * $width + $x;
                // Sobel's weights: a little smoothed along the edge.
                $dx = ($L[$i + 1] - $L[$i - 1] + 0.5 * ($L[$i + 1 - $width] - $L[$i - 1 - $width] + $L[$i + 1 + $width] - $L[$i - 1 + $width])) / 4.0;
                $dy = ($L[$i + $width] - $L[$i - $width] + 0.5 * ($L[$i + $width - 1] - $L[$i - $width - 1] + $L[$i + $width + 1] - $L[$i - $width + 1])) / 4.0;
                $much = sqrt($dx * $dx + $dy * $dy);
                $share = $much > self::MOST ? self::MOST / $much : 1.0;
                $across[$i] = $share * $dx;
                $down[$i] = $share * $dy;
            }
        }

        return new self($width, $height, $across, $down);
    }

    /**
     * Which way outlines run, whichever of their sides is darker: as twice the angle tells it. Beside paper that is not drawn on yet, the
     * dark side of an outline may be the light one.
     */
    public function eitherWay(): self
    {
        $across = $down = [];
        foreach ($this->across as $i => $dx) {
            $dy = $this->down[$i];
            $much = sqrt($dx * $dx + $dy * $dy);
            $across[] = $much < 1e-9 ? 0.0 : ($dx * $dx - $dy * $dy) / $much;
            $down[] = $much < 1e-9 ? 0.0 : 2.0 * $dx * $dy / $much;
        }

        return new self($this->width, $this->height, $across, $down);
    }
}
