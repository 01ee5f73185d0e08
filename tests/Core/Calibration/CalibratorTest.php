<?php

declare(strict_types=1);

use Prism\Calibration\Calibrator;
use Prism\Calibration\FullCoat;
use Prism\Calibration\Swatch;
use Prism\Colour\Bands;
use Prism\Colour\Lab;
use Prism\Colour\Reconstruction;
use Prism\Layering\Hand;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\Tooth;
use Prism\Layering\ToothModel;
use Prism\Materials\Binder;
use Prism\Materials\Kit;
use Prism\Materials\Opacity;
use Prism\Materials\Paper;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;

use function Tests\Core\box;
use function Tests\Core\cartridge;
use function Tests\Core\model;
use function Tests\Core\pencils;
use function Tests\Core\seen;

/** A swatch as another, true model would have come out. */
function swatch(ToothModel $truth, string $paper, string $steps): Swatch
{
    static $count = 0;

    return new Swatch('s'.++$count, $paper, Stack::parse($steps), $truth->draw(Stack::parse($steps))->lab());
}

/** Pencils without any colour of their own. */
function colourless(Kit $kit): Kit
{
    return Kit::of(array_map(
        static fn (Pencil $pencil): Pencil => new Pencil($pencil->id, $pencil->name, $pencil->binder, $pencil->opacity),
        iterator_to_array($kit),
    ));
}

const TRIED = ['QW:6858', 'QW:4731', 'QW:7432', 'QW:2616', 'LO:3512', 'LO:2627', 'QW:3769'];

it('learns from a few lifted swatches how much an eraser takes in this hand', function (): void {
    $hand = model()->hand->scaled(['liftShare' => 0.55]);
    $truth = new ToothModel(model()->tooth, $hand, model()->optics);
    $swatches = [swatch($truth, 'medium', '')];
    foreach (TRIED as $id) {
        array_push($swatches, swatch($truth, 'medium', "$id@30"), swatch($truth, 'medium', "$id@55x3"), swatch($truth, 'medium', "$id@90x2"));
    }
    foreach (['QW:6858', 'QW:7432', 'LO:3512'] as $id) {
        array_push($swatches, swatch($truth, 'medium', "$id@40x2 > lift"), swatch($truth, 'medium', "$id@55x3 > lift > lift > lift"));
    }
    $fitted = Calibrator::fit(box(TRIED), $swatches)->model(cartridge());
    foreach (['QW:2616@50x3 > lift > lift > lift', 'QW:3769@45x2 > QW:6858@50x2 > lift > lift'] as $steps) {
        expect(abs($fitted->draw(Stack::parse($steps))->lab()->L - $truth->draw(Stack::parse($steps))->lab()->L))->toBeLessThan(0.5);
    }
});

it('finds back pencils from one heavy swatch each', function (): void {
    $kit = box(TRIED);
    $swatches = [swatch(model(), 'medium', '')];
    foreach (TRIED as $id) {
        $swatches[] = swatch(model(), 'medium', "$id@30");
        $swatches[] = swatch(model(), 'medium', "$id@90x2");
    }
    $fitted = Calibrator::fit(colourless($kit), $swatches)->model(cartridge());
    foreach (['QW:6858@40 > QW:4731@50', 'QW:7432@55x3', 'LO:3512@60 > QW:2616@50 > wash', 'QW:3769@30 > LO:2627@70'] as $stack) {
        expect($fitted->draw(Stack::parse($stack))->lab()->differenceTo(seen($stack)))->toBeLessThan(3.5);
    }
});

it('reads a pencil from whatever coat there is', function (string $steps): void {
    $swatch = swatch(model(), 'medium', $steps);
    $fitted = Calibrator::fit(colourless(box(['QW:7432'])), [$swatch])->model(cartridge());
    expect($fitted->draw($swatch->stack)->lab()->differenceTo($swatch->colour))->toBeLessThan(0.2)
        ->and($fitted->draw(Stack::parse('QW:7432@60'))->lab()->differenceTo(seen('QW:7432@60')))->toBeLessThan(6.0);
})->with(['QW:7432@30', 'QW:7432@55', 'QW:7432@55x3', 'QW:7432@100']);

