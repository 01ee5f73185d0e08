<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Planning\Palette\PaletteFinder;
use Prism\Planning\Palette\PaletteWish;
use Prism\Planning\Palette\TrioShading;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
use Prism\Reference\Light\ZoneLight;
use Prism\Reference\Zones\Distance;
use Prism\Reference\Zones\TargetRole;
use Prism\Schools\SchoolSet;
use Prism\Schools\Shading;
use Prism\Schools\Surface;

use function Tests\Core\box;
use function Tests\Core\model;
use function Tests\Core\pencils;

/** A form with light, middle and dark of a hue. @param  list<array{float, float, float}>  $colours */
function form(string $id, array $colours, Shading $shading): PictureZone
{
    $targets = [];
    foreach ([TargetRole::Light, TargetRole::Middle, TargetRole::Dark] as $i => $role) {
        if (isset($colours[$i])) {
            $lab = Lab::of(...$colours[$i]);
            $targets[] = new PictureTarget("$id-$i", $role, $lab, $lab, 0.3);
        }
    }

    return new PictureZone($id, $id, 1, 0.3, 2, Surface::Smooth, ZoneLight::Lit, Distance::Near, true, null, [], $targets, new SchoolSet(shading: $shading));
}

it('shades the zones that want it by three pencils of the palette, leaves the others, and says what it costs', function (): void {
    $kit = box(array_values(array_filter(pencils()->ids(), static fn (string $id): bool => crc32($id) % 2 === 0)));
    $search = new Search(new Predictor(model()), $kit, PairLibrary::build(model(), $kit->ids()));
    $red = [[68, 42, 38], [52, 52, 38], [36, 38, 22]];
    $zones = [form('buoy', $red, Shading::Trio), form('other', $red, Shading::Free), form('flat', array_slice($red, 0, 2), Shading::Trio)];
    $targets = $limits = [];
    foreach ($zones as $zone) {
        foreach ($zone->targets as $target) {
            $targets[$target->id] = Target::colour($target->drawn);
            $limits[$target->id] = new Limits(maxLayers: 3);
        }
    }
    $palette = (new PaletteFinder($search, $kit))->curve(new PaletteWish($targets, [count($kit)]))[count($kit)];
    $shaded = TrioShading::of($palette, $zones, $search, $kit, $targets, [], $limits);
    $used = [];
    foreach (['buoy-0', 'buoy-1', 'buoy-2'] as $id) {
        array_push($used, ...array_map(strval(...), $shaded->palette->recipes[$id]->stack->pencils()));
    }
    expect(count(array_unique($used)))->toBeLessThanOrEqual(3)->and($shaded->zones)->toBe(1)->and($shaded->without)->toBe(0)
        ->and(array_diff_key($shaded->palette->recipes, array_flip(['buoy-0', 'buoy-1', 'buoy-2'])))->toEqual(array_diff_key($palette->recipes, array_flip(['buoy-0', 'buoy-1', 'buoy-2'])));
    $further = array_sum(array_map(static fn (string $id): float => $shaded->palette->recipes[$id]->difference->dE00 - $palette->recipes[$id]->difference->dE00, ['buoy-0', 'buoy-1', 'buoy-2'])) / 3;
    expect($shaded->further)->toEqualWithDelta($further, 1e-9)
        ->and($shaded->palette->meanDifference)->toEqualWithDelta($palette->meanDifference + 3 * $further / count($targets), 1e-9);
    // What the artist has chosen stays; and a palette without three neighbours says so.
    expect(TrioShading::of($palette, $zones, $search, $kit, $targets, [], $limits, ['buoy-1'])->palette)->toBe($palette);
    $few = TrioShading::of($palette, $zones, $search, $kit->only([$kit->get(Prism\Materials\PencilId::of($kit->ids()[0]))->id]), $targets, [], $limits);
    expect([$few->zones, $few->without])->toBe([0, 1])->and($few->palette)->toBe($palette);
});
