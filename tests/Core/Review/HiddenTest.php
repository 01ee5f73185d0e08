<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Maths\Separation;
use Prism\Reference\Image\Field;
use Prism\Reference\Image\Raster;
use Prism\Review\Corners;
use Prism\Review\DrawingFinder;
use Prism\Review\FoundDrawing;
use Prism\Review\LostEdges;
use Prism\Review\PartState;
use Prism\Review\Review;
use Tests\Core\Review\Scene;

require_once __DIR__.'/scene.php';

/** @param  array{int, int, string}  $picture */
function seenIn(array $picture, Corners $corners): FoundDrawing
{
    return DrawingFinder::find(Raster::of(...$picture), Scene::reference(), Scene::paper(), $corners);
}

it('marks what lies in a shadow with an edge, and judges the zones beside it as if there were none', function (): void {
    $sheet = Scene::sheet(static fn (int $zone): Lab => Scene::colour($zone));
    $corners = Corners::of($sheet->seenAt(Scene::corners(), 0.05, 3.0));
    $picture = $sheet->taken('shadow', 0.05, 3.0, shadow: true);
    [$map, $zones] = Scene::zones();
    $review = Review::of($found = seenIn($picture, $corners), Scene::reference(), $map, $zones, Scene::paper());
    expect(implode(' ', $found->warnings()))->toContain('shadow with an edge');

    // The shadow lies where u + 0.8 v goes beyond 0.95 of the width.
    $view = $found->cornersInPicture()->view(1.0, 1.0);
    $wrong = $hidden = 0;
    [$width, $height] = [$review->reference->width, $review->reference->height];
    for ($at = 0; $at < $width * $height; $at++) {
        [$u, $v] = $view->map(($at % $width + 0.5) / $width, (intdiv($at, $width) + 0.5) / $height);
        $isShaded = $u + 0.8 * $v > 0.95 * $picture[0];
        $hidden += $isShaded ? 1 : 0;
        $wrong += $isShaded !== $review->hidden->at($at) ? 1 : 0;
    }
    expect($hidden / ($width * $height))->toBeGreaterThan(0.1)->and($wrong / ($width * $height))->toBeLessThan(0.02);
    foreach ($review->zones as $zone) {
        expect($zone->state)->toBe(PartState::Near);
    }
    expect($review->meanError())->toBeLessThan(2.0);
});

it('marks a glare and what it runs over, and names a zone that is hidden by it', function (): void {
    $sheet = Scene::sheet(static fn (int $zone): Lab => Scene::colour($zone));
    $corners = Corners::of($sheet->seenAt(Scene::corners(), 0.0, 0.0));
    [$width, $height, $bytes] = $sheet->taken('glare', 0.0, 0.0);
    // Over the box, which is zone 7.
    $view = $corners->view(1.0, 1.0);
    [$left, $top] = $view->map(0.78, 0.45);
    [$right, $bottom] = $view->map(0.93, 0.68);
    for ($y = (int) $top; $y < $bottom; $y++) {
        $bytes = substr_replace($bytes, str_repeat("\xff", 3 * (int) ($right - $left)), 3 * ($y * $width + (int) $left), 3 * (int) ($right - $left));
    }
    [$map, $zones] = Scene::zones();
    $review = Review::of(seenIn([$width, $height, $bytes], $corners), Scene::reference(), $map, $zones, Scene::paper());
    expect($review->unjudgedWords())->toBe('Not judged for glare or shadow: zone 7.')
        ->and(array_column($review->zones, 'id'))->not->toContain('7')
        ->and($review->hidden->share())->toBeBetween(0.03, 0.07)
        ->and($review->meanError())->toBeLessThan(2.0);
});

