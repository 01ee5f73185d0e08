<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Layering\StepKind;
use Prism\Planning\Order\Handling;
use Prism\Planning\Order\Place;
use Prism\Planning\Order\PlannedZone;
use Prism\Planning\Order\PlanStep;
use Prism\Planning\Order\Point;
use Prism\Planning\Order\Stage;
use Prism\Planning\Order\StepRole;
use Prism\Planning\Order\Stroke;
use Prism\Planning\Order\Turn;
use Prism\Planning\Order\ZonePart;
use Prism\Schools\Surface;

/** A turn of one pencil at one pressure, to one place of so many mm². */
function turnAt(float $pressure, float $mm2 = 900.0, StepRole $role = StepRole::Layer, ZonePart $part = ZonePart::All, int $coats = 1): Turn
{
    $stack = Stack::parse("QW:6858@{$pressure}");
    $zone = new PlannedZone('t', 'z', 'float', Lab::of(50, 10, 10), $stack, areaMm2: $mm2);
    $step = new PlanStep('t-1-x', $zone, $role, $stack->steps[0], 1, Lab::of(95, 0, 0), Lab::of(60, 10, 10), 1.0, 'why');

    return new Turn(1, Stage::Build, $role, StepKind::Layer, $stack->steps[0]->pencil, $pressure, [new Place('z', 'float', $part, $coats, [$step])], 'why', [], 4.0, 1);
}

$handled = static fn (Turn $turn): Handling => Handling::of($turn, []);

it('sharpens for what is drawn: a needle for lines and detail, rounded for an even firm coat, sharp for all else', function (Turn $turn, Point $point) use ($handled): void {
    expect($handled($turn)->point)->toBe($point);
})->with([
    'light coat' => [fn () => turnAt(35), Point::Sharp],
    'firm last coat' => [fn () => turnAt(70), Point::Rounded],
    'burnish' => [fn () => turnAt(90, role: StepRole::Burnish), Point::Rounded],
    'lines' => [fn () => turnAt(35, part: ZonePart::Lines), Point::Needle],
    'mapping' => [fn () => turnAt(20, role: StepRole::Map), Point::Needle],
    'a small accent' => [fn () => turnAt(35, 40.0), Point::Needle],
    'a small accent, firm' => [fn () => turnAt(80, 40.0), Point::Rounded],
    'firm lines' => [fn () => turnAt(75, part: ZonePart::Lines), Point::Needle],
]);

it('says the grip by the pressure, and a burnish begins in the light', function () use ($handled): void {
    expect($handled(turnAt(35))->reminders)->toContain('Hold it far back, so that the hand stays light.')
        ->and($handled(turnAt(55))->reminders)->not->toContain('Hold it far back, so that the hand stays light.')
        ->and($handled(turnAt(70))->reminders)->toContain('Hold it near the tip.')
        ->and($handled(turnAt(60, part: ZonePart::Lines))->reminders)->toContain('Hold it near the tip.')
        ->and($handled(turnAt(20, role: StepRole::Map))->reminders)->toContain('A light hand: the point does the work.')->not->toContain('Hold it near the tip.')
        ->and($handled(turnAt(90, role: StepRole::Burnish))->reminders[0])->toContain('lightest place');
});

it('tells how often to sharpen once that is more than once', function () use ($handled): void {
    $said = static fn (float $mm2, int $coats): string => implode(' ', $handled(turnAt(35, $mm2, coats: $coats))->reminders);
    expect($said(900.0, 1))->not->toContain('Sharpen')
        ->and($said(3200.0, 1))->toContain('Sharpen about 2 times')
        ->and($said(3200.0, 3))->toContain('Sharpen about 6 times')
        ->and($said(90_000.0, 3))->toContain('Sharpen about 180 times');
});

it('strokes as the surface asks for', function (Surface $surface, Stroke $stroke): void {
    expect(Stroke::on($surface))->toBe($stroke);
})->with([
    [Surface::Stranded, Stroke::Strands],
    [Surface::Hard, Stroke::Form],
    [Surface::Smooth, Stroke::Circles],
    [Surface::Soft, Stroke::Circles],
    [Surface::Rough, Stroke::Hatch],
]);

it('draws lines as lines whatever the surface', function () use ($handled): void {
    expect($handled(turnAt(35, part: ZonePart::Lines))->strokes)->toBe([Stroke::Line])
        ->and($handled(turnAt(35))->strokes)->toBe([Stroke::Circles]);
});
