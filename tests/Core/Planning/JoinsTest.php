<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Planning\Joins;
use Prism\Planning\Neighbours;
use Prism\Planning\Pair;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
use Prism\Reference\Distance;
use Prism\Reference\Surface;
use Prism\Reference\TargetRole;
use Prism\Reference\ZoneLight;

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

it('goes from the light to the dark of the form, in words', function (): void {
    expect(Joins::towards(10, 10, 60, 60))->toBe('lower right')->and(Joins::towards(60, 20, 10, 20))->toBe('left')->and(Joins::towards(20, 60, 20, 10))->toBe('above')->and(Joins::towards(20, 20, 20.5, 20.5))->toBeNull();
});
