<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Reference\Image\Field;
use Prism\Reference\Image\Smoothing;
use Prism\Reference\Zones\MergeTree;
use Prism\Reference\Zones\Superpixels;
use Prism\Reference\Zones\ZoneSplit;

use function Tests\Core\Reference\ball;
use function Tests\Core\Reference\mapped;
use function Tests\Core\Reference\painted;

require_once __DIR__.'/scenes.php';

/** Four quarters and a disc in the middle, with a camera's noise. */
function quarters(int $size = 96): Field
{
    mt_srand(5);

    return painted($size, $size, static function (float $x, float $y): Lab {
        $noise = mt_rand(-150, 150) / 100.0;
        $lab = hypot($x - 0.5, $y - 0.5) < 0.22 ? [80, 5, 40] : match (true) {
            $x < 0.5 && $y < 0.5 => [50, 40, 20],
            $x < 0.5 => [35, -20, 10],
            $y < 0.5 => [65, 0, -30],
            default => [25, 5, -5],
        };

        return Lab::of($lab[0] + $noise, $lab[1] + $noise, $lab[2] - $noise);
    });
}

describe('the merge tree', function (): void {
    beforeEach(function (): void {
        $this->tree = MergeTree::of(quarters());
    });

    it('finds the parts of a picture, true to their borders', function (): void {
        $map = $this->tree->cut(5);
        expect($map->areas())->toHaveCount(5);
        $wrong = 0;
        foreach ([[0.15, 0.15], [0.15, 0.85], [0.85, 0.15], [0.85, 0.85], [0.5, 0.5]] as [$x, $y]) {
            $own = $map->at($x, $y);
            for ($row = 0; $row < 96; $row++) {
                for ($column = 0; $column < 96; $column++) {
                    [$px, $py] = [($column + 0.5) / 96, ($row + 0.5) / 96];
                    $disc = hypot($px - 0.5, $py - 0.5) < 0.22;
                    $belongs = $x === 0.5 ? $disc : ! $disc && ($px < 0.5) === ($x < 0.5) && ($py < 0.5) === ($y < 0.5);
                    $wrong += $belongs !== ($map->at($px, $py) === $own) ? 1 : 0;
                }
            }
        }
        // Each wrong pixel counts twice; a pixel along all borders is some 260.
        expect($wrong / 2)->toBeLessThan(220);
    });

    it('splits one zone for each zone more, and leaves the others as they were', function (): void {
        $map = $this->tree->cut(MergeTree::FEWEST);
        for ($count = MergeTree::FEWEST + 1; $count <= $this->tree->most(); $count++) {
            $finer = $this->tree->cut($count);
            expect($finer->areas())->toHaveCount($count);
            $parts = array_map(count(...), $map->overlap($finer));
            expect(array_sum($parts))->toBe($count)->and(max($parts))->toBe(2);
            $map = $finer;
        }
    });

    it('numbers zones by area and has no crumbs', function (): void {
        $map = $this->tree->cut(12);
        $areas = $map->areas();
        $sorted = $areas;
        arsort($sorted);
        expect(array_keys($sorted))->toBe(array_keys($areas))->and(min($areas))->toBeGreaterThan(6);
    });

    it('is the same every time', function (): void {
        expect(MergeTree::of(quarters())->cut(9)->labels)->toBe($this->tree->cut(9)->labels);
    });

    it('knows how many zones are worth having', function (): void {
        expect($this->tree->worth())->toBeGreaterThanOrEqual(5)->toBeLessThan(9)
            ->and(MergeTree::of(painted(60, 60, static fn (): Lab => Lab::of(50, 10, 10)))->worth())->toBe(1);
    });

    it('tells how far it is, and can be stopped', function (): void {
        $told = [];
        MergeTree::of(quarters(40), static function (string $doing, float $share) use (&$told): void {
            $told[] = $share;
        });
        $sorted = $told;
        sort($sorted);
        expect($told)->toBe($sorted)->and(count($told))->toBeGreaterThan(2)
            ->and(fn () => MergeTree::of(quarters(40), static fn () => throw new RuntimeException('stop')))->toThrow(RuntimeException::class);
    });

    it('parts a ball in its lit and its shadow side', function (): void {
        $map = MergeTree::of(ball(135.0))->cut(4);
        expect($map->at(0.32, 0.32))->not->toBe($map->at(0.68, 0.7))->and($map->at(0.05, 0.05))->not->toBe($map->at(0.32, 0.32));
    });

    it('reads a picture of one pixel, and of one row', function (): void {
        foreach ([[1, 1], [40, 1], [3, 50]] as [$width, $height]) {
            $tree = MergeTree::of(painted($width, $height, static fn (float $x): Lab => Lab::of(20 + 60 * $x, 0, 0)));
            expect($tree->cut(4)->width)->toBe($width)->and($tree->most())->toBeGreaterThanOrEqual(1);
        }
    });
});

it('smooths grain within a thing and keeps the edge between two', function (): void {
    mt_srand(3);
    $noisy = painted(40, 40, static fn (float $x): Lab => Lab::of(($x < 0.5 ? 30 : 70) + mt_rand(-200, 200) / 100.0, 0, 0));
    $smooth = Smoothing::of($noisy);
    $spread = static function (array $L): float {
        $left = [];
        foreach ($L as $at => $value) {
            if ($at % 40 < 18) {
                $left[] = $value;
            }
        }
        $mean = array_sum($left) / count($left);

        return sqrt(array_sum(array_map(static fn (float $v): float => ($v - $mean) ** 2, $left)) / count($left));
    };
    expect($spread($smooth->L))->toBeLessThan(0.45 * $spread($noisy->L))
        ->and($smooth->L[20 * 40 + 21] - $smooth->L[20 * 40 + 18])->toBeGreaterThan(36.0);
});

it('cuts patches whose borders lie on edges', function (): void {
    $patches = Superpixels::of(painted(48, 48, static fn (float $x): Lab => Lab::of($x < 0.47 ? 30 : 70, 0, 0)), 8);
    $both = [];
    foreach ($patches->labels as $at => $label) {
        $both[$label][$at % 48 < 23 ? 0 : 1] = true;
    }
    $mixed = array_filter($both, static fn (array $sides): bool => count($sides) === 2);
    expect(count($mixed))->toBeLessThan(0.15 * $patches->count)->and(min($patches->labels))->toBe(0);
});

describe('a split', function (): void {
    it('follows the tree where it can', function (): void {
        $tree = MergeTree::of(quarters());
        $map = $tree->cut(5);
        $one = $map->merged($map->at(0.15, 0.15), $map->at(0.15, 0.85));
        $again = ZoneSplit::of($one, $one->at(0.15, 0.15), 9, $tree, quarters());
        expect($again)->not->toBeNull()->and($again->at(0.15, 0.15))->not->toBe($again->at(0.15, 0.85));
    });

    it('parts by value where there is no tree, and refuses what is even or small', function (): void {
        $field = painted(40, 40, static fn (float $x): Lab => Lab::of($x < 0.4 ? 70 : 40, 0, 0));
        $whole = mapped(...array_fill(0, 40, str_repeat('a', 40)));
        $parted = ZoneSplit::of($whole, 1, 2, null, $field);
        expect($parted)->not->toBeNull()->and($parted->at(0.1, 0.5))->not->toBe($parted->at(0.9, 0.5))
            ->and(ZoneSplit::of($whole, 1, 2, null, painted(40, 40, static fn (): Lab => Lab::of(50, 0, 0))))->toBeNull();
    });
});
