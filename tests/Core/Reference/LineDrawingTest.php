<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Reference\Image\Raster;
use Prism\Reference\Light\LightDirection;
use Prism\Reference\Lines\AreaColours;
use Prism\Reference\Lines\AreaForm;
use Prism\Reference\Lines\AreaPaint;
use Prism\Reference\Lines\Colouring;
use Prism\Reference\Lines\LineDrawing;
use Prism\Reference\LookRefused;
use Prism\Reference\Zones\ZoneMap;

/**
 * A drawing of dark lines.
 *
 * @param  callable(int, int): bool  $isLine
 * @param  ?callable(int, int): float  $light  of the sheet, 0-1
 */
function outlines(int $width, int $height, callable $isLine, ?callable $light = null, float $ink = 0.15): Raster
{
    $rgb = '';
    for ($y = 0; $y < $height; $y++) {
        for ($x = 0; $x < $width; $x++) {
            $tone = (int) round(245.0 * ($light === null ? 1.0 : $light($x, $y)) * ($isLine($x, $y) ? $ink : 1.0));
            $rgb .= str_repeat(chr($tone), 3);
        }
    }

    return Raster::of($width, $height, $rgb);
}

/** A ring of three pixels, open where the second says. */
function ring(float $x, float $y, float $radius, ?callable $open = null): callable
{
    return static fn (int $px, int $py): bool => abs(hypot($px - $x, $py - $y) - $radius) <= 1.5 && ($open === null || ! $open($px, $py));
}

it('finds each area that lines close, and the ground around them', function (): void {
    [$one, $other] = [ring(80, 90, 50), ring(220, 90, 40)];
    $drawing = LineDrawing::of(outlines(320, 180, static fn (int $x, int $y): bool => $one($x, $y) || $other($x, $y)));
    $map = $drawing->areas;
    expect(count($map->areas()))->toBe(3)->and($drawing->gaps)->toBe(0)
        ->and($map->at(80 / 320, 0.5))->not->toBe($map->at(220 / 320, 0.5))
        ->and($map->at(0.5, 0.5))->not->toBe($map->at(80 / 320, 0.5));
    // In the ring, and a little of its line.
    expect(abs($map->areas()[$map->at(80 / 320, 0.5)] - M_PI * 50 ** 2))->toBeLessThan(0.06 * M_PI * 50 ** 2);
});

it('bridges the gap of a line, and says so', function (): void {
    $drawing = LineDrawing::of(outlines(320, 180, ring(160, 90, 60, static fn (int $x, int $y): bool => abs($x - 160) <= 2 && $y < 90)));
    expect(count($drawing->areas->areas()))->toBe(2)->and($drawing->gaps)->toBe(1);
});

it('takes a wide opening for one', function (): void {
    LineDrawing::of(outlines(320, 180, ring(160, 90, 60, static fn (int $x, int $y): bool => abs($x - 160) <= 14 && $y < 90)));
})->throws(LookRefused::class, 'close no area');

it('leaves an area whole that only narrows', function (): void {
    // Two wide parts, joined by a neck that is as wide as its own branch is long.
    $isLine = static function (int $x, int $y): bool {
        $half = $x < 120 || $x > 200 ? 50 : 8;
        $inside = $x >= 40 && $x <= 280 && abs($y - 90) <= $half;
        $core = $x >= 43 && $x <= 277 && abs($y - 90) <= $half - 3 && ! ($half === 50 && ($x > 117 && $x < 203));

        return $inside && ! $core && ! (abs($y - 90) <= 5 && $x > 100 && $x < 220);
    };
    $map = LineDrawing::of(outlines(320, 180, $isLine))->areas;
    expect($map->at(80 / 320, 0.5))->toBe($map->at(240 / 320, 0.5))->and($map->at(160 / 320, 0.5))->toBe($map->at(80 / 320, 0.5));
});

it('reads pale lines on a sheet that lies half in shadow', function (): void {
    $light = static fn (int $x, int $y): float => 1.0 - 0.45 * $x / 320;
    $drawing = LineDrawing::of(outlines(320, 180, ring(230, 90, 50), $light, 0.75));
    expect(count($drawing->areas->areas()))->toBe(2);
});

it('says of a picture with tones, and of an empty sheet, what they are', function (): void {
    expect(fn () => LineDrawing::of(outlines(160, 90, static fn (): bool => false)))->toThrow(LookRefused::class, 'no lines');
    expect(fn () => LineDrawing::of(outlines(160, 90, static fn (int $x, int $y): bool => intdiv($x, 8) % 2 === 0)))->toThrow(LookRefused::class, 'tones and not lines');
});

