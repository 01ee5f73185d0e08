<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Reference\Image\Field;
use Prism\Reference\Light\LightDirection;
use Prism\Reference\Light\ZoneLight;
use Prism\Reference\Light\ZoneLights;
use Prism\Reference\Zones\Distance;
use Prism\Reference\Zones\TargetRole;
use Prism\Reference\Zones\ZoneMap;
use Prism\Reference\Zones\ZoneReader;
use Prism\Schools\Surface;

use function Tests\Core\Reference\mapped;
use function Tests\Core\Reference\painted;

require_once __DIR__.'/scenes.php';

function halves(int $size = 60): ZoneMap
{
    return mapped(...array_fill(0, $size, str_repeat('a', intdiv($size, 2)).str_repeat('b', intdiv($size, 2))));
}

function reader(Field $field, ZoneMap $map, float $light = 135.0): ZoneReader
{
    return new ZoneReader($field, $map, LightDirection::corrected($light));
}

it('names zones by place and colour, each once', function (): void {
    $field = painted(60, 60, static fn (float $x): Lab => $x < 0.5 ? Lab::of(32, -28, 14) : Lab::of(85, 3, 35));
    $names = array_map(static fn ($reading): string => $reading->name, reader($field, halves())->read());
    expect($names[1])->toBe('left, dark green')->and($names[2])->toBe('right, pale yellow');
    $same = mapped(...array_merge(array_fill(0, 6, 'aaaa'), array_fill(0, 6, 'bbbb')));
    $twice = array_map(static fn ($reading): string => $reading->name, reader(painted(4, 12, static fn (): Lab => Lab::of(50, 0, 0)), $same)->read());
    expect(array_unique($twice))->toHaveCount(2);
});

it('finds light, middle and dark with their shares', function (): void {
    $field = painted(60, 60, static fn (float $x, float $y): Lab => Lab::of($y < 0.3 ? 75 : ($y < 0.8 ? 55 : 30), 10, 20));
    $targets = reader($field, mapped(...array_fill(0, 60, str_repeat('a', 60))))->read()[1]->targets;
    $by = [];
    foreach ($targets as $target) {
        $by[$target->role->value] = $target;
    }
    expect($by['light']->colour->L)->toEqualWithDelta(75.0, 0.5)->and($by['middle']->colour->L)->toEqualWithDelta(55.0, 0.5)->and($by['dark']->colour->L)->toEqualWithDelta(30.0, 0.5)
        ->and($by['light']->share)->toEqualWithDelta(0.3, 0.02)->and($by['middle']->share)->toEqualWithDelta(0.5, 0.02)
        // Where it was found it is what it says.
        ->and($field->L[(int) ($by['dark']->y * 60) * 60 + (int) ($by['dark']->x * 60)])->toEqualWithDelta(30.0, 0.1);
});

it('has one value only where there is one', function (): void {
    $targets = reader(painted(40, 40, static fn (float $x): Lab => Lab::of(50 + 3 * $x, 5, 5)), mapped(...array_fill(0, 40, str_repeat('a', 40))))->read()[1]->targets;
    expect($targets)->toHaveCount(1)->and($targets[0]->role)->toBe(TargetRole::Middle)->and($targets[0]->share)->toEqualWithDelta(1.0, 1e-9);
});

it('finds a glint as an accent, and what shimmers in another hue', function (): void {
    $one = mapped(...array_fill(0, 80, str_repeat('a', 80)));
    $glint = reader(painted(80, 80, static fn (float $x, float $y): Lab => hypot($x - 0.4, $y - 0.4) < 0.05 ? Lab::of(97, 0, 0) : Lab::of(35 + 20 * $x, 20, 10)), $one)->read()[1];
    expect(array_map(static fn ($t): string => $t->role->value, $glint->targets))->toContain('accent')->and($glint->surface)->toBe(Surface::Hard);
    $brown = reader(painted(80, 80, static fn (float $x, float $y): Lab => ((int) ($x * 10) + (int) ($y * 10)) % 5 === 0 ? Lab::of(40, 14, -6) : Lab::of(40, 8, 14)), $one)->read()[1];
    expect(array_intersect(['shimmer', 'accent'], array_map(static fn ($t): string => $t->role->value, $brown->targets)))->not->toBe([]);
});

