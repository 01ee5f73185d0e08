<?php

declare(strict_types=1);

namespace Prism\Charts;

use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Reference\Image\Raster;
use Prism\Reference\Image\Sample;

/** Reads the colour of a paper, or of what is laid on one, from a photo in which it lies beside plain white printing paper: what the light did to the white, it did to that. */
final class BesideWhite
{
    /** Plain white printing paper is about that, D50. */
    private const WHITE = [95.0, 0.4, -1.5];

    /** Radius of what is read around a place, as a share of the longer edge. */
    private const RADIUS = 0.012;

    /** From that of full light the sensor may have been at its end. */
    private const BLOWN = 0.985;

    /** Spread over a place, dE76, from which it is no plain sheet: sensors leave two or three. */
    private const UNEVEN = 4.5;

    /** The white may be darker than the paper by that much: papers are whiter than others, photos are noisy. */
    private const LIGHTER = 1.06;

    /**
     * @param  array{float, float}  $white  a place on the white sheet, shares of width and height
     * @param  array{float, float}  $asked  a place on what is asked for
     * @param  string  $what  that is, in a word, for what cannot be read
     *
     * @throws ChartRefused if the photo cannot tell
     */
    public static function read(Raster $photo, array $white, array $asked, string $what = 'paper'): Lab
    {
        $at = static fn (array $place): Sample => $photo->sample($place[0] * $photo->width, $place[1] * $photo->height, self::RADIUS * max($photo->width, $photo->height));
        [$plain, $own] = [$at($white), $at($asked)];
        [$light, $seen] = [Srgb::linear($plain->colour), Srgb::linear($own->colour)];
        if (max($light) > self::BLOWN) {
            throw new ChartRefused('The white sheet is blown out in this photo, so that it says nothing of the light. Take it anew, a little darker.');
        }
        if (min($light) < FieldMeter::LEAST_WHITE) {
            throw new ChartRefused('Where you pointed at white it is nearly black. Point at the plain white sheet, or take the photo in more light.');
        }
        foreach (['white sheet' => $plain, $what => $own] as $which => $sample) {
            if ($sample->spread > self::UNEVEN) {
                throw new ChartRefused(sprintf('Where you pointed at the %s it is not one even colour. Point at a place without an edge, a shadow or a mark.', $which));
            }
        }
        $sheet = Srgb::linear(Lab::of(...self::WHITE));
        $true = [];
        foreach ($seen as $channel => $value) {
            $true[] = $value / $light[$channel] * $sheet[$channel];
        }
        if ($true[1] > self::LIGHTER * $sheet[1]) {
            throw new ChartRefused(sprintf('The %s comes out lighter than the white sheet. Were the two taken the other way round, or is there a shadow on the white one?', $what));
        }
        $lab = Srgb::linearToLab($true[0], $true[1], $true[2]);

        return Lab::of(round(min(98.0, $lab->L), 1), round($lab->a, 1), round($lab->b, 1));
    }
}
