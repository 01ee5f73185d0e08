<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Colour\Words\Difference;
use Prism\Layering\Predictor;
use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Search\Correction;
use Prism\Matching\Search\Enumeration;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Search\PresentState;
use Prism\Matching\Target;

use function Tests\Core\box;
use function Tests\Core\model;
use function Tests\Core\seen;

const FEW = ['QW:3737', 'QW:7432', 'QW:6858', 'QW:2794', 'LO:3512', 'LO:4719', 'QW:3769', 'QW:2616'];

function fewSearch(): Search
{
    static $search = null;
    $kit = box(FEW);

    return $search ??= new Search(new Predictor(model()), $kit, PairLibrary::build(model(), $kit->ids()));
}

it('goes on from what lies there, and comes nearer', function (string $present, Lab $goal): void {
    $stack = Stack::parse($present);
    $now = seen($present)->differenceTo($goal);
    $corrections = fewSearch()->correct($stack, Target::colour($goal));
    expect($corrections)->not->toBeEmpty()->and($corrections[0]->difference->dE00)->toBeLessThan(0.7 * $now);
    foreach ($corrections as $correction) {
        // The steps alone, laid over what lies there, give what is told.
        expect(seen("$present > $correction->steps")->differenceTo($correction->after->colour))->toBeLessThan(0.05)
            ->and($correction->before)->toEqual(seen($present));
    }
})->with([
    'a yellow that should be green' => ['QW:3737@50x2', fn () => seen('QW:3737@50x2 > QW:6858@40')],
    'a red that should be browner' => ['QW:7432@50', fn () => seen('QW:7432@50 > QW:2794@45')],
    'a light grey that should be dark' => ['LO:4719@40', fn () => seen('LO:4719@40 > QW:3769@50')],
]);

it('leaves alone what is right, within what the eye tells apart', function (): void {
    $present = Stack::parse('QW:7432@50 > QW:3737@40');
    $right = seen('QW:7432@50 > QW:3737@40');
    expect(fewSearch()->correct($present, Target::colour($right))[0]->isLeave())->toBeTrue()
        ->and(fewSearch()->correct($present, Target::colour($right), seen: Lab::of($right->L + 1.2, $right->a, $right->b))[0]->isLeave())->toBeTrue()
        ->and(fewSearch()->correct($present, Target::colour($right), seen: Lab::of($right->L + 9.0, $right->a, $right->b))[0]->isLeave())->toBeFalse();
});

it('brings home a passage that is near by light layers alone, one or two, over all that may lie there', function (string $present, Lab $goal): void {
    $stack = Stack::parse($present);
    $found = fewSearch()->glaze($stack, Target::colour($goal), new Limits(top: 6), null, seen($present));
    $miss = static fn (Lab $seen): float => Target::colour($goal)->miss($seen->L, $seen->a, $seen->b);
    expect($found)->not->toBeEmpty()->and($found[0]->isLeave())->toBeFalse();
    $misses = [];
    foreach ($found as $correction) {
        foreach ($correction->steps->steps as $step) {
            expect($step->isLayer())->toBeTrue()->and($step->pressurePercent)->toBeLessThanOrEqual(Pressure::LIGHT_PERCENT)->and($step->passes)->toBeLessThanOrEqual(2);
        }
        $misses[] = $miss(seen("$present > $correction->steps"));
        expect($correction->steps->layerCount())->toBeLessThanOrEqual(2)
            ->and(end($misses))->toBeLessThan($miss(seen($present)) - 0.7)
            ->and(seen("$present > $correction->steps")->differenceTo($correction->after->colour))->toBeLessThan(0.05);
    }
    // Of all single light layers none comes nearer than the best of them.
    foreach (FEW as $pencil) {
        foreach ([20, 30, 40, 50] as $percent) {
            expect($miss(seen("$present > $pencil@$percent")))->toBeGreaterThan(min($misses) - 0.05);
        }
    }
})->with([
    'a green a little too light' => ['QW:3737@40x2 > QW:6858@35', fn () => seen('QW:3737@40x2 > QW:6858@35 > QW:2794@22')],
    'a red too bright' => ['QW:7432@45', fn () => seen('QW:7432@45 > QW:3769@25')],
]);

