<?php

declare(strict_types=1);

use Prism\Calibration\Calibration;
use Prism\Calibration\Calibrator;
use Prism\Calibration\Swatch;
use Prism\Colour\Lab;
use Prism\Colour\Spectrum;
use Prism\Layering\Stack;
use Prism\Materials\Binder;
use Prism\Materials\Kit;
use Prism\Materials\Paper;
use Prism\Materials\Pencil;
use Standin\Dice;
use Standin\Sheet;
use Standin\Studio;

use function Tests\Core\box;

// The simulated studio draws as a hand does; and the engine, which shares no code with it, learns it from its swatches.

const SIMULATED = ['QW:6858', 'QW:4731', 'QW:7432', 'QW:2616', 'LO:3512', 'LO:2627', 'QW:3769', 'QW:5925', 'QW:8785', 'LO:4841'];

function simulated(float $weight = 1.0, float $shake = 0.04): Studio
{
    $pencils = [];
    foreach (box(SIMULATED) as $id => $pencil) {
        $pencils[$id] = ['coat' => Spectrum::fromLab($pencil->fullCoat), 'wax' => $pencil->binder === Binder::Wax, 'opacity' => $pencil->opacity->value];
    }
    $studio = Studio::of($pencils, 'test', $weight, $shake);
    $studio->paper('harbour-cartridge', Lab::of(95.4, -0.6, 1.5));
    $studio->paper('slipway-smooth', Lab::of(96.0, -0.5, 0.9));
    $studio->paper('fog-toned', Lab::of(66.5, 0.8, 3.0));

    return $studio;
}

function drawnBy(Studio $studio, string $stack, string $seed = 'a', string $paper = 'harbour-cartridge'): Lab
{
    return $studio->draw($paper, Stack::parse($stack), $seed);
}

it('draws the same from the same seed, and twice as a hand would', function (): void {
    $studio = simulated();
    expect(drawnBy($studio, 'QW:6858@50 > QW:4731@40'))->toEqual(drawnBy(simulated(), 'QW:6858@50 > QW:4731@40'));
    $apart = [];
    foreach (range(1, 20) as $i) {
        $apart[] = drawnBy($studio, 'QW:6858@50 > QW:4731@40', "a$i")->differenceTo(drawnBy($studio, 'QW:6858@50 > QW:4731@40', "b$i"));
    }
    sort($apart);
    expect($apart[10])->toBeGreaterThan(0.5)->toBeLessThan(3.0);
});

it('reads bare paper as paper', function (): void {
    expect(drawnBy(simulated(), '')->differenceTo(Lab::of(95.4, -0.6, 1.5)))->toBeLessThan(1.0)
        ->and(drawnBy(simulated(), '', paper: 'fog-toned')->L)->toEqualWithDelta(66.5, 1.0);
});

it('darkens with pressure and passes, more under a heavy hand', function (): void {
    $studio = simulated(shake: 0.0);
    foreach (['QW:6858', 'QW:7432', 'LO:3512', 'QW:3769'] as $id) {
        expect(drawnBy($studio, "$id@60")->L)->toBeLessThan(drawnBy($studio, "$id@35")->L)
            ->and(drawnBy($studio, "$id@90")->L)->toBeLessThan(drawnBy($studio, "$id@60")->L)
            ->and(drawnBy($studio, "$id@45x3")->L)->toBeLessThan(drawnBy($studio, "$id@45")->L)
            ->and(drawnBy(simulated(1.2, 0.0), "$id@50")->L)->toBeLessThan(drawnBy($studio, "$id@50")->L);
    }
});

it('closes the grain by many light coats, and by a firm one', function (): void {
    $studio = simulated();
    foreach (['QW:6858', 'QW:3769', 'LO:3512'] as $id) {
        $grain = static fn (string $steps): float => $studio->grain('harbour-cartridge', Stack::parse($steps), 'g');
        expect($grain("$id@50x9"))->toBeLessThan(0.75 * $grain("$id@50x2"))
            ->and($grain("$id@90x2"))->toBeLessThan($grain("$id@50x9"));
    }
});

it('washes, blends and lifts', function (): void {
    $studio = simulated(shake: 0.0);
    $base = 'QW:6858@50x2 > QW:7432@40';
    expect(drawnBy($studio, "$base > wash")->L)->toBeLessThan(drawnBy($studio, $base)->L)
        ->and(drawnBy($studio, "$base > blend")->L)->toBeLessThan(drawnBy($studio, $base)->L)
        ->and(drawnBy($studio, "$base > lift")->L)->toBeGreaterThan(drawnBy($studio, $base)->L);
});

it('shows white on toned paper, and dark pencils darker on it', function (): void {
    $studio = simulated();
    expect(drawnBy($studio, 'QW:2616@70x2', paper: 'fog-toned')->L)->toBeGreaterThan(68.0)
        ->and(drawnBy($studio, 'QW:6858@50', paper: 'fog-toned')->L)->toBeLessThan(drawnBy($studio, 'QW:6858@50')->L);
});

it('has paper with every height as often, and a blur that keeps the mean', function (): void {
    $sheet = Sheet::of(Spectrum::fromLab(Lab::of(95, 0, 0)), 1.0, 1.0, 'seed');
    $height = array_values($sheet->height);
    sort($height);
    expect($height[0])->toEqualWithDelta(0.0, 1e-12)->and(end($height))->toEqualWithDelta(1.0, 1e-12)
        ->and($height[(int) (count($height) / 2)])->toEqualWithDelta(0.5, 0.01);
    $blurred = Sheet::blurred($sheet->height, 3);
    expect(array_sum($blurred))->toEqualWithDelta(array_sum($sheet->height), 1e-6)
        ->and(max($blurred))->toBeLessThan(1.0);
});

