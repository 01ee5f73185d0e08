<?php

declare(strict_types=1);

namespace App\Studio\Swatches;

use Closure;
use Prism\Charts\ChartSheet;
use Prism\Colour\Lab;
use Prism\Exchange\PencilEntry;
use Prism\Layering\Stack;
use Prism\Materials\Paper;
use Prism\Reference\Image\Raster;

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

    /**
     * Draws a whole picture and takes a photo of it.
     *
     * @param  float  $slant  how far the far edge is foreshortened, 0-0.3
     * @param  float  $turn  of the sheet on the desk, degrees
     * @return array{Raster, list<array{float, float}>} and where the corners of the drawing are seen in it, pixels
     */
    public function photographDrawing(DrawnPicture $drawn, string $seed, float $slant = 0.1, float $turn = 4.0): array;

    /** Is handed a paper that it may not have. */
    public function lay(Paper $paper): void;

    /** Is handed pencils that it may not have. */
    public function take(PencilEntry ...$pencils): void;
}
