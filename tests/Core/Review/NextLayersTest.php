<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Planning\Order\Passed;
use Prism\Planning\Order\PlannedZone;
use Prism\Planning\Order\Planner;
use Prism\Reference\Zones\TargetRole;
use Prism\Review\Course;
use Prism\Review\LoggedPart;
use Prism\Review\NextLayers;
use Prism\Review\PartReview;
use Prism\Review\PartState;
use Prism\Review\Resumption;
use Prism\Review\TurnsLeft;
use Prism\Review\ZoneLog;
use Standin\ErringHand;

use function Tests\Core\model;
use function Tests\Core\pencils;
use function Tests\Core\seen;

const LAID = 'QW:7432@35x2 > QW:2794@45x2 > QW:6858@40';

/** One colour of which the first steps are ticked, and what is seen there. */
function logged(int $ticked, Lab $seen, ?Lab $among = null, string $laid = LAID, int $pixels = 500, TargetRole $role = TargetRole::Middle): LoggedPart
{
    $predictor = new Predictor(model());
    $plan = (new Planner($predictor, pencils()))->plan([new PlannedZone('t', 'z', 'float', seen($laid), Stack::parse($laid), role: $role, own: true)]);
    $keys = array_map(static fn ($step): string => $step->key, array_slice($plan->steps, 0, $ticked));
    $passed = Passed::through($plan, array_fill_keys($keys, 'done'))['t'];
    $expected = $ticked === 0 ? model()->bare()->lab() : $predictor->predict($passed->present)->colour;

    return LoggedPart::of(PartReview::of('t', $role, $seen, seen($laid), model()->bare()->lab(), $pixels, $among ?? $expected), $passed, $predictor);
}

/** @param  list<string>  $inHand */
function nextLayers(LoggedPart $logged, int $turns = 3, string $laid = LAID, array $inHand = []): ?NextLayers
{
    static $search = null;
    $search ??= new Search(new Predictor(model()), pencils(), PairLibrary::build(model(), pencils()->ids()));

    return NextLayers::of($logged, Target::colour(seen($laid)), new Predictor(model()), $search, new Limits(maxLayers: 3), pencils()->only(Stack::parse($laid)->pencils()), new TurnsLeft($turns, $inHand));
}

it('tells how what is seen stands to what is ticked', function (int $ticked, Closure $seen, Course $course): void {
    expect(logged($ticked, $seen())->course)->toBe($course);
})->with([
    'nothing ticked, nothing there' => [0, fn () => model()->bare()->lab(), Course::Open],
    'nothing ticked, colour there' => [0, fn () => seen('QW:7432@60x2'), Course::Unticked],
    'as it should look' => [2, fn () => seen('QW:7432@35x2 > QW:2794@45x2'), Course::AsExpected],
    'a heavy hand' => [2, fn () => seen('QW:7432@60x2 > QW:2794@75x2'), Course::Heavier],
    'a light hand' => [2, fn () => seen('QW:7432@25 > QW:2794@30'), Course::Lighter],
    'ticked, and bare' => [2, fn () => model()->bare()->lab(), Course::Missing],
    'another pencil' => [1, fn () => Lab::of(seen('QW:7432@35x2')->L, 40.0, -30.0), Course::OtherColour],
]);

it('takes off what neighbours add to what is seen', function (): void {
    $pure = seen('QW:7432@35x2');
    // The neighbours make it ten darker to the eye: both what is seen and what was expected among them.
    $among = $pure->withLightness($pure->L - 10.0);
    $logged = logged(1, $among, $among);
    expect($logged->course)->toBe(Course::AsExpected)->and($logged->seen)->toEqual($pure);
});

it('stays within what a colour can be where what is seen is whiter than paper', function (): void {
    // On toned paper that is taken for white, what is pale comes out as light as light can be.
    $pure = seen('QW:7432@35x2');
    expect(logged(1, $pure->withLightness(99.5), $pure->withLightness($pure->L - 10.0))->seen->L)->toBe(100.0);
});

it('goes on by the plan where what lies there is as expected, and leaves what is right', function (): void {
    expect(nextLayers(logged(2, seen('QW:7432@35x2 > QW:2794@45x2'))))->toBeNull()
        ->and(nextLayers(logged(3, seen(LAID))))->toBeNull();
});

