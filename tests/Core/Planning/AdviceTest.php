<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Colour\ValueScale;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Materials\PencilId;
use Prism\Materials\PencilKind;
use Prism\Planning\Adjust\Adjuster;
use Prism\Planning\Adjust\Aim;
use Prism\Planning\Advice\AdviceKind;
use Prism\Planning\Advice\ZoneAdvice;
use Prism\Planning\Gradient\Designation;
use Prism\Planning\Lightener;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
use Prism\Planning\ValuePart;
use Prism\Reference\Light\ZoneLight;
use Prism\Reference\Zones\Distance;
use Prism\Reference\Zones\TargetRole;
use Prism\Reference\Zones\ZoneReader;
use Prism\Schools\SchoolSet;
use Prism\Schools\Surface;

use function Tests\Core\box;
use function Tests\Core\model;
use function Tests\Core\pencils;

function advisedZone(int $label, Lab $colour, array $touching, Distance $distance = Distance::Near, int $importance = 2, ZoneLight $light = ZoneLight::Lit, bool $crisp = true, Surface $surface = Surface::Soft): PictureZone
{
    return new PictureZone("z$label", "zone $label", $label, 0.2, $importance, $surface, $light, $distance, $crisp, null, $touching, [new PictureTarget("t$label", TargetRole::Middle, $colour, $colour, 1.0)]);
}

/** @return array<string, string> the sentence of each kind for the first zone */
function advised(PictureZone ...$zones): array
{
    $said = [];
    foreach (ZoneAdvice::of(array_values($zones), pencils()) as $advice) {
        if ($advice->zone === $zones[0]->id) {
            $said[$advice->kind->value] = $advice->sentence;
        }
    }

    return $said;
}

it('sends back what lies far and is warmer than what lies before it, with a cool pencil', function (): void {
    $orange = Lab::of(60, 25, 40);
    $blue = Lab::of(50, -5, -25);
    $said = advised(advisedZone(1, $orange, [2], Distance::Far), advisedZone(2, $blue, [1]));
    expect($said['temperature'])->toContain('lies behind 2')->toContain('cool it with a light layer of');
    preg_match('/layer of (\w+) (\w+),/', $said['temperature'], $pencil);
    expect(pencils()->get(Prism\Materials\PencilId::of("$pencil[1]:$pencil[2]"))->fullCoat->b)->toBeLessThan(0.0);
    // Not where it is the cooler already, nor what lies near.
    expect(advised(advisedZone(1, $blue, [2], Distance::Far), advisedZone(2, $orange, [1])))->not->toHaveKey('temperature')
        ->and(advised(advisedZone(1, $orange, [2]), advisedZone(2, $blue, [1])))->not->toHaveKey('temperature');
});

it('sharpens the edges that draw the eye and lets the others go', function (): void {
    $grey = Lab::of(50, 2, 2);
    expect(advised(advisedZone(1, $grey, [], importance: 3))['edge'])->toContain('last sharp line')
        ->and(advised(advisedZone(1, $grey, [], importance: 3, crisp: false))['edge'])->toContain('sharpen it where it is lit')
        ->and(advised(advisedZone(1, $grey, [], importance: 1))['edge'])->toContain('let its edge go soft')
        ->and(advised(advisedZone(1, $grey, [], Distance::Far, 3, crisp: false))['edge'])->toContain('keep its edge soft')
        ->and(advised(advisedZone(1, $grey, [])))->not->toHaveKey('edge');
});

it('sets things on their ground by the cast shadow, and names what casts it', function (): void {
    $said = advised(advisedZone(3, Lab::of(30, 2, 2), [4], light: ZoneLight::CastShadow), advisedZone(4, Lab::of(60, 30, 20), [3]));
    expect($said['shadow'])->toContain('at 2')->toContain('cooler');
});

