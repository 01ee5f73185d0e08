<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\StepKind;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Materials\Binder;
use Prism\Materials\Kit;
use Prism\Materials\Paper;
use Prism\Materials\PencilId;
use Prism\Planning\Finish;
use Prism\Planning\Order\PlannedZone;
use Prism\Planning\Order\Planner;
use Prism\Planning\Order\PlanStep;
use Prism\Planning\Order\StepRole;
use Prism\Planning\Prep;
use Prism\Schools\BlackAndWhite;
use Prism\Schools\Blending;
use Prism\Schools\FirstValue;
use Prism\Schools\Highlights;
use Prism\Schools\SchoolSet;
use Prism\Schools\Surface;

use function Tests\Core\box;
use function Tests\Core\model;
use function Tests\Core\pencils;
use function Tests\Core\under;

// Each school changes recipes and plans as practice says; over many colours, not one lucky one.

/** By lightness, chroma and hue in degrees. */
function polar(float $L, float $chroma, float $hue): Lab
{
    return Lab::of($L, $chroma * cos(deg2rad($hue)), $chroma * sin(deg2rad($hue)));
}

/** A third of the pencils, and all blacks, whites and greys. */
function schoolBox(): Kit
{
    return box(array_values(array_filter(pencils()->ids(), static fn (string $id): bool => crc32($id) % 3 === 0 || pencils()->get(PencilId::of($id))->fullCoat->chroma() < 10.0)));
}

function searchOn(?Paper $paper = null): Search
{
    static $made = [];
    $model = model($paper);

    return $made[$paper->id ?? ''] ??= new Search(new Predictor($model), schoolBox(), PairLibrary::build($model, schoolBox()->ids()));
}

/** @return list<Stack> the best stack for each of many colours of this lightness range, under these schools */
function recipesBy(SchoolSet $schools, float $from, float $to, ?Paper $paper = null, bool $waxLast = false, Surface $surface = Surface::Smooth): array
{
    $stacks = [];
    foreach (range(0, 8) as $i) {
        $target = polar($from + ($to - $from) * ($i % 4) / 3, 14.0 + 6.0 * ($i % 3), 40.0 * $i);
        $stacks[] = searchOn($paper)->find(Target::colour($target), new Limits(top: 1, schools: $schools, waxLast: $waxLast, surface: $surface))[0]->stack;
    }

    return $stacks;
}

/** @return list<Step> */
function layersOf(Stack $stack): array
{
    return array_values(array_filter($stack->steps, static fn (Step $step): bool => $step->kind === StepKind::Layer));
}

function coatOf(Step $step): Lab
{
    return pencils()->get($step->pencil)->fullCoat;
}

function isBlackStep(Step $step): bool
{
    return coatOf($step)->L < 26.0 && coatOf($step)->chroma() < 8.0;
}

function isWhiteStep(Step $step): bool
{
    return coatOf($step)->L > 88.0 && coatOf($step)->chroma() < 8.0;
}

/** Mean over all stacks. */
function meanOver(array $stacks, Closure $of): float
{
    return array_sum(array_map($of, $stacks)) / count($stacks);
}

describe('black and white pencils', function (): void {
    it('never means none of either, light or dark', function (): void {
        foreach ([...recipesBy(new SchoolSet(blackAndWhite: BlackAndWhite::Never), 10, 30), ...recipesBy(new SchoolSet(blackAndWhite: BlackAndWhite::Never), 70, 90)] as $stack) {
            foreach (layersOf($stack) as $step) {
                expect(isBlackStep($step) || isWhiteStep($step))->toBeFalse();
            }
        }
    });

    it('only last means that hardly anything goes over them', function (): void {
        $stacks = recipesBy(new SchoolSet(blackAndWhite: BlackAndWhite::Last), 8, 92);
        $over = array_filter($stacks, static fn (Stack $stack): bool => array_filter(array_slice(layersOf($stack), 0, -1), static fn (Step $step): bool => isBlackStep($step) || isWhiteStep($step)) !== []);
        expect(count($over))->toBeLessThanOrEqual(1);
    });

    it('freely on toned paper: white takes lights, black darks, and they never meet', function (): void {
        $fog = Paper::of('fog', 'Fog', Lab::of(66.5, 0.8, 3.0));
        $grey = static fn (BlackAndWhite $school, float $L): Stack => searchOn($fog)->find(Target::value(Lab::of($L, 0, 0)), new Limits(top: 1, maxPencils: 2, schools: new SchoolSet(blackAndWhite: $school)))[0]->stack;
        $uses = static fn (BlackAndWhite $school): int => count(array_filter([10, 16, 22, 28, 74, 78, 82, 86], static fn (int $L): bool => array_filter(layersOf($grey($school, $L)), static fn (Step $step): bool => isBlackStep($step) || isWhiteStep($step)) !== []));
        expect($uses(BlackAndWhite::Toned))->toBeGreaterThan($uses(BlackAndWhite::Last));
        foreach (recipesBy(new SchoolSet(blackAndWhite: BlackAndWhite::Toned), 15, 85, $fog) as $stack) {
            $layers = layersOf($stack);
            expect(array_filter($layers, isBlackStep(...)) !== [] && array_filter($layers, isWhiteStep(...)) !== [])->toBeFalse();
        }
    });
});

