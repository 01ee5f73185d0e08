<?php

declare(strict_types=1);

use Prism\Colour\DeltaE;
use Prism\Colour\Lab;
use Prism\Reference\Image\Field;
use Prism\Reference\Zones\TargetNames;
use Prism\Reference\Zones\TargetRole;
use Prism\Reference\Zones\ZoneColours;
use Prism\Reference\Zones\ZoneTarget;

use function Tests\Core\Reference\painted;

require_once __DIR__.'/scenes.php';

/**
 * The colours of a field that is one zone, as deep everywhere as is said.
 *
 * @return list<ZoneTarget>
 */
function coloursOf(Field $field, float $depth = 9.0): array
{
    return ZoneColours::of($field, range(0, $field->count() - 1), array_fill(0, $field->count(), $depth));
}

/** @return list<string> */
function roles(array $targets): array
{
    return array_map(static fn (ZoneTarget $target): string => $target->role->value, $targets);
}

it('finds one colour where there is one', function (): void {
    $targets = coloursOf(painted(40, 30, static fn (float $x): Lab => Lab::of(50 + 2 * $x, 20, -10)));
    expect($targets)->toHaveCount(1)->and($targets[0]->role)->toBe(TargetRole::Middle)->and($targets[0]->share)->toBe(1.0)
        ->and($targets[0]->colour->L)->toEqualWithDelta(51.0, 0.05)->and($targets[0]->spread)->toBeLessThan(1.0);
});

it('parts a run of values in light, middle and dark, and nothing is left over', function (): void {
    $targets = coloursOf(painted(120, 20, static fn (float $x): Lab => Lab::of(20 + 60 * $x, 10, 10)));
    expect(roles($targets))->toBe(['light', 'middle', 'dark'])
        ->and(array_sum(array_map(static fn (ZoneTarget $target): float => $target->share, $targets)))->toEqualWithDelta(1.0, 1e-9)
        ->and($targets[0]->colour->L)->toBeGreaterThan($targets[1]->colour->L + 12.0)
        ->and($targets[1]->colour->L)->toBeGreaterThan($targets[2]->colour->L + 12.0);
    foreach ($targets as $target) {
        expect($target->share)->toBeGreaterThan(0.25)->toBeLessThan(0.42);
    }
});

it('parts where the values lie, not into thirds', function (): void {
    // A tenth in deep shadow, the rest light with a little turn.
    $targets = coloursOf(painted(100, 20, static fn (float $x): Lab => $x < 0.1 ? Lab::of(18, 0, 0) : Lab::of($x < 0.4 ? 58 : 74, 0, 0)));
    $shares = array_combine(roles($targets), array_map(static fn (ZoneTarget $target): float => round($target->share, 2), $targets));
    expect($shares)->toBe(['light' => 0.6, 'middle' => 0.3, 'dark' => 0.1])
        ->and(array_map(static fn (ZoneTarget $target): int => (int) round($target->colour->L), $targets))->toBe([74, 58, 18]);
});

it('has no middle where there are two values', function (): void {
    $targets = coloursOf(painted(100, 20, static fn (float $x): Lab => Lab::of($x < 0.4 ? 30 : 64, 0, 0)));
    expect(roles($targets))->toBe(['light', 'dark'])->and($targets[0]->share)->toEqualWithDelta(0.6, 1e-9)
        ->and($targets[0]->colour->L)->toEqualWithDelta(64.0, 1e-6)->and($targets[1]->colour->L)->toEqualWithDelta(30.0, 1e-6);
});

it('parts with less variance within than any other two limits', function (): void {
    mt_srand(11);
    $field = painted(60, 40, static fn (float $x, float $y): Lab => Lab::of(max(2.0, min(98.0, 35 + 25 * $x * $x + 12 * sin(9 * $y) + mt_rand(-60, 60) / 20)), 0, 0));
    $within = static function (float $low, float $high) use ($field): float {
        $parts = [[], [], []];
        foreach ($field->L as $L) {
            $parts[$L < $low ? 0 : ($L < $high ? 1 : 2)][] = $L;
        }
        $sum = 0.0;
        foreach ($parts as $part) {
            $mean = array_sum($part) / max(1, count($part));
            $sum += array_sum(array_map(static fn (float $L): float => ($L - $mean) ** 2, $part));
        }

        return $sum;
    };
    [$light, $middle, $dark] = coloursOf($field);
    $found = $within(($dark->colour->L + $middle->colour->L) / 2, ($middle->colour->L + $light->colour->L) / 2);
    $least = INF;
    for ($low = 15; $low < 75; $low++) {
        for ($high = $low + 1; $high < 76; $high++) {
            $least = min($least, $within($low, $high));
        }
    }
    // The ends do not pull, and values count by whole steps of L*.
    expect($found)->toBeLessThan(1.03 * $least);
});

