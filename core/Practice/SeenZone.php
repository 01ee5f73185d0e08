<?php

declare(strict_types=1);

namespace Prism\Practice;

use Prism\Colour\Lab;

/** A zone of one of the artist's photos. */
final readonly class SeenZone
{
    /**
     * @param  string  $picture  key of the photo
     * @param  float  $x  a place in it, as a share of the photo's width, 0-1; y of its height
     * @param  array{light: Lab, middle: Lab, dark: Lab}  $colours
     */
    public function __construct(public string $picture, public float $x, public float $y, public array $colours)
    {
    }
}
