<?php

declare(strict_types=1);

use Prism\Layering\Film;
use Prism\Layering\Hand;
use Prism\Layering\KubelkaMunk;
use Prism\Layering\Tooth;
use Prism\Layering\Touch;

use function Tests\Core\model;

const THICK = [0.5, 0.3, 0.2, 0.1, 0.02];

function touchOf(string $id, float $pressure = 0.4, float $passes = 1.0): Touch
{
    return model()->touch(model()->opticsOf($id), $pressure, $passes);
}

function ground(float $reflectance = 0.8): array
{
    return array_fill(0, 12 * Tooth::BINS, $reflectance);
}

function meanOf(array $byBin): float
{
    return array_sum(array_map(static fn (float $t, float $share): float => $t * $share, $byBin, Tooth::SHARES));
}

it('looks the same whichever way it is computed', function (): void {
    foreach (['QW:6858', 'QW:1823', 'QW:3769', 'LO:5493'] as $id) {
        $touch = touchOf($id);
        $alone = KubelkaMunk::coat($touch, THICK, ground());
        $mixed = Film::mixture([Film::of($touch, THICK)], 0.5)->over(ground());
        foreach ($alone as $i => $value) {
            // And as the plain form of one film has it.
            $bin = $i % Tooth::BINS;
            $plain = KubelkaMunk::film(THICK[$bin] * $touch->K[intdiv($i, Tooth::BINS)], THICK[$bin] * $touch->S[intdiv($i, Tooth::BINS)], 0.8);
            expect($plain)->toEqualWithDelta($value, 1e-9);
            expect($mixed[$i])->toEqualWithDelta($value, 1e-9);
        }
    }
});

it('is as two films of half the thickness, one on the other', function (): void {
    $touch = touchOf('QW:7432');
    $half = array_map(static fn (float $t): float => $t / 2, THICK);
    $once = KubelkaMunk::coat($touch, THICK, ground());
    $twice = KubelkaMunk::coat($touch, $half, KubelkaMunk::coat($touch, $half, ground()));
    foreach ($once as $i => $value) {
        expect($twice[$i])->toEqualWithDelta($value, 1e-9);
    }
});

it('adds up optical depths in a mixture', function (): void {
    $blue = Film::of(touchOf('QW:6858'), THICK);
    $yellow = Film::of(touchOf('QW:4731'), array_reverse(THICK));
    $mixture = Film::mixture([$blue, $yellow], 0.3);
    foreach (range(0, Tooth::BINS - 1) as $bin) {
        [$k, $s] = $mixture->depths($bin);
        [$k1, $s1] = $blue->depths($bin);
        [$k2, $s2] = $yellow->depths($bin);
        expect($mixture->thickness[$bin])->toEqualWithDelta($blue->thickness[$bin] + $yellow->thickness[$bin], 1e-12)
            ->and($k[4])->toEqualWithDelta($k1[4] + $k2[4], 1e-12)->and($s[7])->toEqualWithDelta($s1[7] + $s2[7], 1e-12);
    }
});

it('keeps its pigment when it flows, loses a share when it is thinned', function (): void {
    $film = Film::of(touchOf('QW:6858'), THICK);
    $flowed = $film->levelled(0.7);
    $thinned = $film->thinned([0.5, 1.0, 0.0, 0.25, 1.0]);
    expect(meanOf($flowed->thickness))->toEqualWithDelta(meanOf(THICK), 1e-12)
        ->and(max($flowed->thickness) - min($flowed->thickness))->toEqualWithDelta(0.3 * (0.5 - 0.02), 1e-12)
        ->and($film->levelled(1.0)->thickness[4])->toEqualWithDelta(meanOf(THICK), 1e-7)
        ->and($thinned->thickness)->toBe([0.25, 0.3, 0.0, 0.025, 0.02]);
    [$k] = $thinned->depths(2);
    expect(max($k))->toBe(0.0);
});

it('gets stronger and clearer without getting thicker', function (): void {
    $film = Film::of(touchOf('QW:2616'), THICK);
    [$k, $s] = $film->depths(0);
    $strong = $film->strengthened(1.5, 0.4);
    [$strongK, $strongS] = $strong->depths(0);
    expect($strong->thickness)->toBe($film->thickness)
        ->and($strongK[3])->toEqualWithDelta(1.5 * $k[3], 1e-12)->and($strongS[3])->toEqualWithDelta(0.6 * $s[3], 1e-12);
});

it('is denser, clearer, tighter and firmer the harder it is laid', function (): void {
    $light = touchOf('QW:6858', 0.3);
    $heavy = touchOf('QW:6858', 0.95);
    expect($heavy->K[5])->toBeGreaterThan($light->K[5])
        ->and($heavy->S[5] / $heavy->K[5])->toBeLessThan($light->S[5] / $light->K[5])
        ->and($heavy->loose)->toBeLessThan($light->loose)
        ->and($heavy->rate)->toBeGreaterThan($light->rate)->and($heavy->limit)->toBeGreaterThan($light->limit)
        ->and($light->firm)->toBeFalse()->and($heavy->firm)->toBeTrue()
        ->and($light->levels)->toBe(0.0)->and($heavy->levels)->toBeGreaterThan(0.2)
        ->and(touchOf('QW:6858', 0.95, 3.0)->levels)->toBeGreaterThan($heavy->levels)
        ->and(Hand::mixing(0.5))->toBe(0.0)->and(Hand::mixing(1.0))->toBe(1.0);
    foreach ([$light, $heavy] as $touch) {
        $contact = $touch->contact;
        rsort($contact);
        // Peaks are touched before valleys.
        expect($touch->contact)->toBe($contact);
    }
});
