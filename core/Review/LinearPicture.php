<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Charts\Homography;
use Prism\Maths\AreaSums;
use Prism\Reference\Image\Raster;

/** A picture in linear light, scaled down to where the grain of paper and sensor is averaged out. */
final readonly class LinearPicture
{
    /** Long edge in pixels; a smaller picture keeps its size. */
    public const EDGE = 1000;

    /** Marks are told from what lies so many pixels round them; the darkest of them, as a share, are firm; and less than this, natural logarithm, is none. */
    private const AROUND = 4;

    private const FIRM = 0.97;

    private const LEAST_MARK = 0.008;

    /** Pixels that are far apart tell how light a picture is: no two sides of one are multiples of it. */
    private const LEVELS_EVERY = 31;

    /** Light of what is no mark, linear. */
    public const WHITE = 0.9;

    /**
     * @param  float  $scale  pixels of the picture as it was taken for each of these
     * @param  array<int, float>  $red  0-1, row by row from the top
     * @param  array<int, float>  $green
     * @param  array<int, float>  $blue
     */
    private function __construct(public int $width, public int $height, public float $scale, private array $red, private array $green, private array $blue)
    {
    }

    /** @param  int  $edge  the long one, pixels */
    public static function of(Raster $picture, int $edge = self::EDGE): self
    {
        $scale = max(1.0, max($picture->width, $picture->height) / $edge);
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

    /**
     * Where it is seen through a view: as {@see self::at()} at the middle of each pixel of a frame, plane by plane. A picture has very many of them,
     * so that it is written out.
     *
     * @param  Homography  $view  from the frame to the picture
     * @return array{list<float>, list<float>, list<float>}
     */
    public function through(Homography $view, int $width, int $height): array
    {
        [$red, $green, $blue] = [$this->red, $this->green, $this->blue];
        [$across, $farRight, $farDown] = [$this->width, $this->width - 1.001, $this->height - 1.001];
        $right = $this->width > 1 ? 1 : 0;
        $below = $this->height > 1 ? $this->width : 0;
        $planes = [[], [], []];
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                [$u, $v] = $view->map($x + 0.5, $y + 0.5);
                $u = $u < 0.5 ? 0.0 : ($u - 0.5 > $farRight ? $farRight : $u - 0.5);
                $v = $v < 0.5 ? 0.0 : ($v - 0.5 > $farDown ? $farDown : $v - 0.5);
                $column = (int) $u;
                $row = (int) $v;
                $u -= $column;
                $v -= $row;
                $i = $row * $across + $column;
                $d = $u * $v;
                $b = $u - $d;
                $c = $v - $d;
                $a = 1.0 - $u - $c;
                $planes[0][] = $a * $red[$i] + $b * $red[$i + $right] + $c * $red[$i + $below] + $d * $red[$i + $below + $right];
                $planes[1][] = $a * $green[$i] + $b * $green[$i + $right] + $c * $green[$i + $below] + $d * $green[$i + $below + $right];
                $planes[2][] = $a * $blue[$i] + $b * $blue[$i + $right] + $c * $blue[$i + $below] + $d * $blue[$i + $below + $right];
            }
        }

        return $planes;
    }

    /** Luminance, 0-1, than which such a share of the picture is darker; by every so many of its pixels. */
    public function level(float $share): float
    {
        $levels = [];
        for ($i = 0, $count = $this->width * $this->height; $i < $count; $i += self::LEVELS_EVERY) {
            $levels[] = self::luminanceOf($this->red[$i], $this->green[$i], $this->blue[$i]);
        }
        sort($levels);

        return $levels[(int) ($share * (count($levels) - 1))];
    }

    /**
     * What is darker than its surroundings, in grey and in even light, as dark as if it were drawn firmly: of whisper lines on paper the lines.
     *
     * @param  Corners  $on  the sheet, by whose darkest specks it is told what is firm
     * @return ?self null where nothing on it is darker than the rest
     */
    public function marks(Corners $on): ?self
    {
        $Y = $this->luminance();
        $around = AreaSums::of($this->width, $this->height, $Y)->means(self::AROUND, self::AROUND + 1);
        $dark = array_map(static fn (float $light, float $mean): float => max(0.0, log(max(1e-4, $mean) / max(1e-4, $light))), $Y, $around);
        $view = $on->view(1.0, 1.0);
        $within = [];
        for ($j = 8; $j <= 92; $j++) {
            for ($i = 8; $i <= 92; $i++) {
                [$x, $y] = $view->map($i / 100.0, $j / 100.0);
                $within[] = $dark[max(0, min($this->height - 1, (int) $y)) * $this->width + max(0, min($this->width - 1, (int) $x))];
            }
        }
        sort($within);
        $firm = $within[(int) (self::FIRM * count($within))];
        if ($firm < self::LEAST_MARK) {
            return null;
        }
        $light = array_map(static fn (float $one): float => self::WHITE * exp(-min(1.0, $one / $firm)), $dark);

        return new self($this->width, $this->height, $this->scale, $light, $light, $light);
    }

    /** @return list<float> luminance, 0-1, row by row */
    public function luminance(): array
    {
        $Y = [];
        foreach ($this->red as $i => $red) {
            $Y[] = self::luminanceOf($red, $this->green[$i], $this->blue[$i]);
        }

        return $Y;
    }

    private static function luminanceOf(float $red, float $green, float $blue): float
    {
        return 0.2225 * $red + 0.7169 * $green + 0.0606 * $blue;
    }
}
