<?php

declare(strict_types=1);

use Prism\Calibration\Calibration;
use Prism\Calibration\Calibrator;
use Prism\Calibration\HandFit;
use Prism\Calibration\NormalEquations;
use Prism\Calibration\PaperFit;
use Prism\Calibration\Swatch;
use Prism\Calibration\Whitening;
use Prism\Colour\DeltaE;
use Prism\Colour\Lab;
use Prism\Layering\Doubt;
use Prism\Layering\Hand;
use Prism\Layering\Predictor;
use Prism\Layering\Sensitivity;
use Prism\Layering\Stack;
use Prism\Materials\Paper;
use Prism\Materials\PencilId;
use Prism\Maths\LinearSystem;

use function Tests\Core\box;
use function Tests\Core\cartridge;
use function Tests\Core\model;
use function Tests\Core\seen;

it('solves block by block what solving all at once gives, as long as rows touch one block', function (): void {
    mt_srand(11);
    $any = static fn (): float => mt_rand(-1000, 1000) / 500.0;
    $shared = 3;
    $blocks = ['a' => 2, 'b' => 4, 'c' => 1];
    $offsets = ['a' => 3, 'b' => 5, 'c' => 9];
    $size = 10;
    $matrix = array_fill(0, $size, array_fill(0, $size, 0.0));
    $right = array_fill(0, $size, 0.0);
    $equations = new NormalEquations($shared);
    $row = static function (float $weight, float $residual, array $slopes) use (&$matrix, &$right): void {
        foreach ($slopes as $i => $slope) {
            $right[$i] -= $weight * $slope * $residual;
            foreach ($slopes as $j => $other) {
                $matrix[$i][$j] += $weight * $slope * $other;
            }
        }
    };
    for ($n = 0; $n < 60; $n++) {
        $block = array_keys($blocks)[$n % 3];
        $common = [$any(), $any(), $any()];
        $own = array_map(static fn (): float => $any(), range(1, $blocks[$block]));
        $weight = 0.2 + abs($any());
        $residual = $any();
        $equations->add($weight, $residual, $common, [$block => $own]);
        $slopes = $common;
        foreach ($own as $i => $slope) {
            $slopes[$offsets[$block] + $i] = $slope;
        }
        $row($weight, $residual, $slopes);
    }
    $equations->expectShared(1, 0.4, 0.5);
    $row(1.0 / 0.25, 0.4, [1 => 1.0]);
    $equations->expect('b', 4, 2, -0.3, 0.2);
    $row(1.0 / 0.04, -0.3, [7 => 1.0]);

    [$first, $rest] = $equations->step(0.0);
    $whole = LinearSystem::solve($matrix, $right);
    foreach ($first as $i => $value) {
        expect($value)->toEqualWithDelta($whole[$i], 1e-8);
    }
    foreach ($rest as $block => $values) {
        foreach ($values as $i => $value) {
            expect($value)->toEqualWithDelta($whole[$offsets[$block] + $i], 1e-8);
        }
    }
});

it('takes shorter steps the more it is damped', function (): void {
    $equations = new NormalEquations(1);
    $equations->add(1.0, 2.0, [1.0], ['p' => [0.5]]);
    $equations->expectShared(0, 0.0, 1.0);
    $equations->expect('p', 1, 0, 0.0, 1.0);
    $length = static function (float $damping) use ($equations): float {
        [$shared, $blocks] = $equations->step($damping);

        return abs($shared[0]) + abs($blocks['p'][0]);
    };
    expect($length(0.0))->toBeGreaterThan($length(1.0))->and($length(1.0))->toBeGreaterThan($length(100.0))->and($length(100.0))->toBeGreaterThan(0.0);
});

it('weighs a difference along the pressure less than one across it', function (): void {
    $stack = Stack::parse('QW:6858@60');
    $sensitivity = Sensitivity::of(model(), $stack);
    [$along] = $sensitivity->probes;
    $length = sqrt($along[0] ** 2 + $along[1] ** 2 + $along[2] ** 2);
    $across = [-$along[1], $along[0], 0.0];
    $scale = $length / sqrt($across[0] ** 2 + $across[1] ** 2);
    $whitening = Whitening::of($sensitivity);
    $norm = static fn (array $v): float => sqrt($v[0] ** 2 + $v[1] ** 2 + $v[2] ** 2);
    expect($length)->toBeGreaterThan(0.5)->and($sensitivity->total())->toEqualWithDelta($length, 1e-12)
        ->and($norm($whitening->apply($along)))->toBeLessThan(0.95 * $norm($whitening->apply([$across[0] * $scale, $across[1] * $scale, 0.0])))
        ->and($norm(Whitening::of(Sensitivity::of(model(), Stack::of()))->apply([Whitening::READING, 0.0, 0.0])))->toEqualWithDelta(1.0, 1e-9);
});

