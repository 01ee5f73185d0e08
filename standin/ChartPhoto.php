<?php

declare(strict_types=1);

namespace Standin;

use Closure;
use Prism\Colour\Lab;
use Prism\Colour\Srgb;

/**
 * A simulated camera over a filled chart: the sheet lies slanted on a dark desk under a lamp at one side, and the sensor is
 * noisy. Only places and colours are told to it; it knows nothing of how charts are read.
 */
final class ChartPhoto
{
    public const DOTS_PER_MM = 4.0;

    private const WIDTH = 1180;

    private const DESK = 0.035;

    /** Linear light of printed black. */
    public const INK = 0.02;

    /** Points of a drawn patch are so far apart, mm. */
    private const GRAIN_MM = 0.25;

    /** Digits 0-9, five rows of three dots. */
    private const GLYPHS = [
        '111101101101111', '010110010010111', '111001111100111', '111001111001111', '101101111001001',
        '111100111001111', '111100111101111', '111001010010010', '111101111101111', '111101111001111',
    ];

    /** Steps of light between none and full that the sensor tells apart. */
    private const LEVELS = 16383;

    private readonly int $columns;

    private readonly int $rows;

    /** @var array<int, array<int, float>> linear light of the flat sheet, by channel */
    private array $flat = [];

    /** @param  int  $pixels  width of the pictures that are taken of it */
    public function __construct(private readonly float $width, private readonly float $height, Lab $paper, private readonly int $pixels = self::WIDTH)
    {
        $this->columns = (int) round($width * self::DOTS_PER_MM);
        $this->rows = (int) round($height * self::DOTS_PER_MM);
        foreach (Srgb::linear($paper) as $value) {
            $this->flat[] = array_fill(0, $this->columns * $this->rows, $value);
        }
    }

    public function ink(float $x, float $y, float $width, float $height): void
    {
        $this->paint($x, $y, $width, $height, static fn (): array => [self::INK, self::INK, self::INK]);
    }

    /**
     * A drawn patch, its grain repeated over the field.
     *
     * @param  list<array{float, float, float}>  $texture  linear light, Sheet::SIZE by Sheet::SIZE
     */
    public function patch(float $x, float $y, float $width, float $height, array $texture): void
    {
        $this->paint($x, $y, $width, $height, static fn (float $mmX, float $mmY): array => $texture[(((int) ($mmY / self::GRAIN_MM)) % Sheet::SIZE) * Sheet::SIZE + ((int) ($mmX / self::GRAIN_MM)) % Sheet::SIZE]);
    }

    /** A number, its digits three millimetres high. */
    public function number(float $x, float $y, int $number): void
    {
        $dot = 0.5;
        foreach (str_split((string) $number) as $digit) {
            foreach (str_split(self::GLYPHS[(int) $digit]) as $i => $on) {
                if ($on === '1') {
                    $this->ink($x + $dot * ($i % 3), $y + $dot * intdiv($i, 3), $dot, $dot);
                }
            }
            $x += 4 * $dot;
        }
    }

    /**
     * What is drawn all over a rectangle.
     *
     * @param  Closure(float, float): array{float, float, float}  $light  linear, by place within, mm
     */
    public function picture(float $x, float $y, float $width, float $height, Closure $light): void
    {
        $this->paint($x, $y, $width, $height, $light);
    }

    /**
     * Where places of the sheet are seen in a picture that is taken so.
     *
     * @param  list<array{float, float}>  $places  mm from its upper left corner
     * @return list<array{float, float}> pixels
     */
    public function seenAt(array $places, float $slant = 0.1, float $turn = 4.0): array
    {
        [$cos, $sin] = [cos(deg2rad($turn)), sin(deg2rad($turn))];
        [$left, $top, $right, $bottom] = $this->extent($slant, $cos, $sin);
        $height = (int) round($this->pixels * $this->height / $this->width);
        $scale = 0.94 * min($this->pixels / ($right - $left), $height / ($bottom - $top));

        return array_map(function (array $place) use ($cos, $sin, $slant, $left, $right, $top, $bottom, $scale, $height): array {
            [$px, $py] = $this->projected($place[0] - $this->width / 2.0, $place[1] - $this->height / 2.0, $slant, $cos, $sin);

            return [($px - ($left + $right) / 2.0) * $scale + $this->pixels / 2.0, ($py - ($top + $bottom) / 2.0) * $scale + $height / 2.0];
        }, $places);
    }

