<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Materials\PencilId;
use Prism\Planning\Gradient\Feathering;
use Prism\Planning\Gradient\GradientFinish;
use Prism\Planning\Gradient\Joins;

use function Tests\Core\model;

/** @return list<array{stack: Prism\Layering\Stack, colour: Lab, from: float, to: float, apart: float|null}> */
function feathered(string ...$pencils): array
{
    return Feathering::of(array_map(PencilId::of(...), $pencils), new Predictor(model()))->steps;
}

it('makes 2n - 1 steps that darken, are told apart, and fill the form without a gap', function (string ...$pencils): void {
    $steps = feathered(...$pencils);
    expect($steps)->toHaveCount(Joins::steps(count($pencils)))->and($steps[0]['apart'])->toBeNull()->and($steps[0]['from'])->toBe(0.0)->and(end($steps)['to'])->toBe(1.0);
    for ($i = 1; $i < count($steps); $i++) {
        expect($steps[$i]['from'])->toEqualWithDelta($steps[$i - 1]['to'], 1e-9)->and($steps[$i]['to'])->toBeGreaterThan($steps[$i]['from'])
            ->and($steps[$i]['colour']->L)->toBeLessThan($steps[$i - 1]['colour']->L)
            ->and($steps[$i]['apart'])->toBeGreaterThan(Feathering::TOLD_APART)->toEqualWithDelta($steps[$i]['colour']->differenceTo($steps[$i - 1]['colour']), 1e-9);
    }
})->with([['QW:3464', 'QW:4973', 'QW:3131'], ['LO:4263', 'LO:1414', 'LO:6797'], ['QW:8363', 'QW:5925', 'QW:5615'], ['LO:2593', 'LO:6945']]);

it('reaches in rounds the dark that its last pencil has to give, and lets values fall evenly to it', function (string ...$pencils): void {
    $gradient = Feathering::of(array_map(PencilId::of(...), $pencils), new Predictor(model()));
    $L = array_map(static fn (array $step): float => $step['colour']->L, $gradient->steps);
    $last = count($L) - 1;
    $more = model()->draw(Stack::of(Step::layer(PencilId::of($pencils[count($pencils) - 1]), 60, $gradient->rounds + 1)))->lab()->L;
    expect($gradient->rounds)->toBeLessThanOrEqual(Feathering::MOST_ROUNDS)->and($gradient->rounds === Feathering::MOST_ROUNDS || $L[$last] - $more < 1.5)->toBeTrue();
    foreach ($L as $i => $value) {
        expect($value)->toEqualWithDelta($L[0] + ($L[$last] - $L[0]) * $i / $last, 5.0);
    }
    // The darker a step, the firmer the hand; none so firm that nothing could lie over it.
    $pressures = array_map(static fn (array $step): float => $step['stack']->steps[0]->pressurePercent, $gradient->steps);
    $sorted = $pressures;
    sort($sorted);
    expect($pressures)->toBe($sorted)->and(max($pressures))->toBeLessThanOrEqual(60.0);
})->with([['QW:3464', 'QW:4973', 'QW:3131'], ['LO:4263', 'LO:1414', 'LO:6797'], ['LO:2593', 'LO:3512', 'LO:6915']]);

it('joins the values of a form as they are drawn: half of the coats of both where they meet', function (): void {
    $spans = [['from' => 0.0, 'to' => 0.6], ['from' => 0.4, 'to' => 1.0]];
    $joined = Feathering::between([Stack::parse('QW:3464@40x4'), Stack::parse('QW:3464@45x2 > QW:3131@50x3')], $spans, new Predictor(model()), GradientFinish::Layers, PencilId::of('QW:3464'));
    expect(array_map(static fn (array $step): array => [(string) $step['stack'], $step['from'], $step['to']], $joined->steps))->toBe([
        ['QW:3464@40x4', 0.0, 0.4], ['QW:3464@45x3 > QW:3131@50', 0.4, 0.6], ['QW:3464@45x2 > QW:3131@50x3', 0.6, 1.0],
    ])->and($joined->rounds)->toBeNull()->and($joined->steps[1]['colour']->L)->toBeLessThan($joined->steps[0]['colour']->L)->toBeGreaterThan($joined->steps[2]['colour']->L);
});

it('is finished by layers, the blender, a white or the lightest pencil', function (): void {
    $ends = static fn (GradientFinish $finish): array => array_map(static fn (array $step): string => (string) $step['stack']->steps[count($step['stack']) - 1], Feathering::of(array_map(PencilId::of(...), ['QW:3464', 'QW:4973']), new Predictor(model()), $finish, PencilId::of('QW:1823'))->steps);
    expect($ends(GradientFinish::Blender))->toBe(['blend', 'blend', 'blend'])->and($ends(GradientFinish::White))->toBe(array_fill(0, 3, 'QW:1823@60'))
        ->and(array_slice($ends(GradientFinish::Lightest), 1))->toBe(['QW:3464@60', 'QW:3464@60'])->and($ends(GradientFinish::Layers))->each->not->toContain('1823')
        ->and(fn () => Feathering::of([PencilId::of('QW:3464'), PencilId::of('QW:4973')], new Predictor(model()), GradientFinish::White))->toThrow(InvalidArgumentException::class);
});

it('shows where a step is hardly told from the one before, and joins nothing with one pencil', function (): void {
    expect(min(array_filter(array_column(feathered('QW:1823', 'QW:5492'), 'apart'), is_float(...))))->toBeLessThan(Feathering::TOLD_APART)
        ->and(fn () => feathered('QW:3464'))->toThrow(InvalidArgumentException::class);
});
