<?php

declare(strict_types=1);

namespace App\Studio\Photos;

/** A decoded reference: upright, in sRGB, no larger than the working size. */
final readonly class Photo
{
    /**
     * @param  string  $rgb  the pixels to work on, three bytes each, row by row
     * @param  string  $large  JPEG of the same with more pixels, to look at closely
     */
    public function __construct(public int $width, public int $height, public string $rgb, public string $large)
    {
    }
}
