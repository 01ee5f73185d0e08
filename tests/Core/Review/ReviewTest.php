<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Maths\FloodFill;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
use Prism\Reference\Image\Field;
use Prism\Reference\Image\Raster;
use Prism\Reference\Light\ZoneLight;
use Prism\Reference\Zones\Distance;
use Prism\Reference\Zones\TargetRole;
use Prism\Reference\Zones\ZoneMap;
use Prism\Review\Corners;
use Prism\Review\DrawingFinder;
use Prism\Review\ExpectedPicture;
use Prism\Review\LinearPicture;
use Prism\Review\Outlines;
use Prism\Review\PaperLight;
use Prism\Review\PartReview;
use Prism\Review\PartState;
use Prism\Review\Review;
use Prism\Review\ReviewRefused;
use Prism\Review\ZoneReview;
use Prism\Schools\Surface;
use Standin\ChartPhoto;
use Tests\Core\Review\Scene;

require_once __DIR__.'/scene.php';

$asItIs = static fn (int $zone): Lab => Scene::colour($zone);

/** By how much the farthest corner is off, share of the long edge. */
function offBy(ChartPhoto $sheet, Corners $found, float $slant, float $turn): float
{
    $true = Corners::of($sheet->seenAt(Scene::corners(), $slant, $turn));

    return $found->distanceTo($true) / $true->longEdge();
}

it('finds a drawing that was taken askew in warm light from one side', function (float $slant, float $turn, float $falloff) use ($asItIs): void {
    $sheet = Scene::sheet($asItIs);
    $found = DrawingFinder::find(Raster::of(...$sheet->taken('a', $slant, $turn, $falloff)), Scene::reference(), Scene::paper());
    expect(offBy($sheet, $found->cornersInPicture(), $slant, $turn))->toBeLessThan(0.006)
        ->and($found->isSure)->toBeTrue()->and($found->cast())->toBe('warm')->and($found->unevenness())->toBeGreaterThan(1.1);
})->with(['slanted' => [0.16, -3.0, 0.35], 'turned' => [0.08, 9.0, 0.5]]);

it('finds a drawing of which only some zones are drawn', function (array $done): void {
    $sheet = Scene::sheet(static fn (int $zone): ?Lab => in_array($zone, $done, true) ? Scene::colour($zone) : null);
    $found = DrawingFinder::find(Raster::of(...$sheet->taken('b')), Scene::reference(), Scene::paper());
    expect(offBy($sheet, $found->cornersInPicture(), 0.1, 4.0))->toBeLessThan(0.012);
})->with(['the things, no ground' => [[3, 4, 5, 6, 7, 8]], 'the left ones and the table' => [[2, 3, 6]]]);

it('lays a begun drawing that it is sure of more closely by what its log says is there', function (): void {
    $sheet = Scene::sheet(static fn (int $zone): ?Lab => in_array($zone, [1, 3], true) ? Scene::colour($zone) : null);
    $picture = Raster::of(...$sheet->taken('b'));
    [$map, $zones] = Scene::zones();
    $expected = array_combine(array_map(static fn (int $zone): string => "$zone-1", [1, 3]), array_map(Scene::colour(...), [1, 3]));
    $looks = static fn (): Field => ExpectedPicture::of(Scene::reference(), $map, $zones, $expected, Scene::paper());
    $found = DrawingFinder::findBegun($picture, Scene::reference(), $looks, Scene::reference(...), Scene::paper());
    $alone = DrawingFinder::find($picture, Scene::reference(), Scene::paper());
    expect(offBy($sheet, $found->cornersInPicture(), 0.1, 4.0))->toBeLessThan(0.003)->toBeLessThan(offBy($sheet, $alone->cornersInPicture(), 0.1, 4.0));
});

