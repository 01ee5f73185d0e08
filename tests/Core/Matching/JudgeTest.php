<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Doubt;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\ToothModel;
use Prism\Matching\Blending;
use Prism\Matching\Candidate;
use Prism\Matching\Complement;
use Prism\Matching\Judge;
use Prism\Matching\Limits;
use Prism\Matching\Nearby;
use Prism\Matching\PairLibrary;
use Prism\Matching\School;
use Prism\Matching\Schools;
use Prism\Matching\Search;
use Prism\Matching\Shadows;
use Prism\Matching\Target;
use Prism\Matching\TouchBook;
use Prism\Materials\Pencil;

use function Tests\Core\box;
use function Tests\Core\model;
use function Tests\Core\pencils;
use function Tests\Core\seen;

const JUDGED = ['QW:113', 'QW:201', 'QW:404', 'QW:519', 'QW:722', 'LO:7206', 'LO:7606'];

function judge(?Target $target = null, Limits $limits = new Limits): Judge
{
    return new Judge(new TouchBook(model(), JUDGED), $target ?? Target::colour(Lab::of(50, 20, 20)), $limits);
}

function at(string $pencil): int
{
    return (int) array_search($pencil, JUDGED, true);
}

it('costs a plain layer nothing but its miss, taken with what one cannot know', function (): void {
    $doubt = Doubt::usual(1, 0, 0);
    $layer = [[at('QW:201'), 50, 1]];
    expect(judge()->cost(0.0, 1.0, $layer))->toEqualWithDelta(0.0, 1e-9)
        ->and(judge()->cost(3.0, 1.0, $layer))->toEqualWithDelta(sqrt(9.0 + $doubt ** 2) - $doubt, 1e-9)
        ->and(judge()->cost(3.0, 1.0, $layer, 2.0))->toEqualWithDelta(sqrt(13.0) - $doubt, 1e-9);
});

it('never costs less than it says is the least', function (): void {
    mt_srand(41);
    foreach (School::cases() as $school) {
        $judge = judge(limits: new Limits(schools: new Schools($school)));
        for ($i = 0; $i < 300; $i++) {
            $layers = array_map(static fn (): array => [mt_rand(0, count(JUDGED) - 1), 5 * mt_rand(3, 20), mt_rand(1, 3)], range(1, mt_rand(1, 4)));
            $miss = mt_rand(0, 2000) / 100;
            expect($judge->cost($miss, mt_rand(0, 100) / 100, $layers))->toBeGreaterThanOrEqual($judge->atLeast($miss) - 1e-9);
        }
    }
});

it('costs the same by the schools that bear on a colour as by all', function (): void {
    mt_srand(43);
    $bear = [];
    foreach ([[20, 3, 1], [30, 20, -10], [44, -2, 25], [46, 1, 2], [60, 25, 30], [75, 0, 5]] as [$L, $a, $b]) {
        foreach ([Target::colour(Lab::of($L, $a, $b)), Target::value(Lab::of($L, $a, $b))] as $target) {
            foreach (Shadows::cases() as $shadows) {
                foreach (Complement::cases() as $complement) {
                    $schools = new Schools(School::cases()[mt_rand(0, count(School::cases()) - 1)], $shadows, $complement);
                    $bearing = Judge::bearing($schools, $target);
                    $bear[] = $bearing == $schools;
                    $all = judge($target, new Limits(schools: $schools));
                    $few = judge($target, new Limits(schools: $bearing));
                    for ($i = 0; $i < 40; $i++) {
                        $layers = array_map(static fn (): array => [mt_rand(0, count(JUDGED) - 1), 5 * mt_rand(3, 20), mt_rand(1, 3)], range(1, mt_rand(1, 4)));
                        expect($few->cost(2.0, 0.5, $layers))->toBe($all->cost(2.0, 0.5, $layers));
                    }
                }
            }
        }
    }
    expect(array_filter($bear))->not->toBe([])->and(count(array_filter($bear)))->toBeLessThan(count($bear));
});

it('charges for more pencils, more layers, little tooth, a burnish, black, and heavy layers below', function (): void {
    $cost = static fn (array $layers, float $tooth = 1.0): float => judge()->cost(1.0, $tooth, $layers);
    $red = [at('QW:201'), 45, 1];
    $blue = [at('QW:404'), 45, 1];
    expect($cost([$red]))->toBeLessThan($cost([$red, $red]))
        ->and($cost([$red, $red]))->toBeLessThan($cost([$red, $blue]))
        ->and($cost([$red]))->toBeLessThan($cost([$red], 0.02))
        ->and($cost([[at('QW:201'), 80, 1]]))->toBeLessThan($cost([[at('QW:201'), 85, 1]]))
        ->and($cost([$red, [at('QW:519'), 40, 1]]))->toBeLessThan($cost([$red, [at('QW:722'), 40, 1]]))
        ->and($cost([[at('QW:722'), 40, 1], $red]))->toBeGreaterThan($cost([[at('QW:404'), 40, 1], $red]) + 1.0)
        ->and($cost([$red, [at('QW:519'), 75, 1]]))->toBeLessThan($cost([[at('QW:201'), 75, 1], [at('QW:519'), 75, 1]]));
});