describe('blending', function (): void {
    it('washes from three coats on, and not before', function (): void {
        foreach (recipesBy(new SchoolSet(blending: Blending::Solvent), 25, 60) as $stack) {
            $coats = 0;
            foreach ($stack->steps as $step) {
                if ($step->kind === StepKind::Wash) {
                    expect($coats)->toBeGreaterThanOrEqual(3);
                }
                $coats += $step->kind === StepKind::Layer ? $step->passes : 0;
            }
        }
    });

    it('comes out near the target with its finish reckoned in', function (): void {
        foreach ([Blending::Blender, Blending::Solvent] as $school) {
            $miss = 0.0;
            foreach (range(0, 11) as $i) {
                $target = polar(32.0 + 8 * ($i % 4), 20.0, 30.0 * $i);
                $miss += searchOn()->find(Target::colour($target), new Limits(top: 1, schools: new SchoolSet(blending: $school), surface: Surface::Hard))[0]->difference->dE00 / 12;
            }
            expect($miss)->toBeLessThan(3.0);
        }
    });

    it('closes the grain of hard and shiny things only', function (): void {
        foreach ([Blending::Burnish, Blending::Blender] as $school) {
            $schools = new SchoolSet(blending: $school);
            expect(Finish::on(Surface::Hard, $schools)->blending)->toBe($school)->and(Finish::on(Surface::Soft, $schools)->blending)->toBe(Blending::Layers)
                ->and(Finish::sentence(Surface::Soft, $schools))->toContain('let the grain show')->and(Finish::sentence(Surface::Hard, $schools))->toBe($school->sentence());
        }
        expect(Finish::on(Surface::Soft, new SchoolSet(blending: Blending::Solvent))->blending)->toBe(Blending::Solvent);
    });
});

it('rubs light layers with tissue: a step of its own after the last of them, with its time and its tissue', function (): void {
    $zones = [new PlannedZone('a', 'a', 'a', Lab::of(50, 10, 10), Stack::parse('QW:7432@30 > QW:5892@35 > QW:4863@80'), null, 900.0)];
    $plan = static fn (Blending $blending) => (new Planner(new Predictor(model()), pencils()))->plan(under($zones, new SchoolSet(blending: $blending)));
    $rubbed = $plan(Blending::Tissue);
    $plain = $plan(Blending::Layers);
    expect(array_map(static fn (PlanStep $step): string => $step->role->value, $rubbed->steps))->toBe(['layer', 'layer', 'rub', 'layer'])
        ->and($rubbed->steps[2]->step)->toBeNull()->and($rubbed->steps[2]->why)->toContain('tissue')->and($rubbed->steps[2]->before)->toEqual($rubbed->steps[1]->after)->and($rubbed->steps[2]->after)->toEqual($rubbed->steps[3]->before)
        ->and($rubbed->minutes)->toBeGreaterThan($plain->minutes)->and(count($plain->steps))->toBe(3)
        ->and(implode(Prep::of($rubbed->steps, 'Cartridge', 100, 100, pencils())))->toContain('tissue')->and(implode(Prep::of($plain->steps, 'Cartridge', 100, 100, pencils())))->not->toContain('tissue or')
        ->and(count(array_unique(array_map(static fn (PlanStep $step): string => $step->key, $rubbed->steps))))->toBe(4);
});

