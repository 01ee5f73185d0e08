<?php

declare(strict_types=1);

use Prism\Colour\Srgb;
use Prism\Reference\Image\Raster;

it('reads a single pixel and the mean of a patch in linear light', function (): void {
    $black = "\x00\x00\x00";
    $white = "\xFF\xFF\xFF";
    $raster = Raster::of(4, 2, $black.$white.$black.$white.$black.$white.$black.$white);
    expect($raster->sample(1.5, 0.5, 0)->colour->L)->toEqualWithDelta(100.0, 0.01)
        ->and($raster->sample(0.5, 0.5, 0)->pixels)->toBe(1);
    $all = $raster->sample(1.5, 0.5, 9);
    // Half the light is L* 76, not the 53 of half the code.
    expect($all->pixels)->toBe(8)->and($all->colour->L)->toEqualWithDelta(76.07, 0.05)->and($all->spread)->toEqualWithDelta(50.0, 0.5);
});

it('is round, even where nothing varies, and stays inside the picture', function (): void {
    $raster = Raster::of(40, 30, str_repeat("\x7A\x8B\x9C", 1200));
    $sample = $raster->sample(20, 15, 5);
    expect($sample->pixels)->toBe(81)->and($sample->spread)->toBeLessThan(1e-3)
        ->and($sample->colour->differenceTo(Srgb::toLab(0x7A, 0x8B, 0x9C)))->toBeLessThan(0.01)
        ->and($raster->sample(0, 0, 5)->pixels)->toBeLessThan(40)
        ->and($raster->sample(500, -3, 0)->pixels)->toBe(1);
});

it('reads black, and refuses bytes that are no picture', function (): void {
    expect(Raster::of(1, 1, "\0\0\0")->sample(0, 0, 3)->colour->L)->toBe(0.0)
        ->and(fn () => Raster::of(2, 2, 'abc'))->toThrow(InvalidArgumentException::class, 'needs 12 bytes; here are 3')
        ->and(fn () => Raster::of(0, 2, ''))->toThrow(InvalidArgumentException::class);
});

it('gives linear light of single pixels, of the nearest one outside', function (): void {
    $raster = Prism\Reference\Image\Raster::of(2, 2, "\xFF\x00\x00"."\x00\xFF\x00"."\x00\x00\xFF"."\x80\x80\x80");
    expect($raster->linear(0.4, 0.9))->toBe([1.0, 0.0, 0.0])->and($raster->linear(1.5, 0.2))->toBe([0.0, 1.0, 0.0])
        ->and($raster->linear(-9.0, 9.0))->toBe([0.0, 0.0, 1.0])->and($raster->linear(9.0, 9.0)[0])->toEqualWithDelta(0.2159, 1e-3);
});

it('gives the luminance of blocks, and drops what does not fill one', function (): void {
    $raster = Prism\Reference\Image\Raster::of(5, 3, str_repeat("\xFF\xFF\xFF", 5).str_repeat("\x00\x00\x00", 5).str_repeat("\xFF\x00\x00", 5));
    [$columns, $rows, $values] = $raster->luminance(2);
    expect([$columns, $rows])->toBe([2, 1])->and($values)->toHaveCount(2)->and($values[0])->toEqualWithDelta(0.5, 1e-3);
    [, , $each] = $raster->luminance(1);
    expect($each)->toHaveCount(15)->and($each[0])->toEqualWithDelta(1.0, 1e-3)->and($each[7])->toBe(0.0)->and($each[14])->toEqualWithDelta(0.2225, 1e-3);
});
