<?php

declare(strict_types=1);

use App\Models\Recipe;
use App\Models\ZoneTarget;
use App\Studio\LongWork\LookWork;
use App\Studio\Photos\PhotoStore;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;

beforeEach(function (): void {
    $this->user = artist();
    $this->piece = pieceOf($this->user);
    $this->actingAs($this->user);
    $this->url = "/api/pieces/{$this->piece->id}";
    app(LookWork::class)->do($this->user, ['piece' => $this->piece->id], static function (): void {
    });
    $this->plan = function (array $wish = []): array {
        $work = $this->postJson('/api/works', ['kind' => 'planning', 'piece' => $this->piece->id, ...$wish])->assertAccepted()->json('id');

        return $this->getJson("/api/works/$work")->assertJsonPath('state', 'done')->json('result');
    };
    $this->stacks = fn (): array => ZoneTarget::query()->with('recipe')->orderBy('id')->get()->mapWithKeys(fn (ZoneTarget $t): array => [$t->id => $t->recipe?->stack])->all();
});

it('leaves alone what is begun on the paper, even where all is planned anew', function (): void {
    $this->patchJson($this->url, ['paletteSize' => 8]);
    ($this->plan)();
    $plan = $this->getJson($this->url.'/plan')->assertJsonPath('begunRecipes', 0)->json();
    $step = array_values(array_filter($plan['steps'], fn (array $step): bool => $step['step'] !== null))[0];
    $target = $step['zone']['target'];
    $laid = ($this->stacks)()[$target];
    $this->postJson($this->url.'/drawing', ['mark' => (string) Str::ulid(), 'keys' => [$step['key']], 'state' => 'done'])->assertOk()->assertJsonPath('begunRecipes', 1);
    // Its pencil is no longer wished for, but it lies there.
    $this->patchJson($this->url, ['banned' => [$step['step']['pencil']['id']], 'paletteSize' => 5]);
    expect(($this->plan)(['anew' => true])['kept'])->toBe(1)->and(($this->stacks)()[$target])->toBe($laid);
    $after = $this->getJson($this->url.'/plan')->json();
    expect(array_column($after['palette']['pencils'], 'id'))->toContain($step['step']['pencil']['id'])
        ->and(array_values(array_filter($after['steps'], fn (array $now): bool => $now['key'] === $step['key']))[0]['state'])->toBe('done');
    // Skipped is not laid; and what was taken off again is free.
    $this->deleteJson($this->url.'/drawing/last')->assertOk()->assertJsonPath('begunRecipes', 0);
    $this->postJson($this->url.'/drawing', ['mark' => (string) Str::ulid(), 'keys' => [$step['key']], 'state' => 'skipped'])->assertOk()->assertJsonPath('begunRecipes', 0);
    ($this->plan)();
    expect(($this->stacks)()[$target])->not->toContain($step['step']['pencil']['id']);
});

it('shades every form by a trio where that is the school, says for how many it could and at what cost, and goes back', function (): void {
    $this->patchJson($this->url, ['paletteSize' => null]);
    $buoy = $this->piece->zones()->first();
    $buoy->targets()->delete();
    foreach ([['light', 68, 42, 38], ['middle', 52, 50, 36], ['dark', 36, 36, 22]] as [$role, $L, $a, $b]) {
        $buoy->targets()->create(['role' => $role, 'L' => $L, 'a' => $a, 'b' => $b, 'spread' => 0, 'share' => 0.3, 'x' => 0.2, 'y' => 0.2]);
    }
    ($this->plan)();
    expect($this->getJson($this->url.'/plan')->json('palette.trio'))->toBeNull();
    $free = ($this->stacks)();
    $this->patchJson($this->url, ['schools' => ['shading' => 'trio']])->assertOk();
    ($this->plan)();
    $trio = $this->getJson($this->url.'/plan')->json('palette.trio');
    $forms = $this->piece->zones()->with('targets.recipe')->get()
        ->map(fn ($zone) => $zone->targets->whereIn('role.value', ['light', 'middle', 'dark'])->unique('role'))->filter(fn ($three): bool => $three->count() === 3);
    $three = $forms->filter(fn ($targets): bool => count(array_unique($targets->flatMap(fn ($target) => array_map(strval(...), Prism\Layering\Stack::parse($target->recipe?->stack ?? '')->pencils()))->all())) <= 3);
    expect($trio['zones'] + $trio['without'])->toBe($forms->count())->and($forms)->not->toBeEmpty()->and($three->count())->toBeGreaterThanOrEqual($trio['zones']);
    $this->patchJson($this->url, ['schools' => ['shading' => null]])->assertOk();
    ($this->plan)();
    expect(($this->stacks)())->toBe($free);
});