    /**
     * The picture taken of it.
     *
     * @param  float  $slant  how far the far edge is foreshortened, 0-0.3
     * @param  float  $turn  of the sheet on the desk, degrees
     * @param  float  $falloff  by how much the lamp is weaker at the far side, 0-0.8
     * @param  float  $noise  of the sensor, as a share of full light
     * @param  bool  $shadow  of something that stands in the light, over a corner
     * @param  ?Closure(float): void  $progress
     * @return array{int, int, string} width, height, sRGB bytes
     */
    public function taken(string $seed, float $slant = 0.1, float $turn = 4.0, float $falloff = 0.35, float $noise = 0.006, bool $shadow = false, ?Closure $progress = null): array
    {
        $dice = new Dice($seed);
        $width = $this->pixels;
        $height = (int) round($width * $this->height / $this->width);
        $cos = cos(deg2rad($turn));
        $sin = sin(deg2rad($turn));
        // So near that the whole sheet is just in the picture.
        [$left, $top, $right, $bottom] = $this->extent($slant, $cos, $sin);
        $scale = 0.94 * min($width / ($right - $left), $height / ($bottom - $top));
        $lamp = [1.02, 0.94, 0.82];
        $bytes = '';
        // Noise is thrown once and used in another order on every line: a throw for each pixel would take longer than the rest.
        $throws = [];
        for ($i = 0; $i < 4096; $i++) {
            $throws[] = $noise * $dice->normal();
        }
        [$red, $green, $blue] = $this->flat;
        $bytesOf = self::bytesOfLevels();
        $level = static fn (float $light): int => $light <= 0.0 ? 0 : ($light >= 1.0 ? self::LEVELS : (int) ($light * self::LEVELS + 0.5));
        for ($v = 0; $v < $height; $v++) {
            if ($progress !== null && $v % 40 === 0) {
                $progress($v / $height);
            }
            $line = '';
            $start = (int) (4096 * $dice->uniform());
            for ($u = 0; $u < $width; $u++) {
                // From the sensor back to the sheet.
                $px = ($u - $width / 2.0) / $scale + ($left + $right) / 2.0;
                $py = ($v - $height / 2.0) / $scale + ($top + $bottom) / 2.0;
                $depth = 1.0 / (1.0 + $slant * $py / ($this->height / 2.0));
                $px *= $depth;
                $py *= $depth;
                $x = $cos * $px + $sin * $py + $this->width / 2.0;
                $y = -$sin * $px + $cos * $py + $this->height / 2.0;
                $column = (int) ($x * self::DOTS_PER_MM);
                $row = (int) ($y * self::DOTS_PER_MM);
                $light = 0.86 * (1.0 - $falloff * (0.75 * $u / $width + 0.25 * $v / $height));
                if ($shadow && $u + 0.8 * $v > 0.95 * $width) {
                    $light *= 0.5;
                }
                $n = ($start + $u * 7) & 4095;
                if ($x < 0.0 || $y < 0.0 || $column >= $this->columns || $row >= $this->rows) {
                    $r = $g = $b = self::DESK;
                } else {
                    $at = $row * $this->columns + $column;
                    $r = $red[$at];
                    $g = $green[$at];
                    $b = $blue[$at];
                }
                $line .= $bytesOf[$level($r * $light * $lamp[0] + $throws[$n])]
                    .$bytesOf[$level($g * $light * $lamp[1] + $throws[($n + 1365) & 4095])]
                    .$bytesOf[$level($b * $light * $lamp[2] + $throws[($n + 2731) & 4095])];
            }
            $bytes .= $line;
        }

        return [$width, $height, $bytes];
    }

    /** @return array{float, float, float, float} left, top, right and bottom of the sheet as it is seen, in its own measure */
    private function extent(float $slant, float $cos, float $sin): array
    {
        $left = $top = INF;
        $right = $bottom = -INF;
        foreach ([[-0.5, -0.5], [0.5, -0.5], [0.5, 0.5], [-0.5, 0.5]] as [$i, $j]) {
            [$px, $py] = $this->projected($i * $this->width, $j * $this->height, $slant, $cos, $sin);
            [$left, $right] = [min($left, $px), max($right, $px)];
            [$top, $bottom] = [min($top, $py), max($bottom, $py)];
        }

        return [$left, $top, $right, $bottom];
    }

    /** @return array{float, float} of a place from the middle of the sheet, mm */
    private function projected(float $x, float $y, float $slant, float $cos, float $sin): array
    {
        $qx = $cos * $x - $sin * $y;
        $qy = $sin * $x + $cos * $y;
        $py = $qy / (1.0 - $slant * $qy / ($this->height / 2.0));

        return [$qx * (1.0 + $slant * $py / ($this->height / 2.0)), $py];
    }

    /** @return list<string> the sRGB byte of each level: three powers for each pixel would take most of the time */
    private static function bytesOfLevels(): array
    {
        static $bytes = null;

        return $bytes ??= array_map(static fn (int $level): string => chr(Srgb::encode($level / self::LEVELS)), range(0, self::LEVELS));
    }

    /** @param  Closure(float, float): array{float, float, float}  $colour  by place within, mm */
    private function paint(float $x, float $y, float $width, float $height, Closure $colour): void
    {
        $left = (int) round($x * self::DOTS_PER_MM);
        $top = (int) round($y * self::DOTS_PER_MM);
        $right = min($this->columns, (int) round(($x + $width) * self::DOTS_PER_MM));
        $bottom = min($this->rows, (int) round(($y + $height) * self::DOTS_PER_MM));
        for ($row = max(0, $top); $row < $bottom; $row++) {
            for ($column = max(0, $left); $column < $right; $column++) {
                [$r, $g, $b] = $colour(($column - $left) / self::DOTS_PER_MM, ($row - $top) / self::DOTS_PER_MM);
                $at = $row * $this->columns + $column;
                $this->flat[0][$at] = $r;
                $this->flat[1][$at] = $g;
                $this->flat[2][$at] = $b;
            }
        }
    }
}
