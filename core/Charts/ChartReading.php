<?php

declare(strict_types=1);

namespace Prism\Charts;

use Prism\Colour\Lab;

/** What a picture of a chart sheet says. */
final readonly class ChartReading
{
    /**
     * @param  list<array{float, float}>  $corners  middles of the marks in pixels: upper left, upper right, lower right, lower left of the sheet
     * @param  list<array{number: int, colour: Lab, spread: float, doubts: list<string>, outline: list<array{float, float}>}>  $cells  the outline is in pixels
     * @param  float  $light  brightest paper white over darkest, 1 and up
     */
    public function __construct(public int $sheet, public array $corners, public array $cells, public float $light)
    {
    }
}
