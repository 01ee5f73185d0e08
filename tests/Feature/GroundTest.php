<?php

declare(strict_types=1);

use App\Models\Zone;
use App\Models\ZoneTarget;
use App\Studio\LongWork\LookWork;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;

// A ground of another medium under one zone.

beforeEach(function (): void {
    $this->user = artist();
    $this->piece = pieceOf($this->user);
    $this->actingAs($this->user);
    $this->url = "/api/pieces/{$this->piece->id}";
    app(LookWork::class)->do($this->user, ['piece' => $this->piece->id], static function (): void {
    });
    $this->zone = fn (): Zone => $this->piece->zones()->with('targets')->firstOrFail();
    $this->lay = fn (mixed $ground) => $this->patchJson('/api/zones/'.($this->zone)()->id, ['version' => ($this->zone)()->version, 'ground' => $ground]);
});

it('is kept as it was typed, told with its zone, and taken off again', function (): void {
    ($this->lay)(['colour' => '#c9a57a', 'tooth' => 'smoother'])->assertOk()->assertJsonPath('ground.colour.hex', '#c9a57a')->assertJsonPath('ground.tooth', 'smoother');
    $this->getJson($this->url)->assertOk()->assertJsonPath('zones.0.ground.tooth', 'smoother')->assertJsonPath('zones.1.ground', null);
    ($this->lay)(null)->assertOk()->assertJsonPath('ground', null);
    expect(($this->zone)()->ground)->toBeNull();
});

it('refuses what is no colour or no tooth, and keeps what was there', function (): void {
    ($this->lay)(['colour' => 'QW:5892', 'tooth' => 'as-paper'])->assertOk();
    $had = ($this->zone)()->ground;
    foreach ([
        [['colour' => 'muddyish', 'tooth' => 'as-paper'], 'ground.colour'], [['colour' => '#c9a57a', 'tooth' => 'slippery'], 'ground.tooth'], [['tooth' => 'little'], 'ground.colour'],
        [['colour' => ['#c9a57a'], 'tooth' => 'little'], 'ground.colour'], ['chalk', 'ground'],
    ] as [$wrong, $field]) {
        ($this->lay)($wrong)->assertUnprocessable()->assertJsonValidationErrors([$field]);
    }
    expect(($this->zone)()->ground)->toEqual($had);
    $this->actingAs(artist())->patchJson('/api/zones/'.($this->zone)()->id, ['version' => ($this->zone)()->version, 'ground' => null])->assertNotFound();
    expect(($this->zone)()->ground)->toEqual($had);
});

it('is what recipes and predictions of its zone stand on, and of no other', function (): void {
    $target = ($this->zone)()->targets[0];
    $wanted = ['L' => 55, 'a' => 8, 'b' => 18];
    $find = fn (?string $zone): array => $this->postJson($this->url.'/recipes', [...$wanted, 'zone' => $zone])->assertOk()->json('recipes.0');
    $predict = fn (?string $zone): float => $this->postJson($this->url.'/predictions', [...$wanted, 'stack' => 'QW:6858@30', 'zone' => $zone])->assertOk()->json('recipe.predicted.b');
    $before = [$find($target->zone_id), $predict($target->zone_id)];
    ($this->lay)(['colour' => '60 12 40', 'tooth' => 'as-paper'])->assertOk();
    expect($find(null))->toEqual($before[0])->and($find($target->zone_id)['stack'])->not->toBe($before[0]['stack'])
        ->and($predict(null))->toBe($before[1])->and($predict($target->zone_id))->toBeGreaterThan($before[1] + 8.0)
        // Another's zone is none of this piece.
        ->and($predict(pieceOf(artist())->zones()->value('id')))->toBe($before[1]);
});

it('is planned on: its colours begin at its colour, and the plan says to lay it first', function (): void {
    ($this->lay)(['colour' => '60 12 40', 'tooth' => 'smoother'])->assertOk();
    $this->patchJson($this->url, ['paletteSize' => 5])->assertOk();
    $work = $this->postJson('/api/works', ['kind' => 'planning', 'piece' => $this->piece->id])->assertAccepted()->json('id');
    $this->getJson("/api/works/$work")->assertJsonPath('state', 'done');
    $plan = $this->getJson($this->url.'/plan')->assertOk()->json();
    $zone = ($this->zone)()->id;
    $firsts = array_filter($plan['steps'], static fn (array $step): bool => $step['layer'] <= 1);
    expect(array_filter($firsts, static fn (array $step): bool => $step['zone']['id'] === $zone))->not->toBe([]);
    foreach ($firsts as $step) {
        expect(abs($step['before']['L'] - 60.0) < 1.0)->toBe($step['zone']['id'] === $zone);
    }
    expect(collect($plan['beginnings'])->firstWhere('zone', $zone)['sentence'])->toStartWith('Lay its ground first');
    $bare = $this->get($this->url.'/simulation.png?steps=0')->assertOk()->getContent();
    ($this->lay)(null)->assertOk();
    expect($this->get($this->url.'/simulation.png?steps=0')->getContent())->not->toBe($bare)
        ->and(ZoneTarget::query()->where('zone_id', $zone)->whereHas('recipe')->exists())->toBeTrue();
});
