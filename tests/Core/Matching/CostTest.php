<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Doubt;
use Prism\Layering\Look;
use Prism\Matching\Bearing;
use Prism\Matching\Cost\Cost;
use Prism\Matching\Cost\Laid;
use Prism\Matching\Cost\LightenerTerm;
use Prism\Matching\Limits;
use Prism\Matching\Sketch;
use Prism\Matching\Target;
use Prism\Matching\TouchBook;
use Prism\Schools\BlackAndWhite;
use Prism\Schools\Blending;
use Prism\Schools\Brightening;
use Prism\Schools\Complement;
use Prism\Schools\FirstValue;
use Prism\Schools\Hand;
use Prism\Schools\SchoolSet;
use Prism\Schools\Shadows;
use Prism\Schools\Surface;

use function Tests\Core\model;
use function Tests\Core\pencils;
use function Tests\Core\seen;

const PRICED = ['QW:3737', 'QW:7432', 'QW:6858', 'QW:2794', 'QW:3769', 'LO:3512', 'LO:4719', 'QW:1823'];

/** @param  list<array{string, int, int}>  $members  pencil, percent, coats */
function priced(array $members, ?Target $target = null, Limits $limits = new Limits, float $grain = 0.0, float $tooth = 1.0, float $miss = 0.0, ?float $doubt = null): float
{
    static $book = null;
    $book ??= new TouchBook(model(), PRICED, pencils());
    $target ??= Target::colour(Lab::of(50, 20, 20));
    // So much lighter as misses by about so much; 0 is the target itself.
    $colour = Lab::of($target->colour->L + $miss, $target->colour->a, $target->colour->b);
    $sketch = Sketch::of(array_map(static fn (array $m): array => [(int) array_search($m[0], PRICED, true), $m[1], $m[2]], $members));

    return Cost::of($target, $limits, $book)->at(Laid::of($sketch, new Look($colour, $grain, $tooth), $book), $doubt);
}

it('costs one plain coat nothing but its miss, taken with what one cannot know', function (): void {
    $doubt = Doubt::usual(1, 0, 0);
    $target = Target::colour(Lab::of(50, 20, 20));
    $miss = $target->miss(53.0, 20.0, 20.0);
    expect(priced([['QW:7432', 50, 1]]))->toEqualWithDelta(0.0, 1e-9)
        ->and(priced([['QW:7432', 50, 1]], miss: 3.0))->toEqualWithDelta(sqrt($miss ** 2 + $doubt ** 2) - $doubt, 1e-9)
        ->and(priced([['QW:7432', 50, 1]], miss: 3.0, doubt: 2.0))->toEqualWithDelta(sqrt($miss ** 2 + 4.0) - $doubt, 1e-9);
});

it('never costs less than it says is the least, by any school', function (): void {
    mt_srand(41);
    $book = new TouchBook(model(), PRICED, pencils());
    $any = static fn (string $enum): mixed => $enum::cases()[mt_rand(0, count($enum::cases()) - 1)];
    for ($i = 0; $i < 600; $i++) {
        $schools = new SchoolSet($any(FirstValue::class), $any(Shadows::class), $any(Complement::class), $any(Brightening::class), $any(Blending::class), $any(BlackAndWhite::class), $any(Hand::class));
        $target = Target::colour(Lab::of(mt_rand(10, 95), mt_rand(-40, 40), mt_rand(-40, 40)));
        $cost = Cost::of($target, new Limits(schools: $schools, surface: $any(Surface::class)), $book);
        $members = array_map(static fn (): array => [mt_rand(0, count(PRICED) - 1), 5 * mt_rand(4, 19), mt_rand(1, 3)], range(1, mt_rand(1, 4)));
        $look = new Look(Lab::of(mt_rand(5, 95), mt_rand(-40, 40), mt_rand(-40, 40)), mt_rand(0, 25), mt_rand(0, 100) / 100);
        expect($cost->at(Laid::of(Sketch::of($members), $look, $book)))
            ->toBeGreaterThanOrEqual($cost->atLeast($target->miss($look->colour->L, $look->colour->a, $look->colour->b)) - 1e-9);
    }
});