it('makes what draws the eye sing by its complement, unless that lies beside it already', function (): void {
    $red = Lab::of(48, 50, 32);
    $said = advised(advisedZone(1, $red, [2], importance: 3), advisedZone(2, Lab::of(60, 0, 0), [1]));
    expect($said['sing'])->toContain('lay a touch of');
    $green = Lab::of(50, -40, -12);
    expect(advised(advisedZone(1, $red, [2], importance: 3), advisedZone(2, $green, [1]))['sing'])->toContain('sings already: 2')
        ->and(advised(advisedZone(1, Lab::of(50, 2, 2), [2], importance: 3), advisedZone(2, $green, [1])))->not->toHaveKey('sing');
});

it('keeps a quiet, darker ground behind what should read as pale, and says nothing of what lies beside it', function (): void {
    $pale = Lab::of(88, 1, 4);
    expect(advised(advisedZone(1, $pale, [2], Distance::Between), advisedZone(2, Lab::of(50, 45, 40), [1], Distance::Between)))->not->toHaveKey('ground');
    // Nor of a small part, which is no ground.
    $red = Lab::of(50, 45, 40);
    $part = new PictureZone('z2', 'zone 2', 2, 0.04, 2, Surface::Soft, ZoneLight::Lit, Distance::Far, true, null, [1], [new PictureTarget('t2', TargetRole::Middle, $red, $red, 1.0)]);
    expect(advised(advisedZone(1, $pale, [2]), $part))->not->toHaveKey('ground');
    expect(advised(advisedZone(1, $pale, [2]), advisedZone(2, Lab::of(82, 0, 2), [1], Distance::Far))['ground'])->toContain('2 behind it a step darker')
        ->and(advised(advisedZone(1, $pale, [2]), advisedZone(2, Lab::of(50, 45, 40), [1], Distance::Far))['ground'])->toContain('quieter')
        ->and(advised(advisedZone(1, $pale, [2]), advisedZone(2, Lab::of(50, 3, 3), [1], Distance::Far)))->not->toHaveKey('ground');
});

it('finishes every surface in its own way', function (): void {
    $finishes = array_map(static fn (Surface $surface): string => advised(advisedZone(1, Lab::of(50, 2, 2), [], surface: $surface))['finish'], Surface::cases());
    expect(array_unique($finishes))->toHaveCount(count($finishes));
    foreach (AdviceKind::cases() as $kind) {
        expect($kind->label())->not->toBe('');
    }
});

describe('a few given pencils', function (): void {
    it('are set to light, middle and dark by their values, whatever their hues', function (): void {
        mt_srand(4);
        for ($round = 0; $round < 12; $round++) {
            $ids = pencils()->ids();
            shuffle($ids);
            $kit = box(array_slice($ids, 0, 2 + $round % 4));
            $designation = Designation::of($kit, new Predictor(model()));
            $coats = array_map(static fn (array $own): float => $own['coat']->L, $designation->pencils);
            $sorted = $coats;
            rsort($sorted);
            $parts = array_column($designation->pencils, 'part');
            expect($coats)->toBe($sorted)->and($parts[0])->toBe('light')->and($parts[count($parts) - 1])->toBe('dark')
                ->and(array_column($designation->ladder, 'step'))->toBe([9, 8, 7, 6, 5, 4, 3, 2, 1]);
            foreach ($designation->ladder as $rung) {
                $off = abs($rung['colour']->L - ValueScale::lightnessOf($rung['step']));
                expect($rung['reached'])->toBe($off <= ValueScale::stepSize() / 2)->and($rung['colour'])->toEqual(model()->draw($rung['stack'])->lab());
                foreach ($rung['stack']->pencils() as $pencil) {
                    expect($kit->has($pencil))->toBeTrue();
                }
            }
        }
    });

    it('are two to five', function (): void {
        $ids = pencils()->ids();
        expect(fn () => Designation::of(box(array_slice($ids, 0, 1)), new Predictor(model())))->toThrow(InvalidArgumentException::class, 'choose 2 to 5')
            ->and(fn () => Designation::of(box(array_slice($ids, 0, 6)), new Predictor(model())))->toThrow(InvalidArgumentException::class);
    });
});

