<?php

declare(strict_types=1);

use Prism\Calibration\Lessons;
use Prism\Layering\Doubt;
use Prism\Layering\Stack;
use Prism\Layering\Technique;

use function Tests\Core\cartridge;
use function Tests\Core\uncalibrated;

// Which swatches would teach most.

/** @param  list<string>  $notations @return list<Stack> */
function stacks(array $notations): array
{
    return array_map(Stack::parse(...), $notations);
}

/** @param  list<string>  $drawn @param  list<string>  $recipes */
function lessons(array $pencils, array $drawn, array $recipes = []): Lessons
{
    return new Lessons(uncalibrated()->predictor(cartridge()), $pencils, stacks($drawn), stacks($recipes));
}

const KNOWN = ['QW:6858@30', 'QW:6858@60', 'QW:6858@90x2', 'QW:6858@40 > QW:5892@50', 'QW:5892@30', 'QW:5892@60', 'QW:5892@90x2', 'QW:5892@40 > QW:6858@50'];

it('asks first for the pencil that has no swatch', function (): void {
    $best = lessons(['QW:6858', 'QW:5892', 'QW:7432'], KNOWN)->best(3);
    expect((string) $best[0]['stack'])->toContain('QW:7432')->and($best[0]['why'])->toContain('7432 has no swatch yet');
});

it('asks first for what recipes use', function (): void {
    $best = lessons(['QW:6858', 'QW:5892', 'QW:7432', 'QW:2794'], KNOWN, ['QW:6858@40 > QW:2794@50', 'QW:5892@40 > QW:2794@30'])->best(1);
    expect((string) $best[0]['stack'])->toContain('QW:2794')->and($best[0]['why'])->toBe('2794 has no swatch yet and is in 2 of your recipes');
});

it('asks for a pair that recipes lay and that was never drawn in this order', function (): void {
    $best = lessons(['QW:6858', 'QW:5892'], [...KNOWN, 'QW:6858@45', 'QW:5892@45'], ['QW:6858@40 > QW:5892@50 > QW:6858@40'])->best(5);
    expect(array_filter($best, static fn (array $lesson): bool => str_contains($lesson['why'], 'never swatched')))->toBe([]);
    $drawn = array_filter([...KNOWN, 'QW:6858@45', 'QW:5892@45'], static fn (string $stack): bool => $stack !== 'QW:5892@40 > QW:6858@50');
    $best = lessons(['QW:6858', 'QW:5892'], array_values($drawn), ['QW:5892@40 > QW:6858@50'])->best(1);
    expect((string) $best[0]['stack'])->toBe('QW:5892@50x3 > QW:6858@50x3')->and($best[0]['why'])->toBe('6858 over 5892 is in 1 of your recipes and was never swatched');
});

it('is worth the doubt it takes from the recipes, added up one by one', function (): void {
    $recipes = ['QW:7432@40 > QW:6858@50', 'QW:7432@30', 'QW:5892@40'];
    $lessons = lessons(['QW:6858', 'QW:5892', 'QW:7432'], KNOWN, $recipes);
    // 7432 is in two recipes and has no swatch; 6858 under it was not drawn, but no recipe lays it so.
    $pencil = (1 + 2) * (Doubt::ofPencil(0) ** 2 - Doubt::ofPencil(1) ** 2);
    expect($lessons->worth(Stack::parse('QW:7432@60'), 2.0))->toEqualWithDelta(2.0 * $pencil, 1e-9)
        ->and($lessons->worth(Stack::parse('QW:7432@45 > QW:6858@55'), 1.0))->toEqualWithDelta($pencil + 1.05 * Doubt::ofLayer() ** 2, 1e-9)
        ->and($lessons->worth(Stack::parse('QW:6858@60'), 1.0))->toBe(0.0);
});

it('takes more doubt from the recipes than swatches taken at random', function (): void {
    $pencils = ['QW:6858', 'QW:5892', 'QW:7432', 'QW:2794', 'QW:4973', 'QW:4863', 'QW:3737', 'QW:3769'];
    $recipes = ['QW:7432@40 > QW:6858@50', 'QW:2794@30 > QW:7432@40', 'QW:4973@40 > QW:2794@50', 'QW:7432@60'];
    $doubt = static function (array $drawn) use ($recipes): float {
        $counts = [];
        foreach (stacks($drawn) as $stack) {
            foreach ($stack->pencils() as $pencil) {
                $counts[(string) $pencil] = ($counts[(string) $pencil] ?? 0) + 1;
            }
        }
        $sum = 0.0;
        foreach (stacks($recipes) as $stack) {
            foreach ($stack->pencils() as $pencil) {
                $sum += Doubt::ofPencil($counts[(string) $pencil] ?? 0) ** 2;
            }
        }

        return $sum;
    };
    $best = array_map(static fn (array $lesson): string => (string) $lesson['stack'], lessons($pencils, KNOWN, $recipes)->best(6));
    mt_srand(5);
    for ($try = 0; $try < 20; $try++) {
        $random = array_map(static fn (): string => $pencils[mt_rand(0, 7)].'@60', range(1, 6));
        expect($doubt([...KNOWN, ...$best]))->toBeLessThanOrEqual($doubt([...KNOWN, ...$random]));
    }
});

it('never asks for the same twice, and for no more than is asked', function (): void {
    $best = lessons(['QW:6858', 'QW:5892', 'QW:7432', 'QW:2794'], [])->best();
    $stacks = array_map(static fn (array $lesson): string => (string) $lesson['stack'], $best);
    expect($best)->toHaveCount(10)->and(array_unique($stacks))->toHaveCount(10);
});

it('names the technique of a stack', function (string $stack, string $technique): void {
    expect(Technique::of(Stack::parse($stack))->value)->toBe($technique)->and(Technique::from($technique)->word())->not->toBe('');
})->with([['', 'paper'], ['QW:1@40', 'single'], ['QW:1@90x2', 'single'], ['QW:1@40 > QW:2@50', 'layers'], ['QW:1@40 > QW:2@95', 'burnish'], ['QW:1@40 > wash', 'wash'], ['QW:1@40 > blend', 'blend'], ['QW:1@40 > lift > QW:2@90', 'lift']]);
