<?php

declare(strict_types=1);

use Prism\Box\BoxCover;
use Prism\Box\Gaps;
use Prism\Box\NextPencils;
use Prism\Box\Substitution;
use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Matching\Gamut;
use Prism\Matching\Limits;
use Prism\Matching\Partners;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Materials\Paper;
use Prism\Materials\PencilId;
use Prism\Planning\Palette\Representatives;

use function Tests\Core\box;
use function Tests\Core\cartridge;
use function Tests\Core\model;
use function Tests\Core\pencils;
use function Tests\Core\seen;
use function Tests\Core\uncalibrated;

// Audit of a box, what to buy next and what to take instead, against trying everything one by one.

const OWNED = ['QW:3737', 'QW:7432', 'QW:6858', 'QW:3769', 'QW:1823'];
const OFFERED = ['QW:5892', 'QW:6872', 'QW:2794', 'QW:5925', 'LO:3512', 'LO:4841', 'QW:4973', 'QW:4863', 'LO:2627', 'LO:6945'];

/** @param  list<string>  $ids */
function reach(array $ids): Gamut
{
    return Gamut::of(PairLibrary::build(model(), $ids));
}

/** The least miss of anything in a library, tried one by one. */
function leastMiss(Target $target, PairLibrary $library): float
{
    $least = INF;
    foreach ($library->L as $i => $L) {
        $least = min($least, $target->miss($L, $library->a[$i], $library->b[$i]));
    }

    return $least;
}

function substitutionInto(array $ids): Substitution
{
    $predictor = uncalibrated()->predictor(cartridge());

    return new Substitution($predictor, box($ids), new Search($predictor, box($ids), PairLibrary::build($predictor->model, $ids)), pencils());
}

it('counts colours in cells, and takes sets of them from one another', function (): void {
    $one = Gamut::ofColours([Lab::of(50, 1, 1), Lab::of(51, 2, 2), Lab::of(50, 20, 1)]);
    $other = Gamut::ofColours([Lab::of(50, 20, 1), Lab::of(10, 0, 0)]);
    expect($one->count())->toBe(2)->and($one->and($other)->count())->toBe(3)->and($one->without($other)->count())->toBe(1)
        ->and($one->has(Lab::of(53, 4, 4)))->toBeTrue()->and($one->has(Lab::of(58, 4, 4)))->toBeFalse()
        ->and(Gamut::ofColours($one->colours())->without($one)->count())->toBe(0);
});

it('finds the pencil that adds most colours, as building every larger box does', function (): void {
    $has = reach(OWNED);
    $gains = [];
    foreach (OFFERED as $id) {
        $gains[$id] = reach([...OWNED, $id])->without($has)->count();
    }
    $picks = (new NextPencils(model(), OWNED, OFFERED))->forGamut($has);
    expect($picks)->toHaveCount(3)->and($picks[0]['gained'])->toBe(max($gains))->and($gains[(string) $picks[0]['pencil']])->toBe(max($gains));
});

it('counts the second and third with those before', function (): void {
    $picks = (new NextPencils(model(), OWNED, OFFERED))->forGamut(reach(OWNED));
    $owned = OWNED;
    foreach ($picks as $pick) {
        $has = reach($owned);
        $best = max(array_map(static fn (string $id): int => reach([...$owned, $id])->without($has)->count(), array_values(array_diff(OFFERED, $owned))));
        $owned[] = (string) $pick['pencil'];
        expect($pick['gained'])->toBe($best)->and(reach($owned)->without($has)->count())->toBe($best)->and($pick['new']->count())->toBe($best);
    }
});

it('gains with three what no three pencils gain much more than', function (): void {
    $offered = array_slice(OFFERED, 0, 6);
    $has = reach(OWNED);
    $best = 0;
    for ($i = 0; $i < 6; $i++) {
        for ($j = $i + 1; $j < 6; $j++) {
            for ($k = $j + 1; $k < 6; $k++) {
                $best = max($best, reach([...OWNED, $offered[$i], $offered[$j], $offered[$k]])->without($has)->count());
            }
        }
    }
    $found = array_sum(array_column((new NextPencils(model(), OWNED, $offered))->forGamut($has), 'gained'));
    // One after the other is within 1 - 1/e of the best of all at worst (Nemhauser, Wolsey & Fisher 1978); here nearer.
    expect($found)->toBeGreaterThanOrEqual(0.9 * $best)->toBeLessThanOrEqual($best);
});

