<?php

declare(strict_types=1);

use Prism\Colour\BandFit;
use Prism\Colour\Bands;
use Prism\Colour\InvalidColour;
use Prism\Colour\Lab;
use Prism\Colour\Observer;
use Prism\Colour\Reconstruction;
use Prism\Colour\Spectrum;
use Prism\Colour\Srgb;
use Prism\Colour\ValueScale;
use Prism\Colour\Wheel;
use Prism\Colour\Words\Appearance;
use Prism\Colour\Words\Difference;
use Prism\Colour\Words\Family;
use Prism\Colour\Words\Hue;

it('has a D50 white within a thousandth of the textbook', function (): void {
    [$x, $y, $z] = array_map(array_sum(...), Observer::weights());
    expect($x)->toEqualWithDelta(0.9642, 0.001)->and($y)->toEqualWithDelta(1.0, 1e-9)->and($z)->toEqualWithDelta(0.8251, 0.001);
});

it('keeps sRGB greys neutral and comes back to every code', function (): void {
    foreach ([0, 1, 17, 128, 200, 255] as $code) {
        $lab = Srgb::toLab($code, $code, $code);
        expect(abs($lab->a) + abs($lab->b))->toBeLessThan(1e-9);
    }
    foreach ([[12, 200, 90], [255, 0, 0], [0, 0, 255], [3, 4, 250], [250, 240, 10]] as $rgb) {
        expect(Srgb::bytes(Srgb::toLab(...$rgb)))->toBe($rgb);
    }
    // Lindbloom's D50 value of sRGB red.
    $red = Lab::fromHex('#f00');
    expect($red->L)->toEqualWithDelta(54.29, 0.02)->and($red->a)->toEqualWithDelta(80.81, 0.05)->and($red->b)->toEqualWithDelta(69.89, 0.05);
});

it('refuses colours that cannot be', function (Closure $make, string $says): void {
    expect($make)->toThrow(InvalidColour::class, $says);
})->with([
    [fn () => Lab::of(101, 0, 0), 'L* is 101; it goes from 0'],
    [fn () => Lab::of(NAN, 0, 0), 'not a number'],
    [fn () => Lab::of(50, 500, 0), 'a* is 500'],
    [fn () => Lab::fromHex('#12345'), 'six hexadecimal digits'],
    [fn () => Spectrum::of([0.1, 0.2]), 'has 36 values'],
    [fn () => Spectrum::of(array_fill(0, 36, 1.2)), 'at 380 nm is 1.2'],
]);

it('reconstructs a smooth spectrum that reproduces the colour exactly and stays within 0-1', function (): void {
    mt_srand(7);
    for ($i = 0; $i < 120; $i++) {
        $lab = Srgb::toLab(mt_rand(8, 250), mt_rand(8, 250), mt_rand(8, 250));
        foreach ([Spectrum::fromLab($lab)->samples(), Reconstruction::smoothest($lab, Bands::WEIGHTS)] as $reflectance) {
            expect(min($reflectance))->toBeGreaterThanOrEqual(0.0)->and(max($reflectance))->toBeLessThanOrEqual(1.0);
        }
        // The most vivid corners of a screen are beyond every surface; all others come back to the digit.
        if ($lab->chroma() < 75.0) {
            expect(Spectrum::fromLab($lab)->toLab()->differenceTo($lab))->toBeLessThan(0.001)
                ->and(Bands::toLab(Reconstruction::smoothest($lab, Bands::WEIGHTS))->differenceTo($lab))->toBeLessThan(0.001);
        }
    }
});

it('gives the extremes an answer too', function (): void {
    foreach ([Lab::of(0, 0, 0), Lab::of(100, 0, 0), Lab::of(60, 120, 120), Lab::of(3, 40, -60)] as $lab) {
        $bands = Reconstruction::smoothest($lab, Bands::WEIGHTS);
        expect($bands)->toHaveCount(12)->and(is_nan(array_sum($bands)))->toBeFalse();
    }
});

it('carries the weights that the fit derives', function (): void {
    foreach (BandFit::derive() as $row => $weights) {
        foreach ($weights as $band => $weight) {
            expect(Bands::WEIGHTS[$row][$band])->toEqualWithDelta($weight, 2e-6);
        }
        expect(array_sum(Bands::WEIGHTS[$row]))->toEqualWithDelta(1.0, 1e-6);
    }
});