it('turns a picture that was taken upside down', function () use ($asItIs): void {
    $sheet = Scene::sheet($asItIs);
    [$width, $height, $bytes] = $sheet->taken('c');
    $found = DrawingFinder::find(Raster::of($width, $height, implode('', array_reverse(str_split($bytes, 3)))), Scene::reference(), Scene::paper());
    $true = array_map(static fn (array $point): array => [$width - $point[0], $height - $point[1]], $sheet->seenAt(Scene::corners()));
    expect($found->cornersInPicture()->distanceTo(Corners::of($true)) / Corners::of($true)->longEdge())->toBeLessThan(0.006);
});

it('tells zones that are too dark or too light by how much, in words and on a map, and leaves the others', function (): void {
    $by = [1 => 0.0, 2 => 9.0, 3 => -10.0, 4 => 0.0, 5 => 0.0, 6 => 0.0, 7 => 8.0, 8 => 0.0];
    $reference = Scene::reference();
    $picture = Raster::of(...Scene::sheet(static fn (int $zone): Lab => Scene::colour($zone)->withLightness(Scene::colour($zone)->L + $by[$zone]))->taken('d'));
    $review = Review::of(DrawingFinder::find($picture, $reference, Scene::paper()), $reference, ...[...Scene::zones(), Scene::paper()]);
    $zones = array_column($review->zones, null, 'id');
    foreach ($by as $zone => $dL) {
        expect(abs($zones[(string) $zone]->difference->dL - $dL))->toBeLessThan(0.5)
            ->and($zones[(string) $zone]->state)->toBe($dL === 0.0 ? PartState::Near : PartState::Off);
    }
    expect($zones['3']->words())->toContain('too dark')->and($zones['2']->words())->toContain('too light')->and($zones['1']->words())->toBe('leave it: the eye sees no difference')->and($zones['1']->words(true))->toBe('near; a part of it can come nearer');
    $map = $review->map();
    $at = static fn (float $x, float $y): int => ord($map[(int) ($y * $reference->height) * $reference->width + (int) ($x * $reference->width)]);
    expect(strlen($map))->toBe($reference->count())
        ->and(abs($at(0.26, 0.5) - 108))->toBeLessThanOrEqual(4)
        ->and(abs($at(0.4, 0.2) - 128))->toBeLessThanOrEqual(4);
});

it('does not judge a colour so narrow that its neighbours show in its place, and says so; and judges it where it is wider', function (int $rows, bool $judged): void {
    [$map, $zones] = Scene::zones();
    $narrow = static fn (float $x, float $y): bool => abs($x - 0.25) < 0.15 && $y > 0.1 && $y < 0.1 + $rows / Scene::HEIGHT;
    $labels = $map->labels;
    for ($at = 0; $at < Scene::WIDTH * Scene::HEIGHT; $at++) {
        $labels[$at] = $narrow(($at % Scene::WIDTH + 0.5) / Scene::WIDTH, (intdiv($at, Scene::WIDTH) + 0.5) / Scene::HEIGHT) ? chr(9) : $labels[$at];
    }
    $dark = Lab::of(30, 4, 8);
    $zones[] = new PictureZone('9', 'zone 9', 9, 0.3 * $rows / Scene::HEIGHT, 2, Surface::Smooth, ZoneLight::Lit, Distance::Between, true, null, [], [new PictureTarget('9-1', TargetRole::Middle, $dark, $dark, 1.0)]);
    $expected = ['9-1' => $dark];
    foreach (range(1, 8) as $zone) {
        $expected["$zone-1"] = Scene::colour($zone);
    }
    $picture = Raster::of(...Scene::sheet(static fn (int $zone, float $x, float $y): Lab => $narrow($x, $y) ? $dark : Scene::colour($zone))->taken('d'));
    $review = Review::of(DrawingFinder::find($picture, Scene::reference(), Scene::paper()), Scene::reference(), ZoneMap::of(Scene::WIDTH, Scene::HEIGHT, $labels), $zones, Scene::paper(), $expected);
    expect(array_column($review->zones, 'id'))->toEqualCanonicalizing(array_map(strval(...), range(1, $judged ? 9 : 8)))
        ->and($review->unjudgedWords())->toBe($judged ? null : 'Too small in the photo to be judged, look at the drawing itself: zone 9.');
})->with(['two thirds of a millimetre' => [2, false], 'six millimetres' => [16, true]]);

