<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Planning\Order\Caution;
use Prism\Planning\Order\Plan;
use Prism\Planning\Order\PlannedZone;
use Prism\Planning\Order\Planner;
use Prism\Planning\Order\PlanStep;
use Prism\Planning\Order\StepRole;
use Prism\Planning\Prep;
use Prism\Schools\FirstValue;
use Prism\Schools\Highlights;
use Prism\Schools\SchoolSet;

use function Tests\Core\model;
use function Tests\Core\pencils;
use function Tests\Core\seen;
use function Tests\Core\under;

function zone(string $id, string $stack, ?int $underlayer = null): PlannedZone
{
    return new PlannedZone($id, $id, "zone $id", Lab::of(50, 0, 0), Stack::parse($stack), $underlayer);
}

function planOf(array $zones, FirstValue $school = FirstValue::LightToDark): Plan
{
    return (new Planner(new Predictor(model()), pencils()))->plan(under($zones, $school));
}

/** @return list<string> zone:layer */
function order(Plan $plan): array
{
    return array_map(static fn (PlanStep $step): string => $step->zone->id.':'.$step->layer, $plan->steps);
}

it('keeps the order of every stack, whatever the school', function (): void {
    mt_srand(3);
    $ids = pencils()->ids();
    for ($i = 0; $i < 40; $i++) {
        $zones = [];
        foreach (range('a', 'f') as $name) {
            $steps = [];
            for ($n = mt_rand(0, 5); $n > 0; $n--) {
                $steps[] = mt_rand(0, 5) === 0 ? 'wash' : $ids[array_rand($ids)].'@'.mt_rand(20, 100);
            }
            $zones[] = zone($name, implode(' > ', $steps), 0);
        }
        $plan = planOf($zones, FirstValue::cases()[$i % 4]);
        $seen = [];
        foreach ($plan->steps as $step) {
            expect($step->layer)->toBe(max(1, ($seen[$step->zone->id] ?? 0) + 1) * ($step->role === StepRole::Reserve ? 0 : 1));
            $seen[$step->zone->id] = $step->layer;
        }
        // A last coat that brings its colour no nearer is left out.
        $all = array_sum(array_map(static fn (PlannedZone $zone): int => max(1, count($zone->stack)), $zones));
        expect(count($plan->steps))->toBeLessThanOrEqual($all)->toBeGreaterThanOrEqual($all - count($zones));
    }
});

it('puts reserves first, then light before dark, and burnishing last', function (): void {
    $plan = planOf([
        zone('dark', 'QW:3769@50'),
        zone('light', 'QW:2616@40'),
        zone('paper', ''),
        zone('shiny', 'QW:1823@95'),
        zone('middle', 'QW:5925@50'),
    ]);
    expect(order($plan))->toBe(['paper:0', 'light:1', 'middle:1', 'dark:1', 'shiny:1'])
        ->and($plan->steps[0]->role)->toBe(StepRole::Reserve)
        ->and($plan->steps[4]->role)->toBe(StepRole::Burnish);
    expect(order(planOf([zone('dark', 'QW:3769@50'), zone('light', 'QW:2616@40')], FirstValue::DarkToLight)))->toBe(['dark:1', 'light:1']);
});

it('lays underlayers before local colour and works elsewhere while a wash dries', function (): void {
    $plan = planOf([zone('float', 'QW:7432@30 > QW:5925@60', 0), zone('sky', 'QW:7284@40')]);
    expect(order($plan)[0])->toBe('float:1')->and($plan->steps[0]->role)->toBe(StepRole::Underlayer);
    $plan = planOf([zone('wet', 'wash > QW:3737@40'), zone('other', 'blend')]);
    expect(order($plan))->toBe(['wet:1', 'other:1', 'wet:2']);
});