it('tells the light side from the shadow side of one thing', function (): void {
    $field = painted(60, 60, static fn (float $x): Lab => $x < 0.5 ? Lab::of(70, 30, 20) : Lab::of(24, 13, 9));
    $readings = reader($field, halves(), 180.0)->read();
    expect($readings[1]->light)->toBe(ZoneLight::Lit)->and($readings[2]->light)->toBe(ZoneLight::Shadow);
    // Two things of unlike colour are each lit in their own right.
    $other = reader(painted(60, 60, static fn (float $x): Lab => $x < 0.5 ? Lab::of(70, 30, 20) : Lab::of(36, -20, -20)), halves(), 180.0)->read();
    expect($other[2]->light)->toBe(ZoneLight::Lit);
    // So dark a thing is in shadow, whatever it is part of.
    $black = reader(painted(60, 60, static fn (float $x): Lab => $x < 0.5 ? Lab::of(70, 30, 20) : Lab::of(18, -12, -12)), halves(), 180.0)->read();
    expect($black[2]->light)->toBe(ZoneLight::Shadow);
});

it('takes a dark part for shadow rather where it lies away from the light', function (float $degrees, ZoneLight $light): void {
    $ground = ['colour' => Lab::of(80, 0, 0), 'share' => 0.84, 'x' => 0.5, 'y' => 0.9, 'margin' => true, 'touching' => [2, 3]];
    $left = ['colour' => Lab::of(62, 40, 30), 'share' => 0.08, 'x' => 0.35, 'y' => 0.4, 'margin' => false, 'touching' => [1, 3]];
    $right = ['colour' => Lab::of(40, 29, 22), 'share' => 0.08, 'x' => 0.65, 'y' => 0.4, 'margin' => false, 'touching' => [1, 2]];
    $lights = (new ZoneLights(LightDirection::corrected($degrees), 1.0))->of([1 => $ground, 2 => $left, 3 => $right]);
    expect($lights[1])->toBe(ZoneLight::Lit)->and($lights[2])->toBe(ZoneLight::Lit)->and($lights[3])->toBe($light);
})->with([[180.0, ZoneLight::Shadow], [90.0, ZoneLight::HalfLit], [0.0, ZoneLight::Lit]]);

it('measures a thing by its lit part, not by a glint', function (): void {
    $zone = static fn (float $L, float $share, int ...$touching): array => ['colour' => Lab::of($L, 0, 0), 'share' => $share, 'x' => 0.5, 'y' => 0.5, 'margin' => false, 'touching' => $touching];
    $lights = (new ZoneLights(LightDirection::corrected(90.0), 1.0))->of([1 => $zone(96, 0.01, 2), 2 => $zone(60, 0.3, 1, 3), 3 => $zone(33, 0.2, 2)]);
    expect($lights)->toBe([1 => ZoneLight::Lit, 2 => ZoneLight::Lit, 3 => ZoneLight::Shadow]);
});

it('sees a cast shadow on the ground behind a thing', function (): void {
    // A ground (a), a block (b) in its middle, and a dark patch (c) beside it, away from the light on the left.
    $rows = array_fill(0, 60, str_repeat('a', 60));
    for ($y = 20; $y < 40; $y++) {
        $rows[$y] = str_repeat('a', 18).str_repeat('b', 14).str_repeat('c', 14).str_repeat('a', 14);
    }
    $map = mapped(...$rows);
    $field = painted(60, 60, static fn (float $x, float $y): Lab => match ($map->at($x, $y)) {
        1 => Lab::of(72, 4, 14),
        2 => Lab::of(45, 40, 25),
        default => Lab::of(36, 2, 7),
    });
    expect(reader($field, $map, 180.0)->read()[3]->light)->toBe(ZoneLight::CastShadow);
});

