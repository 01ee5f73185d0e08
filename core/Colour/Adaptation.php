<?php

declare(strict_types=1);

namespace Prism\Colour;

/** How colours change when the eye turns from one white to another: Bradford, as in ICC v4 profiles. */
final class Adaptation
{
    private const BRADFORD = [
        [0.8951, 0.2664, -0.1614],
        [-0.7502, 1.7135, 0.0367],
        [0.0389, -0.0685, 1.0296],
    ];

    private const INVERSE = [
        [0.9869929, -0.1470543, 0.1599627],
        [0.4323053, 0.5183603, 0.0492912],
        [-0.0085287, 0.0400428, 0.9684867],
    ];

    /**
     * @param  array{float, float, float}  $from  X, Y, Z of the white that was
     * @param  array{float, float, float}  $to  of the white that shall be
     * @param  float  $degree  1: the eye is wholly used to the new white, 0: not at all
     * @return array{array{float, float, float}, array{float, float, float}, array{float, float, float}}
     */
    public static function matrix(array $from, array $to, float $degree = 1.0): array
    {
        $was = self::apply(self::BRADFORD, $from);
        $is = self::apply(self::BRADFORD, $to);
        $scaled = [];
        foreach (self::BRADFORD as $i => [$x, $y, $z]) {
            $gain = $degree * $is[$i] / max(1e-9, $was[$i]) + 1.0 - $degree;
            $scaled[] = [$gain * $x, $gain * $y, $gain * $z];
        }

        return self::product(self::INVERSE, [$scaled[0], $scaled[1], $scaled[2]]);
    }

    /**
     * @param  array{array{float, float, float}, array{float, float, float}, array{float, float, float}}  $matrix
     * @param  array{float, float, float}  $v
     * @return array{float, float, float}
     */
    public static function apply(array $matrix, array $v): array
    {
        $row = static fn (array $r): float => $r[0] * $v[0] + $r[1] * $v[1] + $r[2] * $v[2];

        return [$row($matrix[0]), $row($matrix[1]), $row($matrix[2])];
    }

    /**
     * The change by the second, then by the first.
     *
     * @param  array{array{float, float, float}, array{float, float, float}, array{float, float, float}}  $first
     * @param  array{array{float, float, float}, array{float, float, float}, array{float, float, float}}  $second
     * @return array{array{float, float, float}, array{float, float, float}, array{float, float, float}}
     */
    public static function product(array $first, array $second): array
    {
        $cell = static fn (int $i, int $j): float => $first[$i][0] * $second[0][$j] + $first[$i][1] * $second[1][$j] + $first[$i][2] * $second[2][$j];
        $row = static fn (int $i): array => [$cell($i, 0), $cell($i, 1), $cell($i, 2)];

        return [$row(0), $row(1), $row(2)];
    }
}
