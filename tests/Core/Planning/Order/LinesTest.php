<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Planning\Order\Handling;
use Prism\Planning\Order\Plan;
use Prism\Planning\Order\PlannedZone;
use Prism\Planning\Order\Planner;
use Prism\Planning\Order\PlanStep;
use Prism\Planning\Order\Point;
use Prism\Planning\Order\Stage;
use Prism\Planning\Order\StepRole;
use Prism\Planning\Order\Turn;
use Prism\Planning\Prep;
use Prism\Reference\Zones\TargetRole;
use Prism\Schools\Highlights;

use function Tests\Core\model;
use function Tests\Core\pencils;

// Lines within zones: mapped first, redrawn before a wash, made final last; pale ones kept, pressed or lifted.

function planks(TargetRole $role, float $L, string $stack, Highlights $highlights = Highlights::Reserve, ?float $lineMm = null): PlannedZone
{
    return new PlannedZone("planks-{$role->value}", 'planks', "Planks: {$role->value}", Lab::of($L, 6, 14), Stack::parse($stack), null, $role === TargetRole::Line ? 20.0 : 900.0, highlights: $highlights, role: $role, zoneName: 'Planks', lineMm: $lineMm);
}

/** @param  list<PlannedZone>  $zones */
function lined(array $zones): Plan
{
    return (new Planner(new Predictor(model()), pencils()))->plan($zones);
}

/** @return list<string> role and pencil of the steps of the lines, and of all others "other" */
function lineSteps(Plan $plan): array
{
    return array_map(static fn (PlanStep $step): string => $step->zone->role === TargetRole::Line ? $step->role->value.' '.($step->step?->pencil ?? '-') : 'other', $plan->steps);
}

it('maps dark lines first with a pencil of the zone, lightly, and makes them final when all beside them is done', function (): void {
    $plan = lined([planks(TargetRole::Light, 70, 'QW:5892@40x2'), planks(TargetRole::Middle, 55, 'QW:6858@40x2 > QW:5892@50'), planks(TargetRole::Line, 28, 'QW:2794@75', lineMm: 0.9)]);
    $steps = lineSteps($plan);
    expect($steps[0])->toBe('map QW:5892')->and(end($steps))->toBe('line QW:2794')->and(array_filter($steps, static fn (string $step): bool => $step !== 'other'))->toHaveCount(2)
        ->and($plan->turns[0]->stage)->toBe(Stage::Map)->and($plan->turns[0]->pressurePercent)->toBe(20.0)->and($plan->turns[0]->places[0]->words())->toBe('line')
        ->and($plan->steps[count($plan->steps) - 1]->why)->toContain('Lines of about 0.9 mm.')->and(Handling::of($plan->turns[count($plan->turns) - 1], [])->point)->toBe(Point::Needle);
    // The map lies under the line: what it comes to is reckoned with it.
    expect((string) $plan->laid()['planks-line'])->toBe('QW:5892@20 > QW:2794@75');
});

it('maps with a pencil that shows and can be erased, and with a dark one only where there is no other', function (string $stack, ?string $maps): void {
    $steps = lineSteps(lined([planks(TargetRole::Middle, 55, $stack), planks(TargetRole::Line, 20, 'QW:3769@75')]));
    expect($steps[0])->toBe($maps === null ? 'other' : "map $maps");
})->with(function (): array {
    $find = static fn (Closure $which): string => (string) array_values(array_filter(iterator_to_array(pencils()), $which))[0]->id;
    $stains = $find(static fn ($pencil): bool => $pencil->stains && $pencil->fullCoat->L > 43 && $pencil->fullCoat->L < 80);
    $pale = $find(static fn ($pencil): bool => ! $pencil->stains && $pencil->fullCoat->L > 90);
    $middle = $find(static fn ($pencil): bool => ! $pencil->stains && $pencil->fullCoat->L > 45 && $pencil->fullCoat->L < 80);

    return ['a middle one' => ["$middle@40", $middle], 'not the pale one' => ["$pale@40 > $middle@30", $middle], 'not the one that stains' => ["$stains@40x3 > $middle@30", $middle]];
});

it('lays ready for the shapes what maps the lines', function (): void {
    $steps = lined([planks(TargetRole::Middle, 55, 'QW:5892@40 > QW:6858@40'), planks(TargetRole::Line, 28, 'QW:2794@75')])->steps;
    $maps = $steps[0]->step?->pencil;
    expect($steps[0]->role)->toBe(StepRole::Map)
        ->and(Prep::of($steps, 'Cartridge', 240.0, 180.0, pencils())[1])->toBe("{$maps?->number} to map the shapes with, lightly, so that the eraser takes it off again");
});

it('redraws lines before a wash, and only where there is one', function (): void {
    $washed = lined([planks(TargetRole::Middle, 50, 'QW:6858@45x3 > wash > QW:6858@40'), planks(TargetRole::Line, 28, 'QW:2794@75')]);
    $roles = array_map(static fn (PlanStep $step): StepRole => $step->role, $washed->steps);
    expect(array_search(StepRole::Redraw, $roles, true))->toBeLessThan(array_search(StepRole::Wash, $roles, true))->toBeGreaterThan(array_search(StepRole::Map, $roles, true));
    $dry = lined([planks(TargetRole::Middle, 50, 'QW:6858@45x3'), planks(TargetRole::Line, 28, 'QW:2794@75')]);
    expect(array_filter($dry->steps, static fn (PlanStep $step): bool => $step->role === StepRole::Redraw))->toBe([]);
});

it('neither maps pale lines nor lets them wait; they are kept, pressed or lifted by the school', function (Highlights $school, float $mm, array $expected): void {
    $steps = lineSteps(lined([planks(TargetRole::Middle, 45, 'QW:6858@45x3'), planks(TargetRole::Line, 75, 'QW:5892@30', $school, $mm)]));
    expect(array_values(array_filter($steps, static fn (string $step): bool => $step !== 'other')))->toBe($expected);
})->with([
    [Highlights::Reserve, 0.8, ['layer QW:5892']], [Highlights::Impress, 0.8, ['reserve -']], [Highlights::Impress, 5.0, ['layer QW:5892']], [Highlights::Lift, 0.8, ['sparkle -']],
]);

it('makes the lines of all zones final together, in one turn of a point', function (): void {
    $zones = [];
    foreach (['a', 'b', 'c'] as $zone) {
        $zones[] = new PlannedZone("$zone-m", $zone, "$zone: middle", Lab::of(55, 4, 4), Stack::parse('QW:6858@40x2 > QW:5892@50'), areaMm2: 500.0, zoneName: $zone);
        $zones[] = new PlannedZone("$zone-l", $zone, "$zone: lines", Lab::of(25, 4, 4), Stack::parse('QW:2794@75'), areaMm2: 9.0, role: TargetRole::Line, zoneName: $zone, lineMm: 0.7);
    }
    $plan = lined($zones);
    $last = $plan->turns[count($plan->turns) - 1];
    expect((string) $last->pencil)->toBe('QW:2794')->and($last->places)->toHaveCount(3)
        ->and(array_filter($plan->turns, static fn (Turn $turn): bool => $turn->stage === Stage::Map))->toHaveCount(1);
});
