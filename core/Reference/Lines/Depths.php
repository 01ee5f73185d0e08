<?php

declare(strict_types=1);

namespace Prism\Reference\Lines;

/**
 * How far each pixel is from the nearest line, in thirds of a pixel; measured across and down and by the diagonal (chamfer 3-4,
 * Borgefors 1986). The edge of the picture is no line.
 */
final class Depths
{
    public const PIXEL = 3;

    private const DIAGONAL = 4;

    private const FAR = 1_000_000;

    /**
     * @param  string  $walls  a byte a pixel, 1 for a line
     * @return list<int> 0 on a line
     */
    public static function of(string $walls, int $width, int $height): array
    {
        $depths = [];
        for ($at = 0, $count = $width * $height; $at < $count; $at++) {
            if ($walls[$at] === "\1") {
                $depths[] = 0;

                continue;
            }
            $x = $at % $width;
            $least = self::FAR;
            if ($x > 0) {
                $least = $depths[$at - 1] + self::PIXEL;
            }
            if ($at >= $width) {
                $least = min($least, $depths[$at - $width] + self::PIXEL);
                $least = $x > 0 ? min($least, $depths[$at - $width - 1] + self::DIAGONAL) : $least;
                $least = $x < $width - 1 ? min($least, $depths[$at - $width + 1] + self::DIAGONAL) : $least;
            }
            $depths[] = $least;
        }
        for ($at = $width * $height - 1; $at >= 0; $at--) {
            $x = $at % $width;
            $least = $depths[$at];
            if ($x < $width - 1) {
                $least = min($least, $depths[$at + 1] + self::PIXEL);
            }
            if ($at < ($height - 1) * $width) {
                $least = min($least, $depths[$at + $width] + self::PIXEL);
                $least = $x > 0 ? min($least, $depths[$at + $width - 1] + self::DIAGONAL) : $least;
                $least = $x < $width - 1 ? min($least, $depths[$at + $width + 1] + self::DIAGONAL) : $least;
            }
            $depths[$at] = $least;
        }

        return array_values($depths);
    }
}
