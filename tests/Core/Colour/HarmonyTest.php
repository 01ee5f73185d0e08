<?php

declare(strict_types=1);

use Prism\Colour\Harmony;
use Prism\Colour\Lab;
use Prism\Colour\Wheel;
use Prism\Colour\Words\Appearance;

it('puts the complement opposite on the wheel, as light and as clean', function (string $of, string $complement, Lab $colour): void {
    $harmony = Harmony::of($colour);
    expect(Appearance::of($colour)->family->word())->toContain($of)
        ->and(Wheel::distance(Wheel::position($harmony->complement->hueDegrees()), Wheel::position($colour->hueDegrees())))->toEqualWithDelta(9.0, 0.01)
        ->and($harmony->complement->L)->toBe($colour->L)->and($harmony->complement->chroma())->toEqualWithDelta($colour->chroma(), 0.01)
        ->and(Appearance::of($harmony->complement)->family->word())->toContain($complement);
})->with([['red', 'green', Lab::of(50, 60, 32)], ['blue', 'orange', Lab::of(76, -8, -56)], ['violet', 'yellow', Lab::of(86, 25, -25)]]);

it('has a darker neighbour towards violet and a lighter one towards yellow, near on the wheel', function (): void {
    foreach (range(0, 17) as $place) {
        $hue = deg2rad(Wheel::hueDegrees((float) $place));
        $colour = Lab::of(55, 40 * cos($hue), 40 * sin($hue));
        $harmony = Harmony::of($colour);
        $at = static fn (Lab $lab): float => Wheel::position($lab->hueDegrees());
        expect($harmony->darker->L)->toBeLessThan($colour->L)->and($harmony->lighter->L)->toBeGreaterThan($colour->L)
            ->and(Wheel::distance($at($harmony->darker), (float) $place))->toEqualWithDelta(2.0, 0.01)
            ->and(Wheel::distance($at($harmony->lighter), (float) $place))->toEqualWithDelta(2.0, 0.01)
            ->and(Wheel::distance($at($harmony->darker), 15.0))->toBeLessThanOrEqual(Wheel::distance($at($harmony->lighter), 15.0) + 0.01);
    }
});

it('has nothing to say of a grey', function (): void {
    expect(Harmony::of(Lab::of(50, 2, -3)))->toBeNull();
});
