<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Planning\Order\Choice;
use Prism\Planning\Order\Place;
use Prism\Planning\Order\Plan;
use Prism\Planning\Order\PlannedZone;
use Prism\Planning\Order\Planner;
use Prism\Planning\Order\PlanStep;
use Prism\Planning\Order\Stage;
use Prism\Planning\Order\Turn;
use Prism\Planning\Order\ZonePart;
use Prism\Reference\Zones\TargetRole;
use Prism\Schools\DrawingHand;
use Prism\Schools\FirstValue;
use Prism\Schools\Progress;

use function Tests\Core\model;
use function Tests\Core\pencils;
use function Tests\Core\seen;
use function Tests\Core\under;

// Turns: one pencil in the hand at one pressure, with all the places it goes to.

function partOf(string $zone, TargetRole $role, float $L, string $stack, float $areaMm2 = 500.0, bool $own = false, ?int $underlayer = null): PlannedZone
{
    return new PlannedZone("$zone-{$role->value}", $zone, "Zone $zone: {$role->value}", Lab::of($L, 4, 4), Stack::parse($stack), $underlayer, $areaMm2, role: $role, zoneName: "Zone $zone", own: $own);
}

/** @param  list<PlannedZone>  $zones */
function turned(array $zones, Progress $progress = Progress::ColourByColour): Plan
{
    return (new Planner(new Predictor(model()), pencils(), $progress))->plan($zones);
}

/** @return list<string> */
function toldTurns(Plan $plan): array
{
    return array_map(static fn (Turn $turn): string => sprintf('%s %s: %s', $turn->pencil ?? $turn->role->value, $turn->pressurePercent ?? '', implode('; ', array_map(static fn (Place $place): string => sprintf('%s %s x%d%s', $place->zone, $place->part->value, $place->coats, $place->fade() === null ? '' : ' '.$place->fade()->words()), $turn->places))), $plan->turns);
}

/** @return list<PlannedZone> zones of light, middle, dark and an accent, of random stacks out of six pencils */
function randomZones(int $seed, FirstValue $school): array
{
    mt_srand($seed);
    $ids = array_slice(pencils()->ids(), 10, 6);
    $zones = [];
    foreach (array_slice(['a', 'b', 'c', 'd', 'e', 'f', 'g'], 0, mt_rand(1, 7)) as $zone) {
        foreach ([TargetRole::Light, TargetRole::Middle, TargetRole::Dark, TargetRole::Accent] as $i => $role) {
            $steps = [];
            for ($n = mt_rand(0, 4); $n > 0; $n--) {
                $steps[] = mt_rand(0, 7) === 0 ? 'wash' : $ids[array_rand($ids)].'@'.(20 + 5 * mt_rand(0, 15)).'x'.mt_rand(1, 4);
            }
            $zones[] = partOf($zone, $role, 85 - 22 * $i, implode(' > ', $steps), mt_rand(20, 4000), mt_rand(0, 5) === 0);
        }
    }

    return under($zones, $school);
}

it('goes to all places of a pencil while it is in the hand', function (): void {
    $plan = turned([
        partOf('a', TargetRole::Light, 70, 'QW:5892@40'), partOf('a', TargetRole::Middle, 55, 'QW:5892@40 > QW:5925@50'), partOf('a', TargetRole::Dark, 35, 'QW:5892@40 > QW:5925@50x2'),
        partOf('b', TargetRole::Middle, 50, 'QW:5892@40x2 > QW:5925@50'),
    ]);
    expect(toldTurns($plan))->toBe(['QW:5892 40: a all x1; b all x2', 'QW:5925 50: a middle and dark x2 50 falling to 40 % towards the light; b all x1']);
});