it('throws dice that repeat, lie within 0-1, and spread as normal', function (): void {
    $one = new Dice('x');
    $other = new Dice('x');
    $sum = $square = 0.0;
    for ($i = 0; $i < 2000; $i++) {
        $value = $one->normal();
        expect($value)->toBe($other->normal());
        $sum += $value;
        $square += $value * $value;
    }
    expect($sum / 2000)->toEqualWithDelta(0.0, 0.08)->and($square / 2000)->toEqualWithDelta(1.0, 0.12);
    for ($i = 0; $i < 500; $i++) {
        expect($one->uniform())->toBeGreaterThan(0.0)->toBeLessThan(1.0);
    }
});

/** Calibrated on what the simulated studio swatched. */
function learnt(Studio $studio): Calibration
{
    $swatches = [];
    $add = static function (string $steps, string $paper = 'harbour-cartridge') use ($studio, &$swatches): void {
        $swatches[] = new Swatch($paper.$steps, $paper, Stack::parse($steps), $studio->draw($paper, Stack::parse($steps), 's'.count($swatches)));
    };
    foreach (['harbour-cartridge', 'slipway-smooth'] as $paper) {
        $add('', $paper);
    }
    foreach (SIMULATED as $i => $id) {
        $next = SIMULATED[($i + 3) % count(SIMULATED)];
        foreach (["$id@30", "$id@55", "$id@55x3", "$id@90x2", "$id@50 > $next@45", "$id@50x2 > $next@90"] as $steps) {
            $add($steps);
        }
        foreach (["$id@30", "$id@55", "$id@55x3", "$id@90x2"] as $steps) {
            $add($steps, 'slipway-smooth');
        }
    }
    foreach (['QW:6858@50x2 > QW:4731@45 > wash', 'QW:7432@50 > QW:5925@50 > blend', 'LO:3512@50x2 > lift'] as $steps) {
        $add($steps);
    }
    $kit = Kit::of(array_map(static fn (Pencil $pencil): Pencil => new Pencil($pencil->id, $pencil->name, $pencil->binder, $pencil->opacity), iterator_to_array(box(SIMULATED))));

    return Calibrator::fit($kit, $swatches);
}

it('is learnt by the engine, on another paper too, within what its own hand varies by', function (): void {
    $studio = simulated(1.08);
    $calibration = learnt($studio);
    mt_srand(9);
    // A paper known by ten pencils alone is doubted a little too little.
    foreach (['harbour-cartridge' => [2.0, 0.6], 'slipway-smooth' => [3.2, 0.4]] as $paper => [$limit, $honest]) {
        $predictor = $calibration->predictor(Paper::cartridge($paper));
        $errors = [];
        $within = 0;
        for ($i = 0; $i < 60; $i++) {
            $steps = array_map(static fn (): string => SIMULATED[mt_rand(0, count(SIMULATED) - 1)].['@30', '@45x2', '@50', '@60', '@35x3'][mt_rand(0, 4)], range(1, mt_rand(1, 3)));
            $stack = Stack::parse(implode(' > ', $steps));
            $prediction = $predictor->predict($stack);
            $errors[] = $error = $prediction->colour->differenceTo($studio->draw($paper, $stack, "h$i"));
            $within += $error <= $prediction->sigma ? 1 : 0;
        }
        sort($errors);
        expect($errors[30])->toBeLessThan($limit)
            ->and($within / 60)->toBeGreaterThan($honest)->toBeLessThan(0.92);
    }
    expect($calibration->after)->toBeLessThan(0.7 * $calibration->before);
});

it('shows the grain where the engine predicts it: in the same order over many stacks, on two papers', function (): void {
    $studio = simulated();
    $box = box(SIMULATED);
    $stacks = [];
    foreach (['QW:6858', 'QW:7432', 'LO:3512', 'QW:3769', 'QW:5925', 'QW:4731'] as $id) {
        array_push($stacks, "$id@25", "$id@45x2", "$id@50x5", "$id@80x3");
    }
    array_push($stacks, 'QW:7432@45x2 > QW:5925@45x2', 'QW:4731@45x3 > QW:6858@30', 'QW:6858@40x2 > QW:4731@60x3', 'QW:3769@30 > QW:4731@50x4');
    foreach (['harbour-cartridge' => Paper::cartridge(), 'slipway-smooth' => Paper::of('slipway-smooth', 'Smooth', Lab::of(96.0, -0.5, 0.9), 0.74, 0.8)] as $slug => $paper) {
        $model = Calibrator::fit($box, [])->model($paper);
        $predicted = $drawn = [];
        foreach ($stacks as $stack) {
            $predicted[] = $model->draw(Stack::parse($stack))->grain();
            $drawn[] = $studio->grain($slug, Stack::parse($stack), $stack);
        }
        expect(rankCorrelation($predicted, $drawn))->toBeGreaterThan(0.8);
    }
});

/**
 * Spearman's: 1 where both put all in the same order.
 *
 * @param  list<float>  $one
 * @param  list<float>  $other
 */
function rankCorrelation(array $one, array $other): float
{
    $ranks = static function (array $values): array {
        asort($values);
        $ranks = array_flip(array_keys($values));
        ksort($ranks);

        return $ranks;
    };
    $n = count($one);
    $square = array_sum(array_map(static fn (int $a, int $b): int => ($a - $b) ** 2, $ranks($one), $ranks($other)));

    return 1.0 - 6.0 * $square / ($n * ($n ** 2 - 1));
}