it('tells what is not begun, what is begun, and colour on paper that was to stay', function (): void {
    $paper = Scene::paper();
    expect(PartState::of($paper, Lab::of(40, 10, 10), $paper))->toBe(PartState::Bare)
        ->and(PartState::of(Lab::of(70, 4, 5), Lab::of(40, 10, 10), $paper))->toBe(PartState::Begun)
        ->and(PartState::of(Lab::of(41, 9, 10), Lab::of(40, 10, 10), $paper))->toBe(PartState::Near)
        ->and(PartState::of(Lab::of(30, 10, 10), Lab::of(40, 10, 10), $paper))->toBe(PartState::Off)
        ->and(PartState::of(Lab::of(84, 2, 4), Lab::of(95, -0.6, 1.6), $paper))->toBe(PartState::Spoiled);
});

it('says of a zone what is true of a good part of it', function (array $parts, PartState $state, string $words): void {
    $paper = Scene::paper();
    $wanted = ['light' => Lab::of(70, 5, 5), 'middle' => Lab::of(55, 8, 8), 'dark' => Lab::of(35, 8, 8)];
    $of = [];
    foreach ($parts as $role => [$pixels, $L]) {
        $of[] = PartReview::of($role, TargetRole::from($role), $L === null ? $paper : $wanted[$role]->withLightness($wanted[$role]->L + $L), $wanted[$role], $paper, $pixels);
    }
    $zone = ZoneReview::of('z', 'float', [0.5, 0.5], $of, $paper, 1.0);
    expect($zone->state)->toBe($state)->and($zone->words())->toBe($words);
})->with([
    'all as it should be' => [['light' => [500, 1], 'middle' => [300, -1], 'dark' => [200, 1]], PartState::Near, 'leave it: the eye sees no difference'],
    'nothing yet' => [['light' => [500, null], 'middle' => [300, null], 'dark' => [200, null]], PartState::Bare, 'not begun'],
    'its dark not begun' => [['light' => [500, 0], 'middle' => [200, 0], 'dark' => [300, null]], PartState::Begun, 'begun; still one and a half steps too light; its dark part is not begun'],
    'too dark' => [['light' => [500, -8], 'middle' => [300, -8], 'dark' => [200, -8]], PartState::Off, 'half a step too dark'],
]);

it('puts the part of a zone first that does most harm, by how far it is off and over how much', function (): void {
    $paper = Scene::paper();
    $wanted = Lab::of(55, 8, 8);
    $part = static fn (string $id, int $pixels, float $L): PartReview => PartReview::of($id, TargetRole::Middle, $wanted->withLightness(55.0 + $L), $wanted, $paper, $pixels);
    $zone = ZoneReview::of('z', 'float', [0.5, 0.5], [$part('large', 900, 1.0), $part('far', 100, 30.0), $part('small', 120, 2.0)], $paper, 1.0);
    expect(array_column($zone->worstFirst(), 'target'))->toBe(['far', 'large', 'small']);
});

it('sees through a view what it sees at each place', function (): void {
    $rgb = '';
    for ($i = 0; $i < 40 * 30; $i++) {
        $rgb .= chr($i * 7 % 256).chr($i * 13 % 256).chr($i * 29 % 256);
    }
    $picture = LinearPicture::of(Raster::of(40, 30, $rgb));
    // A frame that is askew, and goes on beyond the picture on each side.
    $view = Corners::of([[-3.0, 2.0], [41.0, -2.0], [38.0, 33.0], [2.0, 28.0]])->view(24.0, 18.0);
    [$red, $green, $blue] = $picture->through($view, 24, 18);
    expect($red)->toHaveCount(24 * 18);
    for ($i = 0; $i < 24 * 18; $i++) {
        $at = $picture->at(...$view->map($i % 24 + 0.5, intdiv($i, 24) + 0.5));
        expect(max(abs($red[$i] - $at[0]), abs($green[$i] - $at[1]), abs($blue[$i] - $at[2])))->toBeLessThan(1e-12);
    }
});

