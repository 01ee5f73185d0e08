<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Reference\Image\Field;
use Prism\Reference\Zones\LineFinder;
use Prism\Reference\Zones\ZoneColours;

use function Tests\Core\Reference\painted;

require_once __DIR__.'/scenes.php';

// Lines within a zone: thin, long, and darker or lighter than both sides.

/** @return array{dark: ?\Prism\Reference\Zones\FoundLines, light: ?\Prism\Reference\Zones\FoundLines} */
function linesOf(Field $field, float $depth = 9.0): array
{
    return (new LineFinder($field))->of(range(0, $field->count() - 1), array_fill(0, $field->count(), $depth));
}

/** A board with a seam of so many pixels at a share of the width, down all of it. */
function seam(float $width, float $L, float $board = 60.0): Field
{
    return painted(600, 400, static fn (float $x): Lab => abs($x - 0.5) < $width / 1200 ? Lab::of($L, 4, 6) : Lab::of($board, 6, 14));
}

it('finds a dark seam with its place, length and width', function (float $pixels): void {
    $found = linesOf(seam($pixels, 30));
    expect($found['dark'])->not->toBeNull()->and($found['light'])->toBeNull()
        ->and($found['dark']->width * 600)->toEqualWithDelta($pixels, 1.1)->and($found['dark']->length * 600)->toEqualWithDelta(400.0, 12.0);
    foreach ($found['dark']->pixels as $at) {
        expect(abs($at % 600 - 300))->toBeLessThanOrEqual((int) ceil($pixels / 2) + 1);
    }
})->with([2.0, 3.0, 4.0]);

it('finds a pale edge as a light line', function (): void {
    $found = linesOf(seam(3, 85));
    expect($found['light'])->not->toBeNull()->and($found['dark'])->toBeNull();
});

it('takes no step from one value to another, no wide band, no speck and no faint grain for a line', function (Field $field): void {
    expect(array_filter(linesOf($field)))->toBe([]);
})->with([
    'a step' => fn () => painted(600, 400, static fn (float $x): Lab => Lab::of($x < 0.5 ? 70 : 40, 0, 0)),
    'a band' => fn () => seam(60, 30),
    'a seam that hardly shows' => fn () => seam(3, 54),
    'specks' => fn () => painted(600, 400, static fn (float $x, float $y): Lab => Lab::of(((int) ($x * 600)) % 40 < 3 && ((int) ($y * 400)) % 40 < 3 ? 30 : 60, 0, 0)),
    'grain' => fn () => painted(600, 400, static fn (float $x, float $y): Lab => Lab::of(60 + 2 * sin($y * 400), 0, 0)),
    'a run of values' => fn () => painted(600, 400, static fn (float $x): Lab => Lab::of(20 + 60 * $x, 0, 0)),
]);

it('takes nothing at the border of a zone for a line of it', function (): void {
    expect(array_filter(linesOf(seam(3, 30), 1.0)))->toBe([]);
});

it('follows a seam that is bent or slants', function (): void {
    $bent = painted(600, 400, static fn (float $x, float $y): Lab => abs($x - 0.3 - 0.3 * $y * $y) < 0.003 ? Lab::of(30, 4, 6) : Lab::of(60, 6, 14));
    expect(linesOf($bent)['dark']?->length * 600)->toBeGreaterThan(400.0);
});

it('gives lines the colour of their core, as a target with a width', function (): void {
    $soft = painted(600, 400, static fn (float $x): Lab => Lab::of(60 - 30 * max(0.0, 1 - abs($x - 0.5) * 200), 6, 14));
    $found = linesOf($soft)['dark'];
    $target = ZoneColours::line($soft, $found, true, $soft->count());
    expect($target->colour->L)->toBeLessThan(42.0)->toBeGreaterThan(29.0)->and($target->role->value)->toBe('line')->and($target->lineWidth)->toBe($found->width)
        ->and($target->share)->toEqualWithDelta(count($found->pixels) / $soft->count(), 1e-9)->and($target->x)->toEqualWithDelta(0.5, 0.01);
});