it('gathers only what has changed, and reads nothing stale or broken', function (): void {
    $this->patchJson($this->url, ['paletteSize' => 5]);
    ($this->plan)();
    $first = ($this->stacks)();
    $path = app(PhotoStore::class)->folderOf($this->piece->reference()).'/stacks.kept';
    $all = fn (): array => unserialize((string) file_get_contents($path), ['allowed_classes' => false]);
    $kept = fn (): array => $all()['stacks'];
    $before = $kept();
    $whole = $all();
    expect($before)->toHaveCount(count($first))->and($whole['nearby'])->toHaveCount(count($first));
    // A pin changes the palette and nothing that was gathered; taken back, all is as it was.
    $this->patchJson($this->url, ['pinned' => ['QW:1823']]);
    ($this->plan)();
    expect($kept())->toBe($before);
    // A colour that is set by hand is one more to gather; set back, there is nothing to gather.
    $row = ZoneTarget::query()->orderBy('id')->firstOrFail();
    $this->patchJson("/api/targets/{$row->id}", ['version' => $row->version, 'colour' => ['L' => 40, 'a' => 5, 'b' => -30]])->assertOk();
    ($this->plan)();
    expect(array_diff_key($kept(), $before))->toHaveCount(1)->and(array_diff_key($before, $kept()))->toBe([]);
    $edited = $kept();
    $this->patchJson("/api/targets/{$row->id}", ['version' => $row->refresh()->version, 'colour' => null])->assertOk();
    ($this->plan)();
    expect($kept())->toBe($edited);
    // Without a pencil nothing of it holds; and what nobody has asked for lately is forgotten.
    $this->patchJson($this->url, ['pinned' => [], 'banned' => ['QW:7432']]);
    ($this->plan)();
    expect(array_diff_key($kept(), $edited))->toHaveCount(count($before));
    foreach (['QW:7184', 'QW:6858', 'QW:2794', 'QW:3769'] as $other) {
        $this->patchJson($this->url, ['banned' => [$other]]);
        ($this->plan)();
    }
    expect($kept())->toHaveCount(4 * count($before))->and(array_intersect_key($kept(), $before))->toBe([]);
    $this->patchJson($this->url, ['banned' => []]);
    $cut = fn (array $packed): array => array_map(fn (string $bytes): string => substr($bytes, 0, -2), $packed);
    foreach (['broken', serialize('text'), serialize($before), serialize(['stacks' => 'text', 'nearby' => 3]), serialize(array_map($cut, $whole)), serialize(['stacks' => [...$before, 'x' => 3]]), serialize(['stacks' => [], 'nearby' => $cut($whole['nearby'])])] as $bytes) {
        File::put($path, $bytes);
        ($this->plan)();
        expect(($this->stacks)())->toBe($first);
    }
});

it('asks the pencils anew for another school, but not which of them come near', function (): void {
    $this->patchJson($this->url, ['paletteSize' => 5]);
    ($this->plan)();
    $path = app(PhotoStore::class)->folderOf($this->piece->reference()).'/stacks.kept';
    $kept = fn (): array => unserialize((string) file_get_contents($path), ['allowed_classes' => false]);
    $before = $kept();
    // How shadows are made bears on dark colours alone.
    $shadows = ZoneTarget::query()->where('L', '<', 45)->count();
    $this->patchJson($this->url, ['schools' => ['shadows' => 'neutral']]);
    ($this->plan)();
    expect($shadows)->toBeGreaterThan(0)->toBeLessThan(count($before['stacks']))
        ->and(array_diff_key($kept()['stacks'], $before['stacks']))->toHaveCount($shadows)->and($kept()['nearby'])->toEqual($before['nearby']);
    $this->patchJson($this->url, ['schools' => ['value' => 'dark-to-light']]);
    ($this->plan)();
    expect(array_diff_key($kept()['stacks'], $before['stacks']))->toHaveCount($shadows + count($before['stacks']))->and($kept()['nearby'])->toEqual($before['nearby']);
});

