<?php

declare(strict_types=1);

use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Planning\Order\Passed;
use Prism\Planning\Order\PlannedZone;
use Prism\Planning\PictureTarget;
use Prism\Reference\Zones\TargetRole;
use Prism\Review\LoggedPart;
use Prism\Review\NextLayers;
use Prism\Review\PartReview;
use Prism\Review\TurnsLeft;
use Prism\Review\ZoneHand;

use function Tests\Core\model;
use function Tests\Core\pencils;
use function Tests\Core\seen;

/** A recipe that is ticked altogether. */
function ticked(string $recipe): Passed
{
    return Passed::laid(new PlannedZone('t', 'z', 'float', seen($recipe), Stack::parse($recipe), own: true), Stack::parse($recipe), Stack::parse($recipe));
}

/** @return array{LoggedPart, Predictor} that was laid at a share of the pressure */
function laidAt(string $recipe, float $share): array
{
    $predictor = new Predictor(model());
    $seen = $predictor->predict(Stack::parse($recipe)->pressing($share))->colour;

    return [LoggedPart::of(PartReview::of('t', TargetRole::Middle, $seen, seen($recipe), model()->bare()->lab(), 500, seen($recipe)), ticked($recipe), $predictor), $predictor];
}

const FIRM = 'QW:2794@50x4 > QW:7432@55x3';
const OTHER = 'QW:7432@55x4';
/** So little lies there that nobody sees how hard it was pressed. */
const FAINT = 'QW:1823@20';
const LINE = 'QW:2794@60x5';

it('tells how lightly a zone was laid by all that is seen of it', function (): void {
    expect(ZoneHand::lightly([laidAt(FIRM, 0.55), laidAt(OTHER, 0.55)]))->toEqualWithDelta(0.55, 0.12)
        ->and(ZoneHand::lightly([laidAt(FIRM, 0.55), laidAt(FAINT, 0.55)]))->toEqualWithDelta(0.55, 0.12);
});

it('tells nothing of a zone that was not laid lightly, or not all of it', function (): void {
    expect(ZoneHand::lightly([]))->toBeNull()
        ->and(ZoneHand::lightly([laidAt(FIRM, 1.0), laidAt(OTHER, 1.0)]))->toBeNull()
        ->and(ZoneHand::lightly([laidAt(FIRM, 1.5), laidAt(OTHER, 1.5)]))->toBeNull()
        ->and(ZoneHand::lightly([laidAt(FIRM, 0.55), laidAt(OTHER, 1.0)]))->toBeNull();
});

it('remembers how lightly a zone was laid where it was gone over since', function (): void {
    expect(ZoneHand::lightly([laidAt(FIRM, 1.0)], ['t' => 0.55]))->toBe(0.55)
        ->and(ZoneHand::lightly([laidAt(FIRM, 1.0)], ['t' => 1.4]))->toBeNull()
        ->and(ZoneHand::lightly([laidAt(FIRM, 1.0)], ['another' => 0.55]))->toBeNull();
});

it('tells of lines that nobody saw until they were gone over, and not again then', function (): void {
    $predictor = new Predictor(model());
    $line = new PictureTarget('line', TargetRole::Line, seen(LINE), seen(LINE), 0.02);
    $unseen = static fn (array $parts, array $before): array => ZoneHand::unseen([$line], $parts, static fn (string $target): array => [ticked(LINE), $predictor], $before);
    $told = $unseen([laidAt(FIRM, 0.55)], []);
    expect($told)->toHaveCount(1)->and($told[0]->isSeen())->toBeFalse()->and($told[0]->part->target)->toBe('line')
        // All else of the zone was gone over in the meantime.
        ->and($unseen([laidAt(FIRM, 1.0)], ['t' => 0.55]))->toHaveCount(1)
        ->and($unseen([laidAt(FIRM, 0.55)], ['line' => null]))->toBe([])
        ->and($unseen([laidAt(FIRM, 1.0)], []))->toBe([])
        ->and(ZoneHand::unseen([$line], [laidAt(FIRM, 0.55)], static fn (string $target): null => null))->toBe([]);
});

it('has lines go over again that were laid as lightly as the rest of their zone, says that nobody saw them, and leaves them where they were not', function (): void {
    $predictor = new Predictor(model());
    $search = new Search($predictor, pencils(), PairLibrary::build(model(), pencils()->ids()));
    $next = static function (float $share) use ($predictor, $search): ?NextLayers {
        $line = new PictureTarget('line', TargetRole::Line, seen(LINE), seen(LINE), 0.02);

        return NextLayers::of(LoggedPart::unseen($line, ticked(LINE), $predictor, $share), Target::colour(seen(LINE)), $predictor, $search, new Limits(maxLayers: 3), pencils()->only(Stack::parse(LINE)->pencils()), new TurnsLeft(3));
    };
    $light = $next(0.55);
    expect($light)->toBeInstanceOf(NextLayers::class)->and($light?->sentence())->toContain('Too narrow to be judged in the photo. If it was laid as lightly as the rest of its zone');
    $laid = Stack::of(...Stack::parse(LINE)->pressing(0.55)->steps, ...$light->steps->steps ?? []);
    expect($predictor->predict($laid)->colour->differenceTo(seen(LINE)))->toBeLessThan(0.4 * seen(LINE)->differenceTo($predictor->predict(Stack::parse(LINE)->pressing(0.55))->colour));
    expect($next(0.97))->toBeNull();
});
