<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Materials\Ground;
use Prism\Materials\GroundTooth;
use Prism\Planning\Order\PlannedZone;
use Prism\Planning\Order\Planner;
use Prism\Planning\Order\PlanStep;
use Prism\Planning\Order\StepRole;
use Prism\Planning\Palette\PaletteFinder;
use Prism\Planning\Palette\PaletteWish;

use function Tests\Core\box;
use function Tests\Core\cartridge;
use function Tests\Core\model;
use function Tests\Core\pencils;
use function Tests\Core\seen;

// A ground of another medium: the paper has its colour then, and so much of its tooth as it leaves.

function ochre(GroundTooth $tooth = GroundTooth::AsPaper): Ground
{
    return new Ground(Lab::of(72, 10, 34), $tooth);
}

it('is what shows where nothing is laid, and shimmers through what is laid lightly', function (): void {
    $paper = cartridge()->under(ochre());
    expect(seen('', $paper)->differenceTo(ochre()->colour))->toBeLessThan(0.5)
        ->and(seen('QW:6858@30', $paper)->b)->toBeGreaterThan(seen('QW:6858@30')->b + 8.0)
        ->and(seen('QW:6858@80x3', $paper)->differenceTo(seen('QW:6858@80x3')))->toBeLessThan(seen('QW:6858@30', $paper)->differenceTo(seen('QW:6858@30')));
});

it('takes less pencil the more it closes the paper', function (): void {
    $left = array_map(static fn (GroundTooth $tooth): float => (new Predictor(model(cartridge()->under(ochre($tooth)))))->predict(Stack::parse('QW:6858@40x3 > QW:5892@40x3'))->toothLeft, GroundTooth::cases());
    expect($left[0])->toBeGreaterThan($left[1])->and($left[1])->toBeGreaterThan($left[2])
        ->and(cartridge()->under(ochre())->capacity)->toBe(cartridge()->capacity)
        ->and(cartridge()->under(ochre(GroundTooth::Smoother))->capacity)->toEqualWithDelta(0.7 * cartridge()->capacity, 1e-9);
});

it('is another paper than the one under it, and the same for the same ground', function (): void {
    expect(cartridge()->under(ochre())->id)->not->toBe(cartridge()->id)->and(cartridge()->under(ochre())->id)->toBe(cartridge()->under(ochre())->id)
        ->and(cartridge()->under(ochre())->id)->not->toBe(cartridge()->under(ochre(GroundTooth::Little))->id)
        ->and(Ground::fromArray(ochre(GroundTooth::Little)->toArray()))->toEqual(ochre(GroundTooth::Little))->and(Ground::fromArray(null))->toBeNull();
});

it('has recipes of its own in a palette, and stays bare where it is the colour wanted', function (): void {
    $kit = box(['QW:5892', 'QW:7432', 'QW:6858', 'QW:5925', 'LO:7242', 'QW:3546', 'QW:4863', 'QW:2794']);
    $on = static function ($model) use ($kit): Search {
        return new Search(new Predictor($model), $kit, PairLibrary::build($model, $kit->ids()));
    };
    $ground = model(cartridge()->under(ochre()));
    $targets = ['a' => Target::colour(Lab::of(72, 10, 34)), 'b' => Target::colour(Lab::of(50, 6, 20)), 'c' => Target::colour(Lab::of(50, 6, 20))];
    $recipes = (new PaletteFinder($on(model()), $kit, ['a' => $on($ground), 'b' => $on($ground)]))->curve(new PaletteWish($targets, [6]))[6]->recipes;
    expect((string) $recipes['a']->stack)->toBe('')->and((string) $recipes['b']->stack)->not->toBe((string) $recipes['c']->stack)
        ->and($recipes['b']->prediction->colour)->toEqual($ground->draw($recipes['b']->stack)->lab());
});

it('is laid first, once, and bears on what a plan predicts for its colours and on those alone', function (): void {
    $on = new Predictor(model(cartridge()->under(ochre())));
    $zone = static fn (string $id): PlannedZone => new PlannedZone($id, $id, $id, Lab::of(45, 0, 10), Stack::parse('QW:6858@40x2'), areaMm2: 400.0);
    $plan = (new Planner(new Predictor(model()), pencils(), grounds: ['a' => $on]))->plan([$zone('a'), $zone('b')]);
    expect($plan->turns[0]->role)->toBe(StepRole::Ground)->and($plan->turns[0]->places)->toHaveCount(1)->and($plan->turns[0]->places[0]->zone)->toBe('a')->and($plan->turns[0]->places[0]->words())->toBe('all')
        ->and(array_filter($plan->steps, static fn (PlanStep $step): bool => $step->role === StepRole::Ground))->toHaveCount(1);
    foreach ($plan->steps as $step) {
        expect($step->before->differenceTo($step->zone->id === 'a' ? ochre()->colour : seen('')))->toBeLessThan(0.5);
    }
});