it('joins values along the form as it was read, or over its area where it goes no one way', function (): void {
    $zone = $this->piece->zones()->with('targets')->get()->first();
    foreach ([['light', 70], ['dark', 25]] as [$role, $L]) {
        $zone->targets()->create(['role' => $role, 'L' => $L, 'a' => 0, 'b' => 0, 'spread' => 0, 'share' => 0.2, 'x' => 0.2, 'y' => 0.2]);
    }
    $join = fn (): array => array_values(array_filter($this->getJson($this->url.'/plan')->json('joins'), fn (array $join): bool => $join['zone'] === $zone->id))[0];
    $zone->update(['estimates' => [...$zone->estimates, 'gradient' => ['degrees' => 315.0, 'length' => 0.25, 'profile' => [70, 70, 70, 45, 45, 45, 45, 25]]]]);
    $read = $join();
    expect($read['towards'])->toBe('lower right')->and($read['lengthMm'])->toEqualWithDelta(0.25 * $this->piece->width_mm, 0.1)->and($read['steps'])->toBe(5)
        ->and($read['spans'])->toHaveCount(3)->and($read['spans'][0]['to'])->toBeGreaterThan(0.3)->and($read['spans'][2]['from'])->toBeGreaterThan(0.7);
    // Of a crop that is drawn as large, a length in the photo is longer on the paper.
    $this->piece->update(['crop' => ['x' => 0, 'y' => 0, 'width' => 0.5, 'height' => 1.0]]);
    expect($join()['lengthMm'])->toEqualWithDelta(0.5 * $this->piece->width_mm, 0.1);
    // Zones that were read before there was a gradient have none.
    $zone->update(['estimates' => array_diff_key($zone->estimates, ['gradient' => true])]);
    expect($join()['towards'])->toBeNull()->and($join()['lengthMm'])->toBeGreaterThan(10.0);
});

it('says which neighbours merge, to whom the piece is', function (): void {
    $this->getJson($this->url.'/neighbours')->assertOk()->assertJsonCount(0);
    $zones = $this->piece->zones()->with('targets')->get();
    foreach ($zones as $i => $zone) {
        $zone->targets->first()->recipe()->create(['stack' => $i === 3 ? 'QW:3737@50' : 'QW:2794@'.(50 + $i)]);
    }
    $pairs = $this->getJson($this->url.'/neighbours')->assertOk()->json();
    expect($pairs)->not->toBe([])->and($pairs[0]['dE00'])->toBeLessThan(2.0)->and($pairs[0]['sentence'])->toStartWith('Push ')
        ->and([$pairs[0]['one'], $pairs[0]['other']])->toContain($pairs[0]['pushed'])
        ->and(array_merge(array_column($pairs, 'one'), array_column($pairs, 'other')))->not->toContain($zones[3]->id);
    $this->actingAs(artist())->getJson($this->url.'/neighbours')->assertNotFound();
});

