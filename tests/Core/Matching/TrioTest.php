<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Colour\Wheel;
use Prism\Layering\Predictor;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;

use function Tests\Core\box;
use function Tests\Core\model;
use function Tests\Core\pencils;
use function Tests\Core\seen;

function trioSearch(): Search
{
    static $search = null;
    $kit = box(array_values(array_filter(pencils()->ids(), static fn (string $id): bool => crc32($id) % 2 === 0)));

    return $search ??= new Search(new Predictor(model()), $kit, PairLibrary::build(model(), $kit->ids()));
}

it('shades a form with three neighbouring hues, light over middle to dark round the wheel one way', function (array $light, array $middle, array $dark): void {
    $trio = trioSearch()->trio(Target::colour(Lab::of(...$light)), Target::colour(Lab::of(...$middle)), Target::colour(Lab::of(...$dark)), new Limits(maxLayers: 8));
    expect($trio)->not->toBeNull();
    [$a, $b, $c] = array_map(static fn (string $id): Lab => seen("$id@90x2"), array_values($trio->pencils));
    $at = static fn (Lab $lab): float => Wheel::position($lab->hueDegrees());
    expect($a->L)->toBeGreaterThan($b->L)->and($b->L)->toBeGreaterThan($c->L)
        ->and(Wheel::distance($at($a), $at($b)))->toBeLessThanOrEqual(2.6)->and(Wheel::distance($at($b), $at($c)))->toBeLessThanOrEqual(2.6)
        ->and($trio->further)->toBeGreaterThan(-0.5)->toBeLessThan(9.0);
    foreach ($trio->recipes as $part => $recipe) {
        // The part's own is in it, and at most one of the other two.
        expect(array_map(strval(...), $recipe->stack->pencils()))->toContain($trio->pencils[$part])
            ->and(array_diff(array_map(strval(...), $recipe->stack->pencils()), array_values($trio->pencils)))->toBe([])
            ->and(count($recipe->stack->pencils()))->toBeLessThanOrEqual(2);
    }
    // The values of the form stay in their order.
    expect($trio->recipes['light']->prediction->colour->L)->toBeGreaterThan($trio->recipes['middle']->prediction->colour->L)
        ->and($trio->recipes['middle']->prediction->colour->L)->toBeGreaterThan($trio->recipes['dark']->prediction->colour->L);
})->with([
    'a red buoy' => [[68, 42, 38], [52, 52, 38], [36, 38, 22]],
    'a green float' => [[74, -26, 14], [52, -28, 10], [34, -18, 2]],
    'a blue jug' => [[72, -10, -18], [50, -2, -32], [32, 6, -34]],
]);

it('finds none in a box that has no three neighbours', function (): void {
    $kit = box(['QW:3737', 'QW:6858', 'QW:3769']);
    $search = new Search(new Predictor(model()), $kit, PairLibrary::build(model(), $kit->ids()));
    expect($search->trio(Target::colour(Lab::of(80, 0, 40)), Target::colour(Lab::of(50, 0, 10)), Target::colour(Lab::of(30, 0, -20))))->toBeNull();
});
