<?php

declare(strict_types=1);

use Prism\Reference\Image\Field;
use Prism\Reference\Zones\Outlines;
use Prism\Reference\Zones\Tidying;
use Prism\Reference\Zones\ZoneMap;

use function Tests\Core\Reference\letters;
use function Tests\Core\Reference\mapped;

require_once __DIR__.'/scenes.php';

/** Area within closed lines by the even-odd rule, in pixels of the map. */
function areaOf(array $rings, ZoneMap $map): float
{
    $area = 0.0;
    foreach ($rings as $ring) {
        $sum = 0.0;
        foreach ($ring as $i => [$x, $y]) {
            [$nx, $ny] = $ring[($i + 1) % count($ring)];
            $sum += $x * $ny - $nx * $y;
        }
        // Outer lines run one way round and holes the other.
        $area += $sum / 2.0;
    }

    return abs($area) * $map->width * $map->height;
}

describe('a zone map', function (): void {
    it('comes back from its packed bytes, and nothing else does', function (): void {
        $map = mapped('aabb', 'aacc');
        expect(ZoneMap::unpack($map->pack()))->toEqual($map)
            ->and(fn () => ZoneMap::unpack('no map'))->toThrow(UnexpectedValueException::class)
            ->and(fn () => ZoneMap::unpack(substr($map->pack(), 0, -3)))->toThrow(UnexpectedValueException::class)
            ->and(fn () => ZoneMap::of(2, 2, 'abc'))->toThrow(InvalidArgumentException::class);
    });

    it('merges, renumbers, and knows a number that is free', function (): void {
        $map = mapped('aabb', 'aacc');
        expect(letters($map->merged(1, 3)))->toBe(['aabb', 'aaaa'])->and($map->areas())->toBe([1 => 4, 2 => 2, 3 => 2])
            ->and($map->free())->toBe(4)->and($map->merged(1, 2)->free())->toBe(2)
            ->and(ZoneMap::none(3, 2)->isEmpty())->toBeTrue()->and($map->isEmpty())->toBeFalse();
    });

    it('tells which zone is where', function (): void {
        $map = mapped('aabb', 'aacc');
        expect($map->at(0.1, 0.1))->toBe(1)->and($map->at(0.9, 0.2))->toBe(2)->and($map->at(1.0, 1.0))->toBe(3)->and($map->at(-3.0, 9.0))->toBe(1);
    });

    it('is lassoed: into a zone, out of one only, or to none', function (): void {
        $map = mapped('aabb', 'aabb', 'aabb', 'aabb');
        $middle = [[0.25, 0.25], [0.75, 0.25], [0.75, 0.75], [0.25, 0.75]];
        expect(letters($map->lassoed($middle, 3)))->toBe(['aabb', 'accb', 'accb', 'aabb'])
            ->and(letters($map->lassoed($middle, 3, 1)))->toBe(['aabb', 'acbb', 'acbb', 'aabb'])
            ->and(letters($map->lassoed($middle, 0)))->toBe(['aabb', 'a..b', 'a..b', 'aabb'])
            // A line that crosses itself: what is inside twice is outside.
            ->and($map->lassoed([[0.0, 0.0], [1.0, 1.0], [1.0, 0.0], [0.0, 1.0]], 3)->areas()[3] ?? 0)->toBeLessThan(16);
    });

    it('keeps a rectangle of itself, in place or cut out, in step with a field', function (): void {
        $map = mapped('aabb', 'aabb', 'ccdd', 'ccdd');
        expect(letters($map->within(0.25, 0.25, 0.5, 0.5)))->toBe(['....', '.ab.', '.cd.', '....'])
            ->and(letters($map->cutOut(0.25, 0.25, 0.5, 0.5)))->toBe(['ab', 'cd']);
        $field = Field::ofPlanes(4, 4, array_map(floatval(...), range(0, 15)), array_fill(0, 16, 0.0), array_fill(0, 16, 0.0));
        expect($field->within(0.25, 0.25, 0.5, 0.5)->L)->toBe([5.0, 6.0, 9.0, 10.0])
            ->and($field->within(0.99, 0.99, 0.5, 0.5)->count())->toBe(1);
    });

    it('measures borders both ways, leaving out what is no zone', function (): void {
        $touching = mapped('aab', 'aab', '.cc')->touching();
        expect($touching[1][2])->toBe(2)->and($touching[2][1])->toBe(2)->and($touching[1][3])->toBe(1)->and($touching[2][3])->toBe(1)->and(isset($touching[0]))->toBeFalse();
    });

    it('knows how deep in its zone each pixel lies', function (): void {
        $depths = mapped('aaaaa', 'aaaaa', 'aaaaa', 'aaaaa', 'aaaaa')->depths();
        expect($depths[0])->toBe(1.0)->and($depths[12])->toBeGreaterThan(2.5)->and($depths[12])->toBe(max($depths));
    });

    it('shares pixels with another map', function (): void {
        expect(mapped('aabb', 'aabb')->overlap(mapped('ccdd', 'cddd')))->toEqual([1 => [3 => 3, 4 => 1], 2 => [4 => 4]]);
    });

    it('is enlarged without new zones', function (): void {
        expect(letters(mapped('ab', 'cd')->scaled(4, 4)))->toBe(['aabb', 'aabb', 'ccdd', 'ccdd'])->and(letters(mapped('aabb', 'aabb', 'ccdd', 'ccdd')->scaled(2, 2)))->toBe(['ab', 'cd']);
    });
});

