<?php

declare(strict_types=1);

use Prism\Calibration\Calibrator;
use Prism\Colour\Lab;
use Prism\Layering\Look;
use Prism\Matching\Advice\Warning;
use Prism\Matching\Search\Candidate;
use Prism\Matching\Search\Shortlist;
use Prism\Matching\Sketch;
use Prism\Matching\Target;
use Prism\Matching\TouchBook;
use Prism\Materials\Paper;
use Prism\Materials\PencilKind;
use Prism\Maths\LinearSystem;
use Prism\Planning\Order\Caution;
use Prism\Planning\Order\StepRole;
use Prism\Schools\FirstValue;

use function Tests\Core\box;
use function Tests\Core\pencils;

it('keeps the nearest of many offers, as sorting them would', function (): void {
    mt_srand(2);
    for ($round = 0; $round < 30; $round++) {
        $size = mt_rand(1, 20);
        $list = new Shortlist($size);
        $all = [];
        for ($i = 0; $i < mt_rand(0, 200); $i++) {
            $all[$i] = mt_rand() / mt_getrandmax();
            $list->offer($all[$i], $i);
        }
        asort($all);
        expect($list->kept())->toBe(array_slice(array_keys($all), 0, $size));
    }
});

it('keeps nothing of an empty offer, and refuses what is infinitely far', function (): void {
    $list = new Shortlist(3);
    expect($list->kept())->toBe([]);
    $list->offer(INF, 7);
    expect($list->kept())->toBe([]);
});

it('solves linear systems, and says when there is no solution', function (): void {
    mt_srand(4);
    for ($n = 1; $n <= 12; $n++) {
        $matrix = $solution = [];
        for ($i = 0; $i < $n; $i++) {
            $solution[] = mt_rand(-100, 100) / 10;
            for ($j = 0; $j < $n; $j++) {
                $matrix[$i][$j] = mt_rand(-100, 100) / 10;
            }
        }
        $right = array_map(static fn (array $row): float => array_sum(array_map(static fn (float $a, float $b): float => $a * $b, $row, $solution)), $matrix);
        foreach (LinearSystem::solve($matrix, $right) as $i => $value) {
            expect($value)->toEqualWithDelta($solution[$i], 1e-6);
        }
    }
    expect(fn () => LinearSystem::solve([[1.0, 2.0], [2.0, 4.0]], [1.0, 2.0]))->toThrow(DomainException::class)
        // A zero on the diagonal is no reason to give up.
        ->and(LinearSystem::solve([[0.0, 1.0], [1.0, 0.0]], [3.0, 5.0]))->toBe([5.0, 3.0]);
});

it('weighs an error of value above the same error of hue or chroma', function (): void {
    $target = Target::colour(Lab::of(50, 20, 10));
    $value = Lab::of(54, 20, 10);
    // Another hue, as far in dE00.
    $low = 10.0;
    $high = 40.0;
    for ($i = 0; $i < 40; $i++) {
        $middle = ($low + $high) / 2;
        Lab::of(50, 20, $middle)->differenceTo($target->colour) < $value->differenceTo($target->colour) ? $low = $middle : $high = $middle;
    }
    expect($target->miss(54, 20, 10))->toBeGreaterThan($target->miss(50, 20, $high) + 0.3)
        ->and($target->miss(50, 20, 10))->toBe(0.0)
        ->and(Target::value(Lab::of(50, 20, 10))->miss(50, -60, 60))->toBe(0.0)
        ->and(Target::value(Lab::of(50, 20, 10))->miss(61, 20, 10))->toEqualWithDelta(12.0, 0.01);
});

it('shares pencils, near-twins being one', function (): void {
    $ids = ['QW:6858', 'QW:3737', 'QW:7432', 'QW:4731'];
    $book = new TouchBook(Tests\Core\model(), $ids, pencils());
    $of = static fn (int ...$pencils): Candidate => new Candidate(Sketch::of(array_map(static fn (int $pencil): array => [$pencil, 40, 1], array_values($pencils))), new Look(Lab::of(50, 0, 0), 0.0, 1.0), 1.0);
    expect($of(0, 1)->sharedWith($of(1, 0), $book))->toEqual(1)->and($of(0, 1)->sharedWith($of(1), $book))->toBe(0.5)
        ->and($of(0, 1)->sharedWith($of(2), $book))->toEqual(0)->and($of()->sharedWith($of(0), $book))->toEqual(0);
    $twins = array_map($book->twin(...), array_keys($ids));
    $near = Tests\Core\seen('QW:3737@90x2')->differenceTo(Tests\Core\seen('QW:4731@90x2')) < 5.0;
    expect($twins[1] === $twins[3])->toBe($near);
});