it('knows how a colour follows the hand: more with more layers and harder pressure, not at all for bare paper', function (): void {
    $of = static fn (string $stack): float => Sensitivity::of(model(), Stack::parse($stack))->total();
    expect($of(''))->toBe(0.0)
        ->and($of('QW:6858@20'))->toBeLessThan($of('QW:6858@60'))
        ->and($of('QW:6858@40'))->toBeLessThan($of('QW:6858@40 > QW:7432@40') + 1.0)

        // A swatch drawn 5 % harder each way differs by about that.
        ->and($of('QW:6858@50'))->toEqualWithDelta(seen('QW:6858@47.5')->differenceTo(seen('QW:6858@52.5')), 1e-9);
});

it('gives a difference as a vector of the length of dE2000', function (): void {
    mt_srand(12);
    for ($i = 0; $i < 300; $i++) {
        $lab = static fn (): array => [mt_rand(0, 1000) / 10, mt_rand(-1000, 1000) / 10, mt_rand(-1000, 1000) / 10];
        [$one, $other] = [$lab(), $lab()];
        [$l, $c, $h] = DeltaE::components(...$one, ...$other);
        expect(sqrt($l ** 2 + $c ** 2 + $h ** 2))->toEqualWithDelta(Lab::of(...$one)->differenceTo(Lab::of(...$other)), 1e-9)
            ->and($l <=> 0.0)->toBe($other[0] <=> $one[0]);
    }
});

it('doubts longer, heavier and less known stacks more, and scales with the studio', function (): void {
    $model = model();
    $sigma = static fn (string $stack, Doubt $doubt): float => $doubt->of(Stack::parse($stack), Sensitivity::of($model, Stack::parse($stack)));
    $known = new Doubt(1.0, ['QW:6858' => 6, 'QW:7432' => 6, 'QW:4731' => 1]);
    expect($sigma('QW:6858@40', $known))->toBeLessThan($sigma('QW:6858@40 > QW:7432@40', $known))
        ->and($sigma('QW:6858@80', $known))->toBeLessThan($sigma('QW:6858@86', $known))
        ->and($sigma('QW:6858@40', $known))->toBeLessThan($sigma('QW:6858@40 > blend', $known))
        ->and($sigma('QW:7432@40', $known))->toBeLessThan($sigma('QW:7432@40', new Doubt(1.0, ['QW:7432' => 1])))
        ->and($sigma('QW:7432@40', new Doubt(1.0, ['QW:7432' => 1])))->toBeLessThan($sigma('QW:7432@40', new Doubt))
        ->and($sigma('QW:6858@40', new Doubt(1.5, ['QW:6858' => 6])))->toEqualWithDelta(1.5 * $sigma('QW:6858@40', $known), 1e-9)
        ->and($sigma('QW:6858@40', new Doubt(1.0, ['QW:6858' => 6], Doubt::FOUND_PAPER)))->toBeGreaterThan($sigma('QW:6858@40', $known))
        ->and(Doubt::usual(1, 0, 0))->toBeLessThan(Doubt::usual(3, 0, 0))->and(Doubt::usual(3, 0, 0))->toBeLessThan(Doubt::usual(3, 1, 0));
});

it('moves a paper as a whole: what is rougher holds more', function (): void {
    $declared = Paper::of('p', 'P', Lab::of(90, 0, 2), 0.8, 1.2, 0.9);
    $fit = new PaperFit($declared);
    expect($fit->paper())->toEqual($declared);
    $rougher = $fit->moved([0 => log(1.25)])->paper();
    expect($rougher->roughness)->toEqualWithDelta(1.0, 1e-9)->and($rougher->capacity)->toEqualWithDelta(1.5, 1e-9)->and($rougher->adhesion)->toEqualWithDelta(0.9, 1e-9)
        // It stays a paper however far it is pushed.
        ->and($fit->moved([0 => 9.0, 2 => -9.0])->paper()->roughness)->toBe(3.0)
        ->and(PaperFit::fromArray(json_decode((string) json_encode($rougher === null ? [] : $fit->moved([1 => 0.2])->toArray()), true))->paper())->toEqual($fit->moved([1 => 0.2])->paper());
});