it('carries pencils over to a paper with few swatches, and finds its white and its tooth', function (): void {
    $smooth = Paper::of('smooth', 'Smooth', Lab::of(97, -0.5, 0.5), 0.6, 0.75);
    $truth = model($smooth);
    $swatches = [swatch(model(), 'medium', ''), new Swatch('white', 'smooth', Stack::of(), $smooth->colour)];
    foreach (TRIED as $id) {
        foreach (['@30', '@55', '@90x2'] as $coat) {
            $swatches[] = swatch(model(), 'medium', $id.$coat);
        }
    }
    foreach (['QW:6858', 'QW:7432'] as $id) {
        $swatches[] = swatch($truth, 'smooth', $id.'@30');
        $swatches[] = swatch($truth, 'smooth', $id.'@70');
    }
    $kit = colourless(box(TRIED));
    $knowing = Calibrator::fit($kit, $swatches)->model(Paper::cartridge('smooth'));
    $blind = Calibrator::fit($kit, array_values(array_filter($swatches, static fn (Swatch $s): bool => $s->paper === 'medium')))->model(Paper::cartridge('smooth'));
    $error = static function (ToothModel $model) use ($truth): float {
        $sum = 0.0;
        foreach (['QW:4731@50', 'LO:3512@40x2', 'QW:3769@40 > QW:2616@60', 'LO:2627@70'] as $stack) {
            $sum += $model->draw(Stack::parse($stack))->lab()->differenceTo($truth->draw(Stack::parse($stack))->lab());
        }

        return $sum / 4;
    };
    expect($error($knowing))->toBeLessThan(2.0)->and($error($knowing))->toBeLessThan(0.6 * $error($blind))
        ->and(Bands::toLab($knowing->tooth->reflectance)->L)->toEqualWithDelta(97.0, 0.01);
});

it('leaves swatches of other pencils and mixed stacks aside', function (): void {
    $swatches = [swatch(model(), 'medium', 'QW:6858@90x2'), swatch(model(), 'medium', 'QW:5925@60 > QW:6858@90')];
    $fitted = Calibrator::fit(colourless(box(['QW:6858'])), $swatches)->model(cartridge());
    expect(array_keys($fitted->optics))->toBe(['QW:6858']);
});

it('leaves a pencil out of which nothing is known, and starts one that only lies over others from grey', function (): void {
    $kit = colourless(box(['QW:6858', 'QW:7432', 'QW:4731']));
    $swatches = [swatch(model(), 'medium', 'QW:6858@30'), swatch(model(), 'medium', 'QW:6858@90x2')];
    foreach (['QW:6858@30 > QW:7432@50', 'QW:7432@40x2 > QW:6858@30', 'QW:6858@40 > QW:7432@80'] as $over) {
        $swatches[] = swatch(model(), 'medium', $over);
    }
    $calibration = Calibrator::fit($kit, $swatches);
    expect($calibration->knows(PencilId::of('QW:4731')))->toBeFalse()
        ->and($calibration->known($kit)->ids())->toBe(['QW:6858', 'QW:7432'])
        ->and($calibration->model(cartridge())->draw(Stack::parse('QW:7432@55'))->lab()->differenceTo(seen('QW:7432@55')))->toBeLessThan(8.0);
});

it('reproduces any measured coat, light or dark, clean or grey', function (float $L, float $a, float $b, Opacity $opacity, Binder $binder): void {
    $tooth = Tooth::of(Paper::cartridge());
    $measured = Reconstruction::smoothest(Lab::of($L, $a, $b), Bands::WEIGHTS);
    $pencil = new Pencil(PencilId::of('A:1'), 'One', $binder, $opacity);
    $optics = (new FullCoat($tooth, new Hand))->optics($pencil, $measured);
    $model = new ToothModel($tooth, new Hand, ['A:1' => $optics]);
    expect($model->draw(Stack::parse('A:1@90x2'))->lab()->differenceTo(Lab::of($L, $a, $b)))->toBeLessThan(1.2)
        ->and(min($optics->K))->toBeGreaterThanOrEqual(0.0)
        ->and(min($optics->S))->toBeGreaterThan(0.0);
})->with([
    [89, -5, 85], [30, 40, -75], [48, 62, 32], [92, 0, 8], [22, 0, -1], [45, -50, 5], [60, 5, 20],
])->with([[Opacity::Transparent], [Opacity::Semi], [Opacity::Opaque]])->with([[Binder::Wax], [Binder::Oil]]);

it('makes pale wax slick, oil hardly', function (): void {
    $slick = static fn (string $id): float => model()->opticsOf($id)->slick;
    expect($slick('QW:2616'))->toBeGreaterThan($slick('QW:3769'))
        ->and($slick('QW:3769'))->toBeGreaterThan($slick('LO:9257'))
        ->and($slick('LO:1979'))->toBeLessThan($slick('QW:2616'))
        ->and(model()->opticsOf('LO:9257')->drag)->toBeLessThan(model()->opticsOf('QW:3769')->drag);
});