it('says nothing where it is not known what lies there', function (): void {
    expect(nextLayers(logged(0, seen('QW:7432@60x2'))))->toBeNull()->and(nextLayers(logged(2, model()->bare()->lab())))->toBeNull();
});

it('lays nothing by a few pixels that may be misread so far, and lays where they are farther off than that', function (): void {
    [$lighter, $light] = [seen('QW:7432@20 > QW:2794@25 > QW:6858@20'), seen('QW:7432@26x2 > QW:2794@34x2 > QW:6858@32')];
    expect($light->differenceTo(seen(LAID)))->toBeLessThan(7.0)->and($lighter->differenceTo(seen(LAID)))->toBeGreaterThan(9.0)
        ->and(nextLayers(logged(3, $light, pixels: 119)))->toBeNull()->and(nextLayers(logged(3, $light, pixels: 120)))->not->toBeNull()->and(nextLayers(logged(3, $lighter, pixels: 119)))->not->toBeNull()
        ->and(logged(1, seen('QW:2794@90x3'), laid: 'QW:2794@80x3', pixels: 119)->isTooDark())->toBeFalse();
});

it('lays more where a light hand left it too light, and tells what most likely lies there', function (): void {
    $light = seen('QW:7432@26x2 > QW:2794@34x2 > QW:6858@30');
    $next = nextLayers(logged(3, $light)) ?? throw new LogicException('Nothing is next.');
    $wanted = seen(LAID);
    // Drawn on what really lies there, it comes nearer than half way.
    $after = seen('QW:7432@26x2 > QW:2794@34x2 > QW:6858@30 > '.$next->steps);
    expect($after->differenceTo($wanted))->toBeLessThan(0.5 * $light->differenceTo($wanted))
        ->and($next->laid)->toHaveCount(3)->and($next->laid[0]->pressurePercent)->toBeLessThan(35.0)->toBeGreaterThan(20.0)
        ->and($next->sentence())->toStartWith('Now ')->toContain('too light');
});

it('takes what is seen in many pixels at its word, where few may be misread', function (): void {
    // Three and a half off, a touch too light: near, as far as a few hundred pixels tell.
    $light = seen('QW:7432@31x2 > QW:2794@40x2 > QW:6858@36');
    expect($light->differenceTo(seen(LAID)))->toBeGreaterThan(2.5)->toBeLessThan(3.5)
        ->and(logged(3, $light, pixels: 299)->isRight())->toBeTrue()->and(logged(3, $light, pixels: 799)->isRight())->toBeTrue()
        ->and(logged(3, $light, pixels: 800)->isRight())->toBeFalse()->and(nextLayers(logged(3, $light, pixels: 800)))->not->toBeNull();
});

it('lifts once: what is too dark still is pressed in, and another lifting would take what was laid since', function (): void {
    $heavy = static fn (string $laid): ?NextLayers => nextLayers(logged(substr_count($laid, '>') + 1, seen(str_replace(['@35x2', '@45x2'], ['@55x2', '@65x2'], $laid)), laid: $laid));
    $lifts = static fn (?NextLayers $next): bool => $next !== null && str_contains((string) $next->steps, 'lift');
    expect($lifts($heavy('QW:7432@35x2 > QW:2794@45x2')))->toBeTrue()
        ->and($lifts($heavy('QW:7432@35x2 > QW:2794@45x2 > lift > QW:7432@20')))->toBeFalse();
});

it('gives a passage that is near a light layer more, or two, or leaves it, and lifts nothing of it', function (): void {
    // Three units too dark, seen in very many pixels.
    $dark = seen('QW:7432@38x2 > QW:2794@50x2 > QW:6858@44');
    $logged = logged(3, $dark, pixels: 5000);
    expect($logged->part->state)->toBe(PartState::Near)->and($logged->isRight())->toBeFalse()
        ->and((string) (nextLayers($logged)->steps ?? ''))->not->toContain('lift');
    $before = seen('QW:7432@31x2 > QW:2794@40x2 > QW:6858@36');
    $light = nextLayers(logged(3, $before, pixels: 5000));
    assert($light !== null);
    expect((new TurnsLeft(3))->for($light->steps))->toBeLessThanOrEqual(2)->and($light->after->differenceTo($light->wanted))->toBeLessThan($before->differenceTo($light->wanted) - 1.0);
    foreach ($light->steps->steps as $step) {
        expect($step->isLayer())->toBeTrue()->and($step->pressurePercent)->toBeLessThanOrEqual(Pressure::LIGHT_PERCENT)->and($step->passes)->toBeLessThanOrEqual(2);
    }
});