it('charges a planned picture for a mid value that is made of a dark pencil and paper: it is speckled', function (): void {
    $of = static fn (string $id, int $percent, float $L): float => judge(Target::colour(Lab::of($L, 2, 0)), new Limits(closed: true))->cost(1.0, 1.0, [[at($id), $percent, 1]]);
    $coat = static fn (string $id): float => (new TouchBook(model(), JUDGED))->laid(at($id), 50)->L;
    // Its own value and a little lighter cost nothing, twice as far from it twice as much.
    expect($of('QW:404', 50, $coat('QW:404') + 10))->toBe($of('QW:404', 50, $coat('QW:404')))
        ->and($of('QW:404', 50, $coat('QW:404') + 38) - $of('QW:404', 50, $coat('QW:404') + 18))->toEqualWithDelta(1.0, 1e-9);
    // One colour alone is matched as near as it goes.
    expect(judge(Target::colour(Lab::of($coat('QW:404') + 38, 2, 0)))->cost(1.0, 1.0, [[at('QW:404'), 50, 1]]))->toBe($of('QW:404', 50, $coat('QW:404')));
    // More of a pale pencil than of the dark one closes it.
    $both = judge(Target::colour(Lab::of(75, 2, 0)), new Limits(closed: true));
    expect($both->cost(1.0, 1.0, [[at('QW:113'), 60, 3], [at('QW:404'), 30, 1]]))->toBeLessThan($both->cost(1.0, 1.0, [[at('QW:113'), 20, 1], [at('QW:404'), 50, 1]]));
});

it('likes a light complement under a colour', function (): void {
    $goal = Target::colour(Lab::of(55, 45, 30));
    $under = judge($goal)->cost(1.0, 1.0, [[at('QW:519'), 35, 1], [at('QW:201'), 60, 1]]);
    $heavyUnder = judge($goal)->cost(1.0, 1.0, [[at('QW:519'), 55, 1], [at('QW:201'), 60, 1]]);
    expect($under)->toBeLessThan($heavyUnder);
});

it('keeps its touches and knows its blacks', function (): void {
    $book = new TouchBook(model(), JUDGED);
    expect($book->touch(1, 40, 2))->toBe($book->touch(1, 40, 2))
        ->and($book->touch(1, 40, 2))->not->toBe($book->touch(1, 40, 1))
        ->and($book->laid(2, 35)->pressurePercent)->toBe(35.0)
        ->and($book->laid(at('QW:113'), 50)->L)->toBeGreaterThan(80.0)
        ->and(array_values(array_filter(array_keys(JUDGED), $book->isBlack(...))))->toBe([at('QW:722')]);
    $passage = model()->lay(model()->bare(), $book->touch(at('QW:404'), 50, 2));
    expect($passage->lab())->toEqual(seen('QW:404@50x2'));
});

it('names a set of pencils whatever their order', function (): void {
    $one = new Candidate([[3, 40, 1], [1, 50, 1], [3, 30, 1]], 1.0);
    $other = new Candidate([[1, 20, 1], [3, 70, 2]], 2.0);
    expect($one->set())->toBe('1,3')->and($other->set())->toBe($one->set())
        ->and($one->key())->not->toBe($other->key())
        ->and($one->sharedWith($other))->toBe(1.0)
        ->and($one->pencils())->toBe([1, 3]);
});

it('gives many stacks for a target, of each set of pencils the best', function (): void {
    $kit = box(JUDGED);
    $search = new Search(new Predictor(model()), $kit, PairLibrary::build(model(), $kit->ids()));
    $target = Target::colour(seen('QW:201@45 > QW:113@45'));
    $wide = $search->wide($target, new Limits(maxLayers: 3));
    $costs = array_map(static fn (Candidate $candidate): float => $candidate->cost, $wide);
    $sorted = $costs;
    sort($sorted);
    expect($costs)->toBe($sorted)->and(array_unique(array_map(static fn (Candidate $candidate): string => $candidate->set(), $wide)))->toHaveCount(count($wide));
    // Each pencil alone, and each pair that comes anywhere near.
    $sizes = array_count_values(array_map(static fn (Candidate $candidate): int => count($candidate->pencils()), $wide));
    expect($sizes[1])->toBe(7)->and($sizes[2])->toBeGreaterThan(2)->toBeLessThanOrEqual(21);
    foreach ($wide as $candidate) {
        expect(count($candidate->layers) === 1 || $candidate->cost <= $costs[0] + 10.0)->toBeTrue();
    }
    $best = $wide[0];
    $settled = $search->settle($target, new Limits(maxLayers: 3), $best);
    expect($settled->cost)->toBeLessThanOrEqual($best->cost)
        ->and($search->recipe($target, new Limits(maxLayers: 3), $settled)->difference->dE00)->toBeLessThan(3.0);
});

