<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Matching\Advice\Warning;
use Prism\Matching\EmptyBox;
use Prism\Matching\Limits;
use Prism\Matching\Recipe;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\PencilId;

use function Tests\Core\box;
use function Tests\Core\model;
use function Tests\Core\pencils;
use function Tests\Core\seen;

/** Thirty pencils of both ranges. */
function smallBox(): Kit
{
    return box(array_values(array_filter(pencils()->ids(), static fn (string $id): bool => crc32($id) % 4 === 0)));
}

function search(?Kit $kit = null): Search
{
    static $kept = [];
    $kit ??= smallBox();

    return $kept[implode(',', $kit->ids())] ??= new Search(new Predictor(model()), $kit, PairLibrary::build(model(), $kit->ids()));
}

/** @return list<Recipe> */
function recipesFor(float $L, float $a, float $b, Limits $limits = new Limits): array
{
    return search()->find(Target::colour(Lab::of($L, $a, $b)), $limits);
}

dataset('targets', [[62, 20, 40], [35, 25, 10], [80, -12, 6], [50, 0, 0], [42, -20, 16], [58, -8, -25], [25, 2, -8]]);

it('beats the nearest single pencil, and says what it predicts', function (float $L, float $a, float $b): void {
    $target = Target::colour(Lab::of($L, $a, $b));
    $recipes = search()->find($target);
    $single = search()->nearestSingle($target);
    expect($recipes)->toHaveCount(3)->and($recipes[0]->cost)->toBeLessThanOrEqual($single->cost + 1e-9)
        ->and($single->stack->layerCount())->toBe(1);
    foreach ($recipes as $recipe) {
        $drawn = seen((string) $recipe->stack);
        expect($recipe->prediction->colour)->toEqual($drawn)
            ->and($recipe->difference->dE00)->toEqualWithDelta($drawn->differenceTo($target->colour), 1e-9);
        foreach ($recipe->stack->steps as $step) {
            expect(fmod($step->pressurePercent, 5.0))->toBe(0.0);
        }
    }
})->with('targets');

it('offers stacks of different pencils, best first', function (float $L, float $a, float $b): void {
    $sets = [];
    $cost = -INF;
    // One that breaks a rule for the sake of nearness comes last, whatever it costs.
    $within = array_filter(recipesFor($L, $a, $b), static fn (Recipe $recipe): bool => $recipe->breaks === null);
    foreach ($within as $recipe) {
        $pencils = array_map(strval(...), $recipe->stack->pencils());
        sort($pencils);
        $sets[] = implode(',', $pencils);
        expect($recipe->cost)->toBeGreaterThanOrEqual($cost);
        $cost = $recipe->cost;
    }
    expect(array_unique($sets))->toHaveCount(count($sets));
})->with('targets');

it('is near the best there is for a few pencils', function (): void {
    $kit = box(['QW:3737', 'QW:7432', 'QW:6858', 'QW:2794', 'LO:3512', 'LO:4719']);
    $gaps = [];
    foreach ([[60, 15, 30], [55, -12, 20], [45, 10, -20], [70, 5, 8]] as [$L, $a, $b]) {
        $goal = Lab::of($L, $a, $b);
        $best = INF;
        foreach ($kit->ids() as $one) {
            foreach ($kit->ids() as $two) {
                for ($p = 20; $p <= 100; $p += 10) {
                    for ($q = 20; $q <= 100; $q += 10) {
                        $best = min($best, seen("$one@$p > $two@$q")->differenceTo($goal));
                    }
                }
            }
        }
        $found = search($kit)->find(Target::colour($goal));
        $gaps[] = min(array_map(static fn (Recipe $recipe): float => $recipe->difference->dE00, $found)) - $best;
    }
    expect(array_sum($gaps) / count($gaps))->toBeLessThan(0.6);
});

