<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Colour\Words\Difference;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Matching\Recipe;
use Prism\Planning\Build\ZoneBuild;

use function Tests\Core\model;

// A zone built as a whole: what its colours share, and what that may cost.

/** @param  float  $further  from its target, L* */
function offered(string $stack, float $cost, ?int $underlayer = null, float $further = 0.0): Recipe
{
    $prediction = (new Predictor(model()))->predict(Stack::parse($stack));

    return new Recipe(Stack::parse($stack), $prediction, Difference::between(Lab::of(50 - $further, 0, 0), Lab::of(50, 0, 0)), $underlayer, [], $cost);
}

/** @param  list<list<Recipe>>  $recipes @return list<string> */
function builtOf(array $recipes, ?array $weights = null, bool $parted = true): array
{
    $taken = ZoneBuild::of($recipes, $weights ?? array_fill(0, count($recipes), 1.0), static fn (): bool => $parted);

    return array_map(static fn (array $own, int $i): string => (string) $own[$i]->stack, $recipes, $taken);
}

it('takes recipes that share pencils where that costs little', function (): void {
    $light = [offered('QW:5892@40', 1.0)];
    $middle = [offered('QW:6858@40 > QW:5925@50', 1.0), offered('QW:5892@40 > QW:5925@50', 1.2)];
    expect(builtOf([$light, $middle]))->toBe(['QW:5892@40', 'QW:5892@40 > QW:5925@50']);
});

it('leaves a colour its own where sharing would cost it more than two', function (): void {
    $light = [offered('QW:5892@40', 1.0)];
    $middle = [offered('QW:6858@40 > QW:5925@50', 1.0), offered('QW:5892@40', 3.1)];
    expect(builtOf([$light, $middle], [1.0, 0.01])[1])->toBe('QW:6858@40 > QW:5925@50');
});

it('leaves a colour its own where sharing would bring it further from its target than three', function (float $further, string $taken): void {
    $light = [offered('QW:5892@40', 1.0)];
    $middle = [offered('QW:6858@40 > QW:5925@50', 1.0), offered('QW:5892@40 > QW:5925@50', 1.2, further: $further)];
    expect(builtOf([$light, $middle])[1])->toBe($taken);
})->with([[2.5, 'QW:5892@40 > QW:5925@50'], [6.0, 'QW:6858@40 > QW:5925@50']]);

it('gives each the best for it alone where sharing counts nothing', function (): void {
    $recipes = [[offered('QW:5892@40', 1.0)], [offered('QW:6858@40 > QW:5925@50', 1.0), offered('QW:5892@40 > QW:5925@50', 1.2)]];
    expect(ZoneBuild::of($recipes, [1.0, 1.0], static fn (): bool => true, 0.0))->toBe([0, 0])->and(ZoneBuild::of($recipes, [1.0, 1.0], static fn (): bool => true))->toBe([0, 1]);
});

it('draws two colours that the photo parts by two recipes, even where the other is dear', function (): void {
    $same = [offered('QW:6858@50', 1.0), offered('QW:6858@60x2', 5.0)];
    expect(builtOf([$same, $same]))->toHaveCount(2)->and(array_unique(builtOf([$same, $same])))->toHaveCount(2)
        ->and(array_unique(builtOf([$same, $same], null, false)))->toHaveCount(1)
        ->and(builtOf([[$same[0]], [$same[0]]]))->toBe(['QW:6858@50', 'QW:6858@50']);
});

it('lets the colour that covers most have what is best for it', function (): void {
    $large = [offered('QW:6858@40', 1.0), offered('QW:2794@40', 1.3)];
    $small = [offered('QW:2794@55', 1.0), offered('QW:6858@55', 1.3)];
    expect(builtOf([$large, $small], [10.0, 0.2]))->toBe(['QW:6858@40', 'QW:6858@55']);
});

it('keeps the complement under a shadow, whatever could be shared', function (): void {
    $light = [offered('QW:5892@40', 1.0)];
    $dark = [offered('QW:2794@30 > QW:7432@50', 1.0, 0), offered('QW:5892@40 > QW:7432@50', 1.05)];
    expect(builtOf([$light, $dark])[1])->toBe('QW:2794@30 > QW:7432@50');
});

it('has nothing to build of nothing', function (): void {
    expect(ZoneBuild::of([], [], static fn (): bool => true))->toBe([]);
});
