<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\InvalidStep;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\StepKind;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Search\Correction;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Materials\PencilId;
use Prism\Planning\Order\AsDrawn;
use Prism\Planning\Order\Deviation;
use Prism\Planning\Order\Passed;
use Prism\Planning\Order\Plan;
use Prism\Planning\Order\PlannedZone;
use Prism\Planning\Order\Planner;
use Prism\Planning\Order\Replan;

use function Tests\Core\model;
use function Tests\Core\pencils;
use function Tests\Core\seen;

/** A plan of one colour, laid as it stands, and what is wanted: exactly what it comes to. */
function planOfOne(string $stack): Plan
{
    return (new Planner(new Predictor(model()), pencils()))->plan([new PlannedZone('t', 'z', 'float', seen($stack), Stack::parse($stack), own: true)]);
}

/** After its first steps, some of them laid otherwise. */
function passedAfter(Plan $plan, int $done, array $laid = []): Passed
{
    $keys = array_map(static fn ($step): string => $step->key, array_slice($plan->steps, 0, $done));
    $drawn = AsDrawn::of($plan, array_combine(array_map(static fn (int $at): string => $keys[$at], array_keys($laid)), array_map(Stack::parse(...), $laid)), static fn (): Predictor => new Predictor(model()));

    return Passed::through($drawn, array_fill_keys($keys, 'done'))['t'];
}

function replanned(Passed $passed, int $layers = 4): ?Replan
{
    static $search = null;
    $search ??= new Search(new Predictor(model()), pencils(), PairLibrary::build(model(), pencils()->ids()));

    return Replan::of($passed, Target::colour($passed->zone->target), new Predictor(model()), $search, new Limits(top: 1, maxLayers: $layers), pencils()->only($passed->planned->pencils()));
}

const THREE = 'QW:2616@35x2 > QW:5925@45x2 > QW:1823@40';

it('says what lies from a step that was done otherwise', function (Deviation $otherwise, ?string $planned, ?string $laid, string $lies): void {
    expect((string) $otherwise->from($planned === null ? null : Stack::parse($planned)->steps[0], $laid === null ? null : Stack::parse($laid)))->toBe($lies);
})->with([
    'another pencil' => [fn () => Deviation::of(pencil: PencilId::of('QW:1823')), 'QW:2616@35x2', null, 'QW:1823@35x2'],
    'another pressure' => [fn () => Deviation::of(pressurePercent: 60), 'QW:2616@35x2', null, 'QW:2616@60x2'],
    'fewer coats' => [fn () => Deviation::of(coats: 1), 'QW:2616@35x2', null, 'QW:2616@35'],
    'laid, then dabbed off' => [fn () => Deviation::of(dabs: 2), 'QW:2616@35x2', null, 'QW:2616@35x2 > lift > lift'],
    'dabbed off what was laid otherwise' => [fn () => Deviation::of(dabs: 1), 'QW:2616@35x2', 'QW:1823@50', 'QW:1823@50 > lift'],
    'said again' => [fn () => Deviation::of(pressurePercent: 60), 'QW:2616@35x2', 'QW:1823@50', 'QW:2616@60x2'],
    'colour on paper' => [fn () => Deviation::of(pencil: PencilId::of('QW:1823')), null, null, 'QW:1823@20'],
    'a pencil instead of a wash' => [fn () => Deviation::of(pencil: PencilId::of('QW:1823'), pressurePercent: 40), 'wash', null, 'QW:1823@40'],
]);

it('refuses what is no deviation, or cannot lie there', function (Closure $wrong): void {
    expect($wrong)->toThrow(InvalidStep::class);
})->with([
    'nothing otherwise' => [fn () => Deviation::of()],
    'no pressure' => [fn () => Deviation::of(pressurePercent: 0.0)],
    'no coat' => [fn () => Deviation::of(coats: 0)],
    'dabs without end' => [fn () => Deviation::of(dabs: 40)],
    'dabbed off bare paper' => [fn () => Deviation::of(dabs: 1)->from(null)],
    'coats of no pencil' => [fn () => Deviation::of(coats: 2)->from(Step::wash())],
]);