it('lays wax over oil when wax comes only last', function (): void {
    $binder = static fn (Step $step): Binder => pencils()->get($step->pencil)->binder;
    foreach (recipesBy(new SchoolSet, 20, 80, null, true) as $stack) {
        $wax = false;
        foreach (layersOf($stack) as $step) {
            expect($wax && $binder($step) === Binder::Oil)->toBeFalse();
            $wax = $wax || $binder($step) === Binder::Wax;
        }
    }
});

it('changes which value of a zone goes down first in the plan', function (): void {
    $zones = [];
    foreach (['light' => [80, 'QW:5892@30'], 'middle' => [55, 'QW:6858@40'], 'dark' => [30, 'QW:3769@50']] as $which => [$L, $stack]) {
        $zones[] = new PlannedZone("z-$which", 'z', "z: $which", Lab::of($L, 4, 4), Stack::parse($stack), null, 900.0);
    }
    $firsts = static function (FirstValue $school) use ($zones): array {
        $plan = (new Planner(new Predictor(model()), pencils()))->plan(under($zones, $school));

        return array_map(static fn (PlanStep $step): string => substr($step->zone->id, 2), $plan->steps);
    };
    expect($firsts(FirstValue::LightToDark))->toBe(['light', 'middle', 'dark'])
        ->and($firsts(FirstValue::DarkToLight))->toBe(['dark', 'middle', 'light'])
        ->and($firsts(FirstValue::MiddleFirst)[0])->toBe('middle')
        ->and($firsts(FirstValue::FormFirst)[2])->toBe('light');
});

it('may be an exception of one zone: the others keep their own', function (): void {
    $zones = [];
    foreach (['a', 'b'] as $zone) {
        foreach (['light' => [80, 'QW:5892@30'], 'dark' => [30, 'QW:3769@50']] as $which => [$L, $stack]) {
            $zones[] = new PlannedZone("$zone-$which", $zone, "$zone: $which", Lab::of($L, 4, 4), Stack::parse($stack), null, 900.0, [], new SchoolSet($zone === 'a' ? FirstValue::DarkToLight : FirstValue::LightToDark));
        }
    }
    $order = array_map(static fn (PlanStep $step): string => $step->zone->id, (new Planner(new Predictor(model()), pencils()))->plan($zones)->steps);
    $place = array_flip($order);
    expect($place['a-dark'])->toBeLessThan($place['a-light'])->and($place['b-light'])->toBeLessThan($place['b-dark']);
});

describe('highlights', function (): void {
    $lights = static fn (): array => [
        new PlannedZone('light', 'z', 'light', Lab::of(96, 0, 1), Stack::of(), null, 40.0, ['y']),
        new PlannedZone('dark', 'z', 'dark', Lab::of(40, 4, 4), Stack::parse('QW:6858@40 > QW:3769@50'), null, 900.0, ['y']),
        new PlannedZone('beside', 'y', 'beside', Lab::of(60, 4, 4), Stack::parse('QW:5925@40'), null, 900.0, ['z']),
    ];
    it('are kept before colour comes near, or made when all round them is done', function (Highlights $school) use ($lights): void {
        $plan = (new Planner(new Predictor(model()), pencils()))->plan(under($lights(), new SchoolSet, $school));
        $own = array_values(array_filter($plan->steps, static fn (PlanStep $step): bool => $step->zone->id === 'light'))[0];
        $place = array_search($own, $plan->steps, true);
        expect($own->why)->toBe($school->sentence());
        if ($school->isLast()) {
            expect($place)->toBe(count($plan->steps) - 1)->and($own->role)->toBe(StepRole::Sparkle);
        } else {
            expect($place)->toBe(0)->and($own->role)->toBe(StepRole::Reserve);
        }
        match ($school) {
            Highlights::PalePencil => expect($own->step->pressurePercent)->toBeLessThan(50.0)->and(coatOf($own->step)->L)->toBeGreaterThan(80.0),
            Highlights::WhiteFirst => expect($own->step->pressurePercent)->toBeGreaterThan(65.0)->and(isWhiteStep($own->step))->toBeTrue(),
            default => expect($own->step)->toBeNull(),
        };
    })->with(Highlights::cases());
});