it('finds the same stacks by what is known to come near, kept or not, and whatever was searched before', function (): void {
    $kit = box(JUDGED);
    $fresh = static fn (): Search => new Search(new Predictor(model()), $kit, PairLibrary::build(model(), $kit->ids()));
    $used = $fresh();
    $layers = static fn (array $wide): array => array_map(static fn (Candidate $candidate): array => $candidate->layers, $wide);
    $stacks = static fn (array $recipes): array => array_map(static fn ($recipe): string => (string) $recipe->stack, $recipes);
    $few = $kit->where(static fn (Pencil $pencil): bool => $pencil->id->number !== '201');
    foreach ([[50, 20, 20], [40, -5, -20], [65, -10, 35]] as [$L, $a, $b]) {
        $target = Target::colour(Lab::of($L, $a, $b));
        $nearby = Nearby::unpack($used->nearby($target, $few)->pack());
        expect($nearby->singles)->toHaveCount(6)->and(count($nearby->pairs))->toBeGreaterThan(2);
        foreach ([new Limits(maxLayers: 3), new Limits(maxLayers: 3, schools: new Schools(complement: Complement::Over)), new Limits(maxPencils: 1), new Limits(maxLayers: 3, noBlack: true)] as $limits) {
            expect($layers($used->wide($target, $limits, $few, $nearby)))->toBe($layers($fresh()->wide($target, $limits, $few)))
                ->and($stacks($used->find($target, $limits)))->toBe($stacks($fresh()->find($target, $limits)));
        }
    }
    $packed = $used->nearby($target)->pack();
    foreach (['', 'x', substr($packed, 0, -1), pack('V', 99).substr($packed, 4)] as $broken) {
        expect(fn () => Nearby::unpack($broken))->toThrow(UnexpectedValueException::class);
    }
});

it('knows about what a light layer changes, from pairs', function (): void {
    $library = PairLibrary::build(model(), JUDGED);
    $misses = [];
    foreach (JUDGED as $lower => $below) {
        foreach (JUDGED as $upper => $above) {
            foreach ([30, 45, 60] as $percent) {
                [$dL, $da, $db] = $library->change($lower, $percent, $upper);
                $alone = seen("$below@$percent");
                $misses[] = Lab::of($alone->L + $dL, $alone->a + $da, $alone->b + $db)->differenceTo(seen("$below@$percent > $above@40"));
            }
        }
    }
    sort($misses);
    // Near enough to choose which pencils to try.
    expect($misses[intdiv(count($misses), 2)])->toBeLessThan(2.0)->and($misses[intdiv(9 * count($misses), 10)])->toBeLessThan(5.0);
});

it('gives the best of many stacks refined: a second time gains little', function (): void {
    $kit = box(JUDGED);
    $search = new Search(new Predictor(model()), $kit, PairLibrary::build(model(), $kit->ids()));
    foreach ([[50, 20, 20], [40, -5, -20], [65, -10, 35]] as [$L, $a, $b]) {
        $target = Target::colour(Lab::of($L, $a, $b));
        $wide = $search->wide($target, new Limits(maxLayers: 3));
        foreach (array_slice($wide, 0, 5) as $candidate) {
            expect($search->settle($target, new Limits(maxLayers: 3), $candidate)->cost)->toBeLessThanOrEqual($candidate->cost)->toBeGreaterThan($candidate->cost - 3.0);
        }
    }
});

it('stays within one school, whichever, and within its limits', function (School $school): void {
    $kit = box(JUDGED);
    $search = new Search(new Predictor(model()), $kit, PairLibrary::build(model(), $kit->ids()));
    foreach ([[50, 20, 20], [40, -5, -20], [65, -10, 35]] as [$L, $a, $b]) {
        foreach ($search->find(Target::colour(Lab::of($L, $a, $b)), new Limits(top: 3, maxPencils: 2, maxLayers: 3, schools: new Schools($school), noBlack: true)) as $recipe) {
            expect(count($recipe->stack->pencils()))->toBeLessThanOrEqual(3)
                ->and(count(array_unique(array_map(strval(...), $recipe->stack->pencils()))))->toBeLessThanOrEqual(2)
                ->and((string) $recipe->stack)->not->toContain('QW:722')
                ->and($recipe->prediction->sensitivity)->toBeGreaterThanOrEqual(0.0);
        }
    }
})->with(School::cases());