describe('advice that is applied', function (): void {
    beforeEach(function (): void {
        $this->zones = $this->piece->zones()->with('targets')->get();
        foreach ($this->zones as $i => $zone) {
            $zone->targets->first()->recipe()->create(['stack' => $i === 3 ? 'QW:3737@50' : 'QW:2794@'.(50 + $i), 'by_hand' => $i !== 0]);
        }
        $this->pair = $this->getJson($this->url.'/neighbours')->json('0');
        $this->wanted = ['zone' => $this->pair['pushed'], 'kind' => 'push'];
        $this->recipes = fn (): array => Recipe::query()->orderBy('target_id')->get()->map(static fn (Recipe $recipe): array => [$recipe->target_id, $recipe->stack, $recipe->by_hand])->all();
        $this->apart = fn (): float => collect($this->getJson($this->url.'/neighbours')->json())->first(fn (array $pair): bool => [$pair['one'], $pair['other']] === [$this->pair['one'], $this->pair['other']])['dE00'] ?? 99.0;
    });

    it('is seen before, with its pencil, its turn and its colours, and changes nothing then', function (): void {
        $before = ($this->recipes)();
        $seen = $this->postJson($this->url.'/advice', $this->wanted)->assertOk()->json();
        expect($seen['step']['pencil']['id'])->toStartWith('QW:')->and($seen['turn'])->toBeGreaterThan(0)->and($seen['zone'])->toBe($this->pair['pushed'])
            ->and(abs($seen['colours'][0]['after']['L'] - $seen['colours'][0]['before']['L']))->toBeGreaterThan(1.0)->and(($this->recipes)())->toBe($before);
    });

    it('is in the plan then, pushes what it should, and is taken back', function (): void {
        $before = ($this->recipes)();
        $was = ($this->apart)();
        $plan = $this->postJson($this->url.'/advised', $this->wanted)->assertOk()->json();
        expect($plan['advised'])->toHaveCount(1)->and(collect($plan['steps'])->pluck('step.notation')->implode(' '))->toContain(strtok($plan['advised'][0]['layer'], 'x'))
            ->and(($this->recipes)())->not->toBe($before)->and(($this->apart)())->toBeGreaterThan($was + 1.0);
        $this->deleteJson($this->url.'/advised/'.$plan['advised'][0]['id'])->assertOk()->assertJsonCount(0, 'advised');
        expect(($this->recipes)())->toBe($before);
        $this->deleteJson($this->url.'/advised/'.$plan['advised'][0]['id'])->assertUnprocessable();
    });

    it('leaves what the artist has changed since, when it is taken back', function (): void {
        $id = $this->postJson($this->url.'/advised', $this->wanted)->json('advised.0.id');
        $target = $this->piece->zones()->findOrFail($this->pair['pushed'])->targets->first();
        $target->recipe->update(['stack' => 'QW:6858@30']);
        // It holds no more, and is not said to.
        $this->getJson($this->url.'/plan')->assertJsonCount(0, 'advised');
        $this->deleteJson($this->url."/advised/$id")->assertOk();
        expect($target->recipe->fresh()->stack)->toBe('QW:6858@30');
    });

    it('makes an edge soft or sharp, and gives back what the artist had said of it', function (): void {
        $zone = $this->zones[3];
        $zone->update(['corrections' => ['importance' => 1, 'crisp' => true]]);
        $advice = collect($this->getJson($this->url.'/plan')->json('advice'))->first(static fn (array $one): bool => $one['zone'] === $zone->id && $one['id'] === 'edge');
        expect($advice['canApply'])->toBeTrue();
        $this->postJson($this->url.'/advice', ['zone' => $zone->id, 'kind' => 'edge'])->assertOk()->assertJsonPath('crisp', false)->assertJsonPath('step', null);
        $id = $this->postJson($this->url.'/advised', ['zone' => $zone->id, 'kind' => 'edge'])->assertOk()->json('advised.0.id');
        expect($zone->fresh()->corrections['crisp'])->toBeFalse()->and($zone->fresh()->version)->toBeGreaterThan($zone->version);
        // What is corrected meanwhile stays.
        $zone->fresh()->update(['corrections' => ['importance' => 2, 'crisp' => false, 'surface' => 'hard']]);
        $this->deleteJson($this->url."/advised/$id")->assertOk();
        expect($zone->fresh()->corrections)->toEqual(['importance' => 2, 'crisp' => true, 'surface' => 'hard']);
    });

    it('is refused in a sentence where it does not hold, is a matter of the hand, or is another artist\'s', function (): void {
        $zone = $this->zones[3]->id;
        expect($this->postJson($this->url.'/advice', ['zone' => $zone, 'kind' => 'push'])->assertUnprocessable()->json('message'))->toContain('does not hold any more')
            ->and($this->postJson($this->url.'/advice', ['zone' => $zone, 'kind' => 'finish'])->assertUnprocessable()->json('message'))->toContain('matter of the hand');
        $this->postJson($this->url.'/advice', ['zone' => $zone, 'kind' => 'shout'])->assertUnprocessable();
        $this->actingAs(artist());
        foreach (['/advice', '/advised'] as $path) {
            $this->postJson($this->url.$path, $this->wanted)->assertNotFound();
        }
        $this->deleteJson($this->url.'/advised/x')->assertNotFound();
    });
});

