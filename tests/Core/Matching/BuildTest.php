<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Grain;
use Prism\Layering\Predictor;
use Prism\Layering\Rounds;
use Prism\Layering\Stack;
use Prism\Matching\Advice\BuildLine;
use Prism\Matching\Advice\Cure;
use Prism\Matching\Advice\RecipeMaker;
use Prism\Matching\Advice\Warning;
use Prism\Matching\BrokenRule;
use Prism\Matching\Gamut;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Materials\PencilKind;
use Prism\Planning\Fitting;
use Prism\Reference\Light\ChromaReach;
use Prism\Schools\SchoolSet;
use Prism\Schools\Shadows;

use function Tests\Core\box;
use function Tests\Core\draw;
use function Tests\Core\model;
use function Tests\Core\pencils;
use function Tests\Core\seen;

// How a recipe is told, and what is brought within reach before one is looked for.

function smallFittingBox(): Search
{
    static $search = null;
    $kit = box(['QW:6858', 'QW:3737', 'QW:7432', 'QW:2794', 'LO:3512', 'LO:4719', 'QW:3769']);

    return $search ??= new Search(new Predictor(model()), $kit, PairLibrary::build(model(), $kit->ids()));
}

it('sees rounds in any stack, and gives all its steps back in their order', function (): void {
    $groups = Rounds::of(Stack::parse('QW:544@30 > QW:6858@45x2 > QW:6828@40 > QW:6858@45x2 > QW:6828@40 > QW:6858@45x2 > QW:6828@40 > QW:7432@70'));
    expect(array_map(static fn (Rounds $round): array => [$round->times, $round->from, count($round->steps)], $groups))->toBe([[1, 0, 1], [3, 1, 2], [1, 7, 1]]);
    mt_srand(17);
    for ($i = 0; $i < 200; $i++) {
        $stack = Stack::parse(implode(' > ', array_map(static fn (): string => ['QW:6858@45', 'QW:7432@40x2', 'wash'][mt_rand(0, 2)], range(1, mt_rand(1, 12)))));
        $steps = [];
        foreach (Rounds::of($stack) as $round) {
            for ($n = 0; $n < $round->times; $n++) {
                array_push($steps, ...array_map(strval(...), $round->steps));
            }
        }
        expect(implode(' > ', $steps))->toBe((string) $stack);
    }
});

it('says a build in a line: what lies under, the rounds, what comes last, without notation', function (): void {
    expect(BuildLine::of(Stack::parse('QW:544@30 > QW:6858@45x2 > QW:6828@40 > QW:6858@45x2 > QW:6828@40 > QW:7432@70'), 0))
        ->toBe('544 30 % light under it; 2 rounds: 6858 45 % easy, 2 coats, then 6828 40 % light; last 7432 70 % medium.')
        ->and(BuildLine::of(Stack::parse('QW:6858@45x3 > wash > QW:6858@40'), null))->toBe('6858 45 % easy, 3 coats; a wash, dried; 6858 40 % light.')
        ->and(BuildLine::of(Stack::of(), null))->toBe('Leave the paper bare.');
});

it('offers the nearest recipe that avoids a warning, with what it costs and which pencil stands for which', function (): void {
    $maker = new RecipeMaker(new Predictor(model()), pencils());
    $target = Target::colour(Lab::of(60, 2, 40));
    $warned = $maker->make(Stack::parse('QW:3737@60x2 > QW:3769@35'), $target);
    $others = array_map(static fn (string $stack): Prism\Matching\Recipe => $maker->make(Stack::parse($stack), $target), ['QW:3737@60x2 > QW:4973@50', 'QW:3737@40 > QW:4973@20', 'QW:3737@60x2 > QW:3769@40']);
    expect($warned->warnings)->toContain(Warning::TurnsGreen);
    $cure = Cure::of($warned, Warning::TurnsGreen, $others);
    expect($cure?->sentence())->toContain('4973 in place of 3769 avoids it')
        ->and($cure?->further)->toEqualWithDelta(min($others[0]->difference->dE00, $others[1]->difference->dE00) - $warned->difference->dE00, 1e-9)
        ->and(Cure::of($warned, Warning::TurnsGreen, [$others[2]]))->toBeNull()
        // One that breaks a rule cures nothing.
        ->and(Cure::of($warned, Warning::TurnsGreen, [$others[0]->breaking(BrokenRule::burnish(1.0))]))->toBeNull();
});

it('puts warnings worst first, each once', function (): void {
    expect(Warning::worstFirst([Warning::Bloom, Warning::Muddy, Warning::Bloom, Warning::OutOfReach]))->toBe([Warning::OutOfReach, Warning::Muddy, Warning::Bloom]);
});

it('calls grain closed, fine or open by what is seen of it', function (): void {
    expect(Grain::of(draw('QW:3769@25')->grain()))->toBe(Grain::Open)->and(Grain::of(draw('QW:3769@95x3')->grain()))->toBe(Grain::Closed)
        ->and(Grain::of(draw('QW:3737@40')->grain()))->toBe(Grain::Closed)->and(Grain::of(draw('')->grain()))->toBe(Grain::Closed);
});

it('knows whites, blacks, near-blacks and yellows by their heavy coats', function (string $id, PencilKind $kind): void {
    expect(PencilKind::of(pencils()->get(Prism\Materials\PencilId::of($id))->fullCoat))->toBe($kind);
})->with([['QW:1823', PencilKind::White], ['QW:3769', PencilKind::Black], ['QW:3737', PencilKind::Yellow], ['QW:7432', PencilKind::Colour]]);

