<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Matching\Advice\Nudge;
use Prism\Matching\Advice\Nudger;
use Prism\Matching\Recipe;
use Prism\Materials\Kit;

use function Tests\Core\model;
use function Tests\Core\pencils;
use function Tests\Core\seen;

function nudger(?Kit $kit = null): Nudger
{
    return new Nudger(new Predictor(model()), $kit ?? pencils());
}

dataset('passages', ['QW:6858@40 > QW:7168@40', 'QW:7432@50', 'QW:4973@45 > QW:2312@40', 'QW:4863@50 > QW:4132@30']);

it('finds one change that goes the way that was asked for', function (string $stack, Nudge $nudge): void {
    $from = seen($stack);
    $changes = nudger()->best(Stack::parse($stack), $nudge);
    expect($changes)->not->toBeEmpty();
    foreach ($changes as $change) {
        expect($nudge->progress($from, $change->prediction->colour))->toBeGreaterThan(0.2)
            ->and(abs(count($change->stack) - count(Stack::parse($stack))))->toBeLessThanOrEqual(str_contains((string) $change->stack, 'lift') ? 3 : 1);
    }
    $costs = array_map(static fn (Recipe $recipe): float => $recipe->cost, $changes);
    $sorted = $costs;
    sort($sorted);
    expect($costs)->toBe($sorted)
        // The best comes nearer to what was asked for than leaving it as it is.
        ->and($changes[0]->difference->dE00)->toBeLessThan($from->differenceTo($nudge->goal($from)));
})->with('passages')->with(Nudge::cases());

it('only adds to what is drawn, or lifts', function (): void {
    $stack = Stack::parse('QW:6858@60x2 > QW:7432@40');
    foreach (Nudge::cases() as $nudge) {
        foreach (nudger()->best($stack, $nudge, drawn: true) as $change) {
            expect((string) $change->stack)->toStartWith((string) $stack)->and(count($change->stack))->toBeGreaterThan(2);
        }
    }
    $lighter = array_map(static fn (Recipe $recipe): string => (string) $recipe->stack->steps[2], nudger()->best(Stack::parse('QW:3769@35 > QW:6858@35'), Nudge::Lighter, drawn: true, top: 60));
    expect($lighter)->toContain('lift');
});

it('says that nothing in the box goes that way', function (): void {
    $blacks = pencils()->where(static fn ($pencil): bool => in_array((string) $pencil->id, ['QW:3769', 'LO:9257'], true));
    expect(nudger($blacks)->best(Stack::parse('QW:3769@90x3'), Nudge::Yellower, drawn: true))->toBe([]);
});

it('knows where a nudge leads', function (Nudge $nudge, float $a, float $b, string $measure, int $sign): void {
    $from = Lab::of(50, $a, $b);
    $goal = $nudge->goal($from);
    $figure = static fn (Lab $lab): float => ['L' => $lab->L, 'a' => $lab->a, 'b' => $lab->b, 'chroma' => $lab->chroma()][$measure];
    expect($sign * ($figure($goal) - $figure($from)))->toBeGreaterThan(2.0)
        ->and($nudge->progress($from, $goal))->toEqualWithDelta(1.0, 1e-9)
        ->and($nudge->progress($from, $from))->toBe(0.0);
})->with([
    [Nudge::Lighter, 10, 10, 'L', 1],
    [Nudge::Darker, 10, 10, 'L', -1],
    [Nudge::Redder, 0, 0, 'a', 1],
    [Nudge::Yellower, 0, 0, 'b', 1],
    [Nudge::Greener, 0, 0, 'a', -1],
    [Nudge::Bluer, 0, 0, 'b', -1],
    [Nudge::Cleaner, 20, 20, 'chroma', 1],
    [Nudge::Duller, 20, 20, 'chroma', -1],
]);

it('proposes nothing that the rules forbid: no black, nothing firm below, no burnish', function (string $stack): void {
    $before = Stack::parse($stack);
    foreach (Nudge::cases() as $nudge) {
        foreach (nudger()->best($before, $nudge, top: 12) as $change) {
            foreach ($change->stack->steps as $at => $step) {
                $was = $before->steps[$at]->pressurePercent ?? 0.0;
                expect($step->pressurePercent)->toBeLessThanOrEqual(max($was, $at < count($change->stack) - 1 ? 60.0 : 80.0));
            }
            $added = array_diff(array_map(strval(...), $change->stack->pencils()), array_map(strval(...), $before->pencils()));
            expect(array_intersect($added, ['QW:3769', 'LO:9257']))->toBe([]);
        }
    }
})->with('passages');

it('makes duller with the complement, and lighter with some dabs where that is enough', function (): void {
    $first = nudger()->best(Stack::parse('QW:7432@50x2'), Nudge::Duller, drawn: true)[0]->stack->steps[1];
    $position = static fn (Lab $lab): float => Prism\Colour\Wheel::position($lab->hueDegrees());
    expect(Prism\Colour\Wheel::distance($position(seen($first->pencil.'@90x2')), $position(seen('QW:7432@90x2'))))->toBeGreaterThan(5.0);
    $lighter = array_map(static fn (Recipe $recipe): string => (string) $recipe->stack, nudger()->best(Stack::parse('QW:3769@35x2'), Nudge::Lighter, drawn: true));
    expect(implode(' | ', $lighter))->toContain('> lift');
});
