<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Colour\Wheel;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\StepKind;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\PencilId;
use Prism\Materials\PencilKind;
use Prism\Schools\BlackAndWhite;
use Prism\Schools\Blending;
use Prism\Schools\Brightening;
use Prism\Schools\Complement;
use Prism\Schools\FirstValue;
use Prism\Schools\Hand;
use Prism\Schools\SchoolSet;
use Prism\Schools\Shadows;
use Prism\Schools\Surface;

use function Tests\Core\box;
use function Tests\Core\model;
use function Tests\Core\pencils;

// Each answer to each question changes what is laid, visibly: counted over ten colours, with the answer and with the usual one.

/** A quarter of the pencils, and all blacks, whites and greys. */
function answersBox(): Kit
{
    return box(array_values(array_filter(pencils()->ids(), static fn (string $id): bool => crc32($id) % 4 === 2 || pencils()->get(PencilId::of($id))->fullCoat->chroma() < 7.0)));
}

function answersSearch(): Search
{
    static $search = null;

    return $search ??= new Search(new Predictor(model()), answersBox(), PairLibrary::build(model(), answersBox()->ids()));
}

/** @return list<Target> ten round the wheel, in a range of lightness */
function answersTargets(float $from, float $to, float $chroma): array
{
    return array_map(static function (int $i) use ($from, $to, $chroma): Target {
        $hue = deg2rad(36.0 * $i);

        return Target::colour(Lab::of($from + ($to - $from) * ($i % 4) / 3, $chroma * cos($hue), $chroma * sin($hue)));
    }, range(0, 9));
}

/**
 * Of the best recipes for these targets by these schools, how many have something.
 *
 * @param  list<Target>  $targets
 * @param  Closure(list<Step>, Target): bool  $has
 */
function answered(SchoolSet $schools, array $targets, Closure $has, Surface $surface = Surface::Smooth): int
{
    static $found = [];
    $count = 0;
    foreach ($targets as $target) {
        $key = serialize([$schools, $target, $surface]);
        $found[$key] ??= (string) answersSearch()->find($target, new Limits(top: 1, maxLayers: 5, schools: $schools, surface: $surface))[0]->stack;
        $count += $has(Stack::parse($found[$key])->steps, $target) ? 1 : 0;
    }

    return $count;
}

function heavyCoatOf(Step $step): Lab
{
    return pencils()->get($step->pencil ?? throw new LogicException)->fullCoat ?? throw new LogicException;
}

function kindOf(Step $step): PencilKind
{
    return $step->isLayer() ? PencilKind::of(heavyCoatOf($step)) : PencilKind::Colour;
}

/** How far round the wheel from the target a coloured pencil laid lightly lies; 0 for any other. */
function oppositeBy(Step $step, Target $target): float
{
    if (! $step->isLayer() || $step->pressurePercent > 40.0 || heavyCoatOf($step)->chroma() <= 12.0) {
        return 0.0;
    }

    return Wheel::distance(Wheel::position(heavyCoatOf($step)->hueDegrees()), Wheel::position($target->colour->hueDegrees()));
}

it('lays the complement under, between or over', function (): void {
    $targets = answersTargets(30, 44, 24);
    $usual = new SchoolSet;
    $place = static fn (Complement $school, Closure $at): int => answered($usual->with(['complement' => $school]), $targets, static function (array $steps, Target $target) use ($at): bool {
        foreach ($at($steps) as $i) {
            if (isset($steps[$i]) && oppositeBy($steps[$i], $target) >= 5.5) {
                return true;
            }
        }

        return false;
    });
    $first = static fn (array $steps): array => count($steps) > 1 ? [0] : [];
    $last = static fn (array $steps): array => count($steps) > 1 ? [count($steps) - 1] : [];
    $inside = static fn (array $steps): array => count($steps) > 2 ? range(1, count($steps) - 2) : [];
    expect($place(Complement::Under, $first))->toBeGreaterThanOrEqual(6)
        ->and($place(Complement::Over, $last))->toBeGreaterThan($place(Complement::Under, $last) + 1)
        ->and($place(Complement::Between, $inside))->toBeGreaterThan($place(Complement::Over, $inside) + 1);
});

it('lays the complement under what lies in shadow more often than under the same colours in the light', function (): void {
    $lit = answersTargets(46, 58, 24);
    $has = static fn (array $steps, Target $target): bool => count($steps) > 1 && oppositeBy($steps[0], $target) >= 5.5;
    $shaded = array_map(static fn (Target $target): Target => $target->inShadow(), $lit);
    expect(answered(new SchoolSet, $shaded, $has))->toBeGreaterThanOrEqual(answered(new SchoolSet, $lit, $has) + 1);
});