it('agrees with 36 samples within 0.3 dE00 for the shipped pencils, alone and multiplied', function (): void {
    $rows = array_map(str_getcsv(...), file(__DIR__.'/../../../database/demo/pencils.csv'));
    array_shift($rows);
    $worst = 0.0;
    $errors = [];
    foreach ($rows as $i => $row) {
        $one = array_map(floatval(...), array_slice($row, -36));
        $other = array_map(floatval(...), array_slice($rows[($i * 31 + 7) % count($rows)], -36));
        foreach ([$one, array_map(static fn (float $a, float $b): float => $a * $b, $one, $other)] as $samples) {
            $spectrum = Spectrum::of($samples);
            $errors[] = $error = $spectrum->toLab()->differenceTo(Bands::toLab($spectrum->bands()));
            $worst = max($worst, $error);
        }
    }
    sort($errors);
    expect($errors[(int) (0.95 * count($errors))])->toBeLessThan(0.3)->and($worst)->toBeLessThan(0.8);
});

it('places hues where artists look for them, complements opposite', function (): void {
    $place = static fn (string $hex): float => Wheel::position(Lab::fromHex($hex)->hueDegrees());
    expect(Family::at($place('#e6c800'))->word())->toBe('yellow')
        ->and(Family::at($place('#c8281e'))->word())->toStartWith('red')
        ->and(Family::at($place('#1e8c3c'))->word())->toStartWith('green')
        ->and(Family::at($place('#2850aa'))->word())->toStartWith('blue')
        ->and(Wheel::distance($place('#c8281e'), $place('#1e8c3c')))->toBeGreaterThan(7.0)
        ->and(Wheel::distance($place('#e6c800'), $place('#5a2d91')))->toBeGreaterThan(7.5)
        ->and(Wheel::distance($place('#e6821e'), $place('#2850aa')))->toBeGreaterThan(7.5);
    for ($position = 0.0; $position < 18.0; $position += 0.37) {
        expect(Wheel::position(Wheel::hueDegrees($position)))->toEqualWithDelta($position, 1e-6)
            ->and(Wheel::distance($position, Wheel::complement($position)))->toEqualWithDelta(9.0, 1e-9);
    }
    expect(Family::at(7.0)->word())->toBe('yellow with some green')->and(Family::at(8.0)->word())->toBe('green with some yellow')
        ->and(Hue::leaned(6.4)?->value)->toBe('green')->and(Hue::leaned(5.6)?->value)->toBe('orange')->and(Hue::leaned(6.0))->toBeNull();
});

it('names colours as artists do: all families, and whether they are tints, tones, shades or clean', function (): void {
    $families = $characters = [];
    $names = require __DIR__.'/names.php';
    foreach ($names as $name => [$hex, $wanted, $character]) {
        $look = Appearance::of(Lab::fromHex($hex));
        if (! in_array($look->family->kind->value, $wanted, true)) {
            $families[$name] = $look->family->word();
        }
        if ($character !== null && $look->character->value !== $character) {
            $characters[$name] = $look->character->value;
        }
    }
    // One is left that is on the border of two.
    expect(count($names))->toBeGreaterThanOrEqual(120)->and($families)->toBe([])->and($characters)->toBe(['mauve pink' => 'a tint']);
});

it('names greys, browns, tints and shades', function (): void {
    expect(Appearance::of(Lab::of(50, 0, 0))->family->word())->toBe('grey')
        ->and(Appearance::of(Lab::of(50, 2, 4))->family->word())->toBe('warm grey')
        ->and(Appearance::of(Lab::of(50, -1, -4))->family->word())->toBe('cool grey')
        ->and(Appearance::of(Lab::of(97, 0, 1))->family->word())->toBe('white')
        ->and(Appearance::of(Lab::of(12, 1, 0))->family->word())->toBe('black')
        ->and(Appearance::of(Lab::of(45, 20, 16))->family->word())->toBe('brown with some red')
        ->and(Appearance::of(Lab::of(52, 7, 22))->family->word())->toBe('brown with some yellow')
        ->and(Appearance::of(Lab::of(88, 12, 4))->character->value)->toBe('a tint')
        ->and(Appearance::of(Lab::of(25, -2, -30))->character->value)->toBe('a shade')
        ->and(Appearance::of(Lab::of(90, -4, 80))->sentence())->toContain('yellow')->toContain('step 8 of 9');
});

it('reads values on nine rungs', function (): void {
    expect(ValueScale::step(100))->toBe(9)->and(ValueScale::step(5))->toBe(1)->and(ValueScale::step(56))->toBe(5)
        ->and(ValueScale::step(56, 3))->toBe(2)
        ->and(ValueScale::step(ValueScale::lightnessOf(7)))->toBe(7);
});