it('lifts where a heavy hand made it too dark, in no more turns than there are', function (): void {
    $dark = seen('QW:7432@60x2 > QW:2794@75x2 > QW:6858@70');
    $logged = logged(3, $dark);
    foreach ([1, 2, 3] as $turns) {
        $next = nextLayers($logged, $turns);
        expect($next === null ? 0 : (new TurnsLeft(3))->for($next->steps))->toBeLessThanOrEqual($turns);
    }
    expect((string) nextLayers($logged)?->steps)->toStartWith('lift');
});

it('takes no turn more for what another part of the zone has in the hand already', function (): void {
    $logged = logged(3, seen('QW:7432@60x2 > QW:2794@75x2 > QW:6858@70'));
    $first = nextLayers($logged) ?? throw new LogicException('Nothing is next.');
    $hands = TurnsLeft::hands($first->steps);
    $left = (new TurnsLeft(3))->after($first->steps);
    expect($hands)->toContain('lift')->and($left->turns)->toBe(3 - count($hands))->and($left->inHand)->toBe($hands)->and($left->for($first->steps))->toBe(0)->and($left->areOver())->toBeFalse();
    $second = nextLayers($logged, 0, inHand: $hands) ?? throw new LogicException('Nothing is next.');
    expect(array_diff(TurnsLeft::hands($second->steps), $hands))->toBe([])->and(nextLayers($logged, 0))->toBeNull();
});

it('goes over a line with one pencil or two, where a field of the colour takes three', function (): void {
    $light = seen('QW:7432@14x1 > QW:2794@18x1 > QW:6858@16');
    $with = static fn (TargetRole $role): int => count(nextLayers(logged(3, $light, role: $role))?->steps->pencils() ?? []);
    expect($with(TargetRole::Middle))->toBe(3)->and($with(TargetRole::Line))->toBeGreaterThan(0)->toBeLessThanOrEqual(2);
});

it('waits where it comes much nearer with a pencil for which no turn is left', function (): void {
    $logged = logged(3, seen('QW:7432@60x2 > QW:2794@75x2 > QW:6858@70'));
    $whole = nextLayers($logged) ?? throw new LogicException('Nothing is next.');
    // Lifting alone is something; it would take what the whole of it goes on from.
    expect(array_diff(TurnsLeft::hands($whole->steps), ['lift', 'QW:7432']))->not->toBe([])->and(nextLayers($logged, 0, inHand: ['lift', 'QW:7432']))->toBeNull();
});

it('has nothing to lay where a firm layer was pressed into the paper, and knows that it is too dark', function (): void {
    $laid = 'QW:2794@80x3';
    $logged = logged(1, seen('QW:2794@100x3'), laid: $laid);
    expect(nextLayers($logged, laid: $laid))->toBeNull()->and($logged->isTooDark())->toBeTrue()
        ->and(logged(1, seen($laid), laid: $laid)->isTooDark())->toBeFalse()
        // Not as long as the plan goes on there.
        ->and(logged(2, seen('QW:7432@100x6 > QW:2794@100x6'))->isTooDark())->toBeFalse();
});

it('has nothing to lay where the paper is full, and knows that it is', function (): void {
    $laid = 'QW:3737@75x4 > QW:7432@75x3';
    $seen = seen($laid);
    $full = logged(2, Lab::of($seen->L + 6.0, $seen->a - 3.0, $seen->b + 4.0), laid: $laid);
    expect($full->part->state)->toBe(PartState::Off)->and($full->isTooDark())->toBeFalse()
        ->and(nextLayers($full, laid: $laid))->toBeNull()->and($full->isFull(new Predictor(model())))->toBeTrue();
    // As far off on paper with tooth.
    $laid = 'QW:3737@40x2 > QW:7432@40x2';
    $seen = seen($laid);
    $open = logged(2, Lab::of($seen->L + 6.0, $seen->a - 3.0, $seen->b + 4.0), laid: $laid);
    expect($open->part->state)->toBe(PartState::Off)->and(nextLayers($open, laid: $laid))->not->toBeNull()->and($open->isFull(new Predictor(model())))->toBeFalse();
});

