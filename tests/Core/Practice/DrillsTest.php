<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Colour\ValueScale;
use Prism\Colour\Wheel;
use Prism\Colour\Words\Family;
use Prism\Practice\DrillKind;
use Prism\Practice\Drills;
use Prism\Practice\Leitner;
use Prism\Practice\Option;
use Prism\Practice\Patch;
use Prism\Practice\PracticeBox;
use Prism\Practice\PracticeRefused;
use Prism\Practice\Question;
use Prism\Practice\SeenZone;

use function Tests\Core\model;
use function Tests\Core\pencils;
use function Tests\Core\seen;

function practice(int $seed, int $pencils = 120): PracticeBox
{
    $names = [];
    foreach (pencils() as $id => $pencil) {
        $names[$id] = "{$pencil->id->number} $pencil->name";
    }

    return new PracticeBox(model(), array_slice($names, 0, $pencils, true), [Lab::of(41, 12, 30), Lab::of(72, -3, -12)], $seed, seenZones());
}

/** @return list<SeenZone> four photos of six zones each, one darker than the other, each nearly in reach of one pencil or another */
function seenZones(): array
{
    static $zones = [];
    $ids = pencils()->ids();
    $nearest = static function (string $laid, float $L) use ($ids): Lab {
        usort($ids, static fn (string $one, string $other): int => abs(seen($one.$laid)->L - $L) <=> abs(seen($other.$laid)->L - $L));
        $found = seen($ids[0].$laid);

        return Lab::of($L, $found->a + 0.8, $found->b - 0.8);
    };
    for ($i = 0; $zones === [] || count($zones) < 24; $i++) {
        $L = 86.0 - 11.5 * ($i % 6) - intdiv($i, 6);
        $zones[] = new SeenZone(['harbour', 'lantern', 'jugs', 'quay'][intdiv($i, 6)], 0.1 + 0.15 * ($i % 6), 0.5, ['light' => $nearest('@25', $L + 9.0), 'middle' => $nearest('@50x2', $L), 'dark' => $nearest('@80x3', $L - 14.0)]);
    }

    return $zones;
}

/** @return list<Question> several rounds of a kind at a level */
function asked(DrillKind $kind, int $level): array
{
    return array_merge(...array_map(static fn (int $seed): array => Drills::round($kind, $level, practice(100 * $level + $seed)), range(1, 4)));
}

it('asks five different questions of each kind, at each level, fewer where there are few zones', function (DrillKind $kind): void {
    foreach ([1, 3, 5] as $level) {
        $round = Drills::round($kind, $level, practice($level));
        // Of a zone it is asked once: of few that can be asked without doubt a round is shorter.
        expect(count($round))->toBeLessThanOrEqual(5)->toBeGreaterThanOrEqual($kind === DrillKind::Zone ? 2 : 5);
        foreach ($round as $question) {
            $ids = array_map(static fn (Option $option): string => $option->id, $question->options);
            expect($question->kind)->toBe($kind)->and(array_unique($ids))->toHaveCount(count($ids))->and(array_diff($question->right, $ids))->toBe([])
                ->and($question->right)->toHaveCount($kind === DrillKind::Zone ? 3 : ($kind->isOrder() ? count($ids) : 1))->and($question->because)->not->toBe('')
                ->and($question->isRight($question->right))->toBeTrue()->and($question->isRight([]))->toBeFalse();
        }
    }
})->with(DrillKind::cases());

it('asks the same again for the same seed, and other questions for another', function (): void {
    expect(Drills::round(DrillKind::Next, 2, practice(7)))->toEqual(Drills::round(DrillKind::Next, 2, practice(7)))
        ->not->toEqual(Drills::round(DrillKind::Next, 2, practice(8)));
});

it('knows the value step, and asks of none that lies between two', function (DrillKind $kind): void {
    foreach ([1, 5] as $level) {
        foreach (asked($kind, $level) as $question) {
            $L = $question->patches[0]->colour->L;
            expect($question->right)->toBe([(string) ValueScale::step($L)])->and(abs(ValueScale::position($L) - ValueScale::step($L)))->toBeLessThanOrEqual($level === 1 ? 0.15 : 0.35);
            expect($question->patches[0]->ground === null)->toBe($kind === DrillKind::Value);
        }
    }
})->with([DrillKind::Value, DrillKind::Surrounded]);

it('deceives by a ground that is far in value', function (): void {
    foreach (asked(DrillKind::Surrounded, 3) as $question) {
        expect($question->patches[0]->ground?->L)->toBeIn([16.0, 92.0]);
    }
});