it('moves a hand by factors, within reason', function (): void {
    $fit = HandFit::from(new Hand);
    expect($fit->hand())->toEqual(new Hand);
    $names = array_keys(HandFit::SPREAD);
    $heavier = $fit->moved([array_search('depositGain', $names, true) => log(1.2)])->hand();
    expect($heavier->depositGain)->toEqualWithDelta(1.2 * (new Hand)->depositGain, 1e-12)->and($heavier->reachGain)->toBe((new Hand)->reachGain)
        ->and(HandFit::fromArray(json_decode((string) json_encode($fit->moved([0 => 0.1])->toArray()), true))->hand())->toEqual($fit->moved([0 => 0.1])->hand());
    foreach (get_object_vars(new Hand) as $name => $value) {
        expect($value)->toBeGreaterThan(0.0, $name);
    }
});

it('is kept as JSON and read back, without the pencils that are gone', function (): void {
    $kit = box(['QW:6858', 'QW:7432', 'QW:4731']);
    $swatches = [
        new Swatch('w', 'rag', Stack::of(), Lab::of(94, 0, 3)),
        new Swatch('a', 'rag', Stack::parse('QW:6858@40'), Lab::of(80, 1, -18)),
        new Swatch('b', 'rag', Stack::parse('QW:6858@90x2'), Lab::of(35, 14, -50)),
        new Swatch('c', 'rag', Stack::parse('QW:7432@50'), Lab::of(70, 33, 14)),
    ];
    $made = Calibrator::fit($kit, $swatches);
    $kept = json_decode((string) json_encode($made->toArray()), true);
    $read = Calibration::fromArray($kept, $kit);
    $stack = Stack::parse('QW:6858@45 > QW:7432@40 > QW:4731@90');
    foreach (['rag', 'another'] as $paper) {
        $one = $made->predictor(Paper::cartridge($paper))->predict($stack);
        $other = $read->predictor(Paper::cartridge($paper))->predict($stack);
        expect($other->colour->differenceTo($one->colour))->toBeLessThan(1e-6)->and($other->sigma)->toEqualWithDelta($one->sigma, 1e-6);
    }
    expect($read->rests($swatches[1]))->toBeTrue()
        ->and($read->yardstick)->toBe('rag')
        ->and($read->pencils)->toEqual($made->pencils)
        ->and(Calibration::fromArray($kept, box(['QW:6858']))->knows(PencilId::of('QW:7432')))->toBeFalse()
        ->and(fn () => Calibration::fromArray(['format' => 'older'] + $kept, $kit))->toThrow(UnexpectedValueException::class, 'calibrate again');
});

it('goes by the table where nothing is swatched, and doubts it', function (): void {
    $calibration = Calibrator::fit(box(['QW:6858']), []);
    expect($calibration->yardstick)->toBeNull()->and($calibration->pencils)->toBe([])->and($calibration->suspicious)->toBe([])
        ->and($calibration->predictor(cartridge())->predict(Stack::parse('QW:6858@50'))->sigma)->toBeGreaterThan(1.8);
});

it('adds up what each layer by itself does', function (string $notation): void {
    $stack = Stack::parse($notation);
    $square = 0.0;
    foreach ($stack->steps as $at => $step) {
        if ($step->isLayer()) {
            $less = model()->draw($stack->with($at, $step->withPressure(0.95 * $step->pressurePercent)))->lab();
            $more = model()->draw($stack->with($at, $step->withPressure(1.05 * $step->pressurePercent)))->lab();
            $square += $less->differenceTo($more) ** 2;
        }
    }
    expect(Sensitivity::of(model(), $stack)->total())->toEqualWithDelta(sqrt($square), 1e-9);
})->with(['QW:6858@40', 'QW:6858@40 > QW:7432@45x2', 'QW:6858@40 > wash > QW:7432@40', 'QW:6858@30 > QW:7432@40x2 > QW:3737@45 > QW:6858@30 > QW:7432@40x2 > QW:3737@70']);

it('is told of a long stack in a time that grows with its steps, as a strip', function (): void {
    $ids = Tests\Core\pencils()->ids();
    $strip = static function (int $steps) use ($ids): float {
        $stack = Stack::parse(implode(' > ', array_map(static fn (int $i): string => $ids[3 * $i].'@45', range(0, $steps - 1))));
        $started = hrtime(true);
        expect((new Predictor(model()))->strip($stack))->toHaveCount($steps + 1);

        return (hrtime(true) - $started) / 1e6;
    };
    $strip(16);
    // Each prefix anew, layer by layer, was sixty times as much.
    expect($strip(32))->toBeLessThan(8.0 * $strip(16));
});
