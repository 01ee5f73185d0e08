<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Colour\Words\Appearance;
use Prism\Materials\Binder;
use Prism\Materials\InvalidMaterial;
use Prism\Materials\Kit;
use Prism\Materials\Opacity;
use Prism\Materials\Paper;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;

use function Tests\Core\pencils;
use function Tests\Core\pencilsWhere;

it('writes a pencil as it is printed on the barrel', function (): void {
    expect((string) PencilId::of('qw:7184'))->toBe('QW:7184')
        ->and(PencilId::of('LO:6945')->range)->toBe('LO')
        ->and(PencilId::of('AB2:17-b')->number)->toBe('17-b');
});

it('refuses what is no pencil', function (string $id): void {
    expect(fn () => PencilId::of($id))->toThrow(InvalidMaterial::class, 'is not a pencil; write its range and number');
})->with(['', '204', 'QW', 'QW:', ':204', 'Q W:204', '1QW:204', 'QW:7184@35', 'QW:'.'1234567890123']);

it('keeps each pencil once, in box order', function (): void {
    $make = static fn (string $id): Pencil => new Pencil(PencilId::of($id), 'x', Binder::Wax);
    $kit = Kit::of([$make('QW:3'), $make('QW:1'), $make('LO:2')]);
    expect($kit->ids())->toBe(['QW:3', 'QW:1', 'LO:2'])
        ->and($kit)->toHaveCount(3)
        ->and($kit->has(PencilId::of('LO:2')))->toBeTrue()
        ->and($kit->has(PencilId::of('LO:3')))->toBeFalse()
        ->and($kit->only([PencilId::of('LO:2'), PencilId::of('QW:3')])->ids())->toBe(['LO:2', 'QW:3'])
        ->and($kit->where(fn (Pencil $pencil): bool => $pencil->id->range === 'QW')->ids())->toBe(['QW:3', 'QW:1'])
        ->and(fn () => Kit::of([$make('QW:3'), $make('QW:3')]))->toThrow(InvalidMaterial::class, 'in the box twice')
        ->and(fn () => $kit->get(PencilId::of('QW:9')))->toThrow(InvalidMaterial::class, 'QW:9 is not in the box')
        ->and(fn () => $kit->only([PencilId::of('QW:9')]))->toThrow(InvalidMaterial::class);
});

it('refuses papers that cannot be', function (float $roughness, float $capacity, float $adhesion, string $says): void {
    expect(fn () => Paper::of('p', 'P', Lab::of(95, 0, 0), $roughness, $capacity, $adhesion))->toThrow(InvalidMaterial::class, $says);
})->with([
    [0.0, 1.0, 1.0, 'roughness'],
    [9.0, 1.0, 1.0, 'roughness'],
    [1.0, 0.0, 1.0, 'capacity'],
    [1.0, NAN, 1.0, 'capacity'],
    [1.0, 1.0, -1.0, 'adhesion'],
]);

it('orders opacity by scattering', function (): void {
    expect(Opacity::Transparent->scattering())->toBeLessThan(Opacity::Semi->scattering())
        ->and(Opacity::Semi->scattering())->toBeLessThan(Opacity::Opaque->scattering());
});

// The demo ranges are a box an artist would call complete.

it('ships two ranges of sixty with numbers and names of their own', function (): void {
    $names = [];
    $counts = [];
    foreach (pencils() as $pencil) {
        $counts[$pencil->id->range][$pencil->binder->value] = ($counts[$pencil->id->range][$pencil->binder->value] ?? 0) + 1;
        $names[] = $pencil->name;
    }
    expect($counts)->toBe(['QW' => ['wax' => 60], 'LO' => ['oil' => 60]])->and(array_unique($names))->toHaveCount(120);
});

it('has a light and a dark for every hue in either range', function (string $range): void {
    foreach (['red', 'orange', 'yellow', 'green', 'blue', 'violet'] as $place => $hue) {
        $near = pencilsWhere(static function (Pencil $pencil, Lab $coat) use ($range, $place): bool {
            $position = Appearance::of($coat)->wheelPosition;

            return $pencil->id->range === $range && $coat->chroma() > 7.0 && min(abs($position - 3 * $place), 18 - abs($position - 3 * $place)) <= 1.6;
        });
        $lightness = array_map(static fn (string $id): float => Tests\Core\seen($id.'@90x2')->L, $near);
        expect(max($lightness))->toBeGreaterThan(65.0, "a light $hue in $range")
            ->and(min($lightness))->toBeLessThan(66.0, "a dark $hue in $range");
    }
})->with(['QW', 'LO']);

it('has browns that lean differently, warm and cool greys, blacks and whites', function (): void {
    $families = array_map(static fn (string $id): string => Appearance::of(Tests\Core\seen($id.'@90x2'))->family->word(), pencils()->ids());
    foreach (['brown', 'brown with some red', 'brown with some yellow', 'dark brown', 'warm grey', 'cool grey', 'black', 'white'] as $family) {
        expect($families)->toContain($family);
    }
});

it('has an opaque and a translucent white, cream and ivory, and darks of blue and violet', function (): void {
    $of = static fn (string $id): Pencil => pencils()->get(PencilId::of($id));
    expect($of('QW:1823')->opacity)->toBe(Opacity::Opaque)->and($of('LO:1346')->opacity)->not->toBe(Opacity::Opaque)
        ->and($of('QW:2616')->fullCoat?->L)->toBeGreaterThan(88.0)->and($of('LO:9659')->fullCoat?->L)->toBeGreaterThan(88.0)
        ->and($of('LO:9871')->fullCoat?->L)->toBeLessThan(25.0)->and($of('LO:3895')->fullCoat?->L)->toBeLessThan(25.0);
});

it('takes a pencil by its own number only', function (): void {
    foreach (["GW:2140\n", "\nGW:2140", 'GW:2140 '] as $id) {
        expect(fn () => PencilId::of($id))->toThrow(InvalidMaterial::class);
    }
});