it('knows warm and cool lighteners, and no white or strong colour among them', function (): void {
    $kinds = array_map(Lightener::of(...), array_values(iterator_to_array(pencils())));
    expect(in_array(Lightener::Warm, $kinds, true))->toBeTrue()->and(in_array(Lightener::Cool, $kinds, true))->toBeTrue();
    foreach (pencils() as $pencil) {
        if (Lightener::of($pencil) !== null) {
            expect($pencil->fullCoat->L)->toBeGreaterThan(70.0)->and($pencil->fullCoat->chroma())->toBeLessThan(30.0)->toBeGreaterThan(2.0);
        }
    }
});

it('sets given pencils by hand, also against their value, and gives each its own part of the values', function (): void {
    $kit = box(['QW:3737', 'QW:6858', 'QW:7432']);
    $of = static fn (array $parts): Designation => Designation::of($kit, new Predictor(model()), $parts);
    $parts = static fn (Designation $d): array => array_combine(array_map(static fn (array $own): string => (string) $own['pencil']->id, $d->pencils), array_column($d->pencils, 'part'));
    $found = $of([]);
    expect($parts($found)['QW:3737'])->toBe('light')->and($parts($of(['QW:3737' => ValuePart::Dark]))['QW:3737'])->toBe('dark');
    // None takes them all: of what is reached nobody has more than two thirds, and each has something.
    $by = array_count_values(array_map(static fn (array $rung): string => (string) $rung['stack']->pencils()[0], array_filter($found->ladder, static fn (array $rung): bool => $rung['reached'])));
    expect(max($by))->toBeLessThanOrEqual(array_sum($by) * 2 / 3)->and(count($by))->toBeGreaterThanOrEqual(2);
    // Set only to blend, a pencil draws no rung alone: it lies over another, and last.
    $white = box(['QW:1823', 'QW:6858', 'QW:7432']);
    $blended = Designation::of($white, new Predictor(model()), ['QW:1823' => ValuePart::Blend]);
    $over = 0;
    foreach ($blended->ladder as $rung) {
        $ids = array_map(strval(...), $rung['stack']->pencils());
        expect($ids[0])->not->toBe('QW:1823');
        $over += end($ids) === 'QW:1823' ? 1 : 0;
    }
    expect($over)->toBeGreaterThan(0)->and($parts($blended))->toMatchArray(['QW:1823' => 'blend', 'QW:7432' => 'light', 'QW:6858' => 'dark'])
        ->and(fn () => Designation::of($white, new Predictor(model()), array_fill_keys(['QW:1823', 'QW:6858', 'QW:7432'], ValuePart::Blend)))->toThrow(InvalidArgumentException::class, 'only to blend');
    // Nothing firm lies below, and no burnish.
    foreach ($found->ladder as $rung) {
        foreach ($rung['stack']->steps as $at => $step) {
            expect($step->pressurePercent)->toBeLessThanOrEqual($at < count($rung['stack']) - 1 ? 60.0 : 80.0);
        }
    }
});

