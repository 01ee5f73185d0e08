<?php

declare(strict_types=1);

use Prism\Colour\Bands;
use Prism\Colour\Lab;
use Prism\Layering\Hand;
use Prism\Layering\Passage;
use Prism\Layering\Tooth;
use Prism\Layering\ToothModel;
use Prism\Materials\Paper;
use Tests\Core\Layering\PlainToothModel;

use function Tests\Core\model;
use function Tests\Core\pencils;

// The flat loops of the kernel against the same model written for reading.

/** @return array{Passage, PlainToothModel} after the same random layers */
function bothWays(ToothModel $fast, int $layers): array
{
    $plain = new PlainToothModel($fast->tooth, $fast->hand);
    $passage = $fast->bare();
    $ids = pencils()->ids();
    for (; $layers > 0; $layers--) {
        $optics = $fast->opticsOf($ids[mt_rand(0, count($ids) - 1)]);
        $pressure = mt_rand(5, 100) / 100;
        $passes = mt_rand(1, 4);
        $passage = $fast->layer($passage, $optics, $pressure, (float) $passes);
        $plain->layer($optics, $pressure, $passes);
    }

    return [$passage, $plain];
}

it('agrees with the plain model for random stacks of up to seven layers', function (): void {
    mt_srand(21);
    for ($i = 0; $i < 200; $i++) {
        [$passage, $plain] = bothWays(model(), mt_rand(1, 7));
        $bands = $plain->bands();
        foreach ($passage->bands() as $band => $value) {
            expect($value)->toEqualWithDelta($bands[$band], 1e-6);
        }
        expect($passage->toothLeft())->toEqualWithDelta($plain->toothLeft(), 1e-9)
            ->and($passage->lab()->differenceTo(Bands::toLab($bands)))->toBeLessThan(0.001);
    }
});

it('agrees on other papers', function (Paper $paper): void {
    mt_srand(22);
    for ($i = 0; $i < 40; $i++) {
        [$passage, $plain] = bothWays(model($paper), mt_rand(1, 5));
        expect($passage->lab()->differenceTo(Bands::toLab($plain->bands())))->toBeLessThan(0.001);
    }
})->with([
    'film' => [fn () => Paper::of('film', 'Film', Lab::of(96, 0, 0), 0.35, 0.4, 0.7)],
    'sanded' => [fn () => Paper::of('sanded', 'Sanded', Lab::of(92, 0, 4), 1.25, 2.2, 1.1)],
    'toned' => [fn () => Paper::of('toned', 'Toned', Lab::of(66, 1, 3))],
    'black' => [fn () => Paper::of('black', 'Black', Lab::of(18, 0, 0))],
]);

it('agrees for hands with other constants, at the limits too', function (Hand $hand): void {
    mt_srand(23);
    $fast = new ToothModel(Tooth::of(Paper::cartridge()), $hand, model()->optics);
    for ($i = 0; $i < 40; $i++) {
        [$passage, $plain] = bothWays($fast, mt_rand(1, 5));
        expect($passage->lab()->differenceTo(Bands::toLab($plain->bands())))->toBeLessThan(0.001)
            ->and($passage->toothLeft())->toEqualWithDelta($plain->toothLeft(), 1e-9);
    }
})->with([
    'no sideways scatter' => [fn () => new Hand(yuleNielsen: 0.0)],
    'all sideways scatter' => [fn () => new Hand(yuleNielsen: 1.0)],
    'nothing crushed' => [fn () => new Hand(flatten: 0.0)],
    'nothing dragged or levelled' => [fn () => new Hand(level: 0.0)],
    'all levelled' => [fn () => new Hand(level: 1.0)],
    'no change by pressure' => [fn () => new Hand(density: 0.0, clearing: 0.0, pile: 0.0)],
    'hard edge of reach' => [fn () => new Hand(reachSoftness: 0.02)],
    'heavy hand' => [fn () => new Hand(depositGain: 12.0)],
]);

it('comes to the same for two passes as the hand says, not for two layers', function (): void {
    $optics = model()->opticsOf('QW:6858');
    $two = model()->layer(model()->bare(), $optics, 0.5, 2.0);
    $plain = new PlainToothModel(model()->tooth, model()->hand);
    $plain->layer($optics, 0.5, 2);
    expect($two->toothLeft())->toEqualWithDelta($plain->toothLeft(), 1e-12)
        ->and($two->films)->toHaveCount(1)
        ->and(model()->layer(model()->layer(model()->bare(), $optics, 0.5, 1.0), $optics, 0.5, 1.0)->films)->toHaveCount(2);
});

it('reaches deeper the harder it is pressed, and crushes only a firm hand', function (): void {
    $hand = new Hand;
    $reach = $crush = -1.0;
    for ($pressure = 0.05; $pressure <= 1.0; $pressure += 0.05) {
        expect($hand->reach($pressure))->toBeGreaterThan($reach)
            ->and($hand->crush($pressure))->toBeGreaterThanOrEqual($crush)->toBeLessThanOrEqual(0.97);
        $reach = $hand->reach($pressure);
        $crush = $hand->crush($pressure);
    }
    expect($hand->crush(0.3))->toBe(0.0)->and($hand->crush(0.95))->toBeGreaterThan(0.6);
});

it('cuts the paper into shares that make a whole', function (): void {
    expect(array_sum(Tooth::SHARES))->toEqualWithDelta(1.0, 1e-7);
    $tooth = Tooth::of(Paper::of('p', 'P', Lab::of(90, 0, 0), 0.8, 1.4));
    $mean = 0.0;
    foreach (Tooth::SHARES as $bin => $share) {
        $mean += $share * $tooth->capacity[$bin];
    }
    expect($mean)->toEqualWithDelta($tooth->totalCapacity, 1e-9)->and($mean)->toEqualWithDelta(1.4, 1e-6)
        ->and($tooth->depth)->toHaveCount(5)->and(max($tooth->depth))->toBeLessThanOrEqual(0.8)
        ->and(Bands::toLab($tooth->reflectance)->L)->toEqualWithDelta(90.0, 0.01);
});
