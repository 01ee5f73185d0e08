<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Colour\ValueScale;
use Prism\Planning\Advice\Neighbours;
use Prism\Planning\Advice\Pair;
use Prism\Planning\Gradient\Joins;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
use Prism\Reference\Light\ZoneLight;
use Prism\Reference\Zones\Distance;
use Prism\Reference\Zones\TargetRole;
use Prism\Schools\Surface;

/** A zone of one colour that touches others by label. */
function besideOthers(int $label, Lab $colour, array $touching, Distance $distance = Distance::Near, int $importance = 2): PictureZone
{
    return new PictureZone("z$label", "zone $label", $label, 0.2, $importance, Surface::Soft, ZoneLight::Lit, $distance, true, null, $touching, [new PictureTarget("t$label", TargetRole::Middle, $colour, $colour, 1.0)]);
}

it('feathers n pencils into 2n - 1 steps that fill the form', function (int $count): void {
    $spans = Joins::spans($count, 120.0);
    expect($spans)->toHaveCount($count)->and($spans[0]['from'])->toBe(0.0)->and(end($spans)['to'])->toEqualWithDelta(1.0, 1e-9)->and(end($spans)['toMm'])->toEqualWithDelta(120.0, 1e-9);
    // Walk along and count where the set of pencils changes.
    $steps = [];
    for ($i = 0; $i < 2000; $i++) {
        $at = ($i + 0.5) / 2000;
        $here = implode(',', array_keys(array_filter($spans, static fn (array $span): bool => $at > $span['from'] && $at < $span['to'])));
        if (end($steps) !== $here) {
            $steps[] = $here;
        }
    }
    expect($steps)->toHaveCount(Joins::steps($count))->and($steps)->not->toContain('');
})->with([2, 3, 4, 5]);

it('joins nothing with one pencil, or along no length', function (): void {
    expect(fn () => Joins::spans(1, 100.0))->toThrow(InvalidArgumentException::class)->and(fn () => Joins::spans(3, 0.0))->toThrow(InvalidArgumentException::class);
});

it('finds touching zones that will merge, nearest first, and leaves the others', function (): void {
    $zones = [
        besideOthers(1, Lab::of(50, 10, 10), [2, 3]),
        besideOthers(2, Lab::of(51, 11, 10), [1, 3]),
        besideOthers(3, Lab::of(80, 0, 0), [1, 2]),
        besideOthers(4, Lab::of(50, 10, 10), []),
    ];
    $pairs = Neighbours::tooAlike($zones);
    expect($pairs)->toHaveCount(1)->and([$pairs[0]->one->id, $pairs[0]->other->id])->toBe(['z1', 'z2']);
    // What the recipes give counts, where there are some.
    expect(Neighbours::tooAlike($zones, ['t1' => Lab::of(30, 10, 10)]))->toBe([]);
});

it('pushes what lies further back or matters less, the darker of the two darker', function (): void {
    $of = static fn (PictureZone ...$zones): Pair => Neighbours::tooAlike($zones)[0];
    expect($of(besideOthers(1, Lab::of(50, 0, 0), [2], Distance::Far), besideOthers(2, Lab::of(51, 0, 0), [1]))->pushed->id)->toBe('z1')
        ->and($of(besideOthers(1, Lab::of(50, 0, 0), [2], importance: 3), besideOthers(2, Lab::of(51, 0, 0), [1], importance: 1))->pushed->id)->toBe('z2');
    $pair = $of(besideOthers(1, Lab::of(50, 0, 0), [2]), besideOthers(2, Lab::of(49, 0, 0), [1], Distance::Far));
    expect($pair->darker)->toBeTrue()->and($pair->steps)->toBeGreaterThan(0.3)->toBeLessThan(0.8)->and($pair->sentence())->toBe('Push zone 2 nearly a step darker.');
});

it('pushes nothing beyond the paper, nor beyond black: then past the other, as far from it', function (): void {
    $of = static fn (float $L, float $against): Pair => Neighbours::tooAlike([besideOthers(1, Lab::of($against, 0, 0), [2]), besideOthers(2, Lab::of($L, 0, 0), [1], Distance::Far)], [], 95.0)[0];
    $ends = static fn (Pair $pair, float $L): float => $L + ($pair->darker ? -1.0 : 1.0) * $pair->steps * ValueScale::stepSize();
    expect([$of(90, 89)->darker, $ends($of(90, 89), 90)])->toEqualWithDelta([true, 81.0], 1e-9)
        ->and([$of(84, 83)->darker, $ends($of(84, 83), 84)])->toEqualWithDelta([false, 91.0], 1e-9)
        ->and([$of(3, 5)->darker, $ends($of(3, 5), 3)])->toEqualWithDelta([false, 13.0], 1e-9);
});

it('lets one value give way to the next where the photo is halfway between them', function (): void {
    // Light for the first quarter, then middle up to the last eighth, then dark.
    $profile = [...array_fill(0, 4, 80.0), ...array_fill(0, 10, 55.0), ...array_fill(0, 2, 25.0)];
    $spans = Joins::along([80.0, 55.0, 25.0], $profile, 40.0);
    $border = static fn (int $i): float => 0.5 * ($spans[$i]['to'] + $spans[$i + 1]['from']);
    expect($border(0))->toEqualWithDelta(0.25, 0.04)->and($border(1))->toEqualWithDelta(0.875, 0.04)
        ->and($spans[0]['from'])->toBe(0.0)->and($spans[2]['to'])->toBe(1.0)->and($spans[2]['toMm'])->toBe(40.0)
        // Each lies over the end of the one before, and is also alone.
        ->and($spans[1]['from'])->toBeLessThan($spans[0]['to'])->and($spans[2]['from'])->toBeLessThan($spans[1]['to'])->toBeGreaterThan($spans[0]['to']);
});

it('is the plain gradient, about, along an even slope', function (): void {
    $even = array_map(static fn (int $i): float => 80.0 - 60.0 * ($i + 0.5) / 16, range(0, 15));
    foreach (array_map(null, Joins::along([70.0, 50.0, 30.0], $even, 90.0), Joins::spans(3, 90.0)) as [$measured, $plain]) {
        expect($measured['from'])->toEqualWithDelta($plain['from'], 0.05)->and($measured['to'])->toEqualWithDelta($plain['to'], 0.05);
    }
});

it('leaves each value some room, however soon the form has passed it', function (): void {
    foreach ([array_fill(0, 16, 20.0), array_fill(0, 16, 95.0), [90.0, ...array_fill(0, 15, 20.0)]] as $profile) {
        $spans = Joins::along([80.0, 60.0, 40.0, 20.0], $profile, 50.0);
        foreach ($spans as $i => $span) {
            expect($span['to'] - $span['from'])->toBeGreaterThan(0.08)->and($span['to'])->toBeLessThanOrEqual(1.0)
                ->and($i === 0 || $span['from'] < $spans[$i - 1]['to'])->toBeTrue();
        }
    }
    expect(fn () => Joins::along([50.0], [50.0], 10.0))->toThrow(InvalidArgumentException::class);
});
