<?php

declare(strict_types=1);

namespace Prism\Reference\Image;

use Prism\Colour\Lab;
use Prism\Colour\Srgb;

/** A picture, or a strip of one, in sRGB: three bytes a pixel, row by row from the top. */
final readonly class Raster
{
    private function __construct(public int $width, public int $height, private string $rgb)
    {
    }

    /** @throws \InvalidArgumentException if the bytes are not width x height x 3 */
    public static function of(int $width, int $height, string $rgb): self
    {
        if ($width < 1 || $height < 1 || strlen($rgb) !== 3 * $width * $height) {
            throw new \InvalidArgumentException(sprintf('A raster of %d x %d needs %d bytes; here are %d.', $width, $height, 3 * $width * $height, strlen($rgb)));
        }

        return new self($width, $height, $rgb);
    }

    /** The same for the same picture, and hardly for any other; hexadecimal. */
    public function digest(): string
    {
        return hash('sha256', "$this->width $this->height $this->rgb");
    }

    /** @return string three bytes a pixel, sRGB, row by row */
    public function rgb(): string
    {
        return $this->rgb;
    }

    /**
     * The colour of a round patch.
     *
     * Averaged in linear light, as the eye does from a distance. What lies outside the picture does not count; at least
     * the nearest pixel always does.
     *
     * @param  float  $x  centre, in pixels from the left edge
     * @param  float  $y  centre, in pixels from the top edge
     * @param  float  $radius  in pixels, 0 for the single pixel
     */
    public function sample(float $x, float $y, float $radius): Sample
    {
        $centreX = max(0, min($this->width - 1, (int) floor($x)));
        $centreY = max(0, min($this->height - 1, (int) floor($y)));
        $reach = (int) ceil(max(0.0, $radius));
        $limit = max(0.25, $radius * $radius);
        $decode = Srgb::decodeTable();
        $sum = [0.0, 0.0, 0.0];
        $L = $a = $b = $squares = 0.0;
        $count = 0;
        for ($row = max(0, $centreY - $reach); $row <= min($this->height - 1, $centreY + $reach); $row++) {
            for ($column = max(0, $centreX - $reach); $column <= min($this->width - 1, $centreX + $reach); $column++) {
                $dx = $column - $centreX;
                $dy = $row - $centreY;
                if ($dx * $dx + $dy * $dy > $limit) {
                    continue;
                }
                $at = 3 * ($row * $this->width + $column);
                $r = $decode[ord($this->rgb[$at])];
                $g = $decode[ord($this->rgb[$at + 1])];
                $bl = $decode[ord($this->rgb[$at + 2])];
                $sum[0] += $r;
                $sum[1] += $g;
                $sum[2] += $bl;
                $lab = Srgb::linearToLab($r, $g, $bl);
                $L += $lab->L;
                $a += $lab->a;
                $b += $lab->b;
                $squares += $lab->L ** 2 + $lab->a ** 2 + $lab->b ** 2;
                $count++;
            }
        }
        $variance = $squares / $count - ($L / $count) ** 2 - ($a / $count) ** 2 - ($b / $count) ** 2;

        return new Sample(
            Lab::of(...self::clean(Srgb::linearToLab($sum[0] / $count, $sum[1] / $count, $sum[2] / $count))),
            sqrt(max(0.0, $variance)),
            $count,
        );
    }

    /**
     * Linear light of the pixel at a place; of the nearest one where that lies outside.
     *
     * @return array{float, float, float}
     */
    public function linear(float $x, float $y): array
    {
        $decode = Srgb::decodeTable();
        $at = 3 * (max(0, min($this->height - 1, (int) floor($y))) * $this->width + max(0, min($this->width - 1, (int) floor($x))));

        return [$decode[ord($this->rgb[$at])], $decode[ord($this->rgb[$at + 1])], $decode[ord($this->rgb[$at + 2])]];
    }

    /**
     * The picture scaled down, in linear light: each new pixel is the mean of those whose centre it covers.
     *
     * @param  int  $width  of the result, no more than the picture's
     * @param  int  $height  likewise
     * @return array{array<int, float>, array<int, float>, array<int, float>} red, green, blue, 0-1
     */
    public function averaged(int $width, int $height): array
    {
        $decode = Srgb::decodeTable();
        $red = $green = $blue = array_fill(0, $width * $height, 0.0);
        $weight = array_fill(0, $width * $height, 0);
        $columnOf = [];
        for ($x = 0; $x < $this->width; $x++) {
            $columnOf[] = intdiv($x * $width, $this->width);
        }
        $at = 0;
        $rgb = $this->rgb;
        for ($y = 0; $y < $this->height; $y++) {
            $row = intdiv($y * $height, $this->height) * $width;
            for ($x = 0; $x < $this->width; $x++, $at += 3) {
                $to = $row + $columnOf[$x];
                $red[$to] += $decode[ord($rgb[$at])];
                $green[$to] += $decode[ord($rgb[$at + 1])];
                $blue[$to] += $decode[ord($rgb[$at + 2])];
                $weight[$to]++;
            }
        }
        $count = $width * $height;
        for ($i = 0; $i < $count; $i++) {
            $n = max(1, $weight[$i]);
            $red[$i] /= $n;
            $green[$i] /= $n;
            $blue[$i] /= $n;
        }

        return [$red, $green, $blue];
    }

    /**
     * The luminance of blocks of pixels, 0-1, row by row.
     *
     * @param  int  $block  pixels on a side
     * @return array{int, int, list<float>} columns, rows, values
     */
    public function luminance(int $block): array
    {
        $decode = Srgb::decodeTable();
        $columns = intdiv($this->width, $block);
        $rows = intdiv($this->height, $block);
        $values = [];
        for ($row = 0; $row < $rows; $row++) {
            for ($column = 0; $column < $columns; $column++) {
                $sum = 0.0;
                for ($y = 0; $y < $block; $y++) {
                    $at = 3 * (($row * $block + $y) * $this->width + $column * $block);
                    for ($x = 0; $x < $block; $x++, $at += 3) {
                        $sum += 0.2225 * $decode[ord($this->rgb[$at])] + 0.7169 * $decode[ord($this->rgb[$at + 1])] + 0.0606 * $decode[ord($this->rgb[$at + 2])];
                    }
                }
                $values[] = $sum / ($block * $block);
            }
        }

        return [$columns, $rows, $values];
    }

    /** @return array{float, float, float} */
    private static function clean(Lab $lab): array
    {
        return [round($lab->L, 3), round($lab->a, 3), round($lab->b, 3)];
    }
}
