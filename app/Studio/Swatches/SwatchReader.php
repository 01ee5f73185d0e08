<?php

declare(strict_types=1);

namespace App\Studio\Swatches;

use Closure;
use Prism\Charts\ChartSheet;
use Prism\Colour\Lab;
use Prism\Exchange\PencilEntry;
use Prism\Layering\Stack;

/** Has stacks drawn on a paper and reads the colours that come out: a hand with an instrument or a camera, or a simulated one. */
interface SwatchReader
{
    /**
     * @param  string  $paper  slug of a paper
     * @param  string  $seed  two readings of one stack differ as two drawings do; the same seed gives the same
     */
    public function read(string $paper, Stack $stack, string $seed): Lab;

    /**
     * Fills a chart sheet and takes its picture.
     *
     * @param  ?Closure(float): void  $progress  0-1; may throw to cancel
     * @return string the bytes of a JPEG
     */
    public function photograph(string $paper, ChartSheet $sheet, string $seed, ?Closure $progress = null): string;

    /** Is handed pencils that it may not have. */
    public function take(PencilEntry ...$pencils): void;
}