it('draws shadows without black, with black last, with black first, with the complement\'s neighbours, or of blue and magenta', function (): void {
    $dark = answersTargets(14, 26, 5);
    $coloured = answersTargets(30, 44, 24);
    $by = static fn (Shadows $school): SchoolSet => (new SchoolSet)->with(['shadows' => $school]);
    $black = static fn (array $steps): bool => array_filter($steps, static fn (Step $step): bool => kindOf($step) === PencilKind::Black) !== [];
    $last = static fn (array $steps): bool => count($steps) > 1 && kindOf($steps[count($steps) - 1]) === PencilKind::Black;
    $first = static fn (array $steps): bool => count($steps) > 1 && kindOf($steps[0]) === PencilKind::Black;
    foreach ([Shadows::Complement, Shadows::Split, Shadows::Neutral] as $without) {
        expect(answered($by($without), $dark, $black))->toBe(0);
    }
    expect(answered($by(Shadows::Black), $dark, $last))->toBeGreaterThanOrEqual(4)->and(answered($by(Shadows::Black), $dark, $first))->toBe(0)
        ->and(answered($by(Shadows::BlackFirst), $dark, $first))->toBeGreaterThanOrEqual(4)->and(answered($by(Shadows::BlackFirst), $coloured, $black))->toBe(0);
    $straight = static fn (array $steps, Target $target): bool => count($steps) > 1 && oppositeBy($steps[0], $target) > 8.0;
    $neighbour = static fn (array $steps, Target $target): bool => count($steps) > 1 && oppositeBy($steps[0], $target) >= 5.5 && oppositeBy($steps[0], $target) <= 8.0;
    expect(answered($by(Shadows::Split), $coloured, $straight))->toBe(0)
        ->and(answered($by(Shadows::Split), $coloured, $neighbour))->toBeGreaterThan(answered($by(Shadows::Complement), $coloured, $neighbour));
    $neutral = static function (array $steps): bool {
        $positions = array_map(static fn (Step $step): float => Wheel::position(heavyCoatOf($step)->hueDegrees()), array_values(array_filter($steps, static fn (Step $step): bool => $step->isLayer() && heavyCoatOf($step)->chroma() > 12.0)));

        return array_filter($positions, static fn (float $at): bool => $at >= 10.8 && $at <= 13.9) !== [] && array_filter($positions, static fn (float $at): bool => $at >= 14.4 || $at < 0.5) !== [];
    };
    $greys = answersTargets(26, 44, 3);
    expect(answered($by(Shadows::Neutral), $greys, $neutral))->toBeGreaterThan(answered($by(Shadows::Complement), $greys, $neutral) + 1);
});

it('puts values in the order of the school', function (): void {
    $targets = answersTargets(45, 70, 22);
    $by = static fn (FirstValue $school): SchoolSet => (new SchoolSet)->with(['value' => $school]);
    $L = static fn (array $steps): array => array_map(static fn (Step $step): float => heavyCoatOf($step)->L, array_values(array_filter($steps, static fn (Step $step): bool => $step->isLayer())));
    // From the first pencil to the next other one.
    $falls = static fn (array $steps): bool => count($L($steps)) > 1 && $L($steps)[1] < $L($steps)[0] - 8.0;
    $rises = static fn (array $steps): bool => count($L($steps)) > 1 && $L($steps)[1] > $L($steps)[0] + 8.0;
    $form = static fn (array $steps): bool => count($L($steps)) > 1 && heavyCoatOf($steps[0])->L < 75.0 && (heavyCoatOf($steps[0])->chroma() < 12.0 || (Wheel::position(heavyCoatOf($steps[0])->hueDegrees()) >= 11.0 && Wheel::position(heavyCoatOf($steps[0])->hueDegrees()) <= 16.5));
    $middle = static fn (array $steps, Target $target): bool => count($L($steps)) > 1 && abs($L($steps)[0] - $target->colour->L) <= abs($L($steps)[1] - $target->colour->L);
    expect(answered($by(FirstValue::LightToDark), $targets, $falls))->toBeGreaterThan(answered($by(FirstValue::DarkToLight), $targets, $falls) + 1)
        ->and(answered($by(FirstValue::DarkToLight), $targets, $rises))->toBeGreaterThan(answered($by(FirstValue::LightToDark), $targets, $rises) + 1)
        ->and(answered($by(FirstValue::FormFirst), $targets, $form))->toBeGreaterThan(answered($by(FirstValue::LightToDark), $targets, $form) + 1)
        ->and(answered($by(FirstValue::MiddleFirst), $targets, $middle))->toBeGreaterThan(answered($by(FirstValue::BothEnds), $targets, $middle) + 1);
});