it('parts two kinds of places by a line or a curve, and says so where they lie in among one another', function (): void {
    $places = static function (Closure $isOne): array {
        $all = [];
        for ($i = 0; $i < 400; $i++) {
            [$x, $y] = [-1.0 + 2.0 * ($i % 20) / 19.0, -1.0 + 2.0 * intdiv($i, 20) / 19.0];
            $all[] = [$x, $y, $isOne($x, $y, $i)];
        }

        return $all;
    };
    $line = Separation::of($places(static fn (float $x, float $y): bool => $x + 0.5 * $y > 0.4));
    $round = Separation::of($places(static fn (float $x, float $y): bool => hypot($x, $y) < 0.6));
    expect($line?->isOne(0.9, 0.0))->toBeTrue()->and($line?->isOne(0.2, 0.0))->toBeFalse()
        ->and($round?->isOne(0.1, 0.1))->toBeTrue()->and($round?->isOne(0.9, 0.1))->toBeFalse()
        ->and(Separation::of($places(static fn (float $x, float $y, int $i): bool => $i % 2 === 0)))->toBeNull()
        ->and(Separation::of($places(static fn (): bool => true)))->toBeNull();
});

it('tells which edges are lost, how wide, and no other; in even light nothing is hidden', function (): void {
    // The left of the mug runs out over five millimetres; everywhere else edges are those of the photo.
    $sheet = Scene::sheet(static function (int $zone, float $x, float $y): Lab {
        $away = abs($x - 0.5) * Scene::MM;
        if ($y <= 0.33 || $y >= 0.6 || $away > 5.0 || ($zone !== 1 && $zone !== 4)) {
            return Scene::colour($zone);
        }
        [$wall, $mug] = [Scene::colour(1), Scene::colour(4)];
        $share = ($x - 0.5) * Scene::MM / 10.0 + 0.5;
        $share = round(20.0 * $share) / 20.0;

        return Lab::of($wall->L + $share * ($mug->L - $wall->L), $wall->a + $share * ($mug->a - $wall->a), $wall->b + $share * ($mug->b - $wall->b));
    });
    $corners = Corners::of($sheet->seenAt(Scene::corners(), 0.05, 3.0));
    [$map, $zones] = Scene::zones();
    $review = static fn (array $picture): Review => Review::of(seenIn($picture, $corners), Scene::reference(), $map, $zones, Scene::paper());
    $lost = static fn (Review $of): array => array_map(static fn (LostEdges $edge): string => $edge->sentence(), LostEdges::of($of, $map, $zones, Scene::MM));
    $as = $review(Scene::sheet(static fn (int $zone): Lab => Scene::colour($zone))->taken('edges', 0.05, 3.0));
    expect($lost($as))->toBe([])->and($as->hidden->share())->toBe(0.0)->and($as->unjudgedWords())->toBeNull()
        ->and($lost($review($sheet->taken('edges', 0.05, 3.0))))->toHaveCount(1)->{0}->toMatch('/^Zone 1 and zone 4: the edge between them is lost in part; crisp in the photo, about [34] mm wide in the drawing\.$/');
});

it('takes no tape for paper where it is told of it: zones are seen as they are drawn, whatever the lamp', function (): void {
    $tape = Lab::of(82.0, 3.0, 22.0);
    $darker = static fn (int $zone): Lab => $zone === 2 ? Scene::colour(2)->withLightness(56.0) : Scene::colour($zone);
    $sheet = Scene::sheet($darker, paper: $tape);
    $corners = Corners::of($sheet->seenAt(Scene::corners(), 0.08, 4.0));
    $raster = Raster::of(...$sheet->taken('tape', 0.08, 4.0, 0.4));
    [$map, $zones] = Scene::zones();
    $seen = static fn (?Field $taped): array => array_column(Review::of(DrawingFinder::find($raster, Scene::reference(), Scene::paper(), $corners, $taped), Scene::reference(), $map, $zones, Scene::paper())->zones, null, 'id');
    [$told, $untold] = [$seen(Scene::reference()), $seen(null)];
    expect($untold['1']->state)->not->toBe(PartState::Near)
        ->and($told['1']->state)->toBe(PartState::Near)->and(abs($told['1']->difference->dL))->toBeLessThan(1.5)
        ->and($told['2']->state)->toBe(PartState::Off)->and(abs($told['2']->difference->dL - 12.0))->toBeLessThan(2.0)
        ->and(DrawingFinder::find($raster, Scene::reference(), Scene::paper(), $corners, Scene::reference())->warnings())->toHaveCount(1)->{0}->toContain('tape is no paper');
});