describe('an adjustment', function (): void {
    beforeEach(function (): void {
        $this->zone = static fn (SchoolSet $schools = new SchoolSet): PictureZone => new PictureZone('z', 'zone', 1, 0.2, 2, Surface::Smooth, ZoneLight::Lit, Distance::Between, true, null, [], [
            pale(78), pale(60, TargetRole::Middle), pale(45, TargetRole::Dark), new PictureTarget('glint', TargetRole::Accent, Lab::of(95, 0, 0), Lab::of(95, 0, 0), 0.05),
        ], $schools);
        $this->stacks = ['t78' => Stack::parse('QW:7432@30'), 't60' => Stack::parse('QW:7432@45x3'), 't45' => Stack::parse('QW:7432@50x3 > QW:3546@40'), 'glint' => Stack::parse('')];
        $this->adjuster = new Adjuster(model(), pencils());
    });

    it('goes the way it should with all values of the form, keeps their order, and leaves accents alone', function (Aim $aim, Closure $goes): void {
        $adjustment = $this->adjuster->towards($aim, ($this->zone)(), $this->stacks);
        expect($adjustment)->not->toBeNull()->and(array_keys($adjustment->colours))->toBe(['t78', 't60', 't45']);
        foreach ($adjustment->colours as $colour) {
            expect($goes($colour['before'], $colour['after']))->toBeTrue();
        }
        [$light, $middle, $dark] = array_map(static fn (array $colour): float => $colour['after']->L, array_values($adjustment->colours));
        expect($light)->toBeGreaterThan($middle)->and($middle)->toBeGreaterThan($dark);
    })->with([
        'darker' => [fn () => Aim::lightness('z', -5.0), static fn (Lab $was, Lab $is): bool => $is->L < $was->L - 2.0],
        'cooler' => [fn () => Aim::cooler('z'), static fn (Lab $was, Lab $is): bool => ZoneReader::warmthOf($is) < ZoneReader::warmthOf($was) - 2.0 && abs($is->L - $was->L) < 4.5],
        'quieter' => [fn () => Aim::quieter('z'), static fn (Lab $was, Lab $is): bool => $is->chroma() < $was->chroma()],
    ]);

    it('keeps six tenths of what parts two values, though all of it would go nearer', function (string $light, string $dark): void {
        $zone = new PictureZone('z', 'zone', 1, 0.2, 2, Surface::Smooth, ZoneLight::Lit, Distance::Between, true, null, [], [
            new PictureTarget('a', TargetRole::Light, Lab::of(70, 5, 5), Lab::of(70, 5, 5), 0.5), new PictureTarget('b', TargetRole::Dark, Lab::of(45, 5, 5), Lab::of(45, 5, 5), 0.5),
        ]);
        $few = pencils()->only(array_map(PencilId::of(...), array_slice(pencils()->ids(), 0, 14)));
        $adjustment = (new Adjuster(model(), $few))->towards(Aim::lightness('z', -10.0), $zone, ['a' => Stack::parse($light), 'b' => Stack::parse($dark)]);
        $parted = static fn (string $when): float => $adjustment->colours['a'][$when]->L - $adjustment->colours['b'][$when]->L;
        expect($adjustment === null || $parted('after') >= 0.6 * $parted('before'))->toBeTrue();
    })->with([['LO:6945@40x4', 'LO:6945@50x6 > QW:9393@50x6'], ['LO:6476@40x4', 'LO:6476@50x4 > QW:7387@50x3']]);

    it('is one layer of a pencil that lies out: no black, no white, no firm layer below, no more coats than the paper bears', function (): void {
        $adjustment = $this->adjuster->towards(Aim::lightness('z', -5.0), ($this->zone)(), [...$this->stacks, 't45' => Stack::parse('QW:7432@50x3 > QW:3546@65')]);
        $last = $adjustment->colours['t45']['stack']->steps;
        expect((string) $last[2])->toBe('QW:3546@65')->and((string) $last[1]->pencil)->toBe((string) $adjustment->layer->pencil)
            ->and(PencilKind::of(pencils()->get($adjustment->layer->pencil)->fullCoat))->toBe(PencilKind::Colour)->and($adjustment->layer->pressurePercent)->toBeLessThanOrEqual(50.0);
        $full = array_fill_keys(array_keys($this->stacks), Stack::parse('QW:7432@50x6 > QW:3546@50x6 > QW:7432@50x3'));
        expect($this->adjuster->towards(Aim::lightness('z', -5.0), ($this->zone)(), $full))->toBeNull()
            ->and($this->adjuster->towards(Aim::lightness('z', -5.0), ($this->zone)(), []))->toBeNull()
            // Nothing that is laid makes a passage so much lighter.
            ->and($this->adjuster->towards(Aim::lightness('z', 20.0), ($this->zone)(), $this->stacks))->toBeNull();
    });
});

function pale(float $L, TargetRole $role = TargetRole::Light): PictureTarget
{
    return new PictureTarget("t$L", $role, Lab::of($L, 30, 20), Lab::of($L, 30, 20), 0.3);
}
