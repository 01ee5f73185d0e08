<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Standin\ChartPhoto;
use Standin\Sheet;

// The simulated camera: what it sees of a sheet on a desk.

const PAGE = [210.0, 297.0];

/** A small picture of a sheet of paper. */
function sheetPhoto(int $pixels = 210): ChartPhoto
{
    return new ChartPhoto(...PAGE, paper: Lab::of(95, 0, 1), pixels: $pixels);
}

/** @return list<array{float, float, float}> */
function plain(Lab $lab): array
{
    return array_fill(0, Sheet::SIZE ** 2, Srgb::linear($lab));
}

/** The sRGB bytes at a place of the picture, as shares of its width and height. @param  array{int, int, string}  $taken @return array{int, int, int} */
function byteAt(array $taken, float $x, float $y): array
{
    [$width, $height, $bytes] = $taken;
    $at = 3 * ((int) ($y * $height) * $width + (int) ($x * $width));

    return [ord($bytes[$at]), ord($bytes[$at + 1]), ord($bytes[$at + 2])];
}

it('gives three bytes for every pixel, in the page\'s proportions', function (): void {
    [$width, $height, $bytes] = sheetPhoto()->taken('x');
    expect(strlen($bytes))->toBe(3 * $width * $height)->and($height / $width)->toEqualWithDelta(297 / 210, 0.001);
});

it('is the same for the same seed, and noisy otherwise', function (): void {
    $photo = sheetPhoto();
    expect($photo->taken('a'))->toBe($photo->taken('a'))->and($photo->taken('a')[2])->not->toBe($photo->taken('b')[2])
        ->and($photo->taken('a', noise: 0.0)[2])->toBe($photo->taken('b', noise: 0.0)[2]);
});

it('shows paper in the middle and the desk around it, under a warm lamp', function (): void {
    $taken = sheetPhoto()->taken('x', 0.0, 0.0, 0.0, 0.0);
    [$r, $g, $b] = byteAt($taken, 0.5, 0.5);
    expect($r)->toBeGreaterThan(200)->and($r)->toBeGreaterThan($g)->and($g)->toBeGreaterThan($b)->and(byteAt($taken, 0.005, 0.005)[0])->toBeLessThan(60);
});

it('has the whole sheet in the picture, however it lies', function (float $slant, float $turn): void {
    [$width, $height, $bytes] = sheetPhoto()->taken('x', $slant, $turn, 0.0, 0.0);
    $light = static fn (int $x, int $y): bool => ord($bytes[3 * ($y * $width + $x)]) > 120;
    $lit = 0;
    for ($i = 0; $i < $width; $i++) {
        $lit += ($light($i, 0) ? 1 : 0) + ($light($i, $height - 1) ? 1 : 0);
    }
    for ($i = 0; $i < $height; $i++) {
        $lit += ($light(0, $i) ? 1 : 0) + ($light($width - 1, $i) ? 1 : 0);
    }
    // Nothing of the paper lies on the picture's edge, and much of it lies within.
    expect($lit)->toBe(0)->and($light((int) ($width / 2), (int) ($height / 2)))->toBeTrue();
})->with([[0.0, 0.0], [0.25, 0.0], [0.1, 30.0], [0.2, 90.0], [0.1, 180.0], [0.15, -45.0]]);

it('is darker away from the lamp, and within a shadow', function (): void {
    $photo = sheetPhoto();
    $even = $photo->taken('x', 0.0, 0.0, 0.0, 0.0);
    $lamp = $photo->taken('x', 0.0, 0.0, 0.6, 0.0);
    $shadow = $photo->taken('x', 0.0, 0.0, 0.0, 0.0, true);
    expect(byteAt($even, 0.2, 0.5))->toBe(byteAt($even, 0.8, 0.5))
        ->and(byteAt($lamp, 0.2, 0.5)[1])->toBeGreaterThan(byteAt($lamp, 0.8, 0.5)[1] + 20)
        ->and(byteAt($shadow, 0.2, 0.2))->toBe(byteAt($even, 0.2, 0.2))->and(byteAt($shadow, 0.9, 0.9)[1])->toBeLessThan(byteAt($even, 0.9, 0.9)[1] - 40);
});

it('paints ink and patches where they belong', function (): void {
    $photo = sheetPhoto();
    $photo->ink(95.0, 138.5, 20.0, 20.0);
    $photo->patch(20.0, 20.0, 40.0, 40.0, plain(Lab::of(50, 60, 40)));
    $taken = $photo->taken('x', 0.0, 0.0, 0.0, 0.0);
    expect(max(byteAt($taken, 0.5, 0.5)))->toBeLessThan(60)->and(byteAt($taken, 0.5, 0.6)[0])->toBeGreaterThan(200);
    [$r, $g] = byteAt($taken, 0.5 + 0.94 * (40 / 210 - 0.5), 0.5 + 0.94 * (40 / 297 - 0.5));
    expect($r)->toBeGreaterThan($g + 60);
});

it('writes numbers in dark dots', function (): void {
    [, , $blank] = sheetPhoto(300)->taken('x', 0.0, 0.0, 0.0, 0.0);
    $dark = static function (int $number) use ($blank): int {
        $photo = sheetPhoto(300);
        $photo->number(100.0, 148.0, $number);
        [, , $bytes] = $photo->taken('x', 0.0, 0.0, 0.0, 0.0);

        return strlen($bytes) - substr_count($bytes ^ $blank, "\0");
    };
    expect($dark(1))->toBeGreaterThan(0)->and($dark(8))->toBeGreaterThan($dark(1))->and($dark(88))->toBeGreaterThan(1.8 * $dark(8));
});
