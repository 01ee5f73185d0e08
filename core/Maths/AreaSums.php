<?php

declare(strict_types=1);

namespace Prism\Maths;

/** Sums over rectangles of a plane of values, each by four of its sums of all above and left (Crow 1984). */
final readonly class AreaSums
{
    /** @param  array<int, float>  $sums  one more column and row than the plane */
    private function __construct(private int $width, private int $height, public array $sums)
    {
    }

    /** @param  array<int, float>  $values  row by row */
    public static function of(int $width, int $height, array $values): self
    {
        $stride = $width + 1;
        $sums = array_fill(0, $stride * ($height + 1), 0.0);
        for ($y = 0; $y < $height; $y++) {
            $row = 0.0;
            for ($x = 0; $x < $width; $x++) {
                $row += $values[$y * $width + $x];
                $sums[($y + 1) * $stride + $x + 1] = $sums[$y * $stride + $x + 1] + $row;
            }
        }

        return new self($width, $height, $sums);
    }

    /**
     * Means over squares about each place, as much of them as lies on the plane.
     *
     * @param  int  $before  so many columns and rows before it
     * @param  int  $after  and so many from it on, at least one
     * @return list<float>
     */
    public function means(int $before, int $after): array
    {
        [$sums, $stride] = [$this->sums, $this->width + 1];
        $means = [];
        for ($y = 0; $y < $this->height; $y++) {
            $top = max(0, $y - $before);
            $bottom = min($this->height, $y + $after);
            for ($x = 0; $x < $this->width; $x++) {
                $left = max(0, $x - $before);
                $right = min($this->width, $x + $after);
                $sum = $sums[$bottom * $stride + $right] - $sums[$top * $stride + $right] - $sums[$bottom * $stride + $left] + $sums[$top * $stride + $left];
                $means[] = $sum / (($bottom - $top) * ($right - $left));
            }
        }

        return $means;
    }
}
