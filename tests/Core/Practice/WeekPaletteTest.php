<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Colour\Wheel;
use Prism\Colour\Words\Family;
use Prism\Colour\Words\FamilyKind;
use Prism\Practice\PracticeRefused;
use Prism\Practice\WeekPalette;

use function Tests\Core\pencils;

it('chooses six different pencils without the family of the zone, with a neighbour to each side', function (Lab $middle): void {
    $coats = pencils()->coats();
    foreach (range(1, 12) as $seed) {
        $palette = WeekPalette::of($coats, $middle, $seed);
        expect(array_unique($palette->pencils))->toHaveCount(WeekPalette::SIZE)->and($palette->gap)->toBe(Family::of($middle)->kind);
        $sides = [];
        foreach ($palette->pencils as $pencil) {
            // What is to be mixed is not among them, nor what mixes nothing.
            expect(Family::of($coats[$pencil])->kind)->not->toBeIn([$palette->gap, FamilyKind::Black, FamilyKind::White]);
            $by = fmod(Wheel::position($coats[$pencil]->hueDegrees()) - Wheel::position($middle->hueDegrees()) + 36.0, 18.0);
            if ($coats[$pencil]->chroma() >= 20.0 && min($by, 18.0 - $by) <= 7.0 && min($by, 18.0 - $by) >= 1.5) {
                $sides[$by < 9.0 ? 'on' : 'back'] = true;
            }
        }
        // What mixes it lies to either side of it.
        expect($sides)->toHaveCount(2);
        $L = array_map(static fn (string $pencil): float => $coats[$pencil]->L, $palette->pencils);
        $sorted = $L;
        rsort($sorted);
        expect($L)->toBe($sorted)->and($L[0] - $L[5])->toBeGreaterThan(40.0);
    }
})->with([
    'green' => [Lab::of(55, -30, 20)], 'orange' => [Lab::of(60, 35, 50)], 'blue' => [Lab::of(45, 0, -35)], 'red' => [Lab::of(45, 50, 25)],
    'brown' => [Lab::of(40, 12, 18)], 'violet' => [Lab::of(40, 25, -25)], 'warm grey' => [Lab::of(60, 3, 7)],
]);

it('is the same for the same week, and refuses a box without six such pencils', function (): void {
    $coats = pencils()->coats();
    $middle = Lab::of(55, -30, 20);
    expect(WeekPalette::of($coats, $middle, 48))->toEqual(WeekPalette::of($coats, $middle, 48))
        ->and(fn () => WeekPalette::of(array_slice($coats, 0, 5, true), $middle, 1))->toThrow(PracticeRefused::class, 'This takes at least 6 pencils that are not green; your box has');
});
