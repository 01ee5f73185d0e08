<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Layering\StepKind;
use Prism\Planning\Order\Place;
use Prism\Planning\Order\PlannedZone;
use Prism\Planning\Order\PlanStep;
use Prism\Planning\Order\Rounds;
use Prism\Planning\Order\Stage;
use Prism\Planning\Order\StepRole;
use Prism\Planning\Order\Turn;
use Prism\Planning\Order\ZonePart;

/**
 * Turns of one pencil each.
 *
 * @param  list<array{Stage, string, string}>  $told  stage, zones by a letter each, number of the pencil; none: paper is kept
 * @return list<Turn>
 */
function turnsOf(array $told): array
{
    $turns = [];
    foreach ($told as $at => [$stage, $zones, $number]) {
        $step = $number === '' ? null : Stack::parse("QW:{$number}@40")->steps[0];
        $role = match (true) {
            $step === null => StepRole::Reserve,
            $stage === Stage::Map => StepRole::Map,
            default => StepRole::Layer,
        };
        $places = array_map(static function (string $zone) use ($step, $role, $at): Place {
            $planned = new PlannedZone($zone, $zone, $zone, Lab::of(50, 10, 10), Stack::parse('QW:6858@40'), areaMm2: 900.0);

            return new Place($zone, $zone, ZonePart::All, 1, [new PlanStep("{$zone}-{$at}", $planned, $role, $step, 1, Lab::of(95, 0, 0), Lab::of(60, 10, 10), 1.0, 'why')]);
        }, str_split($zones));
        $turns[] = new Turn($at + 1, $stage, $role, $step === null ? null : StepKind::Layer, $step?->pencil, $step === null ? null : 40.0, $places, 'why', [], 4.0, 1);
    }

    return $turns;
}

it('ends a round where a pencil comes again to where it lies since the round began', function (): void {
    $build = static fn (string $zones, string $number): array => [Stage::Build, $zones, $number];
    expect(Rounds::ends(turnsOf([$build('ab', '111'), $build('ab', '222'), $build('a', '111'), $build('a', '222'), $build('b', '111')])))->toBe([2])
        ->and(Rounds::ends(turnsOf([$build('a', '111'), $build('b', '111'), $build('b', '222')])))->toBe([]);
});

it('ends a round before a later stage, once a few pencils lie', function (): void {
    $of = static fn (int $layers): array => [...array_map(static fn (int $n): array => [Stage::Underlayer, 'ab', (string) (111 + $n)], range(1, $layers)), [Stage::Build, 'ab', '999']];
    expect(Rounds::ends(turnsOf($of(3))))->toBe([])
        ->and(Rounds::ends(turnsOf($of(4))))->toBe([4]);
});

it('goes on where an earlier stage comes between, as it does when zones dry in turn', function (): void {
    $told = array_map(static fn (Stage $stage, int $n): array => [$stage, 'ab', (string) (111 + $n)], [Stage::Dark, Stage::Build, Stage::Dark, Stage::Build, Stage::Underlayer, Stage::Dark], range(1, 6));
    expect(Rounds::ends(turnsOf($told)))->toBe([]);
});

it('ends a round where the work goes on to other zones altogether', function (): void {
    $told = array_map(static fn (string $zone, int $n): array => [Stage::Build, $zone, (string) (111 + $n)], ['a', 'ab', 'b', 'bc', 'de', 'd'], range(1, 6));
    expect(Rounds::ends(turnsOf($told)))->toBe([4]);
});

it('ends no round where no colour lies yet: paper kept, lines mapped', function (): void {
    $told = [[Stage::Reserve, 'a', ''], ...array_fill(0, 6, [Stage::Map, 'b', '111']), [Stage::Underlayer, 'a', '111'], [Stage::Build, 'a', '222']];
    expect(Rounds::ends(turnsOf($told)))->toBe([]);
});