it('costs the same by the schools that bear on a colour as by all', function (): void {
    $bear = [];
    foreach ([[20, 3, 1], [30, 20, -10], [44, -2, 25], [46, 1, 2], [60, 25, 30], [75, 0, 5]] as [$L, $a, $b]) {
        $target = Target::colour(Lab::of($L, $a, $b));
        foreach (Shadows::cases() as $shadows) {
            foreach (Complement::cases() as $complement) {
                $schools = new SchoolSet(FirstValue::DarkToLight, $shadows, $complement);
                $bearing = Bearing::of($schools, $target);
                $bear[] = $bearing == $schools;
                foreach ([[['QW:2794', 30, 1], ['QW:7432', 45, 2]], [['QW:6858', 35, 1], ['QW:3769', 40, 1]], [['LO:3512', 40, 2], ['QW:6858', 30, 1], ['QW:7432', 50, 1]]] as $members) {
                    expect(priced($members, $target, new Limits(schools: $bearing)))->toBe(priced($members, $target, new Limits(schools: $schools)));
                }
            }
        }
    }
    expect(array_filter($bear))->not->toBe([])->and(count(array_filter($bear)))->toBeLessThan(count($bear));
});

it('charges for more pencils, turns and coats, a coat laid at a stretch, little tooth, and grain that the surface does not bear', function (): void {
    $red = ['QW:7432', 45, 1];
    expect(priced([$red]))->toBeLessThan(priced([['QW:7432', 45, 2]]))
        ->and(priced([['QW:7432', 45, 5]]) - priced([['QW:7432', 45, 4]]))->toBeGreaterThan(priced([['QW:7432', 45, 3]]) - priced([['QW:7432', 45, 2]]) + 0.03)
        ->and(priced([['QW:7432', 45, 2]]))->toBeLessThan(priced([$red, ['QW:2794', 45, 1]]))
        ->and(priced([$red]))->toBeLessThan(priced([$red], tooth: 0.02))
        ->and(priced([$red], grain: 20.0, limits: new Limits(surface: Surface::Hard)))->toBeGreaterThan(priced([$red], grain: 20.0, limits: new Limits(surface: Surface::Rough)) + 0.5)
        ->and(priced([$red], grain: 4.0))->toBe(priced([$red]));
});

it('charges a light for a near-black laid in it, and for a dark that lies under it', function (): void {
    $light = Target::colour(Lab::of(78, 3, 3));
    $dark = Target::colour(Lab::of(30, 3, 3));
    $extra = static fn (Target $of): float => priced([['QW:6858', 30, 1], ['QW:3737', 45, 2]], $of) - priced([['LO:4719', 30, 1], ['QW:3737', 45, 2]], $of);
    expect($extra($light))->toBeGreaterThan($extra($dark) + 0.3)
        ->and(priced([['QW:3769', 25, 1]], $light) - priced([['LO:4719', 25, 1]], $light))->toBeGreaterThan(1.0);
});