it('tells which zones that touch have run together, and which should be the darker', function (): void {
    // The box is drawn as dark as its lid; the handle as light as the mug, but in another colour.
    $sheet = Scene::sheet(static fn (int $zone): Lab => match ($zone) {
        7 => Lab::of(24.5, -3.0, -9.0),
        5 => Scene::colour(5)->withLightness(Scene::colour(4)->L),
        default => Scene::colour($zone),
    });
    $corners = Corners::of($sheet->seenAt(Scene::corners(), 0.05, 2.0));
    [$map, $zones] = Scene::zones();
    $touching = array_map(static fn (PictureZone $zone): PictureZone => new PictureZone($zone->id, $zone->name, $zone->label, $zone->share, $zone->importance, $zone->surface, $zone->light, $zone->distance, $zone->crisp, null, match ($zone->label) {
        7 => [8], 8 => [7], 4 => [5], 5 => [4], default => []
    }, $zone->targets), $zones);
    $review = Review::of(DrawingFinder::find(Raster::of(...$sheet->taken('merged', 0.05, 2.0)), Scene::reference(), Scene::paper(), $corners), Scene::reference(), $map, $touching, Scene::paper());
    expect($review->merged($touching))->toBe(['zone 7 and zone 8 run together; zone 8 should be the darker.']);
});

it('goes by corners that are given', function () use ($asItIs): void {
    $sheet = Scene::sheet($asItIs);
    $given = Corners::of($sheet->seenAt(Scene::corners()));
    $found = DrawingFinder::find(Raster::of(...$sheet->taken('f')), Scene::reference(), Scene::paper(), $given);
    expect($found->cornersInPicture()->distanceTo($given))->toBeLessThan(0.01);
});

it('refuses corners that lie round nothing', function (array $points): void {
    Corners::of($points);
})->with(['crossed' => [[[0.0, 0.0], [10.0, 10.0], [10.0, 0.0], [0.0, 10.0]]], 'on a line' => [[[0.0, 0.0], [10.0, 0.0], [20.0, 0.0], [30.0, 0.0]]], 'three' => [[[0.0, 0.0], [10.0, 0.0], [10.0, 10.0]]]])->throws(ReviewRefused::class, 'corners');

it('refuses another picture, and one in the dark, in words', function (): void {
    $other = Scene::sheet(static fn (int $zone, float $x, float $y): Lab => Lab::of(35 + 40 * (((int) (7 * $x) + (int) (5 * $y)) % 2), 20 * sin(9 * $y), 20 * cos(7 * $x)));
    $dark = Raster::of(300, 200, str_repeat("\x12\x10\x0e", 300 * 200));
    expect(static fn () => DrawingFinder::find(Raster::of(...$other->taken('g')), Scene::reference(), Scene::paper()))->toThrow(ReviewRefused::class, 'Nothing in this picture')
        ->and(static fn () => DrawingFinder::find($dark, Scene::reference(), Scene::paper()))->toThrow(ReviewRefused::class, 'too dark');
});

it('refuses a drawing that is cut off, and says where', function (float $share, string $words) use ($asItIs): void {
    [$width, $height, $bytes] = Scene::sheet($asItIs)->taken('h', 0.02, 1.0);
    // A part of the drawing goes with the left of the picture.
    $cut = (int) ($width * $share);
    $rest = implode('', array_map(static fn (string $row): string => substr($row, 3 * $cut), str_split($bytes, 3 * $width)));
    expect(static fn () => DrawingFinder::find(Raster::of($width - $cut, $height, $rest), Scene::reference(), Scene::paper()))->toThrow(ReviewRefused::class, $words);
})->with(['a seventh' => [1.0 / 7.0, 'cut off at the left edge'], 'nearly half' => [0.45, 'goes on beyond the left edge']]);

