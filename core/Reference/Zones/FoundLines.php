<?php

declare(strict_types=1);

namespace Prism\Reference\Zones;

/** Lines of one kind in a zone. */
final readonly class FoundLines
{
    /**
     * @param  non-empty-list<int>  $pixels  that they cover
     * @param  float  $length  all together, share of the width of the picture
     * @param  float  $width  on the mean, share of the width of the picture
     */
    public function __construct(public array $pixels, public float $length, public float $width)
    {
    }
}