it('predicts what follows from what was laid, and leaves other colours alone', function (): void {
    $zones = [new PlannedZone('t', 'z', 'float', Lab::of(50, 0, 0), Stack::parse(THREE), own: true), new PlannedZone('u', 'y', 'rope', Lab::of(50, 0, 0), Stack::parse(THREE), own: true)];
    $plan = (new Planner(new Predictor(model()), pencils()))->plan($zones);
    $of = static fn (Plan $of, string $zone): array => array_values(array_filter($of->steps, static fn ($step): bool => $step->zone->id === $zone));
    $first = $of($plan, 't')[0];
    $drawn = AsDrawn::of($plan, [$first->key => Stack::parse('QW:1823@70x3')], static fn (): Predictor => new Predictor(model()));
    [$one, $two, $three] = $of($drawn, 't');
    $rest = implode(' > ', [$two->step, $three->step]);
    expect($one->after->differenceTo(seen('QW:1823@70x3')))->toBeLessThan(1e-6)
        ->and($two->before)->toEqual($one->after)
        ->and($drawn->built['t']->colour->differenceTo(seen("QW:1823@70x3 > $rest")))->toBeLessThan(1e-6)
        ->and($drawn->built['u'])->toEqual($plan->built['u'])
        ->and((string) $drawn->laid(1)[$drawn->steps[0]->zone->id])->toBe((string) ($drawn->steps[0]->laid ?? $drawn->steps[0]->step));
    $inTurns = array_merge(...array_map(static fn ($turn): array => $turn->steps(), $drawn->turns));
    expect(array_values(array_filter($inTurns, static fn ($step): bool => $step->key === $first->key))[0]->after)->toEqual($one->after);
});

it('tells what lies there, and what is still to come', function (): void {
    $passed = passedAfter(planOfOne(THREE), 2, [1 => 'QW:5925@60x2']);
    expect((string) $passed->present)->toContain('> QW:5925@60x2')->and($passed->rest)->toHaveCount(1)->and($passed->planned)->toHaveCount(3)
        ->and($passed->otherwise)->toBeTrue()->and(passedAfter(planOfOne(THREE), 2)->otherwise)->toBeFalse();
});

it('plans nothing anew where all was laid as planned, or the eye sees no difference', function (): void {
    expect(replanned(passedAfter(planOfOne(THREE), 2)))->toBeNull()
        ->and(replanned(passedAfter(planOfOne(THREE), 1, [0 => 'QW:2616@37x2'])))->toBeNull();
});

it('plans anew where a place would come out too far off: nearer than the old plan, by what is still drawable', function (string $laid): void {
    $replan = replanned(passedAfter(planOfOne(THREE), 1, [0 => $laid]));
    expect($replan)->not->toBeNull()
        ->and($replan->oldDifference->dE00 > Correction::EYE || abs($replan->oldDifference->dL) > Correction::EYE_L)->toBeTrue()
        ->and($replan->newDifference->dE00)->toBeLessThan($replan->oldDifference->dE00 - 0.6);
    // A whole passage again: what it comes to is what is told, and the paper still takes it.
    $whole = Stack::of(...$replan->passed->present->steps, ...$replan->rest->steps);
    expect((new Predictor(model()))->predict($whole)->colour->differenceTo($replan->new->colour))->toBeLessThan(1e-6)
        ->and($replan->new->toothLeft)->toBeGreaterThanOrEqual(0.0);
    foreach (array_slice($replan->rest->steps, 0, -1) as $below) {
        expect($below->pressurePercent)->toBeLessThanOrEqual(60.0);
    }
})->with(['another pencil' => ['QW:7432@45x2'], 'a dark one' => ['QW:3769@40'], 'left out' => ['']]);

it('lifts where it is too dark', function (): void {
    $replan = replanned(passedAfter(planOfOne('QW:2616@35'), 1, [0 => 'QW:3769@45']));
    expect(array_filter($replan->rest->steps, static fn ($step): bool => $step->kind === StepKind::Lift))->not->toBe([]);
});
