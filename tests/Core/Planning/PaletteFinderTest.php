<?php

declare(strict_types=1);

use Prism\Calibration\Calibrator;
use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Materials\Binder;
use Prism\Materials\Kit;
use Prism\Materials\Paper;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;
use Prism\Planning\Lightener;
use Prism\Planning\Palette\PaletteFinder;
use Prism\Planning\Palette\PaletteWish;
use Prism\Planning\Palette\TargetStacks;
use Prism\Schools\BlackAndWhite;
use Prism\Schools\Blending;
use Prism\Schools\Complement;
use Prism\Schools\SchoolSet;
use Prism\Schools\Surface;

use function Tests\Core\box;
use function Tests\Core\model;
use function Tests\Core\pencils;

const PICTURE = [[62, 20, 45], [30, 40, 20], [80, -15, 5], [50, 0, 0], [40, -20, 20], [55, -10, -30], [70, 15, -10], [35, 20, -35], [85, 5, 40], [75, 3, 12]];

/** @return array<string, Target> */
function pictureTargets(): array
{
    $targets = [];
    foreach (PICTURE as $i => $lab) {
        $targets['z'.$i] = Target::colour(Lab::of(...$lab));
    }

    return $targets;
}

function finder(Kit $kit): PaletteFinder
{
    return new PaletteFinder(new Search(new Predictor(model()), $kit, PairLibrary::build(model(), $kit->ids())), $kit);
}

function twenty(): Kit
{
    return box(array_values(array_filter(pencils()->ids(), static fn (string $id): bool => crc32($id) % 6 === 1)));
}

it('gives a palette of each size, better the more pencils it has', function (): void {
    $palettes = finder(twenty())->curve(new PaletteWish(pictureTargets(), [12, 3, 6]));
    expect(array_keys($palettes))->toBe([3, 6, 12]);
    $mean = INF;
    foreach ($palettes as $size => $palette) {
        expect($palette->pencils)->toHaveCount($size)
            ->and($palette->recipes)->toHaveCount(count(PICTURE))
            ->and($palette->meanDifference)->toBeLessThan($mean + 0.1);
        $mean = $palette->meanDifference;
        $own = array_map(strval(...), $palette->pencils);
        foreach ($palette->recipes as $recipe) {
            expect(array_diff(array_map(strval(...), $recipe->stack->pencils()), $own))->toBe([]);
        }
    }
    expect($palettes[12]->meanDifference)->toBeLessThan(0.7 * $palettes[3]->meanDifference);
});

it('tells what is given up so that the colours of zones share their layers', function (): void {
    $targets = pictureTargets();
    $zones = array_combine(array_keys($targets), array_map(static fn (int $i): string => 'z'.intdiv($i, 3), range(0, count($targets) - 1)));
    $palette = finder(twenty())->curve(new PaletteWish($targets, [8], zones: $zones))[8];
    $apart = finder(twenty())->curve(new PaletteWish($targets, [8]))[8];
    expect($palette->separate)->toEqualWithDelta($apart->separate, 1e-9)->and($palette->meanDifference)->toBeGreaterThan($palette->separate)
        ->and(array_sum(array_map(static fn ($recipe): float => $recipe->difference->dE00, $palette->recipes)) / count($targets))->toEqualWithDelta($palette->meanDifference, 1e-9);
});

it('keeps what is pinned and leaves out what is banned', function (): void {
    $kit = twenty();
    $free = array_map(strval(...), finder($kit)->curve(new PaletteWish(pictureTargets(), [5]))[5]->pencils);
    $pin = PencilId::of(array_values(array_diff($kit->ids(), $free))[0]);
    $ban = PencilId::of($free[0]);
    $palette = array_map(strval(...), finder($kit)->curve(new PaletteWish(pictureTargets(), [5], pinned: [$pin], banned: [$ban]))[5]->pencils);
    expect($palette)->toHaveCount(5)->toContain((string) $pin)->not->toContain((string) $ban);
});

it('serves the heavy targets first', function (): void {
    $targets = ['red' => Target::colour(Lab::of(40, 45, 25)), 'blue' => Target::colour(Lab::of(40, 5, -40))];
    $kit = box(['QW:7432', 'QW:6858', 'QW:2616', 'QW:3769']);
    $first = static fn (string $heavy): string => (string) finder($kit)->curve(new PaletteWish($targets, [1], [$heavy => 20.0]))[1]->pencils[0];
    expect($first('red'))->toBe('QW:7432')->and($first('blue'))->toBe('QW:6858');
});

