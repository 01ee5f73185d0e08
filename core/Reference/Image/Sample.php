<?php

declare(strict_types=1);

namespace Prism\Reference\Image;

use Prism\Colour\Lab;
use Prism\Colour\Words\Difference;

/** A patch of the photo: its mean colour and how much it varies. */
final readonly class Sample
{
    /** @param  float  $spread root mean square distance of the pixels from their mean, in CIELAB units */
    public function __construct(public Lab $colour, public float $spread, public int $pixels)
    {
    }

    /** How it differs from another patch: positive dL is lighter. */
    public function differenceFrom(self $other): Difference
    {
        return Difference::between($this->colour, $other->colour);
    }
}