describe('tidying', function (): void {
    it('gives a dissolved zone to whom it touches, and to nobody where it touches none', function (): void {
        expect(letters(Tidying::dissolved(mapped('accb', 'accb'), 3)))->toBe(['aabb', 'aabb'])
            ->and(letters(Tidying::dissolved(mapped('aa', 'aa'), 1)))->toBe(['..', '..']);
    });

    it('takes crumbs away, but not a zone that is all crumb', function (): void {
        $map = mapped('aaaab', 'aaaaa', 'abaaa', 'aaaaa');
        expect(letters(Tidying::withoutCrumbs($map, 3)))->toBe(['aaaab', 'aaaaa', 'aaaaa', 'aaaaa'])
            ->and(letters(Tidying::withoutCrumbs($map, 3, 1)))->toBe(letters($map));
    });

    it('straightens a ragged border and leaves a straight one', function (): void {
        $ragged = array_map(static fn (int $row): string => $row % 5 === 2 ? 'aaaaaaabbb' : 'aaaaabbbbb', range(0, 14));
        $edges = static fn (ZoneMap $map): int => $map->touching()[1][2];
        expect($edges(Tidying::smoothed(mapped(...$ragged))))->toBeLessThan($edges(mapped(...$ragged)))
            ->and(letters(Tidying::smoothed(mapped(...array_fill(0, 10, 'aaaaabbbbb')))))->toBe(array_fill(0, 10, 'aaaaabbbbb'));
    });
});

describe('outlines', function (): void {
    it('hold the area of their zone, holes left out', function (): void {
        $rows = array_fill(0, 24, str_repeat('a', 24));
        for ($y = 8; $y < 16; $y++) {
            $rows[$y] = str_repeat('a', 8).str_repeat('b', 8).str_repeat('a', 8);
        }
        $map = mapped(...$rows);
        $outlines = Outlines::of($map);
        expect($outlines->rings(1))->toHaveCount(2)->and($outlines->rings(2))->toHaveCount(1)
            ->and(areaOf($outlines->rings(2), $map))->toEqualWithDelta(64.0, 1e-6)
            ->and(areaOf($outlines->rings(1), $map))->toEqualWithDelta(512.0, 1e-6);
    });

    it('share each border, so that neighbours leave no gap', function (): void {
        $map = mapped(...array_map(static fn (int $y): string => str_repeat('a', 3 + intdiv($y, 2)).str_repeat('b', 17 - intdiv($y, 2)), range(0, 19)));
        $outlines = Outlines::of($map);
        $between = array_values(array_filter($outlines->arcs, static fn (array $arc): bool => min($arc['left'], $arc['right']) > 0));
        expect($between)->toHaveCount(1)
            // A slanted border is one straight line within a pixel.
            ->and(count($between[0]['points']))->toBeLessThan(6)
            ->and(areaOf($outlines->rings(1), $map) + areaOf($outlines->rings(2), $map))->toEqualWithDelta(400.0, 1e-6);
    });

    it('are written as paths in thousandths', function (): void {
        $outlines = Outlines::of(mapped('ab', 'ab'));
        expect($outlines->outline(1))->toStartWith('M')->toEndWith('Z')->toContain('500 0')->and($outlines->borders())->not->toContain('Z')->and($outlines->outline(7))->toBe('');
    });

    it('close for every zone of a wild map', function (): void {
        mt_srand(11);
        $rows = array_map(static fn (): string => implode('', array_map(static fn (): string => chr(97 + mt_rand(0, 3)), range(1, 12))), range(1, 12));
        $map = mapped(...$rows);
        $outlines = Outlines::of($map);
        foreach ($map->areas() as $zone => $pixels) {
            // Corner to corner, so small rings: simplification may cut a corner, never the whole.
            expect(abs(areaOf($outlines->rings($zone), $map) - $pixels))->toBeLessThan(0.5 * $pixels + 1);
        }
    });
});
