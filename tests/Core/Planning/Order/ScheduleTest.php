<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Planning\Order\Chains;
use Prism\Planning\Order\OrderRules;
use Prism\Planning\Order\Pace;
use Prism\Planning\Order\Plan;
use Prism\Planning\Order\PlannedZone;
use Prism\Planning\Order\Planner;
use Prism\Planning\Order\PlanStep;
use Prism\Planning\Order\Precedence;
use Prism\Planning\Order\Schedule;
use Prism\Planning\Order\StepRole;
use Prism\Schools\FirstValue;
use Prism\Schools\Progress;

use function Tests\Core\model;
use function Tests\Core\pencils;
use function Tests\Core\under;

/** A colour of a zone with so much of the paper. */
function colourOf(string $zone, string $which, float $L, string $stack, float $areaMm2 = 800.0, array $touching = [], ?int $underlayer = null): PlannedZone
{
    return new PlannedZone("$zone-$which", $zone, "$zone: $which", Lab::of($L, 5, 5), Stack::parse($stack), $underlayer, $areaMm2, $touching);
}

/** @return list<PlannedZone> some zones with some values each, of random stacks, washes among them */
function randomPicture(int $seed): array
{
    mt_srand($seed);
    $ids = pencils()->ids();
    $zones = [];
    foreach (array_slice(['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'], 0, mt_rand(1, 8)) as $zone) {
        foreach (array_slice(['light', 'middle', 'dark'], 0, mt_rand(1, 3)) as $i => $which) {
            $steps = [];
            for ($n = mt_rand(0, 4); $n > 0; $n--) {
                $steps[] = mt_rand(0, 3) === 0 ? ['wash', 'blend', 'lift'][mt_rand(0, 2)] : $ids[array_rand($ids)].'@'.mt_rand(20, 100);
            }
            $zones[] = colourOf($zone, $which, 85 - 30 * $i - mt_rand(0, 15), implode(' > ', $steps), mt_rand(20, 4000), [['a', 'b', 'c'][mt_rand(0, 2)]], mt_rand(0, 2) === 0 ? 0 : null);
        }
    }

    return $zones;
}

function planned(array $zones, FirstValue $school = FirstValue::LightToDark, Progress $progress = Progress::ColourByColour, Pace $pace = new Pace): Plan
{
    return (new Planner(new Predictor(model()), pencils(), $progress, $pace))->plan(under($zones, $school));
}

/** @return list<string> */
function sequence(Plan $plan): array
{
    return array_map(static fn (PlanStep $step): string => $step->zone->id.':'.$step->layer, $plan->steps);
}

function place(Plan $plan, string $step): int
{
    return (int) array_search($step, sequence($plan), true);
}

it('is feasible and never longer than one zone after another, over many random pictures', function (): void {
    for ($seed = 1; $seed <= 300; $seed++) {
        $pace = new Pace(200.0 + 10 * ($seed % 30), 30 + $seed % 100);
        $plan = planned(randomPicture($seed), FirstValue::cases()[$seed % 4], Progress::cases()[$seed % 2], $pace);
        $free = 0.0;
        $wet = [];
        foreach ($plan->steps as $step) {
            // One pair of hands; a wash is dry before the next step on it, or a break has passed.
            expect($step->startMinute)->toBeGreaterThanOrEqual($free - 1e-6);
            [$until, $session] = $wet[$step->zone->id] ?? [0.0, $step->session];
            expect($step->startMinute >= $until - 1e-6 || $step->session > $session)->toBeTrue();
            $free = $step->startMinute + $step->minutes;
            if ($step->role === StepRole::Wash) {
                $wet[$step->zone->id] = [$free + Pace::DRYING_MINUTES, $step->session];
            }
        }
        expect($plan->minutes)->toBeLessThanOrEqual($plan->apartMinutes + 1e-9)
            ->and($plan->idleMinutes)->toBeLessThanOrEqual(Pace::DRYING_MINUTES * count(array_filter($plan->steps, static fn (PlanStep $s): bool => $s->role === StepRole::Wash)) + 1e-6)
            ->and(count($plan->steps))->toBe(count(array_unique(sequence($plan))));
    }
});

it('keeps every rule, and the rules never go in a circle', function (): void {
    for ($seed = 200; $seed < 260; $seed++) {
        $chains = Chains::for(under(randomPicture($seed), FirstValue::cases()[$seed % 4]), pencils(), []);
        $steps = array_merge(...$chains);
        $rules = OrderRules::of($chains, pencils());
        $schedule = Schedule::of($steps, $rules, new Pace, static fn (PlanStep $step): array => [crc32($step->key.$seed)]);
        $at = array_flip($schedule->order);
        expect($schedule->order)->toHaveCount(count($steps));
        foreach ($rules as $rule) {
            expect($at[$rule->before])->toBeLessThan($at[$rule->after]);
        }
    }
});

it('begins elsewhere while one passage dries, and waits where there is nothing else', function (): void {
    $woven = planned([colourOf('a', 'middle', 50, 'QW:6858@40 > wash > QW:6858@40'), colourOf('b', 'middle', 40, 'QW:5925@40x3', 4000)]);
    expect($woven->idleMinutes)->toBe(0.0)->and($woven->minutes)->toBeLessThan($woven->apartMinutes);
    $alone = planned([colourOf('a', 'middle', 50, 'QW:6858@40 > wash > QW:6858@40')]);
    expect($alone->idleMinutes)->toEqualWithDelta(Pace::DRYING_MINUTES, 1e-6);
});

