<?php

declare(strict_types=1);

namespace Prism\Calibration;

use Prism\Colour\Lab;
use Prism\Layering\Stack;

/** A stack that was drawn on a paper, and the colour read from it. An empty stack is the bare paper. */
final readonly class Swatch
{
    public function __construct(public string $id, public string $paper, public Stack $stack, public Lab $colour)
    {
    }
}
