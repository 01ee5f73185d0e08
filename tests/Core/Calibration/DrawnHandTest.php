<?php

declare(strict_types=1);

use Prism\Calibration\Calibrator;
use Prism\Calibration\DrawnHand;
use Prism\Calibration\HandFit;
use Prism\Calibration\HandReading;
use Prism\Colour\Lab;
use Prism\Layering\Hand;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\ToothModel;
use Prism\Materials\Paper;

use function Tests\Core\model;
use function Tests\Core\pencils;
use function Tests\Core\seen;

const HAND_PENCILS = ['QW:7432', 'QW:6858', 'QW:2794', 'QW:3737', 'LO:3512', 'LO:4719', 'QW:3769', 'QW:5925'];

/** @return list<string> */
function handStacks(): array
{
    return array_merge(...array_map(static fn (string $pencil): array => ["$pencil@35x2", "$pencil@50x3", "QW:2794@30 > $pencil@45x2"], HAND_PENCILS));
}

/** @return list<HandReading> as a hand that presses so much harder is seen, each read with a little error, some otherwise altogether */
function readings(float $by, int $wrong = 0): array
{
    return array_map(static function (string $notation, int $i) use ($by, $wrong): HandReading {
        $stack = Stack::parse($notation);
        $seen = seen((string) Stack::of(...array_map(static fn (Step $step): Step => $step->pressing($by), $stack->steps)));

        return new HandReading($notation, $stack, $i < $wrong ? Lab::of(40.0, 30.0, -30.0) : Lab::of($seen->L + 1.5 * sin(3.0 * $i), $seen->a + cos(5.0 * $i), $seen->b), new Predictor(model()));
    }, handStacks(), array_keys(handStacks()));
}

it('tells a hand that presses harder or lighter than its swatches by how much, some wrong readings or not', function (float $by, int $wrong, string $words): void {
    $hand = DrawnHand::of(readings($by, $wrong)) ?? throw new LogicException('No hand was told.');
    expect($hand->factor)->toEqualWithDelta($by, 0.05)->and($hand->words())->toContain($words)->and($hand->places)->toBe(count(handStacks()));
})->with([[1.25, 0, 'heavier'], [0.8, 0, 'lighter'], [1.25, 3, 'heavier'], [0.75, 3, 'lighter']]);

it('says nothing of a hand that presses as its swatches do, nor by few places', function (): void {
    expect(DrawnHand::of(readings(1.0)))->toBeNull()->and(DrawnHand::of(array_slice(readings(1.3), 0, DrawnHand::FEWEST - 1)))->toBeNull();
});

it('lays with a learnt hand what its swatches\' hand lays pressing harder, and comes back from where it is kept', function (): void {
    $hand = HandFit::from(new Hand)->pressing(1.2)->pressing(0.9);
    expect($hand->weight())->toEqualWithDelta(1.08, 1e-12)->and(HandFit::fromArray(json_decode((string) json_encode($hand->toArray()), true)))->toEqual($hand);
    // As it was kept before hands were learnt.
    $old = HandFit::from(new Hand)->toArray();
    unset($old['start']['weight']);
    expect(HandFit::fromArray($old)->weight())->toBe(1.0);
    $known = model();
    $heavy = new ToothModel($known->tooth, $known->hand->scaled(['weight' => 1.25]), $known->optics);
    expect($heavy->draw(Stack::parse('QW:7432@40x2 > QW:2794@60'))->lab())->toEqual(seen('QW:7432@50x2 > QW:2794@75'))
        // Nobody presses harder than one can.
        ->and($heavy->draw(Stack::parse('QW:7432@95'))->lab())->toEqual(seen('QW:7432@100'));
    $calibration = Calibrator::fit(pencils(), [])->pressing(1.25);
    expect($calibration->predictor(Paper::cartridge())->model->hand->weight)->toBe(1.25);
});
