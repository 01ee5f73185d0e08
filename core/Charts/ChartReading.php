<?php

declare(strict_types=1);

namespace Prism\Charts;

use Prism\Colour\Lab;

/**
 * @phpstan-type Field array{number: int, colour: Lab, spread: float, doubts: list<string>, over: ?Lab, outline: list<array{float, float}>}
 *     over: the pencil on the black bar, where there is one; the outline is in pixels
 *
 * What a picture of a chart sheet says.
 */
final readonly class ChartReading
{
    /**
     * @param  list<array{float, float}>  $corners  middles of the marks in pixels: upper left, upper right, lower right, lower left of the sheet; none of a plain sheet
     * @param  list<Field>  $cells
     * @param  float  $light  brightest paper white over darkest, 1 and up
     */
    public function __construct(public int $sheet, public array $corners, public array $cells, public float $light)
    {
    }
}