it('says where it goes instead of what is still planned', function (): void {
    $next = nextLayers(logged(2, seen('QW:7432@75x3 > QW:2794@80x3')));
    expect($next?->sentence())->toStartWith('Instead of what is still planned here.');
});

it('tells of a zone and of the drawing by what its parts say', function (): void {
    $right = logged(2, seen('QW:7432@35x2 > QW:2794@45x2'));
    $heavy = logged(2, seen('QW:7432@60x2 > QW:2794@75x2'));
    $open = logged(0, model()->bare()->lab());
    expect(ZoneLog::of([$right])->words())->toBe('as the plan expects by now')
        ->and(ZoneLog::of([$right, $heavy])->words())->toBe('laid more heavily than the plan expects by now')
        ->and(ZoneLog::of([$open])->words())->toBeNull()->and(ZoneLog::of([$open])->isToCome())->toBeTrue()
        ->and(ZoneLog::together([ZoneLog::of([$heavy]), ZoneLog::of([$open])]))->toContain('darker than the plan expects')->toContain('a heavy hand')
        ->and(ZoneLog::together([ZoneLog::of([$right])]))->toBe('What is laid is as light and dark as the plan expects by now.')
        ->and(ZoneLog::together([ZoneLog::of([$open])]))->toBeNull();
});

it('has a hand that errs as it is told to, the same way each time', function (): void {
    $step = Stack::parse('QW:7432@40x2')->steps[0];
    $out = Stack::parse('QW:7432@50 > QW:2794@50 > QW:6858@50')->steps;
    $lays = static fn (ErringHand $hand, string $seed = 'a', float $time = 0.25): string => (string) $hand->lays($step, $seed, $time, $out);
    expect($lays(ErringHand::True))->toBe('QW:7432@40x2')->and($lays(ErringHand::Heavy))->toBe('QW:7432@50x2')->and($lays(ErringHand::Light))->toBe('QW:7432@30x2')
        ->and($lays(ErringHand::Drifting))->toBe('QW:7432@52x2')->and($lays(ErringHand::Drifting, 'a', 0.75))->toBe('QW:7432@28x2');
    $careless = array_map(static fn (int $i): string => $lays(ErringHand::Careless, "place $i"), range(1, 200));
    expect($careless)->toBe(array_map(static fn (int $i): string => $lays(ErringHand::Careless, "place $i"), range(1, 200)));
    $counts = array_count_values($careless);
    ksort($counts);
    // A coat forgotten, as told, and the pencil that lies beside.
    expect(array_keys($counts))->toBe(['QW:2794@40x2', 'QW:7432@40', 'QW:7432@40x2'])->and($counts['QW:7432@40'])->toBeBetween(15, 50)->and($counts['QW:2794@40x2'])->toBeBetween(8, 35);
    $spoilt = array_filter(array_map(static fn (int $i): ?string => ErringHand::Careless->spoils("place $i", $out)?->__toString(), range(1, 40)));
    expect(count($spoilt))->toBeBetween(10, 30)->and(ErringHand::Heavy->spoils('place 1', $out))->toBeNull();
});

it('goes on with a stack from as far as it seems to be laid', function (string $laid, string $rest): void {
    $on = Resumption::of(Stack::parse(LAID), $laid === '' ? model()->bare()->lab() : seen($laid), new Predictor(model()));
    expect((string) $on->rest)->toBe($rest)->and($on->after->differenceTo(seen(LAID)))->toBeLessThan(1.0)
        ->and($on->words(seen(LAID)))->toStartWith('Go on with the plan: ');
})->with([
    'nothing yet' => ['', LAID],
    'a coat of the first' => ['QW:7432@35', 'QW:7432@35 > QW:2794@45x2 > QW:6858@40'],
    'the first' => ['QW:7432@35x2', 'QW:2794@45x2 > QW:6858@40'],
    'all of it' => [LAID, ''],
]);