it('lists the pencils in box order with their coats and zones', function (): void {
    $own = static fn (string $id, string $stack): PlannedZone => new PlannedZone($id, $id, $id, Lab::of(50, 0, 0), Stack::parse($stack), areaMm2: 500.0, own: true);
    $plan = (new Planner(new Predictor(model()), pencils()))->plan([$own('a', 'LO:3512@40 > QW:6858@50x3'), $own('b', 'QW:6858@40 > QW:3737@40')]);
    $list = array_map(static fn (array $entry): array => [(string) $entry['pencil']->id, $entry['layers'], $entry['zones']], $plan->pullList);
    expect($list)->toBe([['QW:3737', 1, 1], ['QW:6858', 4, 2], ['LO:3512', 1, 1]]);
});

it('warns of solvent where there is a wash, and only there', function (): void {
    expect(planOf([zone('a', 'QW:6858@50x3 > wash')])->cautions)->toContain(Caution::Solvent)
        ->and(planOf([zone('a', 'QW:6858@50x3')])->cautions)->not->toContain(Caution::Solvent)
        ->and(planOf([zone('a', '')])->cautions)->toBe([]);
});

it('shows each step from the colour before to the colour after', function (): void {
    $steps = planOf([zone('a', 'QW:4731@40 > QW:6858@50')])->steps;
    expect($steps[0]->before)->toEqual(seen(''))->and($steps[0]->after)->toEqual(seen('QW:4731@40'))
        ->and($steps[1]->before)->toEqual($steps[0]->after)->and($steps[1]->after)->toEqual(seen('QW:4731@40 > QW:6858@50'));
});

it('keeps the key of a step while the stack below it stays the same', function (): void {
    $keys = static fn (string $stack): array => array_map(static fn (PlanStep $step): string => $step->key, planOf([zone('a', $stack)])->steps);
    $before = $keys('QW:4731@40 > QW:6858@50');
    $after = $keys('QW:4731@40 > QW:6858@60');
    expect($after[0])->toBe($before[0])->and($after[1])->not->toBe($before[1]);
});

it('has nothing to say without zones', function (): void {
    $plan = planOf([]);
    expect($plan->steps)->toBe([])->and($plan->pullList)->toBe([])->and($plan->cautions)->toBe([]);
});

it('tells what lies ready: only what the steps need', function (): void {
    $prep = static fn (array $zones, Highlights $highlights = Highlights::Reserve): string => implode('; ', Prep::of((new Planner(new Predictor(model()), pencils()))->plan(under($zones, new SchoolSet, $highlights))->steps, 'Cartridge', 240.0, 180.0, pencils()));
    expect($prep([zone('a', 'QW:6858@40')]))->toContain('Cartridge, at least 240 × 180 mm')->toContain('sharpener')->not->toContain('solvent')->not->toContain('blender')
        ->and($prep([zone('a', 'QW:6858@40x3 > wash > QW:5892@40')]))->toContain('solvent in a lidded vessel')
        ->and($prep([zone('a', 'QW:6858@40 > blend')]))->toContain('colourless blender')
        ->and($prep([zone('a', 'QW:6858@40 > lift')]))->toContain('also for lifting')
        ->and($prep([zone('a', ''), zone('b', 'QW:6858@40')], Highlights::OpaquePen))->toContain('opaque white pen')
        ->and($prep([zone('a', ''), zone('b', 'QW:6858@40')], Highlights::Impress))->toContain('blunt point');
});

it('has another version where a step or its pressure is another, and the same for the same', function (): void {
    $plan = static fn (string $stack, string $id = 't'): string => (new Planner(new Predictor(model()), pencils()))->plan([new PlannedZone($id, 'z', 'float', seen($stack), Stack::parse($stack), own: true)])->version();
    $stack = 'QW:7432@40 > QW:2794@50';
    expect($plan($stack))->toBe($plan($stack))->not->toBe($plan('QW:7432@41 > QW:2794@50'))->not->toBe($plan('QW:7432@40'))->not->toBe($plan($stack, 'u'));
});
