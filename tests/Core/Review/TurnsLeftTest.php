<?php

declare(strict_types=1);

use Prism\Layering\Stack;
use Prism\Review\TurnsLeft;

it('counts a pencil as one turn wherever it goes, and the eraser as one however many dabs', function (string $steps, int $turns): void {
    expect((new TurnsLeft(3))->for(Stack::parse($steps)))->toBe($turns);
})->with([
    ['QW:6858@40', 1],
    ['QW:6858@40 > QW:2794@30', 2],
    ['lift', 1],
    ['lift > lift > lift', 1],
    ['lift > lift > QW:6858@40', 2],
]);

it('takes no turn more for what is in the hand already, and has none left when all are taken', function (): void {
    $left = (new TurnsLeft(2))->after(Stack::parse('lift > QW:6858@40'));
    expect($left->turns)->toBe(0)->and($left->inHand)->toBe(['lift', 'QW:6858'])
        ->and($left->for(Stack::parse('QW:6858@20')))->toBe(0)->and($left->for(Stack::parse('QW:6858@20 > QW:2794@20')))->toBe(1)
        // With those one may go on elsewhere in the zone.
        ->and($left->areOver())->toBeFalse()->and($left->after(Stack::parse('QW:6858@20')))->toEqual($left)
        ->and((new TurnsLeft(0))->areOver())->toBeTrue()->and((new TurnsLeft(1))->areOver())->toBeFalse();
});
