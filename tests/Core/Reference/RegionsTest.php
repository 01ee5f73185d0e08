<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Reference\Image\Field;
use Prism\Reference\Zones\Regions;
use Prism\Reference\Zones\Superpixels;

use function Tests\Core\Reference\painted;

require_once __DIR__.'/scenes.php';

/**
 * Merged down to so many; which patches ended together.
 *
 * @return array{Superpixels, list<array{int, int, float}>, array<int, int>}
 */
function mergedTo(Field $field, int $left, float $smallest = 0.0): array
{
    $patches = Superpixels::of($field);
    $merges = (new Regions($field, $patches))->merge($left, $smallest);
    $home = range(0, $patches->count - 1);
    foreach ($merges as [$gone, $into]) {
        $home[$gone] = $into;
    }
    foreach ($home as $patch => $into) {
        while ($home[$into] !== $into) {
            $into = $home[$into];
        }
        $home[$patch] = $into;
    }

    return [$patches, $merges, $home];
}

/** Share of pixels whose merged patch holds mostly the part that they belong to. */
function purity(Superpixels $patches, array $home, Closure $part): float
{
    $votes = [];
    foreach ($patches->labels as $at => $label) {
        $key = $part(($at % $patches->width + 0.5) / $patches->width, (intdiv($at, $patches->width) + 0.5) / $patches->height);
        $votes[$home[$label]][$key] = ($votes[$home[$label]][$key] ?? 0) + 1;
    }

    return array_sum(array_map(max(...), $votes)) / count($patches->labels);
}

it('merges two at a time until so many are left, and none twice', function (int $left): void {
    [$patches, $merges, $home] = mergedTo(painted(80, 60, static fn (float $x, float $y): Lab => Lab::of(30 + 50 * $x, 40 * $y, 10)), $left);
    $gone = array_column($merges, 0);
    expect($merges)->toHaveCount($patches->count - $left)->and(array_unique($gone))->toHaveCount(count($gone))
        ->and(array_unique($home))->toHaveCount($left);
    $dead = [];
    foreach ($merges as [$one, $into, $apart]) {
        expect($dead)->not->toContain($into)->and($apart)->toBeGreaterThanOrEqual(0.0);
        $dead[] = $one;
    }
})->with([1, 2, 7, 20]);

it('leaves the two parts of a picture of two parts', function (): void {
    $part = static fn (float $x, float $y): int => $x + 0.3 * $y < 0.6 ? 0 : 1;
    [$patches, , $home] = mergedTo(painted(100, 80, static fn (float $x, float $y): Lab => $part($x, $y) === 0 ? Lab::of(60, 30, 20) : Lab::of(45, -20, -10)), 2);
    expect(purity($patches, $home, $part))->toBeGreaterThan(0.98);
});

it('parts by hue before it parts by light', function (): void {
    // Left lit and shaded in one hue, right of another hue at a value between: what differs in hue stands to the last.
    $colour = static fn (float $x, float $y): Lab => $x < 0.5 ? Lab::of($y < 0.5 ? 62 : 42, 20, 20) : Lab::of(52, -12, -6);
    [$patches, , $home] = mergedTo(painted(96, 96, $colour), 2);
    expect(purity($patches, $home, static fn (float $x): int => $x < 0.5 ? 0 : 1))->toBeGreaterThan(0.97);
});

it('goes through a slow run rather than through an edge of the same height', function (): void {
    // From left to right slowly as far as it jumps at the lower quarter.
    $colour = static fn (float $x, float $y): Lab => Lab::of(40 + 24 * $x, $y < 0.75 ? 14 : -14, 10);
    [$patches, , $home] = mergedTo(painted(96, 96, $colour), 2);
    expect(purity($patches, $home, static fn (float $x, float $y): int => $y < 0.75 ? 0 : 1))->toBeGreaterThan(0.97);
});

it('merges crumbs before all else', function (): void {
    $spot = static fn (float $x, float $y): bool => hypot($x - 0.3, $y - 0.5) < 0.06;
    $field = painted(100, 100, static fn (float $x, float $y): Lab => $spot($x, $y) ? Lab::of(90, 0, 70) : Lab::of($x < 0.5 ? 45 : 55, 10, 0));
    $keeps = static function (float $smallest) use ($field, $spot): float {
        [$patches, , $home] = mergedTo($field, 3, $smallest);

        return purity($patches, $home, static fn (float $x, float $y): int => $spot($x, $y) ? 0 : 1);
    };
    // Kept as a part of its own, or in what is round it as its like has to be.
    expect($keeps(0.0))->toBeGreaterThan(0.995)->and($keeps(400.0))->toBeLessThan(0.995);
});
