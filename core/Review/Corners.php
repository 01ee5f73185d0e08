<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Charts\Homography;

/** Where the drawing, or a sheet, lies in a picture: its upper left, upper right, lower right and lower left corner, in pixels. */
final readonly class Corners
{
    /** @param  array{array{float, float}, array{float, float}, array{float, float}, array{float, float}}  $points */
    private function __construct(public array $points)
    {
    }

    /**
     * @param  list<array{float, float}>  $points  four, clockwise from the upper left
     *
     * @throws ReviewRefused if they are not the corners of a surface that is seen from above
     */
    public static function of(array $points): self
    {
        if (count($points) !== 4) {
            throw new ReviewRefused(sprintf('Four corners are wanted, clockwise from the upper left; here are %d.', count($points)));
        }
        for ($i = 0; $i < 4; $i++) {
            [[$x, $y], [$u, $v], [$p, $q]] = [$points[$i], $points[($i + 1) % 4], $points[($i + 2) % 4]];
            if (($u - $x) * ($q - $v) - ($v - $y) * ($p - $u) < 1.0) {
                throw new ReviewRefused('The four corners do not lie round a drawing. Set them on its upper left, upper right, lower right and lower left.');
            }
        }

        return new self([$points[0], $points[1], $points[2], $points[3]]);
    }

    /** Of a frame so wide and high, pixels: where its points lie in the picture. */
    public function view(float $width, float $height): Homography
    {
        return Homography::of([[0.0, 0.0], [$width, 0.0], [$width, $height], [0.0, $height]], $this->points);
    }

    /** The same surface, read from another of its corners. */
    public function turned(int $quarters): self
    {
        $by = (($quarters % 4) + 4) % 4;

        return new self([$this->points[$by], $this->points[(1 + $by) % 4], $this->points[(2 + $by) % 4], $this->points[(3 + $by) % 4]]);
    }

    public function scaled(float $by): self
    {
        return new self(array_map(static fn (array $point): array => [$by * $point[0], $by * $point[1]], $this->points));
    }

    /**
     * Width and height as they are seen, means of opposite sides.
     *
     * @return array{float, float}
     */
    public function size(): array
    {
        $side = fn (int $i, int $j): float => hypot($this->points[$i][0] - $this->points[$j][0], $this->points[$i][1] - $this->points[$j][1]);

        return [($side(0, 1) + $side(3, 2)) / 2.0, ($side(0, 3) + $side(1, 2)) / 2.0];
    }

    public function longEdge(): float
    {
        return max($this->size());
    }

    /** Of the farthest of the four corners, in pixels. */
    public function distanceTo(self $other): float
    {
        return max(array_map(static fn (array $one, array $two): float => hypot($one[0] - $two[0], $one[1] - $two[1]), $this->points, $other->points));
    }
}