it('keeps to pencils, layers, black and the pencils allowed', function (): void {
    $all = search(pencils()->only(array_map(PencilId::of(...), ['QW:3769', 'LO:9257', 'QW:6947', 'QW:7958', 'QW:3546', 'LO:9871', 'QW:4731'])));
    $dark = Target::colour(Lab::of(16, 0, 0));
    $uses = static fn (array $recipes, string $id): bool => array_filter($recipes, static fn (Recipe $r): bool => str_contains((string) $r->stack, $id)) !== [];
    expect($uses($all->find($dark), 'QW:3769') || $uses($all->find($dark), 'LO:9257'))->toBeTrue();
    $without = $all->find($dark, new Limits(noBlack: true));
    expect($uses($without, 'QW:3769') || $uses($without, 'LO:9257'))->toBeFalse();
    foreach (recipesFor(40, 10, -15, new Limits(maxPencils: 2, maxLayers: 2)) as $recipe) {
        expect($recipe->stack->layerCount())->toBeLessThanOrEqual(2)->and(count($recipe->stack->pencils()))->toBeLessThanOrEqual(2);
    }
    $only = box([smallBox()->ids()[3], smallBox()->ids()[9]]);
    foreach (search()->find(Target::colour(Lab::of(60, 0, 0)), new Limits, $only) as $recipe) {
        foreach ($recipe->stack->pencils() as $pencil) {
            expect($only->has($pencil))->toBeTrue();
        }
    }
});

it('matches value alone when asked', function (): void {
    $recipe = search()->find(Target::value(Lab::of(55, 60, -40)))[0];
    expect(abs($recipe->difference->dL))->toBeLessThan(1.0);
});

it('leaves the paper where paper is the colour', function (): void {
    $paper = seen('');
    expect(recipesFor($paper->L, $paper->a, $paper->b)[0]->stack)->toHaveCount(0)
        ->and(recipesFor(99.5, 0, 0)[0]->stack)->toHaveCount(0)
        ->and(recipesFor(70, 10, 10)[0]->stack->layerCount())->toBeGreaterThan(0);
});

it('says so when a target is out of reach', function (): void {
    $codes = static fn (Recipe $recipe): array => $recipe->warnings;
    expect($codes(recipesFor(55, 90, -90)[0]))->toContain(Warning::OutOfReach)
        ->and($codes(recipesFor(70, 5, 12)[0]))->not->toContain(Warning::OutOfReach);
});

it('calls no colour out of reach because one pencil alone misses it', function (): void {
    $target = Target::colour(Lab::of(55, 43, 36));
    $single = search()->nearestSingle($target);
    expect(search()->find($target)[0]->difference->dE00)->toBeLessThan(6.0)->and($single->difference->dE00)->toBeGreaterThan(6.0)
        ->and($single->warnings)->toContain(Warning::FarOff)->not->toContain(Warning::OutOfReach);
});

it('works with one pencil and refuses an empty box', function (): void {
    $one = box(['QW:6858']);
    expect(search($one)->find(Target::colour(Lab::of(60, 0, -30)))[0]->stack->pencils())->toHaveCount(1);
    expect(fn () => search()->find(Target::colour(Lab::of(50, 0, 0)), new Limits, Kit::of([])))->toThrow(EmptyBox::class, 'no pencils to choose from');
});

it('refuses limits that make no sense', function (): void {
    expect(fn () => new Limits(maxPencils: 0))->toThrow(InvalidArgumentException::class, 'max-pencils is 0')
        ->and(fn () => new Limits(top: 99))->toThrow(InvalidArgumentException::class);
});