it('speaks of differences as an artist would', function (): void {
    $target = Lab::of(50, 30, 20);
    $said = static fn (Lab $actual): string => Difference::between($actual, $target)->words;
    expect($said($target))->toBe('on target')
        ->and($said(Lab::of(56, 30, 20)))->toBe('half a step too light')
        ->and($said(Lab::of(28, 30, 20)))->toBe('2 steps too dark')
        ->and($said(Lab::of(50, 22, 14)))->toContain('dull')
        ->and($said(Lab::of(50, 24, 28)))->toBe('leans orange')
        ->and($said(Lab::of(50, 34, 10)))->toBe('leans violet')
        ->and(Difference::between(Lab::of(50, 6, 0), Lab::of(50, 0, 0))->words)->toContain('leans')
        // A brown beside a grey does not lean, and a grey beside a red lacks it.
        ->and(Difference::between(Lab::of(50, 10, 24), Lab::of(50, -2, -3))->words)->toBe('much too orange')
        ->and(Difference::between(Lab::of(50, 1, 1), $target)->words)->toBe('much too dull');
});

it('reads a colour as it is typed', function (string $text, float $L, float $a, float $b): void {
    $lab = Prism\Colour\Lab::typed($text);
    expect($lab->L)->toEqualWithDelta($L, 0.05)->and($lab->a)->toEqualWithDelta($a, 0.05)->and($lab->b)->toEqualWithDelta($b, 0.05);
})->with([['52.5 18 -30', 52.5, 18, -30], ['52.5, 18; -30', 52.5, 18, -30], [' 50 0 0 ', 50, 0, 0], ['#808080', 53.585, 0, 0], ['#fff', 100, 0, 0]]);

it('takes no number of a pencil for a colour', function (string $text): void {
    expect(fn () => Lab::typed($text))->toThrow(InvalidColour::class, 'write it as #');
})->with(['five digits and one' => '185320', 'three' => '130', 'letters' => 'fff', 'nothing' => '']);

it('refuses what is no colour, and lightness beyond white', function (string $text): void {
    expect(static fn () => Prism\Colour\Lab::typed($text))->toThrow(Prism\Colour\InvalidColour::class);
})->with(['', 'blue', '50 0', '50 0 0 0', '101 0 0', '#12345', '50 500 0']);

it('goes to linear light and back', function (string $hex): void {
    $lab = Prism\Colour\Lab::fromHex($hex);
    [$r, $g, $b] = Prism\Colour\Srgb::linear($lab);
    expect(Prism\Colour\Srgb::linearToLab($r, $g, $b)->differenceTo($lab))->toBeLessThan(0.01)
        ->and(sprintf('#%02x%02x%02x', Prism\Colour\Srgb::encode($r), Prism\Colour\Srgb::encode($g), Prism\Colour\Srgb::encode($b)))->toBe($hex);
})->with(['#000000', '#ffffff', '#808080', '#c83020', '#20a0d0', '#050505']);

it('keeps light that no screen can show, and clips it only when it is encoded', function (): void {
    [$r] = Prism\Colour\Srgb::linear(Prism\Colour\Lab::of(38, 8, -58));
    expect($r)->toBeLessThan(0.0)->and(Prism\Colour\Srgb::encode($r))->toBe(0)->and(Prism\Colour\Srgb::encode(1.7))->toBe(255);
});

it('reads a whole picture as it reads each of its pixels', function (): void {
    $r = $g = $b = [];
    for ($i = 0; $i < 500; $i++) {
        $r[] = ($i * 37 % 101) / 100;
        $g[] = ($i * 53 % 97) / 96;
        $b[] = $i < 20 ? $i / 4000 : ($i * 71 % 89) / 88;
    }
    [$L, $as, $bs] = Srgb::planesToLab($r, $g, $b);
    foreach ($r as $i => $red) {
        $own = Srgb::linearToLab($red, $g[$i], $b[$i]);
        expect($L[$i])->toEqualWithDelta($own->L, 1e-9)->and($as[$i])->toEqualWithDelta($own->a, 1e-9)->and($bs[$i])->toEqualWithDelta($own->b, 1e-9);
    }
    // Greys have no hue at all.
    [, $as, $bs] = Srgb::planesToLab([0.0, 0.2, 1.0], [0.0, 0.2, 1.0], [0.0, 0.2, 1.0]);
    expect(max(array_map(abs(...), [...$as, ...$bs])))->toBeLessThan(1e-10);
});

it('refuses what is no number, typed or measured', function (): void {
    foreach (['... ... ...', '. . .', '- - -', '1.2.3 4 5', '50 10'] as $text) {
        expect(fn () => Lab::typed($text))->toThrow(InvalidColour::class);
    }
    expect(Lab::typed('50. .5 -3'))->toEqual(Lab::of(50, 0.5, -3));
    foreach ([[NAN, 0.5, 0.5], [0.5, NAN, 0.5], [0.5, 0.5, INF]] as [$x, $y, $z]) {
        expect(fn () => Lab::fromRelativeXyz($x, $y, $z))->toThrow(InvalidColour::class, 'not a number');
    }
});