it('counts the rounds in which a pencil comes back to a place', function (): void {
    $plan = turned([partOf('a', TargetRole::Middle, 50, 'QW:5892@40 > QW:5925@45 > QW:5892@40 > QW:5925@45'), partOf('b', TargetRole::Middle, 60, 'QW:5925@45')]);
    expect(array_map(static fn (Turn $turn): string => "$turn->pencil $turn->round", $plan->turns))->toBe(['QW:5892 1', 'QW:5925 1', 'QW:5892 2', 'QW:5925 2']);
});

it('says which of two accents it goes to, or that it goes to both', function (): void {
    $accent = static fn (string $id, string $name, string $stack): PlannedZone => new PlannedZone($id, 'f', "Float: $name", Lab::of(60, 0, 0), Stack::parse($stack), areaMm2: 50.0, role: TargetRole::Accent, zoneName: 'Float');
    $words = static fn (string $second): array => array_map(static fn (Turn $turn): array => array_map(static fn (Place $place): string => $place->words(), $turn->places), turned([$accent('a', 'lighter accent', 'QW:5892@40'), $accent('b', 'darker accent', $second)])->turns);
    expect($words('QW:6858@40'))->toEqualCanonicalizing([['lighter accent'], ['darker accent']])->and($words('QW:5892@40'))->toBe([['accents']]);
});

it('says which part of a zone it goes to', function (): void {
    [$light, $middle, $dark] = [TargetRole::Light, TargetRole::Middle, TargetRole::Dark];
    expect(ZonePart::of([$light, $middle, $dark], [$light, $middle, $dark]))->toBe(ZonePart::All)
        ->and(ZonePart::of([$dark], [$dark]))->toBe(ZonePart::All)
        ->and(ZonePart::of([$middle, $dark], [$light, $middle, $dark]))->toBe(ZonePart::MiddleAndDark)
        ->and(ZonePart::of([$middle, $dark], [$light, $middle, $dark], [$light]))->toBe(ZonePart::LightsSpared)
        ->and(ZonePart::of([$light, $middle], [$light, $middle, $dark]))->toBe(ZonePart::LightAndMiddle)
        ->and(ZonePart::of([$light, $dark], [$light, $middle, $dark]))->toBe(ZonePart::LightAndDark)
        ->and(ZonePart::of([$middle], [$light, $middle, $dark]))->toBe(ZonePart::Middle)
        ->and(ZonePart::ownOf(TargetRole::Accent))->toBe(ZonePart::Accent)->and(ZonePart::ownOf($dark))->toBeNull();
});

it('has stages from what stays paper to what closes it', function (): void {
    $plan = turned([
        partOf('a', TargetRole::Light, 96, ''), partOf('a', TargetRole::Middle, 60, 'QW:7432@30 > QW:5925@50 > QW:1823@90', underlayer: 0),
        partOf('b', TargetRole::Dark, 20, 'QW:3769@50'),
    ]);
    expect(array_map(static fn (Turn $turn): Stage => $turn->stage, $plan->turns))->toBe([Stage::Reserve, Stage::Underlayer, Stage::Build, Stage::Dark, Stage::Finish]);
});

it('presses all of its places alike: near pressures share a turn and coats make up for it, far ones and firm ones do not', function (): void {
    $near = turned([partOf('a', TargetRole::Middle, 60, 'QW:6858@40x2'), partOf('b', TargetRole::Middle, 58, 'QW:6858@50x2')]);
    $far = turned([partOf('a', TargetRole::Middle, 60, 'QW:6858@25x2'), partOf('b', TargetRole::Middle, 58, 'QW:6858@50x2')]);
    $firm = turned([partOf('a', TargetRole::Middle, 60, 'QW:6858@60'), partOf('b', TargetRole::Middle, 58, 'QW:6858@65')]);
    expect($near->turns)->toHaveCount(1)->and($near->turns[0]->pressurePercent)->toBeGreaterThanOrEqual(40.0)->toBeLessThanOrEqual(50.0)
        ->and($far->turns)->toHaveCount(2)->and($firm->turns)->toHaveCount(2);
});