it('finds the best of all sets of a small box', function (): void {
    $kit = box(['QW:3737', 'QW:7432', 'QW:6858', 'QW:2794', 'LO:4719', 'QW:3769', 'QW:2616']);
    $targets = array_slice(pictureTargets(), 0, 5);
    $finder = finder($kit);
    $best = INF;
    $ids = $kit->ids();
    for ($mask = 0; $mask < 1 << count($ids); $mask++) {
        $in = array_values(array_filter($ids, static fn (string $id, int $i): bool => ($mask >> $i & 1) === 1, ARRAY_FILTER_USE_BOTH));
        if (count($in) === 3) {
            $banned = array_map(PencilId::of(...), array_values(array_diff($ids, $in)));
            $best = min($best, $finder->curve(new PaletteWish($targets, [3], banned: $banned))[3]->meanDifference);
        }
    }
    expect($finder->curve(new PaletteWish($targets, [3]))[3]->meanDifference)->toEqualWithDelta($best, 1e-9);
});

it('gives all there is where more is asked for', function (): void {
    expect(finder(box(['QW:7432', 'QW:6858']))->curve(new PaletteWish(pictureTargets(), [8]))[8]->pencils)->toHaveCount(2);
});

it('keeps a warm and a cool lightener from eight pencils on, whatever the picture asks for', function (): void {
    $lighteners = array_values(array_filter(pencils()->ids(), static fn (string $id): bool => Lightener::of(pencils()->get(PencilId::of($id))) !== null));
    $kit = box([...array_slice(array_values(array_diff(twenty()->ids(), $lighteners)), 0, 14), ...$lighteners]);
    // Only darks are asked for.
    $targets = [];
    foreach ([[30, 40, 20], [25, 0, 0], [28, -20, 10], [32, -5, -25], [35, 20, -30], [22, 10, 10]] as $i => $lab) {
        $targets["d$i"] = Target::colour(Lab::of(...$lab));
    }
    $pinned = [PencilId::of($kit->ids()[0])];
    $palettes = finder($kit)->curve(new PaletteWish($targets, [6, 8, 10], pinned: $pinned));
    $kinds = static fn (int $size): array => array_unique(array_filter(array_map(static fn (PencilId $id): ?string => Lightener::of(pencils()->get($id))?->value, $palettes[$size]->pencils)));
    expect($kinds(6))->toBe([])->and($kinds(8))->toHaveCount(2)->and($kinds(10))->toHaveCount(2);
    foreach ([8, 10] as $size) {
        expect($palettes[$size]->pencils)->toHaveCount($size)->and(array_map(strval(...), $palettes[$size]->pencils))->toContain((string) $pinned[0])->and($palettes[$size]->recipes)->toHaveCount(6);
    }
});

it('explores what its pencils can do for a colour that else would miss, and comes nearer then', function (): void {
    $kit = box(array_values(array_unique([...twenty()->ids(), 'QW:7168', 'QW:3546', 'LO:7242'])));
    $search = new Search(new Predictor(model()), $kit, PairLibrary::build(model(), $kit->ids()));
    $dark = Target::colour(Lab::of(38, 5, 16));
    $limits = new Limits(maxLayers: Limits::PICTURE_LAYERS);
    $palette = (new PaletteFinder($search, $kit))->curve(new PaletteWish(['d' => $dark, 'x' => Target::colour(Lab::of(70, 20, 40)), 'y' => Target::colour(Lab::of(60, 0, -30))], [6], limits: $limits, explores: true))[6];
    $index = array_flip($kit->ids());
    $chosen = array_map(static fn (PencilId $id): int => $index[(string) $id], $palette->pencils);
    $laid = array_values(array_filter(TargetStacks::of($search, $dark, $limits, $kit)->stacks, static fn ($stack): bool => array_diff($stack->sketch->pencils(), $chosen) === []));
    $settled = min(array_map(static fn ($stack): float => $search->settle($dark, $limits, $stack->sketch)->cost, array_slice($laid, 0, 6)));
    $own = array_map(static fn (PencilId $id): int => $index[(string) $id], $palette->recipes['d']->stack->pencils());
    expect($palette->recipes['d']->cost)->toBeLessThan($settled - 2.0)->and(array_diff($own, $chosen))->toBe([]);
});

it('leaves paper what is paper, whatever the zone beside it could share', function (): void {
    $paper = model()->bare()->lab();
    $targets = ['p' => Target::colour(Lab::of($paper->L - 0.5, $paper->a, $paper->b + 0.5)), 'q' => Target::colour(Lab::of($paper->L - 4.0, $paper->a + 1.0, $paper->b + 5.0)), 'r' => Target::colour(Lab::of(80, 2, 30))];
    $recipes = finder(twenty())->curve(new PaletteWish($targets, [4, 8], zones: ['p' => 'z', 'q' => 'z', 'r' => 'z']));
    foreach ($recipes as $palette) {
        expect((string) $palette->recipes['p']->stack)->toBe('')->and((string) $palette->recipes['r']->stack)->not->toBe('');
    }
});

