<?php

declare(strict_types=1);

namespace Prism\Maths;

/** Surfaces of a black and white picture that hang together, side by side or one above the other. */
final class FloodFill
{
    /**
     * @param  string  $marked  a byte a pixel, row by row; all but "\0" is marked
     * @return list<non-empty-list<int>> pixels of each surface
     */
    public static function regions(int $width, int $height, string $marked): array
    {
        $regions = [];
        for ($start = 0, $count = $width * $height; $start < $count; $start++) {
            if ($marked[$start] === "\0") {
                continue;
            }
            $marked[$start] = "\0";
            $region = [$start];
            for ($next = 0; $next < count($region); $next++) {
                $at = $region[$next];
                $x = $at % $width;
                foreach ([[$x > 0, $at - 1], [$x < $width - 1, $at + 1], [$at >= $width, $at - $width], [$at + $width < $count, $at + $width]] as [$is, $beside]) {
                    if ($is && $marked[$beside] !== "\0") {
                        $marked[$beside] = "\0";
                        $region[] = $beside;
                    }
                }
            }
            $regions[] = $region;
        }

        return $regions;
    }
}
