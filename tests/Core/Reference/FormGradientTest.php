<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Reference\Image\Field;
use Prism\Reference\Light\LightDirection;
use Prism\Reference\Zones\FormGradient;
use Prism\Reference\Zones\ZoneReader;

use function Tests\Core\Reference\mapped;
use function Tests\Core\Reference\painted;

require_once __DIR__.'/scenes.php';

/** @return ?FormGradient of a whole field, or of the pixels for which `within` holds */
function gradientOf(Field $field, ?Closure $within = null): ?FormGradient
{
    $pixels = [];
    for ($at = 0; $at < $field->count(); $at++) {
        if ($within === null || $within(($at % $field->width + 0.5) / $field->width, (intdiv($at, $field->width) + 0.5) / $field->height)) {
            $pixels[] = $at;
        }
    }

    return FormGradient::of($field, $pixels);
}

it('goes from light to dark, whichever way the form does', function (float $degrees, string $words): void {
    $to = [cos(deg2rad($degrees)), -sin(deg2rad($degrees))];
    $gradient = gradientOf(painted(60, 60, static fn (float $x, float $y): Lab => Lab::of(50 - 30 * (($x - 0.5) * $to[0] + ($y - 0.5) * $to[1]), 5, 5)));
    expect($gradient?->degrees)->toEqualWithDelta($degrees, 0.5)->and($gradient?->words())->toBe($words);
    $falling = $gradient->profile;
    rsort($falling);
    expect($gradient->profile)->toBe($falling)->and($gradient->profile[0])->toBeGreaterThan(end($falling) + 20);
})->with([[0.0, 'right'], [45.0, 'upper right'], [90.0, 'above'], [200.0, 'left'], [270.0, 'below'], [315.0, 'lower right']]);

it('is as long as the form is that way, whatever its border', function (): void {
    $field = painted(100, 80, static fn (float $x, float $y): Lab => Lab::of(80 - 40 * $y, 0, 0));
    // A band that runs across, and a disc.
    $band = gradientOf($field, static fn (float $x, float $y): bool => $y > 0.25 && $y < 0.5);
    $disc = gradientOf($field, static fn (float $x, float $y): bool => hypot($x - 0.5, ($y - 0.5) * 0.8) < 0.2);
    expect($band?->length)->toEqualWithDelta(0.19, 0.02)->and($disc?->length)->toEqualWithDelta(0.37, 0.03)->and($band?->words())->toBe('below');
});

it('follows the light through grain', function (): void {
    $gradient = gradientOf(painted(80, 80, static fn (float $x, float $y): Lab => Lab::of(35 + 25 * $x + 6 * sin(90 * $x) * cos(110 * $y), 0, 0)));
    expect($gradient?->degrees)->toEqualWithDelta(180.0, 8.0);
    $before = INF;
    foreach ($gradient->profile as $L) {
        expect($L)->toBeLessThanOrEqual($before);
        $before = $L;
    }
});

it('goes no way where values lie in patches, where there is one value only, or hardly anything at all', function (): void {
    $rings = painted(60, 60, static fn (float $x, float $y): Lab => Lab::of(hypot($x - 0.5, $y - 0.5) < 0.3 ? 30 : 70, 0, 0));
    $plain = painted(60, 60, static fn (): Lab => Lab::of(50, 0, 0));
    expect(gradientOf($rings))->toBeNull()->and(gradientOf($plain))->toBeNull()
        ->and(gradientOf($plain, static fn (float $x, float $y): bool => $x < 0.05 && $y < 0.05))->toBeNull()
        // A line has no plane.
        ->and(gradientOf(painted(60, 60, static fn (float $x): Lab => Lab::of(60 * $x + 20, 0, 0)), static fn (float $x, float $y): bool => abs($y - 0.508) < 0.004))->toBeNull();
});

it('has a length and a profile', function (): void {
    expect(fn () => new FormGradient(0.0, 0.0, [50.0]))->toThrow(InvalidArgumentException::class)->and(fn () => new FormGradient(0.0, 0.5, []))->toThrow(InvalidArgumentException::class);
});

it('is read with the zone, without what lies behind it', function (): void {
    $one = mapped(...array_fill(0, 60, str_repeat('b', 10).str_repeat('a', 40).str_repeat('b', 10)));
    $field = painted(60, 60, static fn (float $x, float $y): Lab => $x > 1 / 6 && $x < 5 / 6 ? Lab::of(70 - 40 * $y, 10, 10) : Lab::of(10, 0, 0));
    $reading = (new ZoneReader($field, $one, LightDirection::corrected(135.0)))->read()[1];
    expect($reading->gradient?->words())->toBe('below')->and($reading->gradient?->length)->toEqualWithDelta(0.95, 0.05)->and($reading->gradient?->profile[15])->toEqualWithDelta(31.0, 2.0);
});
