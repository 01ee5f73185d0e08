<?php

declare(strict_types=1);

namespace Tests\Core\Reference;

use Prism\Colour\Lab;
use Prism\Reference\Image\Field;
use Prism\Reference\Zones\ZoneMap;

/** A field from a colour for each place, in shares of width and height. */
function painted(int $width, int $height, \Closure $colour): Field
{
    $L = $a = $b = [];
    for ($y = 0; $y < $height; $y++) {
        for ($x = 0; $x < $width; $x++) {
            /** @var Lab $lab */
            $lab = $colour(($x + 0.5) / $width, ($y + 0.5) / $height);
            $L[] = $lab->L;
            $a[] = $lab->a;
            $b[] = $lab->b;
        }
    }

    return Field::ofPlanes($width, $height, $L, $a, $b);
}

/** A map from letters: a row of the picture each, "." for no zone; a is 1, b is 2 and so on. */
function mapped(string ...$rows): ZoneMap
{
    return ZoneMap::of(strlen($rows[0]), count($rows), implode('', array_map(
        static fn (string $row): string => implode('', array_map(static fn (string $letter): string => $letter === '.' ? "\0" : chr(ord($letter) - 96), str_split($row))),
        $rows,
    )));
}

/** The map as it was written. */
function letters(ZoneMap $map): array
{
    return array_map(static fn (string $row): string => implode('', array_map(static fn (string $byte): string => $byte === "\0" ? '.' : chr(ord($byte) + 96), str_split($row))), str_split($map->labels, $map->width));
}

/**
 * A matt ball on a plain ground, lit from an angle: lit, half lit, shadow.
 *
 * @param  float  $degrees  from the right, counter-clockwise
 */
function ball(float $degrees, int $size = 120, ?Lab $ground = null): Field
{
    $light = [cos(deg2rad($degrees)) * 0.8, -sin(deg2rad($degrees)) * 0.8, 0.6];
    $ground ??= Lab::of(55, 2, -8);

    return painted($size, $size, static function (float $x, float $y) use ($light, $ground): Lab {
        $dx = ($x - 0.5) / 0.36;
        $dy = ($y - 0.5) / 0.36;
        $square = $dx * $dx + $dy * $dy;
        if ($square > 1.0) {
            return $ground;
        }
        $shade = max(0.0, $dx * $light[0] + $dy * $light[1] + sqrt(1.0 - $square) * $light[2]);

        return Lab::of(14.0 + 56.0 * $shade, 12.0 + 34.0 * $shade, 8.0 + 24.0 * $shade);
    });
}
