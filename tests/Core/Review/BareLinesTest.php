<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Reference\Image\Field;
use Prism\Reference\Image\Raster;
use Prism\Review\BareLines;
use Prism\Review\Corners;
use Prism\Review\DrawingFinder;
use Prism\Review\Outlines;
use Prism\Review\Review;
use Prism\Review\ReviewRefused;
use Standin\ChartPhoto;
use Tests\Core\Review\Scene;

require_once __DIR__.'/scene.php';

/** @param  ?Closure(float, float): int  $zoneAt */
function linesAt(float $L, ?Closure $zoneAt = null): ChartPhoto
{
    $zoneAt ??= Scene::zoneAt(...);

    return Scene::sheet(static function (int $zone, float $x, float $y) use ($L, $zoneAt): ?Lab {
        $at = $zoneAt($x, $y);

        return $zoneAt($x + 0.005, $y) !== $at || $zoneAt($x, $y + 0.0067) !== $at ? Lab::of($L, 0.0, 2.0) : null;
    }, 900);
}

function outlinesOfScene(): Field
{
    return BareLines::outlines(Scene::zones()[0], Scene::reference()->width, Scene::reference()->height);
}

it('finds a drawing of lines such as a whisper lays', function (): void {
    $sheet = linesAt(89.0);
    $found = DrawingFinder::findBegun(Raster::of(...$sheet->taken('lines', 0.06, -5.0)), Scene::reference(), null, outlinesOfScene(...), Scene::paper());
    $true = Corners::of($sheet->seenAt(Scene::corners(), 0.06, -5.0));
    expect($found->cornersInPicture()->distanceTo($true) / $true->longEdge())->toBeLessThan(0.012)->and($found->isSure)->toBeTrue();
});

it('refuses lines of another drawing, and a sheet on which nothing lies', function (ChartPhoto $sheet): void {
    DrawingFinder::findLines(Raster::of(...$sheet->taken('other', 0.06, 3.0)), outlinesOfScene(), Scene::paper());
})->with([
    'another' => [fn () => linesAt(60.0, static fn (float $x, float $y): int => (int) floor(3.0 * $x + 0.4 * sin(7.0 * $y)) + 10 * (int) floor(2.5 * $y + 0.3 * cos(5.0 * $x)))],
    'nothing' => [fn () => Scene::sheet(static fn (): ?Lab => null, 900)],
])->throws(ReviewRefused::class, 'Nothing in this picture');

it('says of firm lines that are where they should be, found by themselves, that they are; and no zone is begun', function (): void {
    $sheet = linesAt(55.0);
    $found = DrawingFinder::findLines(Raster::of(...$sheet->taken('lines', 0.1, 4.0)), outlinesOfScene(), Scene::paper());
    [$map, $zones] = Scene::zones();
    $off = Outlines::of($found, Scene::reference(), $map, $zones, Scene::MM);
    expect(Review::of($found, Scene::reference(), $map, $zones, Scene::paper())->isBare())->toBeTrue()
        ->and($off)->toBe([])->and(Outlines::together($off))->toContain('lie where the reference has them');
});
