<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Materials\PencilId;
use Prism\Planning\Feathering;
use Prism\Planning\Joins;

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
})->with([['QW:604', 'QW:607', 'QW:610'], ['LO:7316', 'LO:7311', 'LO:7322'], ['QW:525', 'QW:513', 'QW:522'], ['LO:7039', 'LO:7044']]);

it('lays each lightly, alone in two passes, and over the end of the one before', function (): void {
    expect(array_map(static fn (array $step): string => (string) $step['stack'], feathered('QW:604', 'QW:607', 'QW:610')))
        ->toBe(['QW:604@40x2', 'QW:604@40 > QW:607@40', 'QW:607@40x2', 'QW:607@40 > QW:610@40', 'QW:610@40x2']);
});

it('shows where a step is hardly told from the one before, and joins nothing with one pencil', function (): void {
    expect(min(array_filter(array_column(feathered('QW:716', 'QW:716'), 'apart'), is_float(...))))->toBeLessThan(Feathering::TOLD_APART)
        ->and(fn () => feathered('QW:604'))->toThrow(InvalidArgumentException::class);
});
