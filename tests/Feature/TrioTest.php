<?php

declare(strict_types=1);

use App\Models\User;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;

beforeEach(function (): void {
    $this->user = artist();
    $this->piece = pieceOf($this->user);
    $this->actingAs($this->user);
    $this->zone = $this->piece->zones()->create(['name' => 'Buoy', 'x' => 0.5, 'y' => 0.5, 'radius' => 0.01, 'position' => 1]);
    $this->shaded = function (): void {
        foreach ([['light', 68, 42, 38], ['middle', 52, 50, 36], ['dark', 36, 36, 22]] as [$role, $L, $a, $b]) {
            $this->zone->targets()->create(['role' => $role, 'L' => $L, 'a' => $a, 'b' => $b, 'spread' => 0, 'share' => 0.3, 'x' => 0.2, 'y' => 0.2]);
        }
    };
});

it('finds three neighbouring hues for a shaded zone, and says what they cost', function (): void {
    ($this->shaded)();
    $trio = $this->postJson("/api/zones/{$this->zone->id}/trio")->assertOk()->json();
    expect(array_unique($trio['pencils']))->toHaveCount(3)->and($trio['further'])->toBeLessThan(5.0)->and($trio['near'])->toBeTrue();
    foreach (['light', 'middle', 'dark'] as $part) {
        $numbers = array_filter(array_map(static fn (array $step): ?string => $step['pencil']['number'] ?? null, $trio['recipes'][$part]['steps']));
        expect(array_diff($numbers, array_values($trio['pencils'])))->toBe([]);
    }
});

it('says of three that are far from the colours of a zone that they are', function (): void {
    foreach ([['light', 40, 4, 8], ['middle', 30, 5, 9], ['dark', 18, 3, 5]] as [$role, $L, $a, $b]) {
        $this->zone->targets()->create(['role' => $role, 'L' => $L, 'a' => $a, 'b' => $b, 'spread' => 0, 'share' => 0.3, 'x' => 0.2, 'y' => 0.2]);
    }
    $trio = $this->postJson("/api/zones/{$this->zone->id}/trio")->assertOk()->json();
    expect($trio['further'])->toBeGreaterThan(5.0)->and($trio['near'])->toBeFalse();
});

it('says why not: nothing shaded, an empty box, somebody else\'s zone', function (): void {
    $this->postJson("/api/zones/{$this->zone->id}/trio")->assertUnprocessable()->assertJsonFragment(['message' => 'This zone has not a light, a middle and a dark of its own; choose one that is shaded.']);
    ($this->shaded)();
    $this->actingAs(User::factory()->create())->postJson("/api/zones/{$this->zone->id}/trio")->assertNotFound();
});

it('tells a recipe as it is laid: rounds, a line, grain, at most two warnings each with what avoids it or none', function (): void {
    foreach ([[48.9, -19.2, 6.6], [30, 12, -14], [72, 18, 34], [22, 1, -1]] as [$L, $a, $b]) {
        foreach ($this->postJson("/api/pieces/{$this->piece->id}/recipes", ['L' => $L, 'a' => $a, 'b' => $b, 'maxLayers' => 8])->assertOk()->json('recipes') as $recipe) {
            $steps = array_sum(array_map(static fn (array $round): int => $round['times'] * $round['steps'], $recipe['rounds']));
            expect($steps)->toBe(count($recipe['steps']))->and($recipe['build'])->toEndWith('.')->not->toContain('@')
                ->and($recipe['grain'])->toContain('grain')->and(count($recipe['warnings']))->toBeLessThanOrEqual(2);
            foreach ($recipe['warnings'] as $warning) {
                expect($warning['cure'] === null)->toBe($warning['cureStack'] === null);
            }
        }
    }
});

it('sets given pencils by hand to light, middle and dark', function (): void {
    $found = fn (array $parts): array => array_column($this->postJson("/api/pieces/{$this->piece->id}/designation", ['pencils' => ['QW:6858', 'QW:3737'], 'parts' => $parts])->assertOk()->json('pencils'), 'part', 'id');
    expect($found([]))->toBe(['QW:3737' => 'light', 'QW:6858' => 'dark'])->and($found(['QW:3737' => 'dark', 'QW:6858' => 'light']))->toBe(['QW:3737' => 'dark', 'QW:6858' => 'light']);
    $this->postJson("/api/pieces/{$this->piece->id}/designation", ['pencils' => ['QW:6858', 'QW:3737'], 'parts' => ['QW:3737' => 'loud']])->assertUnprocessable();
    $this->postJson("/api/pieces/{$this->piece->id}/designation", ['pencils' => ['QW:6858', 'QW:3737'], 'parts' => ['QW:3737' => 'blend', 'QW:6858' => 'blend']])
        ->assertUnprocessable()->assertJsonPath('errors.parts.0', 'All of these are set only to blend; set one at least to light, middle or dark.');
});

it('mixes every three of given pencils, the lightest first and the darkest first, and lets one of them only blend', function (): void {
    $this->user->box()->sync(App\Models\Pencil::query()->whereIn('number', ['6858', '3737', '7432', '1823'])->pluck('id'));
    $found = $this->postJson("/api/pieces/{$this->piece->id}/designation", ['pencils' => ['QW:6858', 'QW:3737', 'QW:7432', 'QW:1823'], 'parts' => ['QW:1823' => 'blend']])->assertOk()->json();
    $orders = array_map(static fn (array $mix): array => preg_match_all('/:(\d+)@/', $mix['stack'], $numbers) > 0 ? $numbers[1] : [], $found['triples']);
    expect(array_column($found['pencils'], 'part', 'number'))->toMatchArray(['1823' => 'blend'])->and($orders)->toHaveCount(8);
    foreach (array_chunk($orders, 2) as [$up, $down]) {
        expect(array_reverse($up))->toBe($down)->and(array_unique($up))->toHaveCount(3);
    }
});