it('packs its library and reads it back, and refuses one that is not whole', function (): void {
    $ids = ['QW:6858', 'QW:4731', 'LO:3512'];
    $library = PairLibrary::build(model(), $ids);
    $bytes = $library->pack();
    $read = PairLibrary::unpack($bytes);
    expect($read->ids)->toBe($ids)->and($read->L)->toHaveCount(9 * PairLibrary::GROUP)
        ->and($read->b[77])->toEqualWithDelta($library->b[77], 1e-4);
    // Every entry is the colour of the layers it stands for.
    foreach ([0, 20, 50, 100, 143] as $entry) {
        $steps = array_map(static fn (array $layer): string => sprintf('%s@%dx%d', $ids[$layer[0]], $layer[1], $layer[2]), $library->layers($entry));
        expect($library->L[$entry])->toEqualWithDelta(seen(implode(' > ', $steps))->L, 1e-9);
    }
    expect(fn () => PairLibrary::unpack(substr($bytes, 0, -4)))->toThrow(UnexpectedValueException::class)
        ->and(fn () => PairLibrary::unpack('x'))->toThrow(UnexpectedValueException::class);
});

it('marks a complement under the colour as underlayer', function (): void {
    $maker = new Prism\Matching\Advice\RecipeMaker(new Prism\Layering\Predictor(model()), pencils());
    $make = static fn (string $stack): ?int => $maker->make(Stack::parse($stack), Target::colour(Lab::of(50, -35, 15)))->underlayer;
    expect($make('QW:7432@30 > QW:5925@70'))->toBe(0)
        ->and($make('QW:7351@30 > QW:5925@70'))->toBeNull()
        ->and($make('QW:7432@80 > QW:5925@70'))->toBeNull()
        ->and($make('QW:5925@70'))->toBeNull();
});

it('warns of bloom, burnish below and full paper, and only then', function (): void {
    $maker = new Prism\Matching\Advice\RecipeMaker(new Prism\Layering\Predictor(model()), pencils());
    $codes = static fn (string $stack): array => $maker->make(Stack::parse($stack), Target::colour(seen($stack)))->warnings;
    expect($codes('QW:3769@95'))->toContain(Warning::Bloom)
        ->and($codes('LO:9257@95'))->not->toContain(Warning::Bloom)
        ->and($codes('QW:3464@95 > QW:3769@30'))->toContain(Warning::ClosesEarly)
        ->and($codes('QW:3769@30 > QW:3464@95'))->not->toContain(Warning::ClosesEarly)
        ->and($codes('QW:3464@90x4 > blend'))->toContain(Warning::PaperFull)
        ->and($codes('QW:3464@30'))->toBe([]);
});

it('offers the bare paper once where the paper is the colour', function (): void {
    $recipes = search()->find(Target::colour(Lab::of(98, 0, 1)), new Limits(top: 5));
    $stacks = array_map(static fn (Recipe $recipe): string => (string) $recipe->stack, $recipes);
    expect($stacks[0])->toBe('')->and(array_unique($stacks))->toHaveCount(count($stacks));
});

it('uses the pencils that are to be used, and comes as near as it can with them', function (): void {
    $ids = smallBox()->ids();
    foreach ([[62, 20, 40], [42, -20, 16], [25, 2, -8]] as $i => $lab) {
        $target = Target::colour(Lab::of(...$lab));
        foreach ([[$ids[3 + $i]], [$ids[1 + $i], $ids[8 + $i]]] as $must) {
            $best = search()->find($target, new Limits(top: 1, must: $must))[0];
            expect(array_diff($must, array_map(strval(...), $best->stack->pencils())))->toBe([]);
        }
    }
    // What would be used anyhow changes nothing.
    $target = Target::colour(Lab::of(50, 0, 0));
    $free = search()->find($target, new Limits(top: 1))[0];
    $same = search()->find($target, new Limits(top: 1, must: array_map(strval(...), $free->stack->pencils())))[0];
    expect($same->difference->dE00)->toBeLessThan($free->difference->dE00 + 0.5);
});

it('takes a black that is given, where the schools have none', function (): void {
    $kit = box(['QW:3769', 'QW:3737']);
    $dark = Target::value(Lab::of(35, 0, 0));
    $uses = static fn (Limits $limits): array => array_map(strval(...), search($kit)->find($dark, $limits)[0]->stack->pencils());
    expect($uses(new Limits(top: 1)))->toBe(['QW:3737'])->and($uses(new Limits(top: 1, given: ['QW:3769'])))->toContain('QW:3769');
});