it('leaves paper beside each line, by width, and the core of what is thin', function (): void {
    $drawing = LineDrawing::of(outlines(320, 180, static fn (int $x, int $y): bool => in_array($x, [20, 150, 160, 300], true) && $y > 9 && $y < 170 || in_array($y, [10, 169], true) && $x >= 20 && $x <= 300));
    $zones = $drawing->withMargins($drawing->areas, 6.0);
    expect($zones->at(85 / 320, 0.5))->toBeGreaterThan(0)
        ->and($zones->at(24 / 320, 0.5))->toBe(0)->and($zones->at(28 / 320, 0.5))->toBeGreaterThan(0)
        ->and($zones->at(155 / 320, 0.5))->toBeGreaterThan(0);
    // What was widened is there again.
    expect(LineDrawing::grown($zones)->at(24 / 320, 0.5))->toBe($drawing->areas->at(24 / 320, 0.5));
});

/** @return array{Closure(float, float): Lab, AreaColours} the colour at a place, as a round area is painted */
function painted(AreaForm $form, float $degrees, bool $shines = false): array
{
    $labels = '';
    for ($y = 0; $y < 120; $y++) {
        for ($x = 0; $x < 120; $x++) {
            $labels .= hypot($x - 60, $y - 60) < 50 ? "\2" : "\1";
        }
    }
    $map = ZoneMap::of(120, 120, $labels);
    $colours = AreaColours::of(Lab::of(75, -10, 20), Lab::of(50, -20, 10), Lab::of(28, -18, -6));
    $rgb = Colouring::of($map, $map, [2 => new AreaPaint($colours, $form, $shines, 2)], LightDirection::corrected($degrees), Lab::of(95, 0, 2));

    return [static function (float $x, float $y) use ($rgb): Lab {
        $at = 3 * (120 * (int) $y + (int) $x);

        return Srgb::toLab(ord($rgb[$at]), ord($rgb[$at + 1]), ord($rgb[$at + 2]));
    }, $colours];
}

it('lays light, middle and dark of a round area by where the light comes from', function (float $degrees, array $lit, array $shaded): void {
    [$at, $colours] = painted(AreaForm::Round, $degrees);
    expect($at(...$lit)->differenceTo($colours->light))->toBeLessThan(1.0)
        ->and($at(...$shaded)->differenceTo($colours->dark))->toBeLessThan(1.0)
        ->and($at(3, 60)->differenceTo(Lab::of(95, 0, 2)))->toBeLessThan(1.0);
})->with([[135.0, [40, 40], [90, 90]], [0.0, [88, 60], [16, 60]], [270.0, [60, 88], [60, 16]]]);

it('lights a hollow from the other side, and leaves a flat area even', function (): void {
    [$at, $colours] = painted(AreaForm::Hollow, 135.0);
    expect($at(80, 80)->differenceTo($colours->light))->toBeLessThan(1.0)->and($at(30, 30)->differenceTo($colours->dark))->toBeLessThan(1.0);
    [$at, $colours] = painted(AreaForm::Flat, 135.0);
    foreach ([[40, 40], [60, 60], [90, 90]] as $place) {
        expect($at(...$place)->differenceTo($colours->middle))->toBeLessThan(1.0);
    }
});

it('gives what shines a highlight of paper towards the light, and nothing else one', function (): void {
    $lightest = static function (bool $shines): array {
        [$at] = painted(AreaForm::Round, 135.0, $shines);
        $best = [0.0, 0, 0];
        for ($y = 12; $y < 109; $y += 2) {
            for ($x = 12; $x < 109; $x += 2) {
                if (hypot($x - 60, $y - 60) < 46 && $at($x, $y)->L > $best[0]) {
                    $best = [$at($x, $y)->L, $x, $y];
                }
            }
        }

        return $best;
    };
    [$L, $x, $y] = $lightest(true);
    expect($L)->toBeGreaterThan(90.0)->and($x)->toBeLessThan(55)->and($y)->toBeLessThan(55)
        ->and($lightest(false)[0])->toBeLessThan(76.0);
});

it('makes light and dark of one colour, and of a trio its neighbours on the wheel', function (): void {
    $middle = Lab::of(55, 40, 30);
    $one = AreaColours::one($middle, Lab::of(96, 0, 2));
    expect($one->light->L)->toBeGreaterThan(65.0)->and($one->dark->L)->toBeLessThan(42.0)
        ->and(abs($one->dark->hueDegrees() - $middle->hueDegrees()))->toBeLessThan(0.5);
    $trio = AreaColours::trio($middle, Lab::of(96, 0, 2));
    expect(abs($trio->light->hueDegrees() - $middle->hueDegrees()))->toBeGreaterThan(15.0)
        ->and($trio->light->L)->toBeGreaterThan($middle->L)->and($trio->dark->L)->toBeLessThan($middle->L);
    $grey = AreaColours::trio(Lab::of(50, 1, 1), Lab::of(96, 0, 2));
    expect($grey)->toEqual(AreaColours::one(Lab::of(50, 1, 1), Lab::of(96, 0, 2)));
});
