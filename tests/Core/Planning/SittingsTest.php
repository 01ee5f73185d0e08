<?php

declare(strict_types=1);

use Prism\Layering\Stack;
use Prism\Planning\Order\PencilShares;
use Prism\Planning\Order\Sittings;

it('takes presses within a break for one sitting, longer ones apart, and its minutes are those between its times', function (): void {
    $minute = 60;
    $sittings = Sittings::of([0, 10 * $minute, 54 * $minute, 100 * $minute, 103 * $minute]);
    expect($sittings)->toHaveCount(2)
        ->and($sittings[0])->toBe(['from' => -6 * $minute, 'to' => 54 * $minute, 'minutes' => 60.0, 'presses' => 3])
        ->and($sittings[1])->toBe(['from' => 94 * $minute, 'to' => 103 * $minute, 'minutes' => 9.0, 'presses' => 2])
        // In whatever order they come.
        ->and(Sittings::of([600, 0, 300]))->toBe(Sittings::of([0, 300, 600]))->and(Sittings::of([]))->toBe([]);
});

it('shares a drawing among its pencils by paper times coats', function (): void {
    $step = static fn (string $notation) => Stack::parse($notation)->steps[0];
    $shares = PencilShares::of([[$step('QW:5892@50x2'), 100.0], [$step('QW:6858@50'), 500.0], [$step('QW:5892@30x1'), 100.0], [$step('wash'), 900.0]]);
    expect(array_keys($shares))->toBe(['QW:6858', 'QW:5892'])->and($shares['QW:6858'])->toEqualWithDelta(0.625, 1e-9)->and(array_sum($shares))->toEqualWithDelta(1.0, 1e-9)
        ->and(PencilShares::of([]))->toBe([]);
});