describe('the schools', function (): void {
    $by = static fn (array $answers): Limits => new Limits(schools: (new SchoolSet)->with($answers));

    it('take black in a shadow lightly, over a dark and last, and never alone, pressed or below', function () use ($by): void {
        $shadow = Target::colour(Lab::of(28, 6, 4));
        $limits = $by(['shadows' => Shadows::Black]);
        $right = priced([['QW:7432', 45, 2], ['QW:3769', 40, 1]], $shadow, $limits);
        foreach ([[['QW:3769', 40, 1]], [['QW:3769', 40, 1], ['QW:7432', 45, 2]], [['QW:7432', 45, 2], ['QW:3769', 70, 1]]] as $wrong) {
            expect($right)->toBeLessThan(priced($wrong, $shadow, $limits) - 3.0);
        }
    });

    it('take black first only where the dark is truly black, with a coloured dark over it', function () use ($by): void {
        $limits = $by(['shadows' => Shadows::BlackFirst]);
        $over = [['QW:3769', 45, 1], ['QW:6858', 50, 2]];
        $black = Target::colour(Lab::of(22, 2, -3));
        $coloured = Target::colour(Lab::of(22, 25, 15));
        expect(priced($over, $black, $limits))->toBeLessThan(priced(array_reverse($over), $black, $limits) - 3.0)
            ->and(priced($over, $coloured, $limits))->toBeGreaterThan(priced($over, $black, $limits) + 3.0);
    });

    it('gain by a complement where they want it: under, between or over, lightly', function () use ($by): void {
        $red = Target::colour(Lab::of(40, 45, 28));
        $green = ['QW:2794', 30, 1];
        $own = ['QW:7432', 45, 2];
        $ways = ['under' => [$green, $own], 'over' => [$own, $green], 'between' => [['QW:7432', 45, 1], $green, ['QW:7432', 45, 1]]];
        foreach (Complement::cases() as $school) {
            $costs = array_map(static fn (array $members): float => priced($members, $red, $by(['complement' => $school, 'value' => FirstValue::MiddleFirst])), $ways);
            // Three turns cost more than two: what is wanted still comes first.
            asort($costs);
            expect(array_key_first($costs))->toBe($school->value);
        }
        $heavy = priced([['QW:2794', 55, 1], $own], $red, $by([]));
        expect(priced([$green, $own], $red, $by([])))->toBeLessThan($heavy - 1.0);
    });

    it('grade the complement: a dark one under a light gains nothing of what a pale one gains', function () use ($by): void {
        $light = Target::colour(Lab::of(80, 22, 18));
        $shadow = Target::colour(Lab::of(35, 30, 20));
        $gain = static fn (Target $of): float => priced([['QW:2794', 55, 1], ['QW:7432', 45, 1]], $of, $by([])) - priced([['QW:2794', 30, 1], ['QW:7432', 45, 1]], $of, $by([]));
        expect($gain($shadow))->toBeGreaterThan(1.0)->and($gain($light))->toBeLessThan(0.0);
    });

    it('charge white below others, black with white, and the other brightener', function () use ($by): void {
        $light = Target::colour(Lab::of(75, 20, 30));
        expect(priced([['QW:1823', 40, 1], ['QW:7432', 45, 1]], $light))->toBeGreaterThan(priced([['QW:7432', 45, 1], ['QW:1823', 40, 1]], $light) + 0.8)
            ->and(priced([['QW:7432', 40, 1], ['QW:3737', 45, 1]], $light, $by(['brightening' => Brightening::Yellow])))
            ->toBeLessThan(priced([['QW:7432', 40, 1], ['QW:3737', 45, 1]], $light, $by(['brightening' => Brightening::White])) - 1.0)
            ->and(priced([['QW:3769', 40, 1], ['QW:1823', 45, 1]], $light))->toBeGreaterThan(priced([['QW:6858', 40, 1], ['QW:1823', 45, 1]], $light) + 3.0);
    });

    it('want a firm dark first where the hand is firm early, and only in darks', function () use ($by): void {
        $firm = [['QW:6858', 75, 1], ['QW:7432', 45, 2]];
        $dark = Target::colour(Lab::of(30, 10, 5));
        $light = Target::colour(Lab::of(70, 10, 5));
        $gain = static fn (Target $of): float => priced($firm, $of, $by([])) - priced($firm, $of, $by(['hand' => Hand::FirmEarly]));
        expect($gain($dark))->toBeGreaterThan(0.5)->and($gain($light))->toBe(0.0);
    });

    it('want a grey of a blue and a magenta where shadows are neutral, not a grey pencil', function () use ($by): void {
        $shadow = Target::colour(Lab::of(35, 3, -4));
        $neutral = $by(['shadows' => Shadows::Neutral]);
        expect(priced([['LO:4719', 45, 2]], $shadow, $neutral) - priced([['LO:4719', 45, 2]], $shadow))->toBeGreaterThan(1.5);
    });

    it('cost nothing to lay one coat, but form first', function (FirstValue $school) use ($by): void {
        $cost = priced([['QW:7432', 45, 1]], limits: $by(['value' => $school]));
        $school === FirstValue::FormFirst ? expect($cost)->toBeGreaterThan(0.5) : expect($cost)->toEqualWithDelta(0.0, 1e-9);
    })->with(FirstValue::cases());

    it('put values in their order: the own way costs less than its reverse', function () use ($by): void {
        $pale = ['QW:3737', 45, 2];
        $middle = ['QW:7432', 45, 2];
        $dark = ['QW:6858', 45, 2];
        $target = Target::colour(Lab::of(48, 30, 20));
        $cost = static fn (FirstValue $value, array $members): float => priced($members, $target, $by(['value' => $value, 'complement' => Complement::Over]));
        expect($cost(FirstValue::LightToDark, [$pale, $middle, $dark]))->toBeLessThan($cost(FirstValue::LightToDark, [$dark, $middle, $pale]) - 0.5)
            ->and($cost(FirstValue::DarkToLight, [$dark, $middle, $pale]))->toBeLessThan($cost(FirstValue::DarkToLight, [$pale, $middle, $dark]) - 0.5)
            ->and($cost(FirstValue::MiddleFirst, [$middle, $pale, $dark]))->toBeLessThan($cost(FirstValue::MiddleFirst, [$pale, $middle, $dark]) - 0.5)
            ->and($cost(FirstValue::BothEnds, [$pale, $dark, $middle]))->toBeLessThan($cost(FirstValue::BothEnds, [$middle, $pale, $dark]) - 0.3);
    });

    it('answer by name, alone or after their question, and say what can be answered', function (): void {
        $set = SchoolSet::answered('shadows:split, dark-to-light');
        expect($set->shadows)->toBe(Shadows::Split)->and($set->value)->toBe(FirstValue::DarkToLight)->and($set->complement)->toBe(Complement::Under)
            ->and(SchoolSet::answered(''))->toEqual(new SchoolSet)
            ->and(fn () => SchoolSet::answered('shadows:purple'))->toThrow(InvalidArgumentException::class, 'it is one of complement, split, black, black-first, neutral')
            ->and(fn () => SchoolSet::answered('sideways'))->toThrow(InvalidArgumentException::class, '"sideways" is no school');
    });
});

