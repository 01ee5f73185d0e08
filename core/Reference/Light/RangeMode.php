<?php

declare(strict_types=1);

namespace Prism\Reference\Light;

/** What becomes of the values of a photo that paper and box cannot reach. */
enum RangeMode: string
{
    case AsIs = 'as-is';
    case Compress = 'compress';
    case Clip = 'clip';

    public function sentence(): string
    {
        return match ($this) {
            self::AsIs => 'As in the photo: targets beyond reach stay, and recipes come as near as they can.',
            self::Compress => 'Compressed: all values move together into what paper and box can reach; every step stays a step.',
            self::Clip => 'Clipped: values within reach stay as they are; what lies beyond becomes the darkest dark or the lightest light.',
        };
    }
}
