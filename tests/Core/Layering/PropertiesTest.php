<?php

declare(strict_types=1);

use Prism\Calibration\Calibration;
use Prism\Calibration\Calibrator;
use Prism\Colour\Lab;
use Prism\Exchange\SwatchTable;
use Prism\Layering\Passage;
use Prism\Layering\PencilOptics;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\Tooth;
use Prism\Layering\ToothModel;
use Prism\Materials\Paper;
use Prism\Materials\PencilId;

use function Tests\Core\model;
use function Tests\Core\pencils;

// What must hold for any stack whatever, uncalibrated and on what simulated swatches have taught.

function calibrated(): Calibration
{
    static $calibration = null;
    $pencils = pencils();

    return $calibration ??= Calibrator::fit($pencils, SwatchTable::read((string) file_get_contents(__DIR__.'/../../../database/demo/swatches.csv'), $pencils));
}

function randomStep(): Step
{
    $ids = pencils()->ids();

    return match (mt_rand(0, 11)) {
        0 => Step::wash(),
        1 => Step::blend(),
        2 => Step::lift(),
        default => Step::layer(PencilId::of($ids[mt_rand(0, count($ids) - 1)]), mt_rand(1, 100), mt_rand(1, 4)),
    };
}

dataset('studios', [
    'as the table says' => [fn (): ToothModel => model()],
    'calibrated' => [fn (): ToothModel => calibrated()->model(Paper::cartridge('harbour-cartridge'))],
    'calibrated, toned' => [fn (): ToothModel => calibrated()->model(Paper::cartridge('fog-toned'))],
    'sanded' => [fn (): ToothModel => model(Paper::of('sanded', 'Sanded', Lab::of(92, 0, 4), 1.25, 2.2, 1.1))],
]);

function sane(Passage $passage, ToothModel $model): bool
{
    $most = (1.0 + $model->hand->pile) * max($model->tooth->capacity);
    foreach ($passage->reflectance as $value) {
        if (! ($value >= 0.0 && $value <= 1.0)) {
            return false;
        }
    }
    foreach (range(0, Tooth::BINS - 1) as $bin) {
        if (! ($passage->fill[$bin] >= -1e-12 && $passage->fill[$bin] <= $most && $passage->capacity[$bin] >= 0.0 && $passage->slick[$bin] >= 0.0 && $passage->slick[$bin] <= 1.0)) {
            return false;
        }
        foreach ($passage->films as $film) {
            if (! ($film->thickness[$bin] >= -1e-12)) {
                return false;
            }
        }
    }
    $left = $passage->toothLeft();

    return $left >= 0.0 && $left <= 1.0;
}

it('keeps reflectances within 0-1 and tooth above none after any steps', function (ToothModel $model): void {
    mt_srand(31);
    for ($i = 0; $i < 250; $i++) {
        $passage = $model->bare();
        for ($n = mt_rand(1, 9); $n > 0; $n--) {
            $passage = $model->apply($passage, randomStep());
            expect(sane($passage, $model))->toBeTrue();
        }
        $lab = $passage->lab();
        expect(is_finite($lab->L) && is_finite($lab->a) && is_finite($lab->b))->toBeTrue();
    }
})->with('studios');

it('never gives tooth back but by a wash or a lift', function (ToothModel $model): void {
    mt_srand(32);
    for ($i = 0; $i < 150; $i++) {
        $passage = $model->bare();
        for ($n = mt_rand(1, 7); $n > 0; $n--) {
            $step = randomStep();
            $before = $passage->toothLeft();
            $passage = $model->apply($passage, $step);
            if ($step->isLayer() || (string) $step === 'blend') {
                expect($passage->toothLeft())->toBeLessThanOrEqual($before + 1e-9);
            }
        }
    }
})->with('studios');

it('darkens with pressure and with passes, for any pencil darker than the paper', function (ToothModel $model): void {
    $paper = $model->bare()->lab()->L;
    foreach ($model->optics as $id => $optics) {
        if ($model->layer($model->bare(), $optics, 0.9, 2.0)->lab()->L > $paper - 15.0) {
            continue;
        }
        $seen = static fn (float $pressure, float $passes): float => $model->layer($model->bare(), $optics, $pressure, $passes)->lab()->L;
        for ($pressure = 0.1; $pressure < 0.99; $pressure += 0.1) {
            expect($seen($pressure + 0.1, 1.0))->toBeLessThan($seen($pressure, 1.0) + 1e-6, "$id at $pressure");
        }
        expect($seen(0.45, 2.0))->toBeLessThan($seen(0.45, 1.0))->and($seen(0.45, 3.0))->toBeLessThan($seen(0.45, 2.0));
    }
})->with('studios');