it('never lays a pencil over itself: that is one layer with more coats', function (Blending $blending, Complement $complement): void {
    $limits = new Limits(maxLayers: Limits::PICTURE_LAYERS, schools: new SchoolSet(complement: $complement, blending: $blending));
    $palettes = finder(twenty())->curve(new PaletteWish(pictureTargets(), [4, 8], limits: $limits));
    foreach ($palettes as $palette) {
        foreach ($palette->recipes as $recipe) {
            foreach (array_slice($recipe->stack->steps, 1) as $i => $step) {
                expect($step->pencil === null || (string) $step->pencil !== (string) $recipe->stack->steps[$i]->pencil)->toBeTrue((string) $recipe->stack);
            }
        }
    }
})->with(fn (): array => [[Blending::Layers, Complement::Under], [Blending::Layers, Complement::Between], [Blending::Solvent, Complement::Under], [Blending::Blender, Complement::Over]]);

it('follows limits of single targets', function (): void {
    $targets = pictureTargets();
    $blended = new Limits(maxLayers: 3, schools: new SchoolSet(blending: Blending::Blender), surface: Surface::Hard);
    $each = ['z0' => new Limits(maxPencils: 1, maxLayers: 1), 'z1' => $blended, 'z2' => $blended, 'z3' => $blended, 'z4' => $blended, 'z5' => $blended];
    $recipes = finder(twenty())->curve(new PaletteWish($targets, [8], each: $each))[8]->recipes;
    $closed = array_filter(array_intersect_key($recipes, $each), static fn ($recipe): bool => str_ends_with((string) $recipe->stack, 'blend'));
    $mixed = array_filter(array_diff_key(array_intersect_key($recipes, $each), ['z0' => true]), static fn ($recipe): bool => $recipe->stack->layerCount() > 1);
    expect($recipes['z0']->stack->layerCount())->toBe(1)->and($closed)->toHaveKeys(array_keys($mixed))->and(count($mixed))->toBeGreaterThan(2)
        ->and(array_filter(array_diff_key($recipes, $each), static fn ($recipe): bool => str_contains((string) $recipe->stack, 'blend')))->toBe([]);
});

it('serves a picture within one dE00 of what a search for each colour by itself finds in the same pencils', function (): void {
    $kit = twenty();
    $search = new Search(new Predictor(model()), $kit, PairLibrary::build(model(), $kit->ids()));
    $palette = (new PaletteFinder($search, $kit))->curve(new PaletteWish(pictureTargets(), [8]))[8];
    $limits = new Limits(top: 1, maxLayers: 3);
    $alone = array_map(static fn (Target $target): float => $search->find($target, $limits, $kit->only($palette->pencils))[0]->difference->dE00, pictureTargets());
    expect($palette->meanDifference)->toBeLessThan(array_sum($alone) / count($alone) + 1.0);
});

it('draws what the photo parts in a zone by recipes that differ, though one stack would be the best for both', function (): void {
    $targets = ['a' => Target::colour(Lab::of(8, 0, 0)), 'b' => Target::colour(Lab::of(11.2, 0, 0)), 'c' => Target::colour(Lab::of(12, 0, 0))];
    $stacks = static fn (array $zones): array => array_map(static fn ($recipe): string => (string) $recipe->stack, finder(box(['QW:3546', 'LO:6915']))->curve(new PaletteWish($targets, [2], zones: $zones))[2]->recipes);
    $alone = $stacks([]);
    expect($alone['a'])->toBe($alone['b']);
    // In one zone the first two are parted; the third lies in another, and next to the second in colour.
    $parted = $stacks(['a' => 'z', 'b' => 'z', 'c' => 'y']);
    expect($parted['a'])->not->toBe($parted['b'])->and($parted['c'])->toBe($alone['c'])
        ->and($stacks(['a' => 'z', 'b' => 'y', 'c' => 'x']))->toBe($alone);
});

it('keeps for all schools what comes near with any pencil, black too, and lets each school have what it allows', function (): void {
    $kit = box([...twenty()->ids(), 'QW:3769']);
    $library = PairLibrary::build(model(), $kit->ids());
    $search = new Search(new Predictor(model()), $kit, $library);
    $target = Target::colour(Lab::of(16, 0, 0));
    $near = array_map(static fn (int $entry): string => $kit->ids()[$library->layers($entry)[0][0]], array_keys($search->nearby($target)->singles));
    $gathered = static fn (SchoolSet $schools): array => array_unique(array_merge(...array_map(
        static fn ($stack): array => array_map(static fn (int $index): string => $kit->ids()[$index], $stack->sketch->pencils()),
        TargetStacks::of($search, $target, new Limits(maxLayers: 3, schools: $schools), $kit)->stacks,
    )));
    expect($near)->toContain('QW:3769')->and($gathered(new SchoolSet(blackAndWhite: BlackAndWhite::Toned)))->toContain('QW:3769')
        ->and($gathered(new SchoolSet))->not->toContain('QW:3769');
});

