<?php

declare(strict_types=1);

use Prism\Charts\BesideWhite;
use Prism\Charts\ChartRefused;
use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Reference\Image\Raster;

/** White printing paper left, a paper right, in a light that is this much of each channel. */
function beside(Lab $paper, array $light, ?Closure $spoil = null): Raster
{
    $white = Srgb::linear(Lab::of(95.0, 0.4, -1.5));
    $own = Srgb::linear($paper);
    $rgb = '';
    for ($y = 0; $y < 60; $y++) {
        for ($x = 0; $x < 90; $x++) {
            foreach ($x < 45 ? $white : $own as $channel => $value) {
                $rgb .= chr(Srgb::encode(min(1.0, $value * $light[$channel] * ($spoil === null ? 1.0 : $spoil($x, $y)))));
            }
        }
    }

    return Raster::of(90, 60, $rgb);
}

it('reads the colour of a paper whatever the lamp is', function (Lab $paper): void {
    foreach ([[0.9, 0.9, 0.9], [0.95, 0.8, 0.55], [0.5, 0.55, 0.62]] as $light) {
        expect(BesideWhite::read(beside($paper, $light), [0.25, 0.5], [0.75, 0.5])->differenceTo($paper))->toBeLessThan(1.0);
    }
})->with([[Lab::of(78, 3, 16)], [Lab::of(91, 0, 8)], [Lab::of(17, 0, 0)], [Lab::of(55, -8, -10)]]);

it('refuses in words what cannot tell', function (Raster $photo, array $white, array $paper, string $why): void {
    expect(static fn () => BesideWhite::read($photo, $white, $paper))->toThrow(ChartRefused::class, $why);
})->with([
    'blown out' => [beside(Lab::of(70, 0, 0), [1.4, 1.4, 1.4]), [0.25, 0.5], [0.75, 0.5], 'blown out'],
    'dark' => [beside(Lab::of(70, 0, 0), [0.04, 0.04, 0.04]), [0.25, 0.5], [0.75, 0.5], 'nearly black'],
    'the other way round' => [beside(Lab::of(70, 0, 0), [0.9, 0.9, 0.9]), [0.75, 0.5], [0.25, 0.5], 'other way round'],
    'across the edge' => [beside(Lab::of(50, 0, 0), [0.9, 0.9, 0.9]), [0.25, 0.5], [0.5, 0.5], 'not one even colour'],
]);
