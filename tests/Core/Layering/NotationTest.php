<?php

declare(strict_types=1);

use Prism\Layering\InvalidStep;
use Prism\Layering\NotationError;
use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\StepKind;
use Prism\Materials\PencilId;

it('reads every kind of step and writes it again', function (): void {
    $stack = Stack::parse('QW:7184@35x2 > LO:3512@50 > wash > LO:6945@95 > lift > blend');
    expect((string) $stack)->toBe('QW:7184@35x2 > LO:3512@50 > wash > LO:6945@95 > lift > blend')
        ->and(count($stack))->toBe(6)
        ->and($stack->layerCount())->toBe(3)
        ->and($stack->steps[0]->passes)->toBe(2)
        ->and($stack->steps[2]->kind)->toBe(StepKind::Wash)
        ->and($stack->steps[3]->isBurnish())->toBeTrue()
        ->and(array_map(strval(...), $stack->pencils()))->toBe(['QW:7184', 'LO:3512', 'LO:6945']);
});

it('takes white space anywhere, fractions, a missing pressure and the bare paper', function (): void {
    expect((string) Stack::parse("  QW:7184 @ 35.5 x 2>\n WASH  "))->toBe('QW:7184@35.5x2 > wash')
        ->and((string) Stack::parse('qw:7184'))->toBe('QW:7184@50')
        ->and((string) Stack::parse('  '))->toBe('')
        ->and(Stack::parse(''))->toHaveCount(0);
});

it('comes back the same for a thousand random stacks', function (): void {
    mt_srand(11);
    for ($i = 0; $i < 1000; $i++) {
        $steps = [];
        for ($n = mt_rand(0, 8); $n > 0; $n--) {
            $steps[] = match (mt_rand(0, 6)) {
                0 => Step::wash(),
                1 => Step::blend(),
                2 => Step::lift(),
                default => Step::layer(PencilId::of('R'.mt_rand(1, 9).':'.mt_rand(1, 9999)), mt_rand(100, 10000) / 100, mt_rand(1, 9)),
            };
        }
        $text = (string) Stack::of(...$steps);
        expect((string) Stack::parse($text))->toBe($text);
    }
});

it('refuses with the position of the first wrong character', function (string $text, int $position, string $says): void {
    try {
        Stack::parse($text);
    } catch (NotationError $refusal) {
        expect($refusal->position)->toBe($position)->and($refusal->getMessage())->toContain($says);

        return;
    }
    $this->fail('It was read.');
})->with([
    ['QW:7184@', 9, 'pressure is missing'],
    ['QW:7184@0', 9, 'goes from 1 to 100'],
    ['QW:7184@101', 9, 'goes from 1 to 100'],
    ['QW:7184@35x0', 12, '1 to 9'],
    ['QW:7184@35x12', 12, '1 to 9'],
    ['QW:7184@35 >', 13, 'a step is missing'],
    ['> QW:7184', 1, 'is not a step'],
    ['204@35', 1, 'is not a step'],
    ['QW:7184@35 QW:205', 12, 'does not belong here'],
    ['QW:7184@35 > rub', 14, 'is not a step'],
    ['QW:7184@35abc', 11, 'does not belong here'],
]);

it('refuses steps no hand can do', function (): void {
    expect(fn () => Step::layer(PencilId::of('QW:7184'), 120))->toThrow(InvalidStep::class, '1 to 100')
        ->and(fn () => Step::layer(PencilId::of('QW:7184'), 20, 10))->toThrow(InvalidStep::class, '1 to 9')
        ->and(fn () => Stack::of(...array_fill(0, 41, Step::wash())))->toThrow(InvalidStep::class, 'no paper takes more than 40')
        ->and(fn () => Stack::parse(implode('>', array_fill(0, 41, 'wash'))))->toThrow(NotationError::class, 'no paper takes that many');
});

it('has six words for pressure', function (): void {
    expect(array_map(Pressure::word(...), [12.0, 33.0, 45.0, 62.0, 78.0, 84.0, 85.0, 100.0]))
        ->toBe(['whisper', 'light', 'easy', 'medium', 'firm', 'firm', 'burnish', 'burnish']);
});

it('refuses a step at a place where there is none', function (): void {
    $stack = Stack::parse('GW:2140@40 > GW:2141@50');
    foreach ([-1, 2, 99] as $at) {
        expect(fn () => $stack->with($at, Step::wash()))->toThrow(InvalidStep::class, 'There is no step')
            ->and(fn () => $stack->without($at))->toThrow(InvalidStep::class);
    }
    expect((string) $stack->with(1, Step::wash()))->toBe('GW:2140@40 > wash');
});
