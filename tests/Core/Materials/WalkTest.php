<?php

declare(strict_types=1);

use Prism\Box\PencilFinder;
use Prism\Box\Walk;
use Prism\Colour\Lab;

use function Tests\Core\pencils;

// The box as a walk, and finding a pencil in it.

/** @return array<string, Lab> */
function coats(): array
{
    $coats = [];
    foreach (pencils() as $id => $pencil) {
        $coats[$id] = $pencil->fullCoat ?? throw new LogicException;
    }

    return $coats;
}

/**
 * @param  list<string>  $order
 * @param  array<string, Lab>  $coats
 */
function walked(array $order, array $coats): float
{
    $sum = 0.0;
    for ($i = 1; $i < count($order); $i++) {
        $sum += Walk::step($coats[$order[$i - 1]], $coats[$order[$i]]);
    }

    return $sum;
}

/**
 * The shortest row of all, tried one by one.
 *
 * @param  list<string>  $left
 * @param  array<string, Lab>  $coats
 */
function shortest(array $left, array $coats, ?string $last = null): float
{
    $best = $left === [] ? 0.0 : INF;
    foreach ($left as $i => $next) {
        $rest = $left;
        unset($rest[$i]);
        $best = min($best, ($last === null ? 0.0 : Walk::step($coats[$last], $coats[$next])) + shortest(array_values($rest), $coats, $next));
    }

    return $best;
}

it('has every pencil once', function (): void {
    $order = Walk::order(coats());
    expect($order)->toHaveCount(120)->and(array_unique($order))->toHaveCount(120);
});

it('takes smaller steps than a row by hue angle, by value or by number', function (): void {
    $coats = coats();
    $roll = walked(Walk::order($coats), $coats);
    $sorted = static function (Closure $by) use ($coats): float {
        uasort($coats, static fn (Lab $one, Lab $other): int => $by($one) <=> $by($other));

        return walked(array_keys($coats), $coats);
    };
    expect($roll)->toBeLessThan(0.5 * $sorted(static fn (Lab $lab): float => $lab->hueDegrees()))
        ->toBeLessThan(0.5 * $sorted(static fn (Lab $lab): float => $lab->L))
        ->toBeLessThan(0.5 * walked(array_keys($coats), $coats));
});

it('is about the shortest row there is, where all can be tried', function (int $seed): void {
    $few = array_intersect_key(coats(), array_flip(array_map(static fn (int $i): string => array_keys(coats())[($seed * 37 + $i * 17) % 120], range(0, 6))));
    expect(walked(Walk::order($few), $few))->toBeLessThan(1.04 * shortest(array_keys($few), $few));
})->with(range(1, 8));

it('keeps hues together rather than values', function (): void {
    $order = Walk::order(['dark red' => Lab::of(30, 45, 25), 'light red' => Lab::of(65, 45, 25), 'dark blue' => Lab::of(30, 5, -45), 'light blue' => Lab::of(65, 5, -45)]);
    $place = array_flip($order);
    expect(abs($place['dark red'] - $place['light red']))->toBe(1)->and(abs($place['dark blue'] - $place['light blue']))->toBe(1);
});

it('lays out none, one and two', function (): void {
    expect(Walk::order([]))->toBe([])->and(Walk::order(['a' => Lab::of(50, 0, 0)]))->toBe(['a'])
        ->and(Walk::order(['a' => Lab::of(50, 0, 0), 'b' => Lab::of(60, 0, 0)]))->toHaveCount(2);
});

it('stays near the short row when there are thousands', function (): void {
    $coats = [];
    for ($i = 0; $i < 1000; $i++) {
        $coats["P:$i"] = Lab::of(20 + ($i * 7) % 60, 60 * cos($i), 60 * sin($i));
    }
    $order = Walk::order($coats);
    uasort($coats, static fn (Lab $one, Lab $other): int => $one->hueDegrees() <=> $other->hueDegrees());
    expect(array_unique($order))->toHaveCount(1000)->and(walked($order, $coats))->toBeLessThan(0.7 * walked(array_keys($coats), $coats));
});

it('finds by number first, then by what it is or was called', function (string $word, ?int $rank): void {
    expect(PencilFinder::answers($word, 'QW', '404', 'Pennant Blue', ['Flag Blue', 'Signal'])?->value)->toBe($rank);
})->with([['404', 0], ['qw:404', 0], ['', 0], ['40', 1], ['QW:4', 1], ['pennant', 2], ['BLUE', 2], ['flag', 3], ['signal', 3], ['04', 4], ['green', null], ['4045', null]]);

it('finds the nearest by colour', function (): void {
    $coats = coats();
    $found = PencilFinder::nearest($coats['QW:6858'], $coats);
    expect(array_key_first($found))->toBe('QW:6858')->and($found['QW:6858'])->toBe(0.0);
    $distances = array_values($found);
    $sorted = $distances;
    sort($sorted);
    expect($distances)->toBe($sorted);
});