it('lets the pressure fall over a form whose values would take unlike coats, in one place and as near', function (): void {
    $zones = [
        partOf('a', TargetRole::Light, seen('QW:6858@25x2')->L, 'QW:6858@45'), partOf('a', TargetRole::Middle, seen('QW:6858@35x2')->L, 'QW:6858@45x2'),
        partOf('a', TargetRole::Dark, seen('QW:6858@45x2')->L, 'QW:6858@45x3'),
    ];
    $zones = array_map(static fn (PlannedZone $zone, string $laid): PlannedZone => new PlannedZone($zone->id, $zone->zone, $zone->name, seen($laid), $zone->stack, null, 500.0, role: $zone->role, zoneName: 'Zone a'), $zones, ['QW:6858@25x2', 'QW:6858@35x2', 'QW:6858@45x2']);
    $plan = turned($zones);
    expect($plan->turns)->toHaveCount(1)->and($plan->turns[0]->places)->toHaveCount(1);
    $fade = $plan->turns[0]->places[0]->fade();
    expect($fade?->words())->toBe('45 falling to 25 % towards the light')->and($plan->turns[0]->pressurePercent)->toBe(45.0)
        ->and((string) $plan->laid()['a-light'])->toBe('QW:6858@25x2')->and((string) $plan->laid()['a-middle'])->toBe('QW:6858@35x2');
});

it('keeps unlike coats where a falling pressure would come out farther, and for the artist\'s own', function (): void {
    $zones = [partOf('a', TargetRole::Light, 70, 'QW:6858@20'), partOf('a', TargetRole::Dark, 35, 'QW:6858@20x6')];
    expect(turned($zones)->turns[0]->places)->toHaveCount(2)
        ->and(turned([partOf('a', TargetRole::Light, 70, 'QW:6858@45', own: true), partOf('a', TargetRole::Dark, 35, 'QW:6858@45x3', own: true)])->turns[0]->places)->toHaveCount(2);
});

it('asks to look before a last coat that the colour may do without, and says for what', function (): void {
    $before = seen('QW:6858@40x3');
    $wanted = seen('QW:6858@40x3 > QW:5892@20');
    $zone = static fn (Lab $target): PlannedZone => new PlannedZone('a', 'a', 'a', $target, Stack::parse('QW:6858@40x3 > QW:5892@20'), areaMm2: 500.0);
    $last = static fn (Plan $plan): PlanStep => $plan->steps[1];
    expect($last(turned([$zone($wanted)]))->onlyIf)->not->toBeNull()
        ->and(turned([$zone($wanted)])->turns[1]->places[0]->onlyIf())->not->toBeNull()->and(turned([$zone($wanted)])->turns[0]->places[0]->onlyIf())->toBeNull()
        // Far off without it: it is laid in any case.
        ->and($last(turned([$zone(Lab::of($before->L - 25, 0, 0))]))->onlyIf)->toBeNull();
});

it('leaves out a last coat that brings its colour no nearer, but for the artist\'s own', function (): void {
    $zone = static fn (bool $own): PlannedZone => new PlannedZone('a', 'a', 'a', seen('QW:6858@40x3'), Stack::parse('QW:6858@40x3 > QW:5892@20'), areaMm2: 500.0, own: $own);
    expect(array_map(static fn (PlanStep $step): string => (string) $step->step, turned([$zone(false)])->steps))->toBe(['QW:6858@40x3'])
        ->and(turned([$zone(false)])->built['a']->colour)->toEqual(seen('QW:6858@40x3'))
        ->and(turned([$zone(true)])->steps)->toHaveCount(2)->and(turned([$zone(false)])->turns)->toHaveCount(1);
});