it('begins darks firmly where the hand is firm early, and hardly anything in the lights', function (): void {
    $by = static fn (Hand $school): SchoolSet => (new SchoolSet)->with(['hand' => $school]);
    $firm = static fn (array $steps): bool => count($steps) > 1 && $steps[0]->pressurePercent > 60.0;
    expect(answered($by(Hand::FirmEarly), answersTargets(20, 40, 16), $firm))->toBeGreaterThanOrEqual(3)
        ->and(answered($by(Hand::Light), answersTargets(20, 40, 16), $firm))->toBe(0)
        ->and(answered($by(Hand::FirmEarly), answersTargets(65, 85, 16), $firm))->toBeLessThanOrEqual(1);
});

it('brightens with yellow or with white, and has no black or white at all where never', function (): void {
    $lights = answersTargets(66, 86, 24);
    $by = static fn (array $answers): SchoolSet => (new SchoolSet)->with($answers);
    $over = static fn (PencilKind $kind): Closure => static fn (array $steps): bool => array_filter(array_slice($steps, 1), static fn (Step $step): bool => kindOf($step) === $kind) !== [];
    $any = static fn (array $steps): bool => array_filter($steps, static fn (Step $step): bool => in_array(kindOf($step), [PencilKind::White, PencilKind::Black], true)) !== [];
    expect(answered($by(['brightening' => Brightening::White]), $lights, $over(PencilKind::White)))->toBeGreaterThan(answered($by([]), $lights, $over(PencilKind::White)) + 1)
        ->and(answered($by([]), $lights, $over(PencilKind::Yellow)))->toBeGreaterThan(answered($by(['brightening' => Brightening::White]), $lights, $over(PencilKind::Yellow)))
        ->and(answered($by(['blackAndWhite' => BlackAndWhite::Never, 'shadows' => Shadows::Black]), answersTargets(14, 26, 5), $any))->toBe(0)
        ->and(answered($by(['blackAndWhite' => BlackAndWhite::Never, 'brightening' => Brightening::White]), $lights, $any))->toBe(0);
});

it('closes the grain as asked on hard things, washes between groups, and keeps to layers on all others', function (): void {
    $targets = answersTargets(35, 65, 20);
    $by = static fn (Blending $school): SchoolSet => (new SchoolSet)->with(['blending' => $school]);
    $ends = static fn (StepKind $kind): Closure => static fn (array $steps): bool => $steps !== [] && $steps[count($steps) - 1]->kind === $kind;
    $burnished = static fn (array $steps): bool => $steps !== [] && $steps[count($steps) - 1]->pressurePercent >= 85.0;
    $washed = static fn (array $steps): bool => array_filter(array_slice($steps, 0, -1), static fn (Step $step): bool => $step->kind === StepKind::Wash) !== [];
    expect(answered($by(Blending::Burnish), $targets, $burnished, Surface::Hard))->toBeGreaterThanOrEqual(5)
        ->and(answered($by(Blending::Burnish), $targets, $burnished, Surface::Soft))->toBe(0)
        ->and(answered($by(Blending::Layers), $targets, $burnished, Surface::Hard))->toBe(0)
        ->and(answered($by(Blending::Blender), $targets, $ends(StepKind::Blend), Surface::Hard))->toBeGreaterThanOrEqual(8)
        ->and(answered($by(Blending::Solvent), $targets, $washed))->toBeGreaterThanOrEqual(6)
        ->and(answered($by(Blending::Layers), $targets, $washed))->toBe(0);
});

it('keeps to the manner of the surface', function (): void {
    foreach ([Surface::Hard, Surface::Smooth, Surface::Soft] as $surface) {
        $most = ['hard' => 80.0, 'smooth' => 80.0, 'soft' => 60.0][$surface->value];
        $within = static fn (array $steps): bool => array_filter($steps, static fn (Step $step): bool => $step->pressurePercent > $most) === []
            && array_filter(array_slice($steps, 0, -1), static fn (Step $step): bool => $step->pressurePercent > 60.0) === [];
        foreach ([new SchoolSet] as $schools) {
            expect(answered($schools, answersTargets(25, 80, 22), $within, $surface))->toBe(10);
        }
    }
});