it('finds the pencil that brings the own targets nearest, as building every larger box does', function (): void {
    $targets = array_map(static fn (array $lab): Target => Target::colour(Lab::of(...$lab)), [[62, 20, 45], [50, -45, 10], [55, -10, -30], [30, 8, 10], [75, 3, 12]]);
    $sum = static fn (PairLibrary $library): float => array_sum(array_map(static fn (Target $target): float => leastMiss($target, $library), $targets));
    $library = PairLibrary::build(model(), OWNED);
    $gains = [];
    foreach (OFFERED as $id) {
        $gains[$id] = ($sum($library) - $sum(PairLibrary::build(model(), [...OWNED, $id]))) / count($targets);
    }
    $pick = (new NextPencils(model(), OWNED, OFFERED))->forTargets($targets, $library)[0];
    expect($gains[(string) $pick['pencil']])->toEqualWithDelta(max($gains), 0.05)->and($pick['gained'])->toEqualWithDelta(max($gains), 0.05)->and($pick['targets'])->toBeGreaterThan(0);
});

it('recommends nothing that adds nothing, and asks before it goes on', function (): void {
    expect((new NextPencils(model(), OWNED, []))->forGamut(reach(OWNED)))->toBe([])
        ->and((new NextPencils(model(), OWNED, ['QW:5892']))->forTargets([], PairLibrary::build(model(), OWNED)))->toBe([])
        ->and(static fn () => new NextPencils(model(), OWNED, OFFERED, static fn () => throw new RuntimeException('cancelled')))->toThrow(RuntimeException::class, 'cancelled');
});

it('finds partners by the colours that neither makes alone', function (): void {
    $others = ['QW:5892', 'QW:7432', 'QW:6858', 'QW:9147', 'QW:3769'];
    $partners = Partners::of(model(), PencilId::of('QW:5765'), ['QW:5765', ...$others]);
    foreach ($partners as $partner) {
        $both = [(string) PencilId::of('QW:5765'), (string) $partner['pencil']];
        $gained = reach($both)->without(reach([$both[0]])->and(reach([$both[1]])))->count();
        expect($partner['gained'])->toBe($gained);
        $colour = seen((string) $partner['stack']);
        expect(reach([$both[0]])->and(reach([$both[1]]))->has($colour))->toBeFalse();
    }
    $gains = array_column($partners, 'gained');
    $sorted = $gains;
    rsort($sorted);
    expect($gains)->toBe($sorted)->and((string) end($partners)['pencil'])->toBe('QW:9147');
});

it('names what a box lacks', function (): void {
    $rows = array_column(BoxCover::of([
        'light red' => Lab::of(75, 30, 15), 'dark red' => Lab::of(32, 50, 28), 'light blue' => Lab::of(78, -5, -25), 'yellow' => Lab::of(88, 0, 80),
        'brown' => Lab::of(45, 18, 20), 'warm grey' => Lab::of(60, 1.5, 3), 'white' => Lab::of(96, 0, 1),
    ])->rows, null, 'family');
    expect($rows['red']['missing'])->toBe([])->and($rows['blue']['missing'])->toBe(['dark'])->and($rows['green']['missing'])->toBe(['light', 'dark'])
        ->and($rows['yellow']['missing'])->toBe([])->and($rows['orange']['missing'])->toBe(['light', 'middle'])->and($rows['grey']['missing'])->toBe(['cool'])->and($rows['ends']['missing'])->toBe(['black'])
        ->and($rows['brown']['missing'])->not->toBe([])->and(array_sum(array_map(array_sum(...), array_column($rows, 'counts'))))->toBe(7);
});

it('asks for no kind of pencil that there cannot be', function (): void {
    $all = BoxCover::of(array_map(static fn ($pencil): Lab => $pencil->fullCoat ?? Lab::of(50, 0, 0), iterator_to_array(pencils())));
    expect(array_filter(array_column($all->rows, 'missing')))->toBe([]);
});

it('ends each gap in the pencil that brings most of it, and in what the box mixes meanwhile', function (): void {
    $kit = pencils()->only(array_map(PencilId::of(...), OWNED));
    $search = new Search(uncalibrated()->predictor(Paper::cartridge()), $kit, PairLibrary::build(model(), OWNED));
    $next = new NextPencils(model(), OWNED, OFFERED);
    $holes = reach([...OWNED, ...OFFERED])->without(reach(OWNED));
    $gaps = (new Gaps($search, $next))->in($holes, 4);
    expect($gaps)->not->toBe([]);
    foreach ($gaps as $gap) {
        expect(array_diff(array_map(strval(...), $gap->mix->stack->pencils()), OWNED))->toBe([]);
        if ($gap->buy !== null) {
            // By brute force: none of those offered brings more of its colours.
            $group = array_values(array_filter(Gaps::grouped($holes), static fn (array $labs): bool => count($labs) === $gap->cells && in_array($gap->look->lab, $labs, false)))[0];
            $brings = static fn (string $offered): int => Gamut::ofColours($group)->count() - Gamut::ofColours($group)->without(reach([...OWNED, $offered])->without(reach(OWNED)))->count();
            expect($gap->brings)->toBe(max(array_map($brings, OFFERED)))->and($brings((string) $gap->buy))->toBe($gap->brings);
        }
    }
});

