<?php

declare(strict_types=1);

use Prism\Calibration\FullCoat;
use Prism\Calibration\ModelBuilder;
use Prism\Calibration\Swatch;
use Prism\Colour\Bands;
use Prism\Colour\Lab;
use Prism\Colour\Reconstruction;
use Prism\Layering\Hand;
use Prism\Layering\Stack;
use Prism\Layering\Tooth;
use Prism\Layering\ToothModel;
use Prism\Materials\Binder;
use Prism\Materials\InvalidMaterial;
use Prism\Materials\Kit;
use Prism\Materials\Opacity;
use Prism\Materials\Paper;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;

use function Tests\Core\box;
use function Tests\Core\cartridge;
use function Tests\Core\model;
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

const TRIED = ['QW:404', 'QW:116', 'QW:201', 'QW:107', 'LO:7206', 'LO:7511', 'QW:722'];

it('finds back pencils from one heavy swatch each', function (): void {
    $kit = box(TRIED);
    $swatches = [swatch(model(), 'medium', '')];
    foreach (TRIED as $id) {
        $swatches[] = swatch(model(), 'medium', "$id@30");
        $swatches[] = swatch(model(), 'medium', "$id@90x2");
    }
    $fitted = ModelBuilder::for(Paper::cartridge(), $swatches)->build(colourless($kit));
    foreach (['QW:404@40 > QW:116@50', 'QW:201@55x3', 'LO:7206@60 > QW:107@50 > wash', 'QW:722@30 > LO:7511@70'] as $stack) {
        expect($fitted->draw(Stack::parse($stack))->lab()->differenceTo(seen($stack)))->toBeLessThan(3.5);
    }
});

it('takes the heaviest of several swatches of a pencil', function (): void {
    $kit = colourless(box(['QW:404']));
    $heavy = swatch(model(), 'medium', 'QW:404@90x2');
    $light = new Swatch('wrong', 'medium', Stack::parse('QW:404@20'), Lab::of(30, 60, 40));
    foreach ([[$heavy, $light], [$light, $heavy]] as $swatches) {
        $fitted = ModelBuilder::for(Paper::cartridge(), $swatches)->build($kit);
        expect($fitted->draw(Stack::parse('QW:404@90x2'))->lab()->differenceTo($heavy->colour))->toBeLessThan(0.2);
    }
});

it('reads a pencil from whatever coat there is', function (string $steps): void {
    $swatch = swatch(model(), 'medium', $steps);
    $fitted = ModelBuilder::for(Paper::cartridge(), [$swatch])->build(colourless(box(['QW:201'])));
    expect($fitted->draw($swatch->stack)->lab()->differenceTo($swatch->colour))->toBeLessThan(0.2)
        ->and($fitted->draw(Stack::parse('QW:201@60'))->lab()->differenceTo(seen('QW:201@60')))->toBeLessThan(6.0);
})->with(['QW:201@30', 'QW:201@55', 'QW:201@55x3', 'QW:201@100']);

it('carries pencils over to a paper with few swatches, and finds its white and its tooth', function (): void {
    $smooth = Paper::of('smooth', 'Smooth', Lab::of(97, -0.5, 0.5), 0.6, 0.75);
    $truth = model($smooth);
    $swatches = [swatch(model(), 'medium', ''), new Swatch('white', 'smooth', Stack::of(), $smooth->colour)];
    foreach (TRIED as $id) {
        foreach (['@30', '@55', '@90x2'] as $coat) {
            $swatches[] = swatch(model(), 'medium', $id.$coat);
        }
    }
    foreach (['QW:404', 'QW:201'] as $id) {
        $swatches[] = swatch($truth, 'smooth', $id.'@30');
        $swatches[] = swatch($truth, 'smooth', $id.'@70');
    }
    $kit = colourless(box(TRIED));
    $knowing = ModelBuilder::for(Paper::cartridge('smooth'), $swatches)->build($kit);
    $blind = ModelBuilder::for(Paper::cartridge('smooth'), array_values(array_filter($swatches, static fn (Swatch $s): bool => $s->paper === 'medium')))->build($kit);
    $error = static function (ToothModel $model) use ($truth): float {
        $sum = 0.0;
        foreach (['QW:116@50', 'LO:7206@40x2', 'QW:722@40 > QW:107@60', 'LO:7511@70'] as $stack) {
            $sum += $model->draw(Stack::parse($stack))->lab()->differenceTo($truth->draw(Stack::parse($stack))->lab());
        }

        return $sum / 4;
    };
    expect($error($knowing))->toBeLessThan(2.0)->and($error($knowing))->toBeLessThan(0.6 * $error($blind))
        ->and(Bands::toLab($knowing->tooth->reflectance)->L)->toEqualWithDelta(97.0, 0.01);
});

it('leaves swatches of other pencils and mixed stacks aside', function (): void {
    $swatches = [swatch(model(), 'medium', 'QW:404@90x2'), swatch(model(), 'medium', 'QW:513@60 > QW:404@90')];
    $fitted = ModelBuilder::for(Paper::cartridge(), $swatches)->build(colourless(box(['QW:404'])));
    expect(array_keys($fitted->optics))->toBe(['QW:404']);
});

it('refuses a pencil of which nothing is known', function (): void {
    expect(fn () => ModelBuilder::for(cartridge())->build(colourless(box(['QW:404']))))->toThrow(InvalidMaterial::class, 'Pencil QW:404 has no colour');
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
    expect($slick('QW:107'))->toBeGreaterThan($slick('QW:722'))
        ->and($slick('QW:722'))->toBeGreaterThan($slick('LO:7642'))
        ->and($slick('LO:7008'))->toBeLessThan($slick('QW:107'))
        ->and(model()->opticsOf('LO:7642')->drag)->toBeLessThan(model()->opticsOf('QW:722')->drag);
});

it('takes the colour of a pencil table as a coat on white cartridge, whatever paper is drawn on', function (): void {
    $toned = Paper::of('toned', 'Toned', Lab::of(60, 2, 4));
    expect(model($toned)->opticsOf('QW:404'))->toEqual(model()->opticsOf('QW:404'));
    foreach (['QW:113', 'LO:7023', 'QW:219'] as $transparent) {
        // A transparent pencil cannot make a dark paper as light as white paper.
        expect(seen("$transparent@90x2", $toned)->L)->toBeLessThan(seen("$transparent@90x2")->L - 2.0);
    }
});