it('takes the colour of a pencil table as a coat on white cartridge, whatever paper is drawn on', function (): void {
    $toned = Paper::of('toned', 'Toned', Lab::of(60, 2, 4));
    expect(model($toned)->opticsOf('QW:6858'))->toEqual(model()->opticsOf('QW:6858'));
    foreach (['QW:3737', 'LO:1781', 'QW:8785'] as $transparent) {
        // A transparent pencil cannot make a dark paper as light as white paper.
        expect(seen("$transparent@90x2", $toned)->L)->toBeLessThan(seen("$transparent@90x2")->L - 2.0);
    }
});

/** A studio with its own hand, paper noise and reader: about what an artist would swatch of these pencils. */
function studio(ToothModel $truth, array $ids, float $noise = 0.06): array
{
    mt_srand(7);
    $draw = static function (string $steps) use ($truth, $noise): Swatch {
        $stack = Stack::parse($steps);
        $shaken = Stack::of(...array_map(
            static fn (Step $step): Step => $step->isLayer() ? $step->withPressure(max(5.0, min(100.0, $step->pressurePercent * (1.0 + $noise * (mt_rand(-1000, 1000) / 577.0))))) : $step,
            $stack->steps,
        ));
        $seen = $truth->draw($shaken)->lab();

        return new Swatch(md5($steps), 'medium', $stack, Lab::of($seen->L + mt_rand(-30, 30) / 100, $seen->a + mt_rand(-30, 30) / 100, $seen->b + mt_rand(-30, 30) / 100));
    };
    $swatches = [$draw('')];
    foreach ($ids as $i => $id) {
        $next = $ids[($i + 3) % count($ids)];
        array_push($swatches, $draw("$id@30"), $draw("$id@55"), $draw("$id@55x3"), $draw("$id@90x2"), $draw("$id@50 > $next@45"));
    }

    return $swatches;
}

const STUDIO = ['QW:6858', 'QW:4731', 'QW:7432', 'QW:2616', 'LO:3512', 'LO:2627', 'QW:3769', 'QW:5925', 'QW:8785', 'LO:4841'];

/** Mean dE00 of stacks that were not swatched. */
function misses(ToothModel $fitted, ToothModel $truth): float
{
    $stacks = ['QW:6858@40 > QW:4731@50', 'QW:7432@40x2 > QW:3769@25', 'QW:5925@50 > QW:2616@90', 'LO:3512@60 > QW:8785@50 > wash', 'LO:4841@35x3', 'QW:3769@30 > LO:2627@70', 'QW:4731@60 > QW:5925@40 > LO:4841@30'];

    return array_sum(array_map(static fn (string $s): float => $fitted->draw(Stack::parse($s))->lab()->differenceTo($truth->draw(Stack::parse($s))->lab()), $stacks)) / count($stacks);
}

function otherHand(): ToothModel
{
    $hand = (new Hand)->scaled(['reachGain' => 1.1, 'depositGain' => 0.85, 'depositPower' => 1.12, 'scattering' => 1.2, 'waxDrag' => 0.8]);
    $kit = box(STUDIO);

    return new ToothModel(Tooth::of(Paper::cartridge()), $hand, Calibrator::fit($kit, [], hand: $hand)->model(cartridge())->optics);
}

it('learns another hand and its pencils from noisy swatches, and says how far it came', function (): void {
    $truth = otherHand();
    $shares = [];
    $calibration = Calibrator::fit(colourless(box(STUDIO)), studio($truth, STUDIO), progress: function (string $what, float $share) use (&$shares): void {
        $shares[] = $share;
    });
    expect(misses($calibration->model(cartridge()), $truth))->toBeLessThan(1.3)
        ->and($calibration->after)->toBeLessThan($calibration->before)
        ->and($calibration->pencils['QW:6858']['swatches'])->toBe(6)
        ->and($calibration->pencils['QW:6858']['after'])->toBeGreaterThan(0.0)
        ->and($shares[0])->toBe(0.0)->and(end($shares))->toBe(1.0);
});

it('is not led astray by a wrong swatch, and names it', function (): void {
    $truth = otherHand();
    $swatches = studio($truth, STUDIO);
    $swatches[7] = new Swatch('mistaken', 'medium', $swatches[7]->stack, Lab::of(40, -50, 30));
    $calibration = Calibrator::fit(colourless(box(STUDIO)), $swatches);
    expect(array_column($calibration->suspicious, 'id'))->toBe(['mistaken'])
        ->and(misses($calibration->model(cartridge()), $truth))->toBeLessThan(1.9);
});

