<?php

declare(strict_types=1);

use Prism\Colour\Adaptation;

const D65 = [0.95047, 1.0, 1.08883];
const D50 = [0.96422, 1.0, 0.82521];
const WARM = [1.09850, 1.0, 0.35585];

it('is the published Bradford matrix from D65 to D50', function (): void {
    $published = [[1.0478112, 0.0228866, -0.0501270], [0.0295424, 0.9904844, -0.0170491], [-0.0092345, 0.0150436, 0.7521316]];
    $matrix = Adaptation::matrix(D65, D50);
    foreach ($published as $i => $row) {
        foreach ($row as $j => $cell) {
            expect($matrix[$i][$j])->toEqualWithDelta($cell, 2e-5);
        }
    }
});

it('turns one white into the other', function (array $from, array $to): void {
    $white = Adaptation::apply(Adaptation::matrix($from, $to), $from);
    foreach ($to as $i => $value) {
        expect($white[$i])->toEqualWithDelta($value, 1e-5);
    }
})->with([[D65, D50], [D50, D65], [D50, WARM], [WARM, D65]]);

it('comes back to where it was', function (): void {
    $there = Adaptation::matrix(D50, WARM);
    $back = Adaptation::matrix(WARM, D50);
    foreach ([[0.2, 0.3, 0.1], [0.6, 0.5, 0.4], [0.05, 0.04, 0.2]] as $colour) {
        foreach (Adaptation::apply($back, Adaptation::apply($there, $colour)) as $i => $value) {
            expect($value)->toEqualWithDelta($colour[$i], 1e-5);
        }
    }
});

it('leaves all as it is when the eye does not follow, and goes the way in even parts', function (): void {
    $colour = [0.4, 0.35, 0.2];
    $none = Adaptation::apply(Adaptation::matrix(D50, WARM, 0.0), $colour);
    $half = Adaptation::apply(Adaptation::matrix(D50, WARM, 0.5), $colour);
    $whole = Adaptation::apply(Adaptation::matrix(D50, WARM, 1.0), $colour);
    foreach ($colour as $i => $value) {
        expect($none[$i])->toEqualWithDelta($value, 1e-6)->and($half[$i])->toEqualWithDelta(($none[$i] + $whole[$i]) / 2.0, 1e-9);
    }
});

it('is one change after another', function (): void {
    $first = Adaptation::matrix(D65, D50);
    $second = Adaptation::matrix(D50, WARM);
    $both = Adaptation::apply(Adaptation::product($second, $first), [0.3, 0.2, 0.5]);
    foreach (Adaptation::apply($second, Adaptation::apply($first, [0.3, 0.2, 0.5])) as $i => $value) {
        expect($both[$i])->toEqualWithDelta($value, 1e-9);
    }
});
