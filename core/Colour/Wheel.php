<?php

declare(strict_types=1);

namespace Prism\Colour;

/**
 * The artist's colour wheel of 18 parts: six hues, and between each two of them one that is more of the first and one
 * that is more of the second.
 *
 * The CIELAB hue angle is mapped piecewise linearly, so that what artists call opposite (red and green, orange and
 * blue, yellow and violet) lies opposite.
 */
final class Wheel
{
    public const PARTS = 18;

    /** @var array<int, float> hab of red, orange, yellow, green, blue, violet, and red again */
    private const ANGLES = [28.0, 58.0, 92.0, 155.0, 262.0, 312.0, 388.0];

    /** Place on the wheel, 0 up to 18; red is 0, orange 3, yellow 6, green 9, blue 12, violet 15. */
    public static function position(float $hueDegrees): float
    {
        $angle = fmod(fmod($hueDegrees, 360.0) + 360.0, 360.0);
        if ($angle < self::ANGLES[0]) {
            $angle += 360.0;
        }
        for ($i = 0; $i < 6; $i++) {
            if ($angle <= self::ANGLES[$i + 1]) {
                return fmod(3.0 * ($i + ($angle - self::ANGLES[$i]) / max(1.0, self::ANGLES[$i + 1] - self::ANGLES[$i])), self::PARTS);
            }
        }

        return 0.0;
    }

    /** hab in degrees of a place on the wheel. */
    public static function hueDegrees(float $position): float
    {
        $place = fmod(fmod($position, self::PARTS) + self::PARTS, self::PARTS) / 3.0;
        $i = min(5, (int) $place);

        return fmod(self::ANGLES[$i] + ($place - $i) * (self::ANGLES[$i + 1] - self::ANGLES[$i]), 360.0);
    }

    /** The shorter way round between two places, 0-9. */
    public static function distance(float $one, float $other): float
    {
        $way = abs($one - $other);

        return min($way, self::PARTS - $way);
    }

    /** The opposite place. */
    public static function complement(float $position): float
    {
        return fmod($position + self::PARTS / 2, self::PARTS);
    }

    /** Red to yellow is warm, green to violet cool; the change lies at yellow-green and at red-violet. */
    public static function isWarm(float $position): bool
    {
        return $position < 7.5 || $position >= 16.0;
    }
}
