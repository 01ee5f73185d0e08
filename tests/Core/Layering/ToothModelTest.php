<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\GrainSection;
use Prism\Layering\KubelkaMunk;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\UnknownPencil;
use Prism\Materials\PencilId;

use function Tests\Core\draw;
use function Tests\Core\model;
use function Tests\Core\pencils;
use function Tests\Core\seen;

function randomStack(int $steps): Stack
{
    $ids = pencils()->ids();
    $stack = Stack::of();
    for (; $steps > 0; $steps--) {
        $stack = $stack->then(match (mt_rand(0, 9)) {
            0 => Step::wash(),
            1 => Step::blend(),
            2 => Step::lift(),
            default => Step::layer(PencilId::of($ids[array_rand($ids)]), mt_rand(1, 100), mt_rand(1, 4)),
        });
    }

    return $stack;
}

it('agrees with the hyperbolic textbook form of Kubelka and Munk', function (): void {
    foreach ([[0.5, 1.0, 0.9], [3.0, 0.2, 0.4], [0.01, 2.0, 0.05], [8.0, 5.0, 1.0], [1e-3, 1e-3, 0.7]] as [$k, $s, $ground]) {
        $a = ($s + $k) / $s;
        $b = sqrt($a * $a - 1.0);
        $coth = 1.0 / tanh($b * $s);
        $textbook = (1.0 - $ground * ($a - $b * $coth)) / ($a - $ground + $b * $coth);
        expect(KubelkaMunk::film($k, $s, $ground))->toEqualWithDelta($textbook, 1e-9);
    }
});

it('is steady at the edges: no thickness, no scattering, no absorption, black and perfect grounds', function (): void {
    expect(KubelkaMunk::film(0.0, 0.0, 0.6))->toEqualWithDelta(0.6, 1e-12)
        // Without scattering: Lambert, there and back.
        ->and(KubelkaMunk::film(0.7, 0.0, 0.6))->toEqualWithDelta(0.6 * exp(-1.4), 1e-9)
        ->and(KubelkaMunk::film(0.0, 2.0, 0.0))->toEqualWithDelta(2.0 / 3.0, 1e-9)
        ->and(KubelkaMunk::film(0.0, 2.0, 1.0))->toEqualWithDelta(1.0, 1e-9)
        ->and(KubelkaMunk::film(500.0, 300.0, 0.5))->toBeGreaterThan(0.0)->toBeLessThan(1.0)
        ->and(KubelkaMunk::film(1e-13, 1e-13, 0.5))->toEqualWithDelta(0.5, 1e-9);
});

it('keeps reflectance within 0-1 and tooth within 0-1 for random stacks, and never refills itself', function (): void {
    mt_srand(5);
    for ($i = 0; $i < 300; $i++) {
        $stack = randomStack(mt_rand(1, 9));
        $passage = draw((string) $stack);
        expect(min($passage->reflectance))->toBeGreaterThanOrEqual(0.0)
            ->and(max($passage->reflectance))->toBeLessThanOrEqual(1.0)
            ->and($passage->toothLeft())->toBeGreaterThanOrEqual(0.0)->toBeLessThanOrEqual(1.0)
            ->and(min($passage->fill))->toBeGreaterThanOrEqual(0.0);
        // What is piled above the tooth stays within what full pressure can pile.
        expect(max($passage->fill))->toBeLessThanOrEqual((1.0 + model()->hand->pile) * max(model()->tooth->capacity));
        $layer = Step::layer(PencilId::of('QW:4132'), mt_rand(10, 100));
        expect(model()->apply($passage, $layer)->toothLeft())->toBeLessThanOrEqual($passage->toothLeft() + 1e-12);
    }
});

it('finds no room over film that was piled above the tooth, however pale and opaque what comes is', function (string $burnished, string $lighter): void {
    expect(seen("$burnished > $lighter")->differenceTo(seen($burnished)))->toBeLessThan(0.5);
})->with([
    'pressed, then dabbed' => ['QW:3546@82x3 > QW:5925@100x2 > lift > lift > lift', 'LO:9659@50x2'],
    'pressed' => ['QW:7958@90x5 > QW:2794@95x3', 'LO:9659@70x3'],
    'pressed harder' => ['QW:7958@95x5 > QW:2794@100x4', 'LO:9659@80x3'],
]);

it('predicts the same thing twice and does not change what it was given', function (): void {
    $base = draw('QW:6858@50 > QW:4731@40x2');
    $before = $base->lab();
    foreach (['QW:3769@90', 'wash', 'blend', 'lift'] as $step) {
        model()->draw(Stack::parse($step), $base);
    }
    expect($base->lab())->toEqual($before)->and(seen('QW:6858@50 > QW:4731@40x2'))->toEqual($before);
});

it('gives back the measured coat of every pencil', function (): void {
    foreach (pencils() as $id => $pencil) {
        // A white lighter than the paper under it is beyond what a film can do; the nearest is taken.
        expect(seen("$id@90x2")->differenceTo($pencil->fullCoat))->toBeLessThan($pencil->fullCoat->L > 94.0 ? 2.5 : 1.0);
    }
});

it('names the pencil that is not there', function (): void {
    expect(fn () => seen('QW:6858@50 > XX:1@50'))->toThrow(UnknownPencil::class, 'There is no pencil XX:1 here');
});

it('shows the colour after each step, and room that shrinks', function (): void {
    $predictor = new Predictor(model());
    $stack = Stack::parse('QW:4731@40 > QW:6858@50 > blend');
    $strip = $predictor->strip($stack);
    expect($strip)->toHaveCount(4)
        ->and($strip[0]->colour)->toEqual(seen(''))
        ->and($strip[3]->colour)->toEqual(seen((string) $stack))
        ->and($strip[1]->sigma)->toBeLessThan($strip[3]->sigma)
        ->and($predictor->room(draw('')))->toBeGreaterThan($predictor->room(draw('QW:6858@80x2')))
        ->and($predictor->room(draw('QW:6858@80x2 > blend')))->toBe(0);
});

it('cuts a section that adds up to what the tooth holds', function (): void {
    $passage = draw('QW:6858@35 > QW:4731@40 > QW:3769@30');
    $bins = GrainSection::of($passage, model()->tooth)->jsonSerialize();
    expect($bins)->toHaveCount(5)->and($bins[0]['films'])->toHaveCount(3);
    foreach ($bins as $i => $bin) {
        expect(array_sum(array_column($bin['films'], 'thickness')))->toEqualWithDelta($passage->fill[$i], 0.01);
    }
    expect($bins[0]['depth'])->toBeLessThan($bins[4]['depth'])
        ->and(Lab::fromHex($bins[0]['looks'])->L)->toBeLessThan(Lab::fromHex($bins[4]['looks'])->L);
});