it('knows the order by value, with no two near one another', function (DrillKind $kind): void {
    foreach ([1, 5] as $level) {
        foreach (asked($kind, $level) as $question) {
            $L = [];
            foreach ($question->right as $id) {
                foreach ($question->options as $option) {
                    $id === $option->id && $L[] = $option->colour?->L;
                }
            }
            for ($i = 1; $i < count($L); $i++) {
                expect($L[$i - 1] - $L[$i])->toBeGreaterThanOrEqual($level === 1 ? 10.0 : 3.5);
            }
        }
    }
})->with([DrillKind::Rank, DrillKind::Designate]);

it('knows the family, and offers none that it could be called as well', function (): void {
    foreach (asked(DrillKind::Family, 4) as $question) {
        $family = Family::of($question->patches[0]->colour);
        expect($question->right)->toBe([$family->kind->value]);
        if ($family->with !== null) {
            expect(array_map(static fn (Option $option): string => $option->id, $question->options))->not->toContain($family->with->value);
        }
    }
});

it('knows the lean by the side of the pure hue', function (): void {
    foreach ([1, 5] as $level) {
        foreach (asked(DrillKind::Lean, $level) as $question) {
            $position = Wheel::position($question->patches[0]->colour->hueDegrees());
            $right = $question->right[0];
            $wrong = array_values(array_filter(array_map(static fn (Option $option): string => $option->id, $question->options), static fn (string $id): bool => $id !== $right))[0];
            // What is said for it does not say the contrary.
            expect($question->because)->toContain("towards $right")->not->toContain("leans $wrong");
            $at = ['red' => 0.0, 'orange' => 3.0, 'yellow' => 6.0, 'green' => 9.0, 'blue' => 12.0, 'violet' => 15.0];
            expect(Wheel::distance($position, $at[$right]))->toBeLessThan(Wheel::distance($position, $at[$wrong]) - 0.9);
        }
    }
});

it('knows the complement: no other pencil that is offered lies as near to the opposite', function (): void {
    foreach (asked(DrillKind::Complement, 5) as $question) {
        $opposite = Wheel::complement(Wheel::position($question->patches[0]->colour->hueDegrees()));
        $far = [];
        foreach ($question->options as $option) {
            $far[$option->id] = Wheel::distance(Wheel::position($option->colour->hueDegrees()), $opposite);
        }
        asort($far);
        expect((string) array_key_first($far))->toBe($question->right[0])->and(array_values($far)[1] - array_values($far)[0])->toBeGreaterThan(0.9);
    }
});

it('knows which pencil comes there, by laying each that is offered', function (): void {
    foreach ([1, 5] as $level) {
        foreach (asked(DrillKind::Next, $level) as $question) {
            // By its look, the pencil that lies there is known again.
            $under = null;
            foreach (pencils() as $id => $pencil) {
                $under ??= seen("$id@50x2")->differenceTo($question->patches[0]->colour) < 1e-9 ? $id : null;
            }
            $miss = [];
            foreach ($question->options as $option) {
                $miss[$option->id] = seen("$under@50x2 > {$option->id}@50x2")->differenceTo($question->patches[1]->colour);
            }
            asort($miss);
            expect((string) array_key_first($miss))->toBe($question->right[0])->and(array_values($miss)[1] - array_values($miss)[0])->toBeGreaterThan($level === 1 ? 6.9 : 2.4);
        }
    }
});

it('knows the order of two, and asks only where it shows', function (): void {
    foreach (asked(DrillKind::Order, 5) as $question) {
        [$one, $other] = array_map(static fn (Option $option): string => $option->id, $question->options);
        $under = $question->right[0];
        $over = $under === $one ? $other : $one;
        $colour = $question->patches[2]->colour;
        expect(seen("$under@60x2 > $over@60x2")->differenceTo($colour))->toBeLessThan(1e-9)->and(seen("$over@60x2 > $under@60x2")->differenceTo($colour))->toBeGreaterThan(3.9);
    }
});

it('knows how many coats lie there', function (): void {
    foreach (asked(DrillKind::Coats, 3) as $question) {
        $pencil = null;
        foreach (pencils() as $id => $one) {
            $pencil ??= seen("$id@50x1")->differenceTo($question->patches[0]->colour) < 1e-9 ? $id : null;
        }
        foreach ($question->options as $option) {
            expect(seen("$pencil@50x{$option->id}")->differenceTo($question->patches[2]->colour) < 1.0)->toBe($option->id === $question->right[0]);
        }
    }
});