it('says that more than one sheet lies in a picture where it finds no drawing on the largest', function (?float $L): void {
    [$width, $height, $drawn] = Scene::sheet(static fn (int $zone): Lab => $L === null ? Scene::colour($zone) : Scene::colour($zone)->withLightness($L), 400)->taken('two', 0.02, 1.0);
    [, , $blank] = Scene::sheet(static fn (): ?Lab => null, 400)->taken('two', 0.02, 1.0);
    $both = implode('', array_map(static fn (string $one, string $other): string => $one.$other, str_split($blank, 3 * $width), str_split($drawn, 3 * $width)));
    DrawingFinder::find(Raster::of(2 * $width, $height, $both), Scene::reference(), Scene::paper());
})->with(['the other light' => [null], 'the other drawn on darkly, but for its margin' => [18.0]])->throws(ReviewRefused::class, 'More than one sheet');

it('says that a picture is blurred, and that a part of it glares', function () use ($asItIs): void {
    $sharp = Scene::sheet($asItIs)->taken('sharp', 0.05, 3.0);
    $corners = Corners::of(Scene::sheet($asItIs)->seenAt(Scene::corners(), 0.05, 3.0));
    $find = static fn (array $picture): array => DrawingFinder::find(Raster::of(...$picture), Scene::reference(), Scene::paper(), $corners)->warnings();
    expect($find($sharp))->toBe([])
        ->and($find([$sharp[0], $sharp[1], Scene::blurred(...$sharp)]))->toHaveCount(1)->{0}->toContain('blurred');
    [$width, $height, $bytes] = $sharp;
    for ($y = (int) (0.5 * $height); $y < 0.62 * $height; $y++) {
        $bytes = substr_replace($bytes, str_repeat("\xff", 3 * (int) (0.12 * $width)), 3 * ($y * $width + (int) (0.5 * $width)), 3 * (int) (0.12 * $width));
    }
    expect($find([$width, $height, $bytes]))->toHaveCount(1)->{0}->toContain('glares');
});

it('says that toned paper was taken for white, and takes what is lighter than known toned paper for no glare', function () use ($asItIs): void {
    $toned = Lab::of(62.0, 1.0, 8.0);
    $sheet = Scene::sheet($asItIs, paper: $toned);
    $picture = Raster::of(...$sheet->taken('toned', 0.05, 3.0));
    $corners = Corners::of($sheet->seenAt(Scene::corners(), 0.05, 3.0));
    expect(DrawingFinder::find($picture, Scene::reference(), Scene::paper(), $corners)->warnings())->toHaveCount(1)->{0}->toContain('toned paper')
        ->and(DrawingFinder::find($picture, Scene::reference(), $toned, $corners)->warnings())->toBe([]);
});

it('finds a drawing that is begun in other colours than it will have by what its log says is there', function (): void {
    // A first layer in the complement of each colour: nothing of the reference yet.
    $begun = static fn (int $zone): ?Lab => in_array($zone, [2, 3, 4, 7], true) ? Lab::of(88.0 - 0.25 * Scene::colour($zone)->L, -1.2 * Scene::colour($zone)->a, -1.2 * Scene::colour($zone)->b) : null;
    $sheet = Scene::sheet($begun);
    $picture = Raster::of(...$sheet->taken('begun', 0.06, 3.0));
    [$map, $zones] = Scene::zones();
    $expected = [];
    foreach (range(1, 8) as $zone) {
        $expected["$zone-1"] = $begun($zone) ?? Scene::paper();
    }
    $found = DrawingFinder::findBegun($picture, Scene::reference(), static fn () => ExpectedPicture::of(Scene::reference(), $map, $zones, $expected, Scene::paper()), Scene::reference(...), Scene::paper());
    expect(offBy($sheet, $found->cornersInPicture(), 0.06, 3.0))->toBeLessThan(0.012);
});