it('has a sentence for every school, warning and caution', function (): void {
    foreach ([...FirstValue::cases(), ...Warning::cases(), ...Caution::cases()] as $case) {
        expect($case->sentence())->toEndWith('.')->and(strlen($case->sentence()))->toBeLessThan(260);
    }
    expect(Caution::Solvent->sentence())->toContain('label')->toContain('flame');
});

it('phases the work: reserve, layers and what lies under them, wash, what closes the paper', function (): void {
    $phases = array_map(static fn (StepRole $role): int => $role->phase(), [StepRole::Reserve, StepRole::Underlayer, StepRole::Layer, StepRole::Wash, StepRole::Burnish]);
    $sorted = $phases;
    sort($sorted);
    expect($phases)->toBe($sorted)->and(array_unique($phases))->toHaveCount(4)->and(StepRole::Underlayer->phase())->toBe(StepRole::Layer->phase())
        ->and(StepRole::Blend->phase())->toBe(StepRole::Burnish->phase());
});

it('has in its groups what its stacks look like when they are drawn', function (): void {
    $ids = ['QW:6858', 'QW:5892'];
    $model = Tests\Core\model();
    $book = new Prism\Matching\TouchBook($model, $ids);
    foreach ([[0, 0], [0, 1], [1, 0]] as [$lower, $upper]) {
        foreach (Prism\Matching\Search\PairLibrary::group($model, $book, $lower, $upper) as $within => $lab) {
            $notation = implode(' > ', array_map(static fn (array $layer): string => "{$ids[$layer[0]]}@{$layer[1]}x{$layer[2]}", Prism\Matching\Search\PairLibrary::layersOf($lower, $upper, $within)));
            expect($lab->differenceTo(Tests\Core\seen($notation)))->toBeLessThan(1.5);
        }
    }
});

it('knows a black and a white by their own coats, on toned paper as on white', function (): void {
    foreach ([95.4, 66.5, 30.0] as $L) {
        $paper = Paper::of('p', 'p', Lab::of($L, 0.5, 2.0));
        $kit = box(['QW:1823', 'QW:3769', 'QW:3737', 'QW:6858']);
        $book = new TouchBook(Calibrator::fit(pencils(), [])->predictor($paper)->model, $kit->ids(), $kit);
        expect(array_map($book->isWhite(...), array_keys($kit->ids())))->toBe([true, false, false, false])
            ->and(array_map($book->isBlack(...), array_keys($kit->ids())))->toBe([false, true, false, false])
            ->and($book->coat(2)->kind)->toBe(PencilKind::Yellow)->and($book->coat(3)->kind)->not->toBe(PencilKind::Yellow);
    }
});

it('keeps what short stacks look like apart in a box of any size, by their finish too', function (): void {
    $keys = [];
    foreach ([0, 1, 2, 511, 512, 513, 1024, 4095] as $lower) {
        foreach ([0, 1, 512, 513, 4095] as $upper) {
            foreach ([20, 100] as $percent) {
                foreach (['layers', 'blender'] as $finish) {
                    $keys[] = Prism\Matching\Search\ShortStacks::keyOf([[$lower, $percent, 1], [$upper, 45, 9]], $finish);
                    $keys[] = Prism\Matching\Search\ShortStacks::keyOf([[$lower, $percent, 1], [$upper, 4, 59]], $finish);
                }
            }
        }
        $keys[] = Prism\Matching\Search\ShortStacks::keyOf([[$lower, 40, 1]], 'layers');
    }
    expect(array_unique($keys))->toHaveCount(count($keys))
        ->and(Prism\Matching\Search\ShortStacks::keyOf([[0, 40, 1], [1, 40, 1], [2, 40, 1]], 'layers'))->toBeNull();
});