it('shows where a colour is', function (): void {
    $field = painted(90, 60, static fn (float $x, float $y): Lab => Lab::of(30 + 40 * $y, 20 * $x, 0));
    foreach (coloursOf($field) as $target) {
        $at = (int) ($target->y * 60) * 90 + (int) ($target->x * 90);
        $colour = $target->colour;
        expect(DeltaE::ciede2000($colour->L, $colour->a, $colour->b, $field->L[$at], $field->a[$at], $field->b[$at]))->toBeLessThan(2.0);
    }
});

it('keeps a small glint out of the local light', function (): void {
    $field = painted(100, 100, static fn (float $x, float $y): Lab => hypot($x - 0.5, $y - 0.5) < 0.09 ? Lab::of(98, 0, 0) : Lab::of(35 + 20 * $x, 30, 15));
    $targets = coloursOf($field);
    $light = $targets[0];
    expect($light->role)->toBe(TargetRole::Light)->and($light->colour->L)->toBeLessThan(60.0)
        ->and(roles($targets))->toContain('accent');
    $accent = $targets[array_search('accent', roles($targets), true)];
    expect($accent->colour->L)->toBeGreaterThan(90.0)->and($accent->share)->toEqualWithDelta(M_PI * 0.09 ** 2, 0.003)
        ->and(hypot($accent->x - 0.5, $accent->y - 0.5))->toBeLessThan(0.09);
});

it('finds a shimmer of another hue, if there is enough of it', function (float $radius, bool $seen): void {
    $field = painted(100, 100, static fn (float $x, float $y): Lab => hypot($x - 0.5, $y - 0.5) < $radius ? Lab::of(50, -4, 8) : Lab::of(50, 0, -4));
    expect(in_array('shimmer', roles(coloursOf($field)), true))->toBe($seen);
})->with([[0.16, true], [0.05, false]]);

it('takes what mixes at a border for no colour of the zone', function (): void {
    $field = painted(100, 100, static fn (float $x, float $y): Lab => hypot($x - 0.5, $y - 0.5) < 0.16 ? Lab::of(50, 0, 60) : Lab::of(50, 0, -4));
    expect(roles(coloursOf($field, 1.0)))->not->toContain('accent')->and(roles(coloursOf($field, 5.0)))->toContain('accent');
});

it('names no more than two of a kind', function (): void {
    $spots = [[0.2, 0.2, 60, 40], [0.8, 0.2, -50, 30], [0.2, 0.8, 20, -60], [0.8, 0.8, 50, -20]];
    $field = painted(120, 120, static function (float $x, float $y) use ($spots): Lab {
        foreach ($spots as [$cx, $cy, $a, $b]) {
            if (hypot($x - $cx, $y - $cy) < 0.08) {
                return Lab::of(55, $a, $b);
            }
        }

        return Lab::of(50, 0, 0);
    });
    expect(array_count_values(roles(coloursOf($field)))['accent'])->toBe(2);
});

it('calls no two colours of a zone alike', function (): void {
    $of = static fn (array $colours): array => TargetNames::of(array_map(static fn (array $one): array => [$one[0], Lab::of($one[1], 0, 0)], $colours));
    expect($of([[TargetRole::Light, 80], [TargetRole::Accent, 20], [TargetRole::Accent, 90], [TargetRole::Shimmer, 50]]))->toBe(['light', 'darker accent', 'lighter accent', 'shimmer'])
        ->and($of(['a' => [TargetRole::Accent, 20], 'b' => [TargetRole::Accent, 90], 'c' => [TargetRole::Accent, 90]]))->toBe(['a' => 'accent 3', 'b' => 'accent 1', 'c' => 'accent 2'])
        ->and($of([]))->toBe([]);
});

it('reads over how much a glint fades into what lies beside it', function (float $pixels): void {
    $glint = painted(200, 150, static function (float $x, float $y) use ($pixels): Lab {
        $from = hypot(($x - 0.5) * 200, ($y - 0.5) * 150) - 14.0;

        return Lab::of(50 + 46 * max(0.0, min(1.0, 0.5 - $from / $pixels)), 0, 0);
    });
    $accents = array_values(array_filter(coloursOf($glint), static fn (ZoneTarget $target): bool => $target->role === TargetRole::Accent));
    expect($accents)->not->toBe([])->and($accents[0]->edgeWidth * 200)->toBeGreaterThan(0.5 * $pixels)->toBeLessThan(1.6 * $pixels)
        ->and(array_filter(coloursOf($glint), static fn (ZoneTarget $target): bool => $target->role !== TargetRole::Accent && $target->edgeWidth !== null))->toBe([]);
})->with([1.0, 4.0, 10.0]);
