<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Matching\Limits;
use Prism\Matching\Manner;
use Prism\Matching\Sketch;
use Prism\Matching\Target;
use Prism\Matching\TouchBook;
use Prism\Materials\Paper;
use Prism\Schools\Blending;
use Prism\Schools\Hand;
use Prism\Schools\SchoolSet;
use Prism\Schools\Surface;

use function Tests\Core\model;
use function Tests\Core\pencils;

const A = [1, 40, 2];
const B = [2, 45, 1];
const C = [3, 50, 3];

it('writes rounds out, and knows where a member is first laid', function (): void {
    $sketch = Sketch::of([A, B, C])->inRounds(0, 2, 3);
    expect($sketch?->layers)->toBe([A, B, A, B, A, B, C])
        ->and($sketch?->layerOf(1))->toBe(1)->and($sketch?->layerOf(2))->toBe(6)
        ->and($sketch?->coats())->toBe(12)->and($sketch?->key())->toBe('1>2>3')
        ->and($sketch?->isInRound(1))->toBeTrue()->and($sketch?->isInRound(2))->toBeFalse();
});

it('lays the same pencil twice running as one layer with more coats', function (): void {
    expect(Sketch::of([A, [1, 50, 1], B])->layers)->toBe([[1, 45, 3], B])
        ->and(Sketch::of([A, B])->then([2, 45, 2])->layers)->toBe([A, [2, 45, 3]])
        ->and(Sketch::of([A, B, A])->without(1)->layers)->toBe([[1, 40, 4]]);
});

it('never lets a pencil follow itself, whatever is done to it', function (): void {
    mt_srand(7);
    for ($i = 0; $i < 400; $i++) {
        $any = static fn (): array => [mt_rand(1, 4), 5 * mt_rand(4, 12), mt_rand(1, 3)];
        $sketch = Sketch::of(array_map($any, range(1, mt_rand(1, 5))));
        $count = count($sketch->members);
        $sketch = $sketch->inRounds(mt_rand(0, $count - 1), min($count, 2), mt_rand(2, 4)) ?? $sketch;
        $sketch = match (mt_rand(0, 2)) {
            0 => $sketch->then($any()),
            1 => $sketch->over($any()),
            default => count($sketch->members) > 1 ? $sketch->without(mt_rand(0, count($sketch->members) - 1)) : $sketch,
        };
        foreach ($sketch->layers as $at => [$pencil]) {
            expect($at === 0 || $sketch->layers[$at - 1][0] !== $pencil)->toBeTrue();
        }
    }
});

describe('the manner', function (): void {
    $manner = static fn (float $L, Surface $surface, SchoolSet $schools = new SchoolSet, ?Paper $paper = null): Manner => Manner::of(new Limits(schools: $schools, surface: $surface), Target::colour(Lab::of($L, 5, 5)), model($paper));

    it('says by surface and value how hard the last coat may be', function () use ($manner): void {
        expect($manner(60, Surface::Smooth)->mostLast)->toBe(70)->and($manner(30, Surface::Smooth)->mostLast)->toBe(80)
            ->and($manner(60, Surface::Hard)->mostLast)->toBe(80)->and($manner(30, Surface::Soft)->mostLast)->toBe(60)
            ->and($manner(30, Surface::Rough)->mostLast)->toBe(80)->and($manner(60, Surface::Rough)->mostLast)->toBe(60)->and($manner(60, Surface::Stranded)->mostLast)->toBe(60)
            ->and($manner(60, Surface::Hard, new SchoolSet(blending: Blending::Burnish))->mostLast)->toBe(95)
            ->and($manner(60, Surface::Soft, new SchoolSet(blending: Blending::Burnish))->mostLast)->toBe(60);
    });

    it('keeps what lies below light, but darks where the hand is firm early', function () use ($manner): void {
        $book = new TouchBook(model(), ['QW:6858', 'QW:3737', 'LO:3512'], pencils());
        expect(array_map(static fn (int $i): int => $manner(60, Surface::Smooth)->mostBelow($book->coat($i)), [0, 1, 2]))->toBe([50, 50, 60])
            ->and(array_map(static fn (int $i): int => $manner(60, Surface::Smooth, new SchoolSet(hand: Hand::FirmEarly))->mostBelow($book->coat($i)), [0, 1]))->toBe([80, 50]);
    });

    it('refuses a firm layer below, firm coats built up, a burnish by a darker pencil, and more coats than the paper bears', function () use ($manner): void {
        $book = new TouchBook(model(), ['QW:6858', 'QW:3737', 'LO:3512'], pencils());
        $smooth = $manner(60, Surface::Smooth);
        $shiny = $manner(60, Surface::Hard, new SchoolSet(blending: Blending::Burnish));
        expect($smooth->allows([[0, 45, 2], [1, 70, 2]], $book))->toBeTrue()
            ->and($smooth->allows([[0, 65, 2], [1, 50, 2]], $book))->toBeFalse()
            ->and($smooth->allows([[0, 45, 2], [1, 70, 5]], $book))->toBeFalse()
            ->and($smooth->allows([[0, 45, 6], [1, 45, 6], [2, 45, 6]], $book))->toBeFalse()
            ->and($shiny->allows([[0, 45, 2], [1, 90, 1]], $book))->toBeTrue()
            ->and($shiny->allows([[1, 45, 2], [0, 90, 1]], $book))->toBeFalse()
            ->and($manner(60, Surface::Smooth, paper: Paper::of('film', 'Film', Lab::of(96, 0, 0), 0.25, 0.42, 0.7))->allows([[0, 45, 3], [1, 45, 3]], $book))->toBeFalse();
    });
});