it('glazes nothing that the eye tells from right by too little, and nothing that no light layer mends', function (): void {
    $present = Stack::parse('QW:7432@50 > QW:3737@40');
    $right = seen('QW:7432@50 > QW:3737@40');
    $glaze = static fn (Lab $goal): array => fewSearch()->glaze($present, Target::colour($goal), new Limits, null, $right);
    expect($glaze(Lab::of($right->L + 1.2, $right->a, $right->b)))->toHaveCount(1)->and($glaze(Lab::of($right->L + 1.2, $right->a, $right->b))[0]->isLeave())->toBeTrue();
    $pressed = seen('QW:2794@60x2 > QW:7432@95x2');
    expect(fewSearch()->glaze(Stack::parse('QW:2794@60x2 > QW:7432@95x2'), Target::colour(Lab::of($pressed->L + 5.0, $pressed->a, $pressed->b)), new Limits, null, $pressed)[0]->isLeave())->toBeTrue();
});

it('lays nothing on full paper for a small gain, and does on paper that is not', function (string $laid, bool $isFull): void {
    $seen = seen($laid);
    $goal = Target::colour(Lab::of($seen->L - 4.0, $seen->a, $seen->b));
    expect(PresentState::of(new Predictor(model()), Stack::parse($laid), $seen)->passage->toothLeft() < 0.17)->toBe($isFull);
    $layersAlone = array_filter([...fewSearch()->correct(Stack::parse($laid), $goal, seen: $seen), ...fewSearch()->glaze(Stack::parse($laid), $goal, new Limits, null, $seen)], static fn (Correction $one): bool => ! $one->isLeave() && ! str_contains((string) $one->steps, 'lift'));
    expect($layersAlone === [])->toBe($isFull);
})->with([
    'seven firm coats' => ['QW:3737@75x4 > QW:7432@75x3', true],
    'two light ones' => ['QW:7432@40 > QW:3737@40', false],
]);

it('lifts where the passage is too dark', function (): void {
    $found = fewSearch()->correct(Stack::parse('QW:6858@45x3'), Target::colour(seen('QW:6858@45x3 > lift > lift')));
    expect((string) $found[0]->steps)->toContain('lift');
});

it('leaves what was pressed in too dark: neither eraser nor a lighter pencil takes there, whoever pressed it', function (string $believed, string $really): void {
    $seen = seen($really);
    $goal = Lab::of($seen->L + 10.0, $seen->a, $seen->b);
    expect(fewSearch()->correct(Stack::parse($believed), Target::colour($goal), seen: $seen)[0]->isLeave())->toBeTrue()
        // Laid lightly the same dark is dabbed off.
        ->and((string) fewSearch()->correct(Stack::parse('QW:7432@35x3'), Target::colour(Lab::of(seen('QW:7432@35x3')->L + 10.0, seen('QW:7432@35x3')->a, seen('QW:7432@35x3')->b)))[0]->steps)->toContain('lift');
})->with([
    'as it was told' => ['QW:2794@60x2 > QW:7432@95x2', 'QW:2794@60x2 > QW:7432@95x2'],
    'by a heavy hand' => ['QW:2794@60x2 > QW:7432@75x2', 'QW:2794@78x2 > QW:7432@97x2'],
]);

it('goes on from a stack as long as any', function (): void {
    $present = Stack::parse(implode(' > ', array_map(static fn (int $i): string => FEW[$i % 4].'@25', range(0, 39))));
    expect(count($present))->toBe(Stack::MAX_STEPS)->and(fewSearch()->correct($present, Target::colour(Lab::of(30, 0, 0))))->not->toBeEmpty();
});

