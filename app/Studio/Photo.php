<?php

declare(strict_types=1);

namespace App\Studio;

/** A decoded reference: upright, in sRGB, no larger than the working size. */
final readonly class Photo
{
    /**
     * @param  string  $jpeg  to show
     * @param  string  $valueJpeg  the same as neutral greys of the same L*
     * @param  string  $rgb  the pixels to sample, three bytes each, row by row
     */
    public function __construct(public int $width, public int $height, public string $jpeg, public string $valueJpeg, public string $rgb)
    {
    }
}