describe('an interpretation', function (): void {
    beforeEach(function (): void {
        $this->colours = fn (): array => collect($this->getJson($this->url)->json('zones'))->flatMap(static fn (array $zone): array => $zone['targets'])->mapWithKeys(static fn (array $target): array => [$target['id'] => $target['colour']])->all();
    });

    it('changes what is to be drawn and not what was read, for the picture and for a zone of it', function (): void {
        $before = ($this->colours)();
        $this->patchJson($this->url, ['interpretation' => ['chroma' => 50]])->assertOk()->assertJsonPath('interpretation.chroma', 50)->assertJsonPath('interpretation.lights', 0);
        $after = ($this->colours)();
        foreach ($before as $id => $colour) {
            expect($after[$id]['L'])->toEqualWithDelta($colour['L'], 0.01)->and(hypot($after[$id]['a'], $after[$id]['b']))->toEqualWithDelta(0.5 * hypot($colour['a'], $colour['b']), 0.05);
        }
        $zone = $this->piece->zones()->first();
        $this->patchJson("/api/zones/{$zone->id}", ['version' => $zone->version, 'interpretation' => ['local' => 'QW:2794']])->assertOk()->assertJsonPath('interpretation.chroma', 100);
        $read = collect($this->getJson($this->url)->json('zones'))->firstWhere('id', $zone->id);
        expect($read['interpretation']['local']['hex'])->toStartWith('#')->and($read['targets'][0]['colour']['a'])->toBeLessThan(0.0)
            ->and([$read['targets'][0]['read']['L'], $read['targets'][0]['read']['a']])->toEqual([$zone->targets->first()->L, $zone->targets->first()->a])
            ->and($this->piece->zones()->first()->targets->first()->only(['L', 'a', 'b']))->toBe($zone->targets->first()->only(['L', 'a', 'b']));
        $this->patchJson($this->url, ['interpretation' => ['chroma' => 100]])->assertOk();
        $this->patchJson("/api/zones/{$zone->id}", ['version' => $zone->fresh()->version, 'interpretation' => ['local' => null]])->assertOk();
        expect(($this->colours)())->toEqual($before)->and($this->piece->fresh()->interpretation)->toBeNull();
    });

    it('leaves a colour that the artist has set, and is undone with the zones', function (): void {
        $target = $this->piece->zones()->first()->targets->first();
        $this->patchJson("/api/targets/{$target->id}", ['version' => $target->version, 'colour' => ['L' => 50, 'a' => 40, 'b' => 0]])->assertOk();
        $this->patchJson($this->url, ['interpretation' => ['chroma' => 0]])->assertOk();
        $colour = ($this->colours)()[$target->id];
        expect([$colour['L'], $colour['a']])->toEqual([50, 40]);
    });

    it('is refused in a sentence where it is too much or a colour cannot be read', function (): void {
        $this->patchJson($this->url, ['interpretation' => ['chroma' => 500]])->assertUnprocessable();
        $this->patchJson($this->url, ['interpretation' => ['local' => '#123456']])->assertUnprocessable();
        expect($this->patchJson($this->url, ['interpretation' => ['hue' => 'mauve-ish']])->assertUnprocessable()->json('errors'))->toHaveKey('interpretation.hue');
        expect($this->piece->fresh()->interpretation)->toBeNull();
    });
});