it('takes the longest way to the end first among equals', function (): void {
    $steps = planned([colourOf('a', 'middle', 50, 'QW:6858@40'), colourOf('b', 'middle', 50, 'QW:6858@40 > wash > QW:6858@40x2')])->steps;
    expect($steps[0]->zone->zone)->toBe('b');
});

it('takes time by area, passes and the artist\'s own pace, and breaks at the end of a session', function (): void {
    $minutes = static fn (float $area, int $passes, float $pace): float => planned([colourOf('a', 'middle', 50, "QW:6858@40x$passes", $area)], pace: new Pace($pace))->minutes;
    expect($minutes(7000, 1, 350))->toEqualWithDelta(20.5, 1e-6)->and($minutes(7000, 3, 350))->toEqualWithDelta(60.5, 1e-6)->and($minutes(7000, 1, 700))->toEqualWithDelta(10.5, 1e-6);
    $long = planned(array_map(static fn (int $i): PlannedZone => colourOf("z$i", 'middle', 50, 'QW:6858@40', 3500), range(1, 10)), pace: new Pace(350.0, 45));
    expect($long->sessions())->toBe(3);
    foreach (range(1, 3) as $session) {
        $of = array_filter($long->steps, static fn (PlanStep $step): bool => $step->session === $session);
        expect(array_sum(array_map(static fn (PlanStep $step): float => $step->minutes, $of)))->toBeLessThanOrEqual(45.0);
    }
    expect(fn () => new Pace(0.0))->toThrow(InvalidArgumentException::class)->and(fn () => new Pace(100.0, 3))->toThrow(InvalidArgumentException::class);
});

describe('the rules of order', function (): void {
    it('mark bare paper before colour comes near', function (): void {
        $plan = planned([colourOf('a', 'dark', 30, 'QW:3769@50', touching: ['b']), colourOf('b', 'light', 96, '', touching: ['a'])]);
        expect(sequence($plan)[0])->toBe('b-light:0')->and($plan->steps[0]->because[0])->toContain('does not come off it');
    });

    it('put underlayers of a zone below all of its colours', function (): void {
        $plan = planned([colourOf('a', 'light', 80, 'QW:5892@40'), colourOf('a', 'dark', 40, 'QW:7432@30 > QW:5925@50', underlayer: 0)], FirstValue::DarkToLight);
        expect(place($plan, 'a-dark:1'))->toBeLessThan(place($plan, 'a-light:1'));
    });

    it('let what closes the paper wait, and say why', function (): void {
        $plan = planned([colourOf('a', 'light', 80, 'QW:5892@95'), colourOf('a', 'dark', 40, 'QW:5925@50 > QW:3769@40')]);
        expect(place($plan, 'a-light:1'))->toBeGreaterThan(place($plan, 'a-dark:2'));
        $dark = $plan->steps[place($plan, 'a-dark:2')];
        expect($dark->because)->toBe(['a burnish beside it would close the paper']);
    });

    it('begin a pale zone before the dark beside it is pressed in', function (): void {
        $plan = planned([colourOf('d', 'dark', 20, 'QW:3769@95', touching: ['p']), colourOf('p', 'middle', 85, 'QW:1823@90 > QW:5892@95', touching: ['d'])]);
        expect(place($plan, 'p-middle:1'))->toBeLessThan(place($plan, 'd-dark:1'));
    });

    it('change with the school, each in its own way', function (): void {
        $zones = [colourOf('a', 'light', 80, 'QW:5892@40 > QW:5892@30'), colourOf('a', 'middle', 55, 'QW:5925@40'), colourOf('a', 'dark', 30, 'QW:3769@40')];
        $first = static fn (FirstValue $school): string => explode(':', sequence(planned($zones, $school))[0])[0];
        expect($first(FirstValue::LightToDark))->toBe('a-light')->and($first(FirstValue::DarkToLight))->toBe('a-dark')->and($first(FirstValue::MiddleFirst))->toBe('a-middle');
        $form = planned($zones, FirstValue::FormFirst);
        expect(explode(':', sequence($form)[3])[0])->toBe('a-light');
        $zones[0] = colourOf('a', 'light', 80, 'QW:3769@40 > QW:5892@30');
        $zones[1] = colourOf('a', 'middle', 55, 'QW:5925@40 > QW:1823@30');
        $orders = array_map(static fn (FirstValue $school): string => implode(' ', sequence(planned($zones, $school))), FirstValue::cases());
        expect(array_unique($orders))->toHaveCount(count(FirstValue::cases()));
    });
});

it('goes by groups of zones that dry in turn, or colour by colour over the whole picture', function (): void {
    $zones = [];
    foreach (range(1, 24) as $i) {
        $zones[] = colourOf(sprintf('z%02d', $i), 'light', 90 - $i, 'QW:5892@40 > QW:6858@40');
        $zones[] = colourOf(sprintf('z%02d', $i), 'dark', 60 - $i, 'QW:5925@40 > QW:3769@40');
    }
    $byZone = planned($zones, progress: Progress::ZoneByZone);
    $byColour = planned($zones, progress: Progress::ColourByColour);
    // The lighter twelve are done before the others are begun; colour by colour four pencils make four turns.
    $places = array_map(static fn (PlanStep $step): int => (int) substr($step->zone->zone, 1), $byZone->steps);
    expect(max(array_slice($places, 0, 48)))->toBe(12)->and(min(array_slice($places, 48)))->toBe(13)
        ->and($byZone->turns)->toHaveCount(8)->and($byColour->turns)->toHaveCount(4);
});

it('has nothing to schedule where there is nothing', function (): void {
    $empty = Schedule::of([], [], new Pace, static fn (): array => []);
    expect($empty->order)->toBe([])->and($empty->total)->toBe(0.0)->and((new Precedence(0, 1, ''))->why)->toBe('');
});