it('looks no different for a model that was kept in a file', function (): void {
    $kept = unserialize(serialize(model()));
    $stack = Stack::parse('QW:404@40 > QW:201@90 > wash > QW:113@55x2 > lift');
    expect($kept)->toBeInstanceOf(ToothModel::class)->and($kept->draw($stack)->lab())->toEqual(model()->draw($stack)->lab());
});

describe('the schools', function (): void {
    $cost = static fn (Schools $schools, array $layers, ?Lab $target = null): float => (new Judge(new TouchBook(model(), JUDGED, pencils()), Target::colour($target ?? Lab::of(30, 6, 4)), new Limits(schools: $schools)))->cost(1.0, 1.0, $layers);
    $red = static fn (int $percent = 45): array => [at('QW:201'), $percent, 1];
    $black = static fn (int $percent = 45): array => [at('QW:722'), $percent, 1];

    it('take black in a shadow for little, over a dark and last, and never alone or below', function () use ($cost, $red, $black): void {
        $allowed = new Schools(shadows: Shadows::Black);
        $usual = new Schools;
        $saved = static fn (array $layers): float => $cost($usual, $layers) - $cost($allowed, $layers);
        expect($saved([$red(), $black()]))->toBeGreaterThan(0.8)->and($saved([$black()]))->toBeLessThan(0.0)->and($saved([$black(), $red()]))->toBeLessThan(0.0)
            // In the light it stays what it is.
            ->and($cost($allowed, [$red(), $black()], Lab::of(70, 5, 5)))->toBe($cost($usual, [$red(), $black()], Lab::of(70, 5, 5)));
    });

    it('gain by the complement where they want it, under or over', function () use ($cost): void {
        // A green target: red lies on the other side of the wheel.
        $green = Lab::of(50, -30, 12);
        $under = [[at('QW:201'), 30, 1], [at('QW:519'), 70, 1]];
        $over = [[at('QW:519'), 70, 1], [at('QW:201'), 30, 1]];
        $schools = static fn (Complement $complement): Schools => new Schools(value: School::MiddleFirst, complement: $complement);
        expect($cost($schools(Complement::Under), $under, $green))->toBeLessThan($cost($schools(Complement::Over), $under, $green))
            ->and($cost($schools(Complement::Over), $over, $green))->toBeLessThan($cost($schools(Complement::Under), $over, $green));
    });

    it('charge for oil over wax, much more where wax comes only last', function () use ($red): void {
        $judge = static fn (bool $waxLast): Judge => new Judge(new TouchBook(model(), JUDGED, pencils()), Target::colour(Lab::of(40, 10, 0)), new Limits(schools: new Schools(School::MiddleFirst), waxLast: $waxLast));
        $oilOver = [$red(), [at('LO:7206'), 45, 1]];
        $waxOver = [[at('LO:7206'), 45, 1], $red()];
        expect($judge(true)->cost(1.0, 1.0, $oilOver) - $judge(false)->cost(1.0, 1.0, $oilOver))->toBeGreaterThan(20.0)
            ->and($judge(true)->cost(1.0, 1.0, $waxOver))->toBe($judge(false)->cost(1.0, 1.0, $waxOver));
    });

    it('want a burnish at the end, or passes enough for a wash, where they blend so', function () use ($cost, $red): void {
        $plain = new Schools(School::MiddleFirst);
        $more = static fn (Blending $blending, array $layers): float => $cost($plain->blending($blending), $layers) - $cost($plain, $layers);
        expect($more(Blending::Burnish, [$red(), $red(50)]))->toBeGreaterThan(1.0)->and($more(Blending::Burnish, [$red(), $red(90)]))->toBe(0.0)->and($more(Blending::Burnish, [$red()]))->toBe(0.0)
            ->and($more(Blending::Solvent, [$red(), $red()]))->toBeGreaterThan(0.5)->and($more(Blending::Solvent, [[at('QW:201'), 45, 2], $red()]))->toBe(0.0)
            ->and($more(Blending::Tissue, [$red(), $red()]))->toBe(0.0)->and($more(Blending::Blender, [$red(), $red()]))->toBe(0.0);
    });

    it('charge for each pencil that is to be used and is not', function () use ($red): void {
        $judge = static fn (array $must): Judge => new Judge(new TouchBook(model(), JUDGED), Target::colour(Lab::of(40, 10, 0)), new Limits(must: $must));
        $layers = [$red()];
        expect($judge(['QW:201'])->cost(1.0, 1.0, $layers))->toBe($judge([])->cost(1.0, 1.0, $layers))
            ->and($judge(['QW:404'])->cost(1.0, 1.0, $layers) - $judge([])->cost(1.0, 1.0, $layers))->toBeGreaterThan(8.0)
            ->and($judge(['ZZ:1'])->cost(1.0, 1.0, $layers))->toBe($judge([])->cost(1.0, 1.0, $layers));
    });
});
