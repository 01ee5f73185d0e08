<?php

declare(strict_types=1);

namespace Prism\Colour;

/**
 * sRGB (IEC 61966-2-1) to and from Lab D50, adapted by Bradford as in ICC v4 profiles.
 */
final class Srgb
{
    /** Linear sRGB to X, Y, Z under D50 (D65 primaries through Bradford), each row summing to the D50 white. */
    private const TO_XYZ = [
        [0.4360747, 0.3850649, 0.1430804],
        [0.2225045, 0.7168786, 0.0606169],
        [0.0139322, 0.0971045, 0.7141733],
    ];

    private const FROM_XYZ = [
        [3.1338561, -1.6168667, -0.4906146],
        [-0.9787684, 1.9161415, 0.0334540],
        [0.0719453, -0.2289914, 1.4052427],
    ];

    private const WHITE = [0.9642200, 1.0000000, 0.8252100];

    /**
     * @param  array{float, float, float}  $linear  light of red, green and blue, 0-1
     * @return float Y, 1 for white
     */
    public static function luminance(array $linear): float
    {
        return self::TO_XYZ[1][0] * $linear[0] + self::TO_XYZ[1][1] * $linear[1] + self::TO_XYZ[1][2] * $linear[2];
    }

    /**
     * @param  int  $red  0-255, as are the others
     */
    public static function toLab(int $red, int $green, int $blue): Lab
    {
        $decode = self::decodeTable();

        return self::linearToLab($decode[$red & 255], $decode[$green & 255], $decode[$blue & 255]);
    }

    /** Linear light 0-1 to Lab. */
    public static function linearToLab(float $r, float $g, float $b): Lab
    {
        $xyz = [];
        foreach (self::TO_XYZ as $i => [$fr, $fg, $fb]) {
            // Divided by the row's own sum, so that equal r, g, b give a* = b* = 0 exactly.
            $xyz[] = ($fr * $r + $fg * $g + $fb * $b) / ($fr + $fg + $fb);
        }

        return Lab::fromRelativeXyz($xyz[0], $xyz[1], $xyz[2]);
    }

    /**
     * The same for a whole picture at once, without an object for each pixel.
     *
     * @param  array<int, float>  $r  linear light, 0-1, row by row
     * @param  array<int, float>  $g  as many
     * @param  array<int, float>  $b  as many
     * @return array{list<float>, list<float>, list<float>} L*, a*, b*
     */
    public static function planesToLab(array $r, array $g, array $b): array
    {
        [[$xr, $xg, $xb], [$yr, $yg, $yb], [$zr, $zg, $zb]] = array_map(static fn (array $row): array => array_map(static fn (float $part): float => $part / array_sum($row), $row), self::TO_XYZ);
        $L = $as = $bs = [];
        foreach ($r as $i => $red) {
            $green = $g[$i];
            $blue = $b[$i];
            $x = $xr * $red + $xg * $green + $xb * $blue;
            $y = $yr * $red + $yg * $green + $yb * $blue;
            $z = $zr * $red + $zg * $green + $zb * $blue;
            $fx = $x > Lab::EPSILON ? $x ** (1.0 / 3.0) : (Lab::KAPPA * $x + 16.0) / 116.0;
            $fy = $y > Lab::EPSILON ? $y ** (1.0 / 3.0) : (Lab::KAPPA * $y + 16.0) / 116.0;
            $fz = $z > Lab::EPSILON ? $z ** (1.0 / 3.0) : (Lab::KAPPA * $z + 16.0) / 116.0;
            $lightness = 116.0 * $fy - 16.0;
            $L[] = $lightness < 0.0 ? 0.0 : ($lightness > 100.0 ? 100.0 : $lightness);
            $as[] = 500.0 * ($fx - $fy);
            $bs[] = 200.0 * ($fy - $fz);
        }

        return [$L, $as, $bs];
    }