it('sees pencils as the trade does', function (): void {
    $book = new TouchBook(model(), PRICED, pencils());
    expect($book->touch(1, 40, 2))->toBe($book->touch(1, 40, 2))->and($book->touch(1, 40, 2))->not->toBe($book->touch(1, 40, 1))
        ->and(array_values(array_filter(PRICED, static fn (string $id): bool => $book->isBlack((int) array_search($id, PRICED, true)))))->toBe(['QW:3769'])
        ->and(array_values(array_filter(PRICED, static fn (string $id): bool => $book->isWhite((int) array_search($id, PRICED, true)))))->toBe(['QW:1823'])
        ->and(model()->lay(model()->bare(), $book->touch(2, 50, 2))->lab())->toEqual(seen('QW:6858@50x2'))
        ->and($book->coat(0)->isForm())->toBeFalse()->and($book->coat(6)->isForm())->toBeTrue();
});

it('bars a lightener whose own lean would show', function (): void {
    $pale = array_values(array_filter(pencils()->ids(), static fn (string $id): bool => (new TouchBook(model(), [$id], pencils()))->coat(0)->isLightener()));
    expect(count($pale))->toBeGreaterThan(3);
    $book = new TouchBook(model(), ['QW:7432', ...$pale], pencils());
    $barred = $allowed = 0;
    foreach (range(1, count($pale)) as $lightener) {
        $position = $book->coat($lightener)->position;
        foreach ([0.0, 9.0] as $away) {
            $hue = deg2rad(Prism\Colour\Wheel::hueDegrees($position + $away));
            $target = Target::colour(Lab::of(70, 20 * cos($hue), 20 * sin($hue)));
            $laid = Laid::of(Sketch::of([[0, 40, 1], [$lightener, 45, 1]]), new Look($target->colour, 0.0, 1.0), $book);
            $cost = LightenerTerm::by($target)?->of($laid) ?? 0.0;
            $away > 0.0 ? $barred += $cost > 1.0 ? 1 : 0 : $allowed += $cost < 0.1 ? 1 : 0;
        }
    }
    expect($barred)->toBe(count($pale))->and($allowed)->toBe(count($pale))
        ->and(LightenerTerm::by(Target::colour(Lab::of(70, 1, 1))))->toBeNull();
});