it('fits values in their order, keeps hue, and leaves a picture within reach as it is', function (): void {
    $search = smallFittingBox();
    $gamut = Gamut::of(PairLibrary::build(model(), ['QW:6858', 'QW:3737', 'QW:7432', 'QW:2794', 'LO:3512', 'LO:4719', 'QW:3769']));
    $read = array_map(static fn (array $lab): Lab => Lab::of(...$lab), [[4, 2, -3], [15, 20, 10], [30, 25, 12], [52, -8, 6], [70, 10, 12], [99.5, 0, 1]]);
    $fitting = Fitting::of($read, $search, $gamut, 95.4);
    $fitted = array_map($fitting->colour(...), $read);
    expect($fitting->isNeeded())->toBeTrue()->and($fitted[0]->L)->toEqualWithDelta(Fitting::darkest($search), 0.01)->and($fitted[5]->L)->toBeLessThanOrEqual(95.4 + 1e-9);
    for ($i = 1; $i < count($read); $i++) {
        expect($fitted[$i]->L)->toBeGreaterThan($fitted[$i - 1]->L + 0.5)
            ->and($read[$i]->chroma() < 5.0 ? 0.0 : abs($fitted[$i]->hueDegrees() - $read[$i]->hueDegrees()))->toBeLessThan(0.01)
            ->and($fitted[$i]->chroma())->toBeLessThanOrEqual($read[$i]->chroma() + 1e-9);
    }
    $within = [Lab::of(45, 2, 1), Lab::of(80, 1, 3)];
    expect(Fitting::of($within, $search, $gamut, 95.4)->isNeeded())->toBeFalse();
    // A colour that is too strong for the box alone is reason to fit; its value and its hue stay.
    $strong = Lab::of(50, -60, 55);
    $tamed = Fitting::of([...$within, $strong], $search, $gamut, 95.4);
    expect($tamed->isNeeded())->toBeTrue()->and($tamed->colour($strong)->L)->toEqualWithDelta(50.0, 1e-9)
        ->and($tamed->colour($strong)->chroma())->toBeLessThan(0.9 * $strong->chroma())->and($tamed->colour($strong)->hueDegrees())->toEqualWithDelta($strong->hueDegrees(), 1e-6)
        ->and($tamed->colour($within[0]))->toEqual($within[0]);
});

it('offers what breaks a rule last, marked with what it gains, and only where that is much', function (): void {
    $dark = smallFittingBox()->find(Target::colour(Lab::of(16, 0, 0)), new Limits(top: 4));
    $marked = array_filter($dark, static fn ($recipe): bool => $recipe->breaks !== null);
    expect($marked)->toHaveCount(1)->and(array_key_first($marked))->toBe(count($dark) - 1)
        ->and($dark[count($dark) - 1]->breaks?->sentence())->toMatch('/^Only (black|a burnish) reaches this: \d+\.\d nearer\.$/')
        ->and($dark[count($dark) - 1]->difference->dE00)->toBeLessThan($dark[0]->difference->dE00 - 1.0);
    $easy = smallFittingBox()->find(Target::colour(seen('QW:7432@45x2 > QW:3737@40')), new Limits(top: 4));
    expect(array_filter($easy, static fn ($recipe): bool => $recipe->breaks !== null))->toBe([]);
});

it('looks as it was seen, and what is laid next starts from there', function (): void {
    $passage = draw('QW:6858@45x2');
    $seen = Lab::of($passage->lab()->L - 6.0, $passage->lab()->a + 4.0, $passage->lab()->b);
    $there = $passage->seenAs($seen);
    expect($there->lab()->differenceTo($seen))->toBeLessThan(0.05)->and($there->fill)->toBe($passage->fill);
    $step = Stack::parse('QW:3737@40')->steps[0];
    $after = model()->apply($there, $step)->lab();
    $plain = model()->apply($passage, $step)->lab();
    // It stays darker and redder, by less than before: the yellow lies over it.
    expect($after->L)->toBeLessThan($plain->L - 1.0)->and($after->a)->toBeGreaterThan($plain->a + 0.5);
    // Looked at twice, it is the second look that holds.
    expect($there->seenAs($passage->lab())->lab()->differenceTo($passage->lab()))->toBeLessThan(0.05);
});

it('reaches no farther than the schools let it: a black is no part of it unless they have one', function (): void {
    $kit = box(['QW:6858', 'QW:3737', 'QW:3546', 'QW:3769']);
    $library = PairLibrary::build(model(), $kit->ids());
    $darkest = static fn (Gamut $gamut): float => min(array_map(static fn (Lab $lab): float => $lab->L, $gamut->colours()));
    $usual = Gamut::permitted($library, $kit, new SchoolSet);
    expect($usual->without(Gamut::of(PairLibrary::build(model(), ['QW:6858', 'QW:3737', 'QW:3546'])))->count())->toBe(0)
        ->and($darkest(Gamut::of($library)))->toBeLessThan($darkest($usual) - 5.0)
        ->and(Gamut::of($library)->without(Gamut::permitted($library, $kit, new SchoolSet(shadows: Shadows::Black)))->count())->toBe(0);
});

it('brings a dark that nothing is made in no further than what is a little lighter, and leaves alone what nothing is known of', function (): void {
    $reach = ChromaReach::of([Lab::of(45, 0, 20)]);
    expect($reach->colour(Lab::of(35, 0, 30))->chroma())->toEqualWithDelta(20.0, 1e-9)
        ->and($reach->colour(Lab::of(35, 0, -30))->chroma())->toEqualWithDelta(30.0, 1e-9)
        ->and($reach->colour(Lab::of(60, 0, 30))->chroma())->toEqualWithDelta(30.0, 1e-9);
});
