<?php

declare(strict_types=1);

use Prism\Maths\AreaSums;
use Prism\Maths\Correlation;

it('gives the mean of as much of a square as lies on the plane', function (): void {
    $values = [1.0, 2.0, 3.0, 4.0, 5.0, 6.0, 7.0, 8.0, 9.0];
    expect(AreaSums::of(3, 3, $values)->means(1, 2))->toEqual([3.0, 3.5, 4.0, 4.5, 5.0, 5.5, 6.0, 6.5, 7.0])
        ->and(AreaSums::of(3, 3, $values)->means(0, 1))->toEqual($values);
});

it('tells how far values rise and fall together, whatever their scale, each group about its own mean', function (): void {
    expect(Correlation::of([[[1.0, 10.0], [2.0, 20.0], [3.0, 30.0]]]))->toEqualWithDelta(1.0, 1e-12)
        ->and(Correlation::of([[[1.0, 3.0], [2.0, 2.0], [3.0, 1.0]]]))->toEqualWithDelta(-1.0, 1e-12)
        ->and(Correlation::of([[[0.0, 100.0], [1.0, 101.0]], [[50.0, 0.0], [51.0, 1.0]]]))->toEqualWithDelta(1.0, 1e-12)
        ->and(Correlation::of([[[1.0, 5.0], [1.0, 7.0]]]))->toBe(0.0);
});