it('tells whose outlines lie elsewhere, by how many millimetres and which way, in colour or in lines alone', function (bool $inLines): void {
    // The round float lies three hundredths of the width to the right: 4.5 mm of 150.
    $zoneAt = static function (float $x, float $y): int {
        $there = Scene::zoneAt($x, $y);

        return Scene::zoneAt($x - 0.03, $y) === 3 ? 3 : ($there === 3 ? ($y > 0.6 + 0.03 * $x ? 2 : 1) : $there);
    };
    $drawn = static function (int $zone, float $x, float $y) use ($zoneAt, $inLines): ?Lab {
        $at = $zoneAt($x, $y);
        if (! $inLines) {
            return Scene::colour($at);
        }
        $isLine = $zoneAt($x + 0.006, $y) !== $at || $zoneAt($x, $y + 0.008) !== $at;

        return $isLine ? Lab::of(55.0, 0.0, 2.0) : null;
    };
    $sheet = Scene::sheet($drawn);
    $corners = Corners::of($sheet->seenAt(Scene::corners(), 0.05, 2.0));
    $found = DrawingFinder::find(Raster::of(...$sheet->taken('outlines', 0.05, 2.0)), Scene::reference(), Scene::paper(), $corners);
    $off = Outlines::of($found, Scene::reference(), ...[...Scene::zones(), Scene::MM]);
    expect($off)->not->toBe([])->and($off[0]->zone)->toBe('3')->and($off[0]->across)->toBeBetween(3.5, 5.5)->and(abs($off[0]->down))->toBeLessThan(1.0)
        ->and($off[0]->sentence())->toMatch('/^zone 3: its outline lies [45] mm too far right\.$/');
    $true = Scene::sheet(static fn (int $zone): Lab => Scene::colour($zone));
    $right = DrawingFinder::find(Raster::of(...$true->taken('outlines', 0.05, 2.0)), Scene::reference(), Scene::paper(), Corners::of($true->seenAt(Scene::corners(), 0.05, 2.0)));
    expect(Outlines::of($right, Scene::reference(), ...[...Scene::zones(), Scene::MM]))->toBe([]);
})->with(['in colour' => [false], 'in lines' => [true]]);

it('takes the lamp off by bare paper, whatever dark marks lie between', function (): void {
    // A warm lamp that falls off to the right; every fifth place is drawn on.
    $bytes = '';
    for ($y = 0; $y < 120; $y++) {
        for ($x = 0; $x < 160; $x++) {
            $light = (1.0 - 0.4 * $x / 160) * (($x + 3 * $y) % 5 === 0 ? 0.3 : 0.8);
            foreach ([1.0, 0.9, 0.7] as $lamp) {
                $bytes .= chr(Prism\Colour\Srgb::encode($light * $lamp));
            }
        }
    }
    $picture = LinearPicture::of(Raster::of(160, 120, $bytes));
    $places = [];
    for ($i = 0; $i < 400; $i++) {
        $places[] = [4.5 + $i % 150, 3.5 + ($i * 7) % 110];
    }
    $light = PaperLight::of($picture, $places, Lab::of(95, 0, 0));
    foreach ([[11.5, 20.5], [81.5, 60.5], [151.5, 100.5]] as [$x, $y]) {
        $white = Prism\Colour\Srgb::linearToLab(...array_map(static fn (float $seen, float $gain): float => $seen * $gain, $picture->at($x, $y), $light->gains($x, $y)));
        expect(abs($white->L - 95.0))->toBeLessThan(1.5)->and(hypot($white->a, $white->b))->toBeLessThan(1.5);
    }
});

it('finds surfaces that hang together', function (): void {
    expect(array_map(count(...), FloodFill::regions(4, 3, "\1\1\0\1\0\0\0\1\1\0\0\0")))->toBe([2, 2, 1]);
});