it('says of what stays paper whether its edge is crisp or over how much it fades', function (): void {
    $edge = static fn (?float $mm, string $stack = ''): ?string => turned([new PlannedZone('a', 'a', 'a', Lab::of(95, 0, 1), Stack::parse($stack), areaMm2: 20.0, edgeMm: $mm)])->turns[0]->places[0]->edge();
    expect($edge(0.6))->toBe('crisp edge')->and($edge(3.2))->toBe('edge fading over 3 mm')->and($edge(null))->toBeNull()->and($edge(3.2, 'QW:6858@40'))->toBeNull();
});

it('goes to the places of a turn so that the hand keeps off what is done', function (): void {
    $places = static fn (DrawingHand $hand): array => array_map(
        static fn (Place $place): string => $place->zone,
        (new Planner(new Predictor(model()), pencils(), hand: $hand))->plan(array_map(
            static fn (string $id, array $at): PlannedZone => new PlannedZone($id, $id, $id, Lab::of(60, 4, 4), Stack::parse('QW:6858@40'), areaMm2: 500.0, across: $at[0], down: $at[1]),
            ['right', 'left', 'bottom'], [[0.9, 0.1], [0.1, 0.1], [0.5, 0.9]],
        ))->turns[0]->places,
    );
    expect($places(DrawingHand::Right))->toBe(['left', 'right', 'bottom'])->and($places(DrawingHand::Left))->toBe(['right', 'left', 'bottom']);
});

it('lays a recipe of the artist as it stands', function (): void {
    $plan = turned([partOf('a', TargetRole::Middle, 60, 'QW:6858@40x2', own: true), partOf('b', TargetRole::Middle, 58, 'QW:6858@50x3')]);
    expect($plan->turns)->toHaveCount(2)->and((string) $plan->laid()['a-middle'])->toBe('QW:6858@40x2');
    $alike = turned([partOf('a', TargetRole::Middle, 60, 'QW:6858@40x2', own: true), partOf('b', TargetRole::Middle, 58, 'QW:6858@40x3')]);
    expect($alike->turns)->toHaveCount(1);
});

it('predicts each colour as the turns lay it', function (): void {
    $plan = turned([partOf('a', TargetRole::Middle, 60, 'QW:6858@40x2 > QW:5892@50'), partOf('b', TargetRole::Middle, 58, 'QW:6858@50x2')]);
    foreach ($plan->laid() as $id => $stack) {
        expect($plan->built[$id]->colour)->toEqual(seen((string) $stack));
    }
    $last = $plan->steps[count($plan->steps) - 1];
    expect($last->after)->toEqual($plan->built[$last->zone->id]->colour);
});

it('keeps to the tooth: no recipe grows beyond fifteen coats by sharing', function (): void {
    foreach (turned([partOf('a', TargetRole::Dark, 5, 'QW:6858@40x6 > QW:5892@40x5 > QW:6858@45x4'), partOf('b', TargetRole::Middle, 58, 'QW:6858@50x2 > QW:5892@35')])->laid() as $stack) {
        expect(array_sum(array_map(static fn (Step $step): int => $step->passes, $stack->steps)))->toBeLessThanOrEqual(15);
    }
});

