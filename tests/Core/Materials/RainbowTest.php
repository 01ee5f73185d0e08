<?php

declare(strict_types=1);

use Prism\Box\Rainbow;
use Prism\Colour\Lab;
use Prism\Colour\Words\Family;

use function Tests\Core\pencils;

// The box as a rainbow.

/** @return array<string, Lab> the colours of the table of names, by name */
function named(): array
{
    return array_map(static fn (array $entry): Lab => Lab::fromHex($entry[0]), require __DIR__.'/../Colour/names.php');
}

/**
 * @param  list<string>  $order
 * @param  array<string, Lab>  $colours
 * @return list<string> families in their order, each stretch of one told once
 */
function stretches(array $order, array $colours): array
{
    $families = [];
    foreach ($order as $key) {
        $kind = Family::of($colours[$key])->kind;
        $word = $kind->isBrown() ? 'brown' : $kind->value;
        if ($word !== end($families)) {
            $families[] = $word;
        }
    }

    return $families;
}

it('has every pencil once, family after family round the wheel, then browns, greys, black and white', function (bool $byValue): void {
    $order = Rainbow::order(named(), $byValue);
    expect($order)->toHaveCount(125)->and(array_unique($order))->toHaveCount(125)
        ->and(stretches($order, named()))->toBe(['pink', 'red', 'flesh', 'orange', 'yellow', 'green', 'blue', 'violet', 'brown', 'warm grey', 'grey', 'cool grey', 'black', 'white']);
    $coats = array_filter(array_map(static fn ($pencil): ?Lab => $pencil->fullCoat, iterator_to_array(pencils())));
    $families = stretches(Rainbow::order($coats, $byValue), $coats);
    expect(array_unique($families))->toHaveCount(count($families));
})->with(['light beside dark' => false, 'light to dark' => true]);

it('goes through each family from its one neighbour to the other', function (): void {
    $place = array_flip(Rainbow::order(named()));
    foreach ([['bright pink', 'salmon'], ['carmine', 'scarlet'], ['deep orange', 'amber'], ['golden yellow', 'lemon'], ['lime', 'sea green'], ['lagoon', 'deep blue'], ['pale violet', 'purple'], ['brick', 'tobacco']] as [$first, $then]) {
        expect($place[$first])->toBeLessThan($place[$then]);
    }
});

it('has light beside dark of one hue, or every family from light to dark', function (): void {
    $blues = ['light' => Lab::of(75, -4, -24), 'dark' => Lab::of(30, -5, -30), 'violet-blue' => Lab::of(50, 14, -45), 'pale violet-blue' => Lab::of(78, 3, -19)];
    expect(Rainbow::order($blues))->toBe(['light', 'dark', 'violet-blue', 'pale violet-blue'])
        ->and(Rainbow::order($blues, byValue: true))->toBe(['pale violet-blue', 'light', 'violet-blue', 'dark']);
});

it('lays out none and one', function (): void {
    expect(Rainbow::order([]))->toBe([])->and(Rainbow::order(['7' => Lab::of(50, 0, 0)]))->toBe(['7']);
});
