<?php

declare(strict_types=1);

use Prism\Colour\Bands;
use Prism\Colour\Lab;
use Prism\Colour\Lamp;
use Prism\Colour\Spectrum;
use Prism\Colour\UnderLamp;

use function Tests\Core\model;
use function Tests\Core\pencils;

const SEEN = [[80, 5, 20], [50, 40, 25], [45, -30, 20], [35, 10, -35], [60, 0, 0], [25, 2, -4]];

it('changes nothing in daylight, by bands or by colour', function (): void {
    foreach (SEEN as $lab) {
        $colour = Lab::of(...$lab);
        $bands = Bands::fromSamples(Spectrum::fromLab($colour)->samples());
        expect(UnderLamp::of($colour, Lamp::Daylight))->toBe($colour)->and(UnderLamp::ofBands($bands, Lamp::Daylight))->toEqual(Bands::toLab($bands));
    }
});

it('sees by bands what it sees by the whole spectrum', function (Lamp $lamp): void {
    foreach (SEEN as $lab) {
        $colour = Lab::of(...$lab);
        $bands = Bands::fromSamples(Spectrum::fromLab($colour)->samples());
        expect(UnderLamp::ofBands($bands, $lamp)->differenceTo(UnderLamp::of($colour, $lamp)))->toBeLessThan(1.2);
    }
})->with([Lamp::NorthLight, Lamp::WarmLamp, Lamp::Led]);

it('warms a grey under the warm lamp and cools it in north light, and keeps its value', function (): void {
    $grey = Lab::of(60, 0, 0);
    $warm = UnderLamp::of($grey, Lamp::WarmLamp);
    $north = UnderLamp::of($grey, Lamp::NorthLight);
    expect($warm->b)->toBeGreaterThan(2.0)->and($north->b)->toBeLessThan(-0.5)->and(abs($warm->L - 60))->toBeLessThan(2.0)->and(abs($north->L - 60))->toBeLessThan(2.0);
});

it('parts under a lamp what is alike in daylight: two mixes of one colour', function (): void {
    $parted = 0.0;
    $ids = pencils()->ids();
    mt_srand(5);
    for ($i = 0; $i < 60; $i++) {
        $passage = model()->draw(Prism\Layering\Stack::parse($ids[array_rand($ids)].'@50 > '.$ids[array_rand($ids)].'@50'));
        // Against the smoothest spectrum of the same colour.
        $parted = max($parted, UnderLamp::ofBands($passage->bands(), Lamp::WarmLamp)->differenceTo(UnderLamp::of($passage->lab(), Lamp::WarmLamp)));
    }
    expect($parted)->toBeGreaterThan(0.5)->toBeLessThan(12.0);
});
