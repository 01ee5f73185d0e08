<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Planning\Gradient\ZoneJoin;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
use Prism\Reference\Light\ZoneLight;
use Prism\Reference\Zones\Distance;
use Prism\Reference\Zones\FormGradient;
use Prism\Reference\Zones\TargetRole;
use Prism\Schools\Surface;

/** @param  array<string, float>  $values  L* by role */
function valued(array $values, ?FormGradient $gradient, float $share = 0.25): PictureZone
{
    $targets = [];
    foreach ($values as $role => $L) {
        $targets[] = new PictureTarget("t-$role", TargetRole::from($role), Lab::of($L, 0, 0), Lab::of(50, 0, 0), 0.3);
    }

    return new PictureZone('z', 'zone', 1, $share, 2, Surface::Soft, ZoneLight::Lit, Distance::Near, true, null, [], $targets, gradient: $gradient);
}

it('joins light, middle and dark of a zone along its form, whatever else is found in it', function (): void {
    $form = new FormGradient(270.0, 0.2, [80.0, 80.0, 60.0, 60.0, 60.0, 60.0, 60.0, 30.0]);
    $join = ZoneJoin::of(valued(['dark' => 30, 'accent' => 95, 'light' => 80, 'middle' => 60], $form), 240, 180);
    expect($join->towards)->toBe('below')->and($join->lengthMm)->toEqualWithDelta(48.0, 1e-9)->and($join->steps)->toBe(5)
        ->and(array_column($join->spans, 'target'))->toBe(['t-light', 't-middle', 't-dark'])
        ->and($join->spans[2]['toMm'])->toEqualWithDelta(48.0, 1e-9)->and($join->jsonSerialize()['spans'][1]['from'])->toBeFloat();
});

it('takes the side of a square of its area where the form goes no one way', function (): void {
    $join = ZoneJoin::of(valued(['light' => 80, 'dark' => 30], null), 240, 180);
    expect($join->towards)->toBeNull()->and($join->lengthMm)->toEqualWithDelta(sqrt(0.25 * 240 * 180), 1e-9)->and($join->steps)->toBe(3);
});

it('joins nothing in a zone of one value, or in a mere spot', function (): void {
    expect(ZoneJoin::of(valued(['middle' => 60, 'accent' => 90], null), 240, 180))->toBeNull()->and(ZoneJoin::of(valued(['light' => 80, 'dark' => 30], null, 0.0), 240, 180))->toBeNull();
});