it('refits a few pencils after new swatches and leaves the others and the hand alone', function (): void {
    $truth = otherHand();
    $old = studio($truth, STUDIO);
    $kit = colourless(box([...STUDIO, 'QW:3131']));
    $before = Calibrator::fit($kit, $old);
    $new = [swatch($truth = new ToothModel($truth->tooth, $truth->hand, $truth->optics + ['QW:3131' => model()->opticsOf('QW:3131')]), 'medium', 'QW:3131@50'), swatch($truth, 'medium', 'QW:3131@90x2')];
    $after = Calibrator::refit($before, $kit, [...$old, ...$new]);
    expect($before->knows(PencilId::of('QW:3131')))->toBeFalse()->and($after->knows(PencilId::of('QW:3131')))->toBeTrue()
        ->and($after->model(cartridge())->draw(Stack::parse('QW:3131@50'))->lab()->differenceTo($new[0]->colour))->toBeLessThan(1.5)
        ->and($after->fit->hand)->toEqual($before->fit->hand)
        ->and($after->fit->pencils['QW:6858']->offsets)->toBe($before->fit->pencils['QW:6858']->offsets)
        ->and($after->rests($new[0]))->toBeTrue()->and($before->rests($new[0]))->toBeFalse();
});

it('doubts more what it knows less', function (): void {
    $calibration = Calibrator::fit(box([...STUDIO, 'QW:3131']), studio(otherHand(), STUDIO));
    $sigma = static fn (string $stack, string $paper = 'medium'): float => $calibration->predictor(Paper::cartridge($paper))->predict(Stack::parse($stack))->sigma;
    expect($sigma('QW:6858@40'))->toBeLessThan($sigma('QW:6858@40 > QW:4731@40 > QW:7432@40'))
        ->and($sigma('QW:6858@40'))->toBeLessThan($sigma('QW:6858@40 > wash'))
        ->and($sigma('QW:6858@50'))->toBeLessThan($sigma('QW:6858@90'))
        ->and($sigma('QW:6858@40'))->toBeLessThan($sigma('QW:3131@40'))
        ->and($sigma('QW:6858@40'))->toBeLessThan($sigma('QW:6858@40', 'never swatched'))
        ->and($sigma(''))->toBeLessThan(1.0);
});

it('can be cancelled while it fits', function (): void {
    expect(fn () => Calibrator::fit(colourless(box(STUDIO)), studio(otherHand(), STUDIO), progress: function (): void {
        throw new RuntimeException('cancelled');
    }))->toThrow(RuntimeException::class, 'cancelled');
});

it('starts the pencils of a paper whose name is a number from their own coats, as of any other', function (): void {
    $swatches = static fn (string $paper): array => array_map(static fn (string $stack): Swatch => new Swatch($stack, $paper, Stack::parse($stack), Lab::of(62, 30, -12)), ['QW:6858@90x2', 'QW:6858@40', 'QW:7432@90x2']);
    $start = static fn (string $paper): array => Calibrator::fit(box(['QW:6858', 'QW:7432']), $swatches($paper))->toArray()['pencils'];
    expect($start('300'))->toEqual($start('sheet'));
});

it('takes a new reading of the bare paper into a refit', function (): void {
    $kit = box(['QW:6858']);
    $first = [new Swatch('w', 'm', Stack::of(), Lab::of(95, 0, 2)), new Swatch('a', 'm', Stack::parse('QW:6858@50'), seen('QW:6858@50'))];
    $known = Calibrator::fit($kit, $first);
    $again = Calibrator::refit($known, $kit, [...$first, new Swatch('v', 'm', Stack::of(), Lab::of(89, 1, 6))]);
    expect($known->model(Paper::cartridge('m'))->bare()->lab()->L)->toEqualWithDelta(95.0, 0.2)
        ->and($again->model(Paper::cartridge('m'))->bare()->lab()->L)->toEqualWithDelta(92.0, 0.2);
});

it('is no less sure of all its swatches for two that are wrong', function (): void {
    $kit = pencils();
    $good = array_map(static fn (string $id, int $i): Swatch => new Swatch("s$i", 'm', Stack::parse($id.'@'.(30 + $i % 5 * 12)), seen($id.'@'.(30 + $i % 5 * 12))), [...$kit->ids()], array_keys($kit->ids()));
    $noisy = array_map(static fn (Swatch $s, int $i): Swatch => new Swatch($s->id, 'm', $s->stack, Lab::of(min(100.0, $s->colour->L + 1.2 * sin(7 * $i)), $s->colour->a + 1.2 * cos(5 * $i), $s->colour->b + 1.2 * sin(3 * $i))), $good, array_keys($good));
    $wrong = $noisy;
    foreach ([11, 57] as $i) {
        $wrong[$i] = new Swatch("s$i", 'm', $noisy[$i]->stack, Lab::of(100.0 - $noisy[$i]->colour->L, -$noisy[$i]->colour->a, -$noisy[$i]->colour->b));
    }
    expect(Calibrator::fit($kit, $wrong)->scale)->toEqualWithDelta(Calibrator::fit($kit, $noisy)->scale, 0.1);
});
