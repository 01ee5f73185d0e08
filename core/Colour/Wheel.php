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

    public const HUES = ['red', 'orange', 'yellow', 'green', 'blue', 'violet'];

    /** hab of the six hues, in order round the wheel, and red again. */
    /** @var array<int, float> */
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

    /** "yellow with some green", and so on. */
    public static function family(float $position): string
    {
        $part = ((int) round($position)) % self::PARTS;
        $near = intdiv($part + 1, 3) % 6;
        $side = $part - 3 * intdiv($part + 1, 3);
        if ($side === 0) {
            return self::HUES[$near];
        }

        return self::HUES[$near].' with some '.self::HUES[($near + $side + 6) % 6];
    }

    /** The neighbouring hue towards which a place leans within its part; null when it stands in the middle. */
    public static function lean(float $position): ?string
    {
        $from = $position - round($position);
        if (abs($from) < 0.18) {
            return null;
        }
        $next = (int) floor($position / 3.0) + 1;
        $towards = $from > 0.0 ? $next : $next - 1;
        // At a pure hue the neighbour is the next hue on that side, not the hue itself.
        if (abs($position - 3.0 * $towards) < 0.5) {
            $towards += $from > 0.0 ? 1 : -1;
        }

        return self::HUES[($towards + 6) % 6];
    }

    /** Red to yellow is warm, green to violet cool; the change lies at yellow-green and at red-violet. */
    public static function isWarm(float $position): bool
    {
        return $position < 7.5 || $position >= 16.0;
    }
}