it('builds every part of a zone as a part of the zone\'s one sequence, by all schools, over random zones', function (): void {
    for ($seed = 1; $seed <= 60; $seed++) {
        $zones = randomZones($seed, FirstValue::cases()[$seed % count(FirstValue::cases())]);
        $plan = turned($zones, Progress::cases()[$seed % 2]);
        $laid = $stacks = [];
        foreach ($plan->turns as $turn) {
            foreach ($turn->steps() as $step) {
                $laid[$step->zone->id][] = $turn->number;
                if ($step->step !== null) {
                    $stacks[$step->zone->id][] = $step->layer;
                    expect((string) $step->step->pencil)->toBe((string) $turn->pencil);
                }
            }
            // One pencil at one pressure, which may fall over the form of a place; no colour twice.
            foreach ($turn->places as $place) {
                $falls = array_map(static fn (PlanStep $step): array => [$step->zone->target->L, $step->step->pressurePercent ?? 0.0], $place->steps);
                sort($falls);
                $falling = array_column($place->fade()?->towardsLight === false ? $falls : array_reverse($falls), 1);
                $sorted = $falling;
                sort($sorted);
                expect($falling)->toBe($sorted)->and(max($falling))->toBe($turn->pressurePercent ?? 0.0);
            }
            expect(array_unique(array_map(static fn (PlanStep $step): string => $step->zone->id, $turn->steps())))->toHaveCount(count($turn->steps()));
        }
        foreach ($zones as $zone) {
            $numbers = $laid[$zone->id];
            expect($numbers)->toBe(array_values(array_unique($numbers)));
            $sorted = $numbers;
            sort($sorted);
            expect($numbers)->toBe($sorted)// All of its stack, but for last coats that bring it no nearer; the first stays.
                ->and($stacks[$zone->id] ?? [])->toBe(array_slice(count($zone->stack) === 0 ? [] : range(1, count($zone->stack)), 0, count($stacks[$zone->id] ?? [])))
                ->and(count($zone->stack) - count($stacks[$zone->id] ?? []))->toBeLessThanOrEqual($zone->own ? 0 : max(0, count($zone->stack) - 1));
            foreach (($plan->laid()[$zone->id] ?? Stack::of())->steps as $i => $step) {
                $own = $zone->stack->steps[$i];
                expect($zone->own ? abs($step->pressurePercent - $own->pressurePercent) : $step->pressurePercent - $own->pressurePercent)->toBeLessThanOrEqual(match (true) {
                    $zone->own => 0.0,
                    $zone->role->isOfForm() => Choice::FALLS_PERCENT + Choice::WITHIN_PERCENT,
                    default => 2.0 * Choice::WITHIN_PERCENT,
                })
                    ->and((string) $step->pencil)->toBe((string) $own->pencil);
            }
        }
    }
});

it('presses what ends a passage after what is laid softly elsewhere, whichever is lighter', function (): void {
    $plan = turned([partOf('a', TargetRole::Accent, 90, 'QW:5892@75x2'), partOf('b', TargetRole::Middle, 40, 'QW:3769@45')]);
    expect(array_map(static fn (Turn $turn): string => (string) $turn->pencil, $plan->turns))->toBe(['QW:3769', 'QW:5892'])
        ->and($plan->turns[1]->stage)->toBe(Stage::Finish)->and($plan->turns[1]->why)->toStartWith('Last and firm');
});

it('lays nothing where the paper stays, at any stage', function (): void {
    $plan = turned([partOf('a', TargetRole::Light, 96, ''), partOf('a', TargetRole::Dark, 30, 'QW:3769@50'), partOf('b', TargetRole::Accent, 97, '')]);
    for ($steps = 0; $steps <= count($plan->steps); $steps++) {
        expect(array_keys($plan->laid($steps)))->not->toContain('a-light')->not->toContain('b-accent');
    }
    expect($plan->turns[0]->stage)->toBe(Stage::Reserve)->and($plan->turns[0]->places)->toHaveCount(2);
});

it('spoils no colour for the sake of a shared turn: it leaves the turn', function (): void {
    $of = static function (string $id, string $stack, float $area): PlannedZone {
        return new PlannedZone($id, $id, $id, model()->draw(Stack::parse($stack))->lab(), Stack::parse($stack), null, $area, role: TargetRole::Middle, zoneName: $id);
    };
    // One coat of a dark pencil: a little more or less of it shows, and no coat makes up for it.
    $plan = turned([$of('wall', 'QW:3769@30', 9000.0), $of('speck', 'QW:3769@20', 20.0)]);
    foreach ($plan->built as $id => $built) {
        expect($built->colour->differenceTo($plan->steps[0]->zone->id === $id ? $plan->steps[0]->zone->target : $plan->steps[1]->zone->target))->toBeLessThan(2.5);
    }
    expect($plan->turns)->toHaveCount(2);
});