it('sees nothing change for a film of no thickness, no absorption or no scattering', function (): void {
    $nothing = new PencilOptics(array_fill(0, 12, 0.0), array_fill(0, 12, 0.0), 1.0, 0.1, 0.3);
    $black = new PencilOptics(array_fill(0, 12, 1e4), array_fill(0, 12, 0.0), 1.0, 0.1, 0.3);
    $chalk = new PencilOptics(array_fill(0, 12, 0.0), array_fill(0, 12, 1e4), 1.0, 0.1, 0.3);
    foreach ([Paper::cartridge(), Paper::of('black', 'Black', Lab::of(5, 0, 0)), Paper::of('white', 'White', Lab::of(99.5, 0, 0))] as $paper) {
        $model = new ToothModel(Tooth::of($paper), model()->hand, []);
        $bare = $model->bare();
        expect($model->layer($bare, $nothing, 0.9, 3.0)->lab()->differenceTo($bare->lab()))->toBeLessThan(0.3);
        foreach ([[$nothing, $black, $chalk], [$black, $chalk, $black], [$chalk, $black, $nothing]] as $pencils) {
            $passage = $bare;
            foreach ($pencils as $pencil) {
                $passage = $model->layer($passage, $pencil, 0.95, 4.0);
                expect(sane($passage, $model))->toBeTrue();
            }
        }
    }
});

it('glances at what a layer would look like as laying it does', function (ToothModel $model): void {
    mt_srand(33);
    $touches = array_values($model->optics);
    for ($i = 0; $i < 200; $i++) {
        $passage = $model->bare();
        for ($n = mt_rand(0, 4); $n > 0; $n--) {
            $passage = $model->apply($passage, randomStep());
        }
        $touch = $model->touch($touches[mt_rand(0, count($touches) - 1)], mt_rand(5, 100) / 100, (float) mt_rand(1, 3));
        expect($model->glance($passage, $touch)->differenceTo($model->lay($passage, $touch)->lab()))->toBeLessThan(1e-9);
    }
})->with('studios');

it('reads back any stack that it writes', function (): void {
    mt_srand(34);
    for ($i = 0; $i < 300; $i++) {
        $stack = Stack::of(...array_map(static fn (): Step => randomStep(), range(1, mt_rand(1, 9))));
        expect((string) Stack::parse((string) $stack))->toBe((string) $stack);
    }
});

it('holds to the facts of the studio after calibration too', function (): void {
    $model = calibrated()->model(Paper::cartridge('harbour-cartridge'));
    $seen = static fn (string $stack): Lab => $model->draw(Stack::parse($stack))->lab();
    $swatched = array_keys(calibrated()->pencils);
    $dark = array_values(array_filter($swatched, static fn (string $id): bool => $seen("$id@90x2")->L < 60.0));
    $clean = array_values(array_filter($swatched, static fn (string $id): bool => $seen("$id@90x2")->chroma() > 35.0));
    $share = static fn (array $cases): float => array_sum(array_map(intval(...), $cases)) / count($cases);
    // Share of the way back to the paper.
    $lifted = static fn (string $stack): float => ($seen("$stack > lift")->L - $seen($stack)->L) / ($seen('')->L - $seen($stack)->L);
    expect(count($dark))->toBeGreaterThan(10)->and(count($clean))->toBeGreaterThan(8);

    // 2: light passes leave more tooth than one heavy pass of the same strength; where one firm pass does it, it is not heavy.
    $roomier = [];
    foreach ($dark as $id) {
        $L = $seen("$id@50x7")->L;
        for ($percent = 20.0; $percent < 100.0 && $seen("$id@$percent")->L > $L; $percent++);
        if ($percent >= 70.0) {
            $roomier[] = $model->draw(Stack::parse("$id@50x7"))->toothLeft() > $model->draw(Stack::parse("$id@$percent"))->toothLeft();
        }
    }
    expect(count($roomier))->toBeGreaterThan(8)->and($share($roomier))->toBeGreaterThan(0.85)
        // 6: white lightens and greys.
        ->and($share(array_map(static fn (string $id): bool => $seen("$id@60x2")->L > 80.0 || ($seen("$id@60x2 > QW:1823@70")->L > $seen("$id@60x2")->L && $seen("$id@60x2 > QW:1823@70")->chroma() < $seen("$id@60x2")->chroma()), $clean)))->toBeGreaterThan(0.85)
        // 10: a wash fills the grain, and gives tooth back.
        ->and($share(array_map(static fn (string $id): bool => $model->draw(Stack::parse("$id@45x4 > wash"))->grain() < $model->draw(Stack::parse("$id@45x4"))->grain()
            && $model->draw(Stack::parse("$id@45x4 > wash"))->toothLeft() > $model->draw(Stack::parse("$id@45x4"))->toothLeft(), $dark)))->toBe(1.0)
        // 11: after a burnish a light layer hardly changes anything.
        ->and($share(array_map(static fn (string $id): bool => $seen("QW:4973@95x2 > $id@35")->differenceTo($seen('QW:4973@95x2')) < 0.3 * $seen("$id@35")->differenceTo($seen('')), $dark)))->toBeGreaterThan(0.9)
        // 12: a lift lightens light layers, hardly burnished ones.
        ->and($share(array_map(static fn (string $id): bool => $lifted("$id@35") > 0.06 && $lifted("$id@95x2") < 0.03, $dark)))->toBe(1.0);
});