it('comes out the same from stacks that were gathered before, whatever is pinned', function (): void {
    $kit = twenty();
    $search = new Search(new Predictor(model()), $kit, PairLibrary::build(model(), $kit->ids()));
    $limits = new Limits(maxLayers: 3);
    $kept = array_map(static fn (Target $target): TargetStacks => TargetStacks::unpack(TargetStacks::of($search, $target, $limits, $kit)->pack()), pictureTargets());
    $stacks = static fn (array $gathered, PencilId ...$pinned): array => array_map(static fn ($recipe): string => (string) $recipe->stack, (new PaletteFinder($search, $kit))->curve(new PaletteWish(pictureTargets(), [6], pinned: $pinned, limits: $limits), gathered: $gathered)[6]->recipes);
    $pin = PencilId::of($kit->ids()[3]);
    expect($stacks($kept))->toBe($stacks([]))->and($stacks($kept, $pin))->toBe($stacks([], $pin));
});

it('keeps gathered stacks whole, cheapest first, and reads no broken ones', function (): void {
    $kit = box(['QW:3737', 'QW:7432', 'QW:6858']);
    $search = new Search(new Predictor(model()), $kit, PairLibrary::build(model(), $kit->ids()));
    $gathered = TargetStacks::of($search, Target::colour(Lab::of(50, 30, 25)), new Limits(maxLayers: 3), $kit);
    $read = TargetStacks::unpack($gathered->pack());
    $before = -INF;
    foreach ($gathered->stacks as $i => $stack) {
        expect($read->stacks[$i]->sketch->layers)->toBe($stack->sketch->layers)->and($stack->sketch->layers)->not->toBe([])->and($read->stacks[$i]->cost)->toEqualWithDelta($stack->cost, 1e-5)->and($stack->cost)->toBeGreaterThanOrEqual($before);
        $before = $stack->cost;
    }
    expect($read->stacks)->toHaveCount(count($gathered->stacks))->and(count($read->stacks))->toBeGreaterThanOrEqual(3)
        ->and(fn () => TargetStacks::unpack(substr($gathered->pack(), 0, -1)))->toThrow(UnexpectedValueException::class)
        ->and(TargetStacks::unpack('')->stacks)->toBe([]);
});

it('bans a pencil by its number as it is printed: 119 is not 0119', function (): void {
    $named = static fn (string $number): Pencil => new Pencil(PencilId::of("ZZ:$number"), $number, Binder::Wax, fullCoat: Lab::of($number === '0119' ? 45 : 60, 30, 10));
    $kit = Kit::of([$named('119'), $named('0119'), $named('200')]);
    $model = Calibrator::fit($kit, [])->model(Paper::cartridge());
    $finder = new PaletteFinder(new Search(new Predictor($model), $kit, PairLibrary::build($model, $kit->ids())), $kit);
    $pencils = $finder->curve(new PaletteWish(['t' => Target::colour(Lab::of(60, 20, 8))], [3], banned: [PencilId::of('ZZ:119')]))[3]->pencils;
    expect(array_map(strval(...), $pencils))->toBe(['ZZ:0119', 'ZZ:200']);
});

it('never comes out farther with more pencils, built as a whole', function (): void {
    $zones = [];
    foreach (array_keys(pictureTargets()) as $i => $id) {
        $zones[$id] = 'z'.intdiv($i, 3);
    }
    foreach ([twenty(), box(array_slice(pencils()->ids(), 30, 24)), box(array_slice(pencils()->ids(), 70, 24))] as $kit) {
        $curve = finder($kit)->curve(new PaletteWish(pictureTargets(), [3, 4, 5, 6, 8, 10, 12, 16], zones: $zones));
        $means = array_map(static fn ($palette): float => $palette->meanDifference, array_values($curve));
        $sorted = $means;
        rsort($sorted);
        expect($means)->toBe($sorted);
        foreach ($curve as $size => $palette) {
            expect(count($palette->pencils))->toBeLessThanOrEqual($size);
            foreach ($palette->recipes as $recipe) {
                expect(array_diff(array_map(strval(...), $recipe->stack->pencils()), array_map(strval(...), $palette->pencils)))->toBe([]);
            }
        }
    }
});
