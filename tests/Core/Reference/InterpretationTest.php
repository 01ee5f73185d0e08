<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Reference\Interpretation;

$colours = static fn (): array => array_map(static fn (array $lab): Lab => Lab::of(...$lab), [[88, 5, 10], [70, 30, 20], [52, 42, 28], [30, 25, 15], [20, 2, -3], [60, -20, -25], [45, 0, 0]]);

it('is none unless something is wanted, and changes no colour then', function () use ($colours): void {
    foreach ($colours() as $colour) {
        expect((new Interpretation)->colour($colour, $colour))->toBe($colour);
    }
    expect((new Interpretation)->isNone())->toBeTrue()->and((new Interpretation(lights: 1))->isNone())->toBeFalse();
});

it('keeps every value, whatever is wanted', function (Interpretation $wanted) use ($colours): void {
    foreach ($colours() as $colour) {
        expect($wanted->colour($colour, Lab::of(52, 42, 28))->L)->toBe($colour->L);
    }
})->with([
    fn () => new Interpretation(chroma: 60), fn () => new Interpretation(lights: 10, shadows: -10), fn () => new Interpretation(hue: Lab::of(40, 10, -40)), fn () => new Interpretation(local: Lab::of(60, -40, 20)),
    fn () => new Interpretation(130, 5, 5, Lab::of(50, 20, 20), Lab::of(50, -20, 20)),
]);

it('scales chroma and keeps the hue', function (): void {
    $half = (new Interpretation(chroma: 50))->colour(Lab::of(52, 42, 28), Lab::of(52, 42, 28));
    expect($half->chroma())->toEqualWithDelta(0.5 * hypot(42, 28), 1e-9)->and($half->hueDegrees())->toEqualWithDelta(Lab::of(52, 42, 28)->hueDegrees(), 1e-9)
        ->and((new Interpretation(chroma: 0))->colour(Lab::of(52, 42, 28), Lab::of(52, 42, 28))->chroma())->toBe(0.0);
});

it('is strong where the eye should go and drifts off elsewhere, with one colour on toned paper', function (): void {
    $chroma = static fn (int $importance): float => (new Interpretation(lights: 0))->drifting($importance)->colour(Lab::of(52, 42, 28), Lab::of(52, 42, 28))->chroma();
    expect($chroma(1))->toBeLessThan($chroma(2))->and($chroma(2))->toBeLessThan(Lab::of(52, 42, 28)->chroma())->and($chroma(3))->toBeGreaterThan(Lab::of(52, 42, 28)->chroma())
        ->and((new Interpretation(lights: 6, hue: Lab::of(40, 5, -40)))->drifting(1)->toArray())->toBe(['chroma' => 45] + (new Interpretation(lights: 6, hue: Lab::of(40, 5, -40)))->toArray());
});

it('warms lights and cools shadows, each by itself, and leaves what lies between', function (): void {
    $wanted = new Interpretation(lights: 8, shadows: -8);
    $at = static fn (float $L): float => $wanted->colour(Lab::of($L, 0, 0), Lab::of(50, 0, 0))->b;
    expect($at(90.0))->toBeGreaterThan(5.0)->and($at(15.0))->toBeLessThan(-5.0)->and(abs($at(52.5)))->toBeLessThan(1.0)
        ->and((new Interpretation(lights: 8))->colour(Lab::of(15, 3, 4), Lab::of(50, 0, 0)))->toEqual(Lab::of(15, 3, 4));
});

it('draws all in one hue, weaker towards black and white', function () use ($colours): void {
    $blue = Lab::of(40, 5, -40);
    foreach ($colours() as $colour) {
        $drawn = (new Interpretation(hue: $blue))->colour($colour, $colour);
        expect($drawn->hueDegrees())->toEqualWithDelta($blue->hueDegrees(), 1e-6);
    }
    $chroma = static fn (float $L): float => (new Interpretation(hue: $blue))->colour(Lab::of($L, 0, 0), Lab::of($L, 0, 0))->chroma();
    expect($chroma(50))->toBeGreaterThan($chroma(85))->and($chroma(50))->toBeGreaterThan($chroma(15))->and($chroma(50))->toEqualWithDelta($blue->chroma(), 1e-9);
});

it('gives a thing another local colour, its middle that very hue and its parts as much off it as they were', function (): void {
    $green = Lab::of(50, -40, 20);
    $red = Lab::of(52, 42, 28);
    $wanted = new Interpretation(local: $green);
    $middle = $wanted->colour($red, $red);
    $light = $wanted->colour(Lab::of(75, 20, 20), $red);
    expect($middle->hueDegrees())->toEqualWithDelta($green->hueDegrees(), 1e-6)->and($middle->chroma())->toEqualWithDelta($green->chroma(), 1e-6)
        ->and($light->hueDegrees() - $middle->hueDegrees())->toEqualWithDelta(Lab::of(75, 20, 20)->hueDegrees() - $red->hueDegrees(), 1e-6)
        ->and($light->chroma())->toBeLessThan($middle->chroma());
});

it('adds what a zone has of its own, within its limits, and is kept as numbers', function (): void {
    $both = (new Interpretation(80, 10, -5, Lab::of(40, 5, -40)))->and(new Interpretation(50, 10, 0, null, Lab::of(60, 10, 10)));
    expect([$both->chroma, $both->lights, $both->shadows])->toBe([40, Interpretation::MOST_WARMTH, -5])->and($both->hue)->toEqual(Lab::of(40, 5, -40))->and($both->local)->toEqual(Lab::of(60, 10, 10))
        ->and(Interpretation::fromArray($both->toArray()))->toEqual($both)->and(Interpretation::fromArray(null)->isNone())->toBeTrue();
});