it('knows the muddy pair, the other two being clean', function (): void {
    foreach (asked(DrillKind::Muddy, 2) as $question) {
        $names = array_map(static fn (Patch $patch): string => $patch->label, $question->patches);
        expect($names)->toHaveCount(6);
        $ids = [];
        foreach (pencils() as $id => $pencil) {
            $ids["{$pencil->id->number} $pencil->name"] = $id;
        }
        $kept = [];
        foreach ([[0, 1], [2, 3], [4, 5]] as [$i, $j]) {
            [$one, $other] = [$ids[$names[$i]], $ids[$names[$j]]];
            $kept[$one] = seen("$one@55x2 > $other@55x2")->chroma() / min(seen("$one@80x3")->chroma(), seen("$other@80x3")->chroma());
        }
        asort($kept);
        expect((string) array_key_first($kept))->toBe($question->right[0])->and(array_values($kept)[0])->toBeLessThan(0.45)->and(array_values($kept)[1])->toBeGreaterThan(0.8);
    }
});

it('knows the order of five zones of one photo by value, no two near one another', function (): void {
    foreach ([1, 5] as $level) {
        foreach (asked(DrillKind::Squint, $level) as $question) {
            $there = array_values(array_filter(seenZones(), static fn (SeenZone $zone): bool => $zone->picture === $question->picture));
            $values = [];
            foreach ($question->options as $at => $option) {
                foreach ($there as $zone) {
                    if ([$zone->x, $zone->y] === $question->spots[$at]) {
                        $values[$option->id] = $zone->colours['middle']->L;
                    }
                }
            }
            arsort($values);
            $sorted = array_values($values);
            expect(array_keys($values))->toBe($question->right)->and($values)->toHaveCount(5);
            for ($i = 1; $i < 5; $i++) {
                expect($sorted[$i - 1] - $sorted[$i])->toBeGreaterThanOrEqual($level === 1 ? 8.0 : 4.0);
            }
        }
    }
});

it('knows the pencil for each value of a zone: laid in any way, none that is offered comes as near', function (): void {
    foreach ([1, 5] as $level) {
        foreach (asked(DrillKind::Zone, $level) as $question) {
            $zone = array_values(array_filter(seenZones(), static fn (SeenZone $zone): bool => $zone->picture === $question->picture && [[$zone->x, $zone->y]] === $question->spots))[0];
            foreach (['light', 'middle', 'dark'] as $at => $role) {
                expect($question->patches[$at]->colour)->toEqual($zone->colours[$role]);
                $misses = [];
                foreach ($question->options as $option) {
                    $misses[$option->id] = min(array_map(static fn (string $laid): float => seen($option->id.$laid)->differenceTo($zone->colours[$role]), ['@25', '@40', '@50x2', '@65x3', '@80x3']));
                }
                asort($misses);
                expect((string) array_key_first($misses))->toBe($question->right[$at])->and(array_values($misses)[1] - array_values($misses)[0])->toBeGreaterThan(1.29);
            }
        }
    }
});

it('is a round also where by chance now and then no question is found', function (int $seed): void {
    $names = [];
    foreach (pencils() as $id => $pencil) {
        $names[$id] = $pencil->name;
    }
    // Two zones that a part of these pencils serves, and another part does not.
    $box = new PracticeBox(model(), array_slice($names, 0, 26, true), [], $seed, array_slice(seenZones(), 0, 2));
    expect(count(Drills::round(DrillKind::Zone, 4, $box)))->toBeGreaterThan(0);
})->with([1, 2, 3]);

it('says what it needs where there is no photo yet', function (DrillKind $kind): void {
    Drills::round($kind, 1, new PracticeBox(model(), ['QW:6858' => 'a'], [], 1));
})->with([DrillKind::Squint, DrillKind::Zone])->throws(PracticeRefused::class, 'Read one in Look first.');

it('says what a small box lacks', function (): void {
    Drills::round(DrillKind::Muddy, 1, practice(1, 3));
})->throws(PracticeRefused::class, 'at least 6 pencils');

it('moves a skill up after a good round and away for longer, down after a poor one', function (): void {
    expect(Leitner::start()->level)->toBe(1)->and(Leitner::start()->dueInDays)->toBe(0)
        ->and(Leitner::after(1, 5, 5)->level)->toBe(2)->and(Leitner::after(1, 5, 5)->dueInDays)->toBe(2)
        ->and(Leitner::after(4, 4, 5)->dueInDays)->toBe(14)->and(Leitner::after(5, 5, 5)->level)->toBe(5)
        ->and(Leitner::after(3, 3, 5)->level)->toBe(3)->and(Leitner::after(3, 3, 5)->dueInDays)->toBe(1)
        ->and(Leitner::after(3, 1, 5)->level)->toBe(2)->and(Leitner::after(1, 0, 5)->level)->toBe(1)
        // In a small box a round is shorter.
        ->and(Leitner::after(2, 2, 2)->level)->toBe(3);
});
