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

const KNOWN = ['QW:404@30', 'QW:404@60', 'QW:404@90x2', 'QW:404@40 > QW:119@50', 'QW:119@30', 'QW:119@60', 'QW:119@90x2', 'QW:119@40 > QW:404@50'];

it('asks first for the pencil that has no swatch', function (): void {
    $best = lessons(['QW:404', 'QW:119', 'QW:201'], KNOWN)->best(3);
    expect((string) $best[0]['stack'])->toContain('QW:201')->and($best[0]['why'])->toContain('201 has no swatch yet');
});

it('asks first for what recipes use', function (): void {
    $best = lessons(['QW:404', 'QW:119', 'QW:201', 'QW:519'], KNOWN, ['QW:404@40 > QW:519@50', 'QW:119@40 > QW:519@30'])->best(1);
    expect((string) $best[0]['stack'])->toContain('QW:519')->and($best[0]['why'])->toBe('519 has no swatch yet and is in 2 of your recipes');
});

it('asks for a pair that recipes lay and that was never drawn in this order', function (): void {
    $best = lessons(['QW:404', 'QW:119'], [...KNOWN, 'QW:404@45', 'QW:119@45'], ['QW:404@40 > QW:119@50 > QW:404@40'])->best(5);
    expect(array_filter($best, static fn (array $lesson): bool => str_contains($lesson['why'], 'never swatched')))->toBe([]);
    $drawn = array_filter([...KNOWN, 'QW:404@45', 'QW:119@45'], static fn (string $stack): bool => $stack !== 'QW:119@40 > QW:404@50');
    $best = lessons(['QW:404', 'QW:119'], array_values($drawn), ['QW:119@40 > QW:404@50'])->best(1);
    expect((string) $best[0]['stack'])->toBe('QW:119@45 > QW:404@55')->and($best[0]['why'])->toBe('404 over 119 is in 1 of your recipes and was never swatched');
});

it('is worth the doubt it takes from the recipes, added up one by one', function (): void {
    $recipes = ['QW:201@40 > QW:404@50', 'QW:201@30', 'QW:119@40'];
    $lessons = lessons(['QW:404', 'QW:119', 'QW:201'], KNOWN, $recipes);
    // 201 is in two recipes and has no swatch; 404 under it was not drawn, but no recipe lays it so.
    $pencil = (1 + 2) * (Doubt::ofPencil(0) ** 2 - Doubt::ofPencil(1) ** 2);
    expect($lessons->worth(Stack::parse('QW:201@60'), 2.0))->toEqualWithDelta(2.0 * $pencil, 1e-9)
        ->and($lessons->worth(Stack::parse('QW:201@45 > QW:404@55'), 1.0))->toEqualWithDelta($pencil + 1.05 * Doubt::ofLayer() ** 2, 1e-9)
        ->and($lessons->worth(Stack::parse('QW:404@60'), 1.0))->toBe(0.0);
});

it('takes more doubt from the recipes than swatches taken at random', function (): void {
    $pencils = ['QW:404', 'QW:119', 'QW:201', 'QW:519', 'QW:607', 'QW:716', 'QW:113', 'QW:722'];
    $recipes = ['QW:201@40 > QW:404@50', 'QW:519@30 > QW:201@40', 'QW:607@40 > QW:519@50', 'QW:201@60'];
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
    $best = lessons(['QW:404', 'QW:119', 'QW:201', 'QW:519'], [])->best();
    $stacks = array_map(static fn (array $lesson): string => (string) $lesson['stack'], $best);
    expect($best)->toHaveCount(10)->and(array_unique($stacks))->toHaveCount(10);
});

it('names the technique of a stack', function (string $stack, string $technique): void {
    expect(Technique::of(Stack::parse($stack))->value)->toBe($technique)->and(Technique::from($technique)->word())->not->toBe('');
})->with([['', 'paper'], ['QW:1@40', 'single'], ['QW:1@90x2', 'single'], ['QW:1@40 > QW:2@50', 'layers'], ['QW:1@40 > QW:2@95', 'burnish'], ['QW:1@40 > wash', 'wash'], ['QW:1@40 > blend', 'blend'], ['QW:1@40 > lift > QW:2@90', 'lift']]);
