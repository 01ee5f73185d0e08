<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Matching\Limits;
use Prism\Matching\Recipe;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Planning\Gradient\RecipeLadder;

use function Tests\Core\box;
use function Tests\Core\model;

it('goes from pale to dark in even steps of value, through the colour itself', function (Lab $colour, int $count): void {
    $rungs = RecipeLadder::rungs($colour, Lab::of(96, 0, 2), $count);
    expect($rungs)->toHaveCount($count);
    $steps = [];
    for ($i = 1; $i < $count; $i++) {
        $steps[] = $rungs[$i - 1]->L - $rungs[$i]->L;
    }
    expect(max($steps) - min($steps))->toBeLessThan(0.01)->and(min($steps))->toBeGreaterThan(2.0);
    $nearest = min(array_map(static fn (Lab $rung): float => abs($rung->L - $colour->L), $rungs));
    expect($nearest)->toBeLessThanOrEqual(0.51 * max($steps));
    foreach ($rungs as $rung) {
        expect(abs($rung->hueDegrees() - $colour->hueDegrees()))->toBeLessThan(25.0);
    }
})->with([[Lab::of(50, 45, 30), 3], [Lab::of(62, -35, 30), 5], [Lab::of(40, 10, -40), 9], [Lab::of(78, 5, 60), 7]]);

it('is found in the box, each rung darker than the one before', function (bool $same): void {
    $kit = box(['QW:1823', 'QW:3737', 'QW:5892', 'QW:7432', 'QW:6858', 'QW:2794', 'QW:3131', 'QW:4863', 'QW:3769', 'LO:9659', 'LO:2143', 'LO:2627']);
    $search = new Search(new Predictor(model()), $kit, PairLibrary::build(model(), $kit->ids()));
    $rungs = RecipeLadder::rungs(Lab::of(45, 45, 28), Lab::of(94.5, 0.2, 2.8), 5);
    $ladder = RecipeLadder::find($search, $rungs, new Limits(top: 1), $kit, $same);
    expect($ladder)->toHaveCount(5);
    for ($i = 1; $i < 5; $i++) {
        expect($ladder[$i]->prediction->colour->L)->toBeLessThan($ladder[$i - 1]->prediction->colour->L);
    }
    $pencils = array_unique(array_merge(...array_map(static fn (Recipe $recipe): array => array_map(strval(...), $recipe->stack->pencils()), $ladder)));
    if ($same) {
        $ends = array_unique([...array_map(strval(...), $ladder[2]->stack->pencils()), ...array_map(strval(...), $ladder[4]->stack->pencils())]);
        expect(array_diff($pencils, $ends))->toBe([]);
    }
    // Of so few pencils the darkest is out of reach.
    foreach (array_slice($ladder, 0, 3) as $i => $recipe) {
        expect($recipe->prediction->colour->differenceTo($rungs[$i]))->toBeLessThan(6.0);
    }
})->with([false, true]);
