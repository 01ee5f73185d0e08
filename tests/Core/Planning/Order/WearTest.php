<?php

declare(strict_types=1);

use Prism\Layering\Step;
use Prism\Materials\PencilId;
use Prism\Planning\Order\Wear;

function laidWith(string $pencil, float $pressure, int $coats, float $mm2): array
{
    return [Step::layer(PencilId::of($pencil), $pressure, $coats), $mm2];
}

it('takes more of a pencil that is laid harder, oftener and further', function (): void {
    $mm = static fn (float $pressure, int $coats, float $mm2): float => Wear::of([laidWith('QW:2616', $pressure, $coats, $mm2)])['QW:2616'];
    expect($mm(80, 1, 1000))->toEqualWithDelta(2 * $mm(40, 1, 1000), 1e-9)
        ->and($mm(40, 3, 1000))->toEqualWithDelta(3 * $mm(40, 1, 1000), 1e-9)
        ->and($mm(40, 1, 5000))->toEqualWithDelta(5 * $mm(40, 1, 1000), 1e-9);
});

it('takes some millimetres for one easy coat of a postcard, and parts what each pencil lays', function (): void {
    $mm = Wear::of([laidWith('QW:2616', 50, 1, 105 * 148), laidWith('QW:5925', 50, 1, 1000), laidWith('QW:2616', 50, 1, 0), [Step::wash(), 5000.0]]);
    expect($mm['QW:2616'])->toBeGreaterThan(2.0)->toBeLessThan(12.0)->and(array_keys($mm))->toBe(['QW:2616', 'QW:5925']);
});

it('runs short where a stub that was measured ends in the holder, and no spare lies in the drawer', function (?float $left, float $needed, int $spare, bool $short): void {
    expect(Wear::runsShort($left, $needed, $spare))->toBe($short);
})->with([
    'enough' => [60.0, 20.0, 0, false],
    'too little' => [40.0, 20.0, 0, true],
    'a spare' => [40.0, 20.0, 1, false],
    'not measured' => [null, 200.0, 0, false],
]);
