<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Matching\Enumeration;
use Prism\Matching\Limits;
use Prism\Matching\PairLibrary;
use Prism\Matching\Search;
use Prism\Matching\Target;

use function Tests\Core\box;
use function Tests\Core\model;
use function Tests\Core\seen;

const FEW = ['QW:113', 'QW:201', 'QW:404', 'QW:519', 'LO:7206', 'LO:7606', 'QW:722', 'QW:107'];

function fewSearch(): Search
{
    static $search = null;
    $kit = box(FEW);

    return $search ??= new Search(new Predictor(model()), $kit, PairLibrary::build(model(), $kit->ids()));
}

it('goes on from what lies there, and comes nearer', function (string $present, Lab $goal): void {
    $stack = Stack::parse($present);
    $now = seen($present)->differenceTo($goal);
    $recipes = fewSearch()->correct($stack, Target::colour($goal));
    expect($recipes)->not->toBeEmpty()->and($recipes[0]->difference->dE00)->toBeLessThan(0.7 * $now);
    foreach ($recipes as $recipe) {
        expect((string) $recipe->stack)->toStartWith($present);
    }
})->with([
    'a yellow that should be green' => ['QW:113@50x2', fn () => seen('QW:113@50x2 > QW:404@40')],
    'a red that should be browner' => ['QW:201@50', fn () => seen('QW:201@50 > QW:519@45')],
    'a light grey that should be dark' => ['LO:7606@40', fn () => seen('LO:7606@40 > QW:722@50')],
]);

it('leaves alone what is right', function (): void {
    $right = fewSearch()->correct(Stack::parse('QW:201@50 > QW:113@40'), Target::colour(seen('QW:201@50 > QW:113@40')))[0];
    expect((string) $right->stack)->toBe('QW:201@50 > QW:113@40');
});

it('lifts where the passage is too dark', function (): void {
    $stacks = array_map(static fn ($recipe): string => (string) $recipe->stack, fewSearch()->correct(Stack::parse('QW:404@45x2'), Target::colour(seen('QW:404@45x2 > lift')), new Limits(top: 6)));
    expect(implode(' | ', $stacks))->toContain('lift');
});

it('costs hardly more than the best of every stack of a small box', function (): void {
    $ids = array_slice(FEW, 0, 6);
    $all = new Enumeration(model(), $ids);
    $kit = box($ids);
    $search = new Search(new Predictor(model()), $kit, PairLibrary::build(model(), $kit->ids()));
    $limits = new Limits(maxPencils: 3, maxLayers: 3);
    expect($all->count())->toBe(30 + 30 ** 2 + 30 ** 3);
    $gaps = [];
    foreach ([[60, 15, 30], [55, -12, 20], [45, 10, -20], [70, 5, 8], [35, 20, 10], [50, 0, 0], [80, -5, 30], [30, 5, -10]] as [$L, $a, $b]) {
        $target = Target::colour(Lab::of($L, $a, $b));
        $gaps[] = max(0.0, $search->bestCost($target, $limits) - $all->leastCost($target, $limits));
    }
    expect(array_sum($gaps) / count($gaps))->toBeLessThan(0.15)->and(max($gaps))->toBeLessThan(0.8);
});

it('prefers what a shaking hand spoils least where the match is the same', function (): void {
    $judgeable = fewSearch()->find(Target::colour(seen('QW:201@45 > QW:113@45')));
    expect($judgeable[0]->prediction->sensitivity)->toBeGreaterThan(0.0)
        ->and($judgeable[0]->prediction->sensitivity)->toBeLessThan(8.0)
        // A plain stack at a medium hand is there; nobody is sent to burnish for a tenth of a dE.
        ->and(max(array_map(static fn ($step): float => $step->pressurePercent, $judgeable[0]->stack->steps)))->toBeLessThan(85.0);
});