it('reconciles what is believed with what is seen: a light hand, a coat left out or laid twice', function (string $believed, string $really): void {
    $seen = seen($really);
    $state = PresentState::of(new Predictor(model()), Stack::parse($believed), $seen)->passage;
    expect($state->lab()->differenceTo($seen))->toBeLessThan(0.1);
    // What is laid next comes out as it would over what really lies there.
    $next = model()->apply($state, Stack::parse('QW:7432@45x2')->steps[0])->lab();
    $asBelieved = seen("$believed > QW:7432@45x2");
    $truth = seen("$really > QW:7432@45x2");
    expect($next->differenceTo($truth))->toBeLessThan(2.0)->toBeLessThan($asBelieved->differenceTo($truth));
})->with([
    'a light hand' => ['QW:6858@45x2 > QW:3737@50x2', 'QW:6858@36x2 > QW:3737@40x2'],
    'a heavy hand' => ['QW:6858@40x2 > QW:2794@45x2', 'QW:6858@50x2 > QW:2794@56x2'],
    'a coat left out' => ['QW:6858@45x2 > QW:2794@45x2', 'QW:6858@45 > QW:2794@45x2'],
    'a layer laid twice' => ['QW:3737@45x2 > QW:6858@40', 'QW:3737@45x2 > QW:6858@40x2'],
]);

it('tells all that may well lie there, the likeliest first, each as it is seen', function (): void {
    // A coat was left out: the likeliest is not what was believed.
    $seen = seen('QW:6858@45x4 > QW:2794@45');
    $states = PresentState::likely(new Predictor(model()), Stack::parse('QW:6858@45x4 > QW:2794@45x3'), $seen);
    $likely = array_column($states, 1);
    $sorted = $likely;
    rsort($sorted);
    expect(count($states))->toBeBetween(2, 6)->and($likely)->toBe($sorted)->and(array_sum($likely))->toEqualWithDelta(1.0, 1e-9);
    foreach ($states as [$state]) {
        expect($state->passage->lab()->differenceTo($seen))->toBeLessThan(0.5);
    }
});

it('costs hardly more than the best of every stack of a small box', function (): void {
    $ids = array_slice(FEW, 0, 6);
    $all = new Enumeration(model(), $ids);
    $kit = box($ids);
    $search = new Search(new Predictor(model()), $kit, PairLibrary::build(model(), $kit->ids()));
    $limits = new Limits(maxPencils: 3, maxLayers: 3);
    // Six pencils at five touches; a pencil over itself is one layer.
    expect($all->count())->toBe(30 + 30 * 25 + 30 * 25 * 25);
    $gaps = [];
    foreach ([[60, 15, 30], [55, -12, 20], [45, 10, -20], [70, 5, 8], [35, 20, 10], [50, 0, 0], [80, -5, 30], [30, 5, -10]] as [$L, $a, $b]) {
        $target = Target::colour(Lab::of($L, $a, $b));
        $gaps[] = max(0.0, $search->bestCost($target, $limits) - $all->leastCost($target, $limits));
    }
    expect(array_sum($gaps) / count($gaps))->toBeLessThan(0.15)->and(max($gaps))->toBeLessThan(0.8);
});

it('prefers what a shaking hand spoils least where the match is the same', function (): void {
    $judgeable = fewSearch()->find(Target::colour(seen('QW:7432@45 > QW:3737@45')));
    expect($judgeable[0]->prediction->sensitivity)->toBeGreaterThan(0.0)
        ->and($judgeable[0]->prediction->sensitivity)->toBeLessThan(8.0)
        // A plain stack at a medium hand is there; nobody is sent to burnish for a tenth of a dE.
        ->and(max(array_map(static fn ($step): float => $step->pressurePercent, $judgeable[0]->stack->steps)))->toBeLessThan(85.0);
});

it('leaves a passage for one of two reasons, and says which', function (float $off, string $said): void {
    $seen = Lab::of(50, 10, 10);
    $leave = new Correction(Stack::of(), $seen, model()->draw(Stack::of())->look(), Difference::between($seen, Lab::of(50 + $off, 10, 10)), 0.0);
    expect($leave->words())->toBe($said);
})->with([[1.0, 'Leave it: the eye sees no difference.'], [8.0, 'Leave it: nothing that still takes here brings it nearer.']]);
