<?php

declare(strict_types=1);

namespace App\Studio;

use Prism\Colour\Lab;
use Prism\Layering\Stack;

/** Has a stack drawn on a paper and reads the colour that came out: a hand with an instrument, or a simulated one. */
interface SwatchReader
{
    /**
     * @param  string  $paper  slug of a paper
     * @param  string  $seed  two readings of one stack differ as two drawings do; the same seed gives the same
     */
    public function read(string $paper, Stack $stack, string $seed): Lab;
}