    /**
     * L* of a whole picture, as {@see self::planesToLab()} tells it.
     *
     * @param  array<int, float>  $r  linear light, 0-1, row by row
     * @param  array<int, float>  $g  as many
     * @param  array<int, float>  $b  as many
     * @return list<float>
     */
    public static function planesToLightness(array $r, array $g, array $b): array
    {
        $all = array_sum(self::TO_XYZ[1]);
        [$yr, $yg, $yb] = [self::TO_XYZ[1][0] / $all, self::TO_XYZ[1][1] / $all, self::TO_XYZ[1][2] / $all];
        $L = [];
        foreach ($r as $i => $red) {
            $y = $yr * $red + $yg * $g[$i] + $yb * $b[$i];
            $lightness = $y > Lab::EPSILON ? 116.0 * $y ** (1.0 / 3.0) - 16.0 : Lab::KAPPA * $y;
            $L[] = $lightness < 0.0 ? 0.0 : ($lightness > 100.0 ? 100.0 : $lightness);
        }

        return $L;
    }

    /** @return array{float, float, float} linear light, 0-1 for what a screen can show, beyond for what it cannot */
    public static function linear(Lab $lab): array
    {
        [$x, $y, $z] = $lab->toRelativeXyz();
        $x *= self::WHITE[0];
        $y *= self::WHITE[1];
        $z *= self::WHITE[2];
        $linear = [];
        foreach (self::FROM_XYZ as [$fx, $fy, $fz]) {
            $linear[] = $fx * $x + $fy * $y + $fz * $z;
        }

        return [$linear[0], $linear[1], $linear[2]];
    }

    /**
     * A change of X, Y, Z (white at Y = 1, under D50) as one of linear light.
     *
     * @param  array{array{float, float, float}, array{float, float, float}, array{float, float, float}}  $xyz
     * @return array{array{float, float, float}, array{float, float, float}, array{float, float, float}}
     */
    public static function inLinearLight(array $xyz): array
    {
        return Adaptation::product(self::FROM_XYZ, Adaptation::product($xyz, self::TO_XYZ));
    }

    /**
     * What makes X, Y, Z of linear light, as what makes linear light of it.
     *
     * @param  array{array{float, float, float}, array{float, float, float}, array{float, float, float}}  $toXyz
     * @return array{array{float, float, float}, array{float, float, float}, array{float, float, float}}
     */
    public static function fromXyzOf(array $toXyz): array
    {
        return Adaptation::product(self::FROM_XYZ, $toXyz);
    }

    /**
     * @param  array{float, float, float}  $linear
     * @return array{float, float, float} X, Y, Z under D50, white at Y = 1
     */
    public static function xyz(array $linear): array
    {
        return Adaptation::apply(self::TO_XYZ, $linear);
    }

    /** The code 0-255 of linear light. */
    public static function encode(float $linear): int
    {
        $linear = max(0.0, min(1.0, $linear));

        return (int) round(255.0 * ($linear <= 0.0031308 ? 12.92 * $linear : 1.055 * $linear ** (1.0 / 2.4) - 0.055));
    }

    /** @return array{int, int, int} 0-255, clipped where the screen cannot show the colour */
    public static function bytes(Lab $lab): array
    {
        [$r, $g, $b] = self::linear($lab);

        return [self::encode($r), self::encode($g), self::encode($b)];
    }

    public static function hex(Lab $lab): string
    {
        return vsprintf('#%02x%02x%02x', self::bytes($lab));
    }

    /**
     * Linear light for each of the 256 codes.
     *
     * @return array<int, float>
     */
    public static function decodeTable(): array
    {
        static $table = null;
        if ($table === null) {
            $table = [];
            for ($code = 0; $code < 256; $code++) {
                $c = $code / 255.0;
                $table[] = $c <= 0.04045 ? $c / 12.92 : (($c + 0.055) / 1.055) ** 2.4;
            }
        }

        return $table;
    }
}
