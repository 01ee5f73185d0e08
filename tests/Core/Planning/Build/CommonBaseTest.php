<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Matching\Limits;
use Prism\Matching\Recipe;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Materials\PencilId;
use Prism\Planning\Build\Apart;
use Prism\Planning\Build\CommonBase;
use Prism\Planning\Build\ZoneBases;
use Prism\Planning\LocalColour;
use Prism\Planning\Order\PlannedZone;
use Prism\Reference\Zones\TargetRole;

use function Tests\Core\model;
use function Tests\Core\pencils;

// The base that the colours of a zone stand on, and why one of them stands apart.

/** @return list<PlannedZone> of one zone, in stack notation by role */
function begun(array $stacks, bool $own = false): array
{
    return array_map(static fn (string $role, string $stack): PlannedZone => new PlannedZone("z-$role", 'z', "Planks: $role", Lab::of(50, 4, 4), Stack::parse($stack), null, 500.0, role: TargetRole::from($role), zoneName: 'Planks', own: $own), array_keys($stacks), $stacks);
}

it('goes first in most of the zone', function (): void {
    $first = static fn (array $stacks, array $weights): ?string => ($found = CommonBase::among(array_map(static fn (?string $stack): ?Recipe => $stack === null ? null : offered($stack, 1.0), $stacks), $weights)) === null ? null : (string) $found;
    expect($first(['QW:5892@40', 'QW:6858@40 > QW:5892@50', 'QW:6858@40'], [1.0, 0.4, 0.4]))->toBe('QW:5892')
        ->and($first(['QW:5892@40', 'QW:6858@40 > QW:5892@50', 'QW:6858@40'], [1.0, 0.6, 0.6]))->toBe('QW:6858')
        ->and($first(['QW:5892@40', '', null], [1.0, 1.0, 1.0]))->toBeNull();
});

it('is laid under a colour that had another beginning, as its first layer', function (): void {
    $search = new Search(new Predictor(model()), pencils(), PairLibrary::build(model(), pencils()->ids()));
    $target = Target::colour(Lab::of(45, 10, 20));
    $limits = new Limits(maxLayers: Limits::PICTURE_LAYERS, top: 3);
    $own = $search->find($target, $limits);
    $first = $own[0]->stack->steps[0]->pencil;
    $base = array_values(array_filter(pencils()->ids(), static fn (string $id): bool => $id !== (string) $first && pencils()->get(PencilId::of($id))->fullCoat?->L > 70.0))[0];
    $found = (new CommonBase($search, array_flip(pencils()->ids())))->under(PencilId::of($base), $target, $limits, $own);
    expect($found)->not->toBeEmpty();
    foreach ($found as $recipe) {
        expect((string) $recipe->stack->steps[0]->pencil)->toBe($base)->and($recipe->stack->steps)->not->toHaveCount(1)
            ->and($recipe->stack->steps[0]->pressurePercent)->toBeLessThanOrEqual(60.0);
    }
    expect((new CommonBase($search, array_flip(pencils()->ids())))->under($first, $target, $limits, $own))->toBe([]);
});

it('is shared by the colours of one thing, in light and in shadow, and not by two things that meet', function (Lab $one, Lab $other, bool $shared): void {
    expect(LocalColour::isShared($one, $other))->toBe($shared)->and(LocalColour::isShared($other, $one))->toBe($shared);
})->with([
    'a green and its darker green' => [Lab::of(60, -30, 20), Lab::of(30, -18, 14), true],
    'a green and a grey' => [Lab::of(60, -30, 20), Lab::of(50, 2, 3), true],
    'red and green' => [Lab::of(50, 45, 25), Lab::of(50, -30, 20), false],
]);

it('is told in words, with what sharing would cost where a colour stands apart', function (): void {
    $base = PencilId::of('LO:7242');
    $sentence = static fn (array $stacks, array $apart, bool $own = false): string => ZoneBases::of(begun($stacks, $own), $apart)[0]->sentence();
    expect($sentence(['light' => 'LO:7242@40', 'dark' => 'LO:7242@40 > QW:3546@50'], []))->toBe('7242 first, under all of it.')
        ->and($sentence(['dark' => 'QW:3546@50', 'light' => 'LO:7242@40', 'middle' => 'LO:7242@50'], ['z-dark' => new Apart($base, false, 2.31)]))
        ->toBe('7242 first, under light and middle. 3546 under dark: over 7242 it would miss by 2.3 more.')
        ->and($sentence(['light' => 'LO:7242@40', 'dark' => 'QW:3546@50'], ['z-dark' => new Apart($base, true, null)]))->toBe('7242 first, under light. 3546 under dark: another local colour.')
        ->and($sentence(['light' => 'LO:7242@40', 'dark' => 'QW:3546@50'], ['z-dark' => new Apart($base, false, null)]))->toContain('nothing over 7242 comes near it')
        ->and($sentence(['light' => 'LO:7242@40', 'dark' => 'QW:3546@50'], ['z-dark' => new Apart($base, false, 0.1)]))->toContain('as near without 7242')
        // What the artist has laid otherwise since is not explained by what was found then.
        ->and($sentence(['light' => 'LO:7242@40', 'dark' => 'QW:3546@50'], ['z-dark' => new Apart($base, false, 2.3)], true))->not->toContain('miss')
        ->and(ZoneBases::of(begun(['light' => '', 'dark' => 'QW:3546@50']), []))->toBe([]);
});