it('sees direction, roughness and softness of a surface', function (): void {
    $one = mapped(...array_fill(0, 80, str_repeat('a', 80)));
    $read = static fn (Closure $L) => reader(painted(80, 80, static fn (float $x, float $y): Lab => Lab::of($L($x, $y), 5, 10)), $one)->read()[1];
    $grain = $read(static fn (float $x, float $y): float => 50 + 12 * sin(70 * $y));
    expect($grain->surface)->toBe(Surface::Stranded)->and(min(abs($grain->direction), abs($grain->direction - 180)))->toBeLessThan(6.0);
    $upright = $read(static fn (float $x, float $y): float => 50 + 12 * sin(70 * $x));
    expect($upright->direction)->toEqualWithDelta(90.0, 6.0);
    mt_srand(8);
    expect($read(static fn (float $x, float $y): float => 50 + mt_rand(-12, 12))->surface)->toBe(Surface::Rough)
        ->and($read(static fn (float $x, float $y): float => 50 + 10 * $x)->surface)->toBe(Surface::Smooth);
});

it('tells a crisp edge from a soft one', function (): void {
    $crisp = painted(60, 60, static fn (float $x): Lab => Lab::of($x < 0.5 ? 70 : 30, 0, 0));
    $soft = painted(60, 60, static fn (float $x): Lab => Lab::of(70 - 40 / (1 + exp(-($x - 0.5) * 24)), 0, 0));
    expect(reader($crisp, halves())->read()[1]->crisp)->toBeTrue()->and(reader($soft, halves())->read()[1]->crisp)->toBeFalse();
});

it('knows what touches, what is near and far, what draws the eye', function (): void {
    $rows = array_merge(array_fill(0, 30, str_repeat('a', 60)), array_fill(0, 30, str_repeat('b', 60)));
    for ($y = 24; $y < 44; $y++) {
        $rows[$y] = substr_replace($rows[$y], str_repeat('c', 20), 20, 20);
    }
    $map = mapped(...$rows);
    $readings = reader(painted(60, 60, static fn (float $x, float $y): Lab => match ($map->at($x, $y)) {
        1 => Lab::of(80, -3, -10), 2 => Lab::of(60, 4, 14), default => Lab::of(40, 55, 35),
    }), $map)->read();
    expect($readings[1]->distance)->toBe(Distance::Far)->and($readings[2]->distance)->toBe(Distance::Near)
        ->and($readings[3]->importance)->toBe(3)->and($readings[1]->importance)->toBe(1)
        ->and(array_keys($readings[3]->touching))->toEqualCanonicalizing([1, 2])
        ->and(array_sum($readings[1]->touching))->toEqualWithDelta(1.0, 0.01)
        ->and($readings[3]->warmth)->toBeGreaterThan(0.0)->and($readings[1]->warmth)->toBeLessThan(0.0)
        ->and(array_sum(array_map(static fn ($r): float => $r->share, $readings)))->toEqualWithDelta(1.0, 1e-9);
});

it('finds reflected light at the rim of a shadow side', function (): void {
    // Dark, with a lighter band at the side that is turned away from the light on the left.
    $rows = array_fill(0, 80, str_repeat('a', 40).str_repeat('b', 40));
    $field = painted(80, 80, static fn (float $x): Lab => $x < 0.5 ? Lab::of(75, 30, 20) : Lab::of($x > 0.86 ? 34 : 22, 12, 8));
    $targets = reader($field, mapped(...$rows), 180.0)->read()[2]->targets;
    expect(array_map(static fn ($t): string => $t->role->value, $targets))->toContain('reflected');
});

it('reads some zones alone, and needs a map of its own size', function (): void {
    $field = painted(60, 60, static fn (): Lab => Lab::of(50, 0, 0));
    expect(reader($field, halves())->read([2]))->toHaveKeys([2])->not->toHaveKey(1)
        ->and(fn () => reader($field, mapped('ab')))->toThrow(InvalidArgumentException::class);
});