it('takes representatives that nothing lies far from', function (): void {
    $coats = [];
    foreach (pencils() as $id => $pencil) {
        $coats[$id] = $pencil->fullCoat ?? Lab::of(50, 0, 0);
    }
    $far = static fn (Lab $one, Lab $other): float => sqrt(($one->L - $other->L) ** 2 + ($one->a - $other->a) ** 2 + ($one->b - $other->b) ** 2);
    $chosen = Representatives::of($coats, 30, ['QW:6858']);
    $radius = max(array_map(static fn (Lab $lab): float => min(array_map(static fn (string $id): float => $far($coats[$id], $lab), $chosen)), $coats));
    $apart = INF;
    foreach ($chosen as $i => $one) {
        foreach (array_slice($chosen, $i + 1) as $other) {
            $apart = min($apart, $far($coats[$one], $coats[$other]));
        }
    }
    // Farthest first: nothing left out lies farther from them than they lie from one another.
    expect($chosen)->toHaveCount(31)->and($chosen[0])->toBe('QW:6858')->and($radius)->toBeLessThanOrEqual($apart);
});

it('finds the nearest pencil as trying every one does', function (string $missing): void {
    $best = [];
    foreach (OFFERED as $id) {
        foreach (Substitution::STRENGTHS as [$percent, $passes]) {
            $best[$id] = ($best[$id] ?? 0.0) + seen("$missing@{$percent}x$passes")->differenceTo(seen("$id@{$percent}x$passes"));
        }
    }
    asort($best);
    expect((string) substitutionInto(OFFERED)->nearestPencil(PencilId::of($missing)))->toBe(array_key_first($best));
})->with(['QW:9723', 'QW:5765', 'LO:8535', 'QW:1764', 'LO:2985']);

it('finds a mix that is no worse than the nearest pencil, and says how each differs', function (string $missing): void {
    $found = substitutionInto(OFFERED)->ofPencil(PencilId::of($missing));
    expect(array_keys($found))->toBe(['light', 'medium', 'heavy']);
    foreach ($found as $strength) {
        expect($strength['wanted']->difference->dE00)->toBe(0.0)->and($strength['pencil']?->difference->words)->not->toBe('')
            ->and($strength['mix']->difference->dE00)->toBeLessThan(max(1.5, (float) $strength['pencil']?->difference->dE00));
    }
})->with(['QW:9723', 'QW:5765', 'LO:8535']);

it('never offers a pencil in place of itself', function (): void {
    $found = substitutionInto(['QW:6858', 'QW:9147', 'QW:7432'])->ofPencil(PencilId::of('QW:6858'));
    foreach ($found as $strength) {
        expect((string) $strength['pencil']?->stack.$strength['mix']->stack)->not->toContain('QW:6858@');
    }
    expect(substitutionInto(['QW:6858'])->nearestPencil(PencilId::of('QW:6858')))->toBeNull();
});

it('puts a recipe into other pencils: one for one, and as a mix that is as near as any pair', function (): void {
    $into = ['QW:5892', 'QW:7432', 'QW:6858', 'QW:5925', 'QW:3769', 'QW:1823', 'QW:4973', 'QW:4863'];
    $stack = Stack::parse('LO:2143@50 > wash > QW:6858@40');
    $found = substitutionInto($into)->ofStack($stack);
    expect((string) $found['swapped']?->stack)->toBe($found['swaps']['LO:2143'].'@50 > wash > QW:6858@40')
        ->and($found['wanted']->prediction->colour)->toEqual(seen((string) $stack));
    $target = Target::colour(seen((string) $stack));
    expect($target->miss($found['mix']->prediction->colour->L, $found['mix']->prediction->colour->a, $found['mix']->prediction->colour->b))
        ->toBeLessThan(leastMiss($target, PairLibrary::build(model(), $into)) + 1.0)
        ->and(substitutionInto($into)->ofStack(Stack::parse('QW:6858@40'), new Limits(top: 1))['swapped'])->toBeNull();
});
