<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Planning\Parcel;
use Prism\Reference\Zones\TargetRole;

it('gives back values of the core as they were', function (): void {
    $packed = ['colour' => Lab::of(50, 10, -20), 'role' => TargetRole::Dark, 'numbers' => [1, 2.5, null]];
    expect(Parcel::unpack(Parcel::pack($packed)))->toEqual($packed);
});

it('makes no object of a class that is not the core\'s, and says nothing of damaged bytes', function (): void {
    expect(Parcel::unpack(serialize(new ArrayObject([1]))))->not->toBeInstanceOf(ArrayObject::class)
        ->and(Parcel::unpack(substr(Parcel::pack([1, 2, 3]), 0, 9)))->toBeFalse();
});
