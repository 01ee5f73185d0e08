<?php

declare(strict_types=1);

use App\Models\ZoneTarget;
use App\Studio\LongWork\LookWork;
use App\Studio\LongWork\PlanningWork;
use App\Studio\LongWork\WorkCancelled;
use App\Studio\LongWork\WorkRefused;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;

beforeEach(function (): void {
    $this->user = artist();
    $this->piece = pieceOf($this->user);
    $this->actingAs($this->user);
    $this->url = "/api/pieces/{$this->piece->id}";
    app(LookWork::class)->do($this->user, ['piece' => $this->piece->id], static function (): void {
    });
});

function planPicture($test): array
{
    $work = $test->postJson('/api/works', ['kind' => 'planning', 'piece' => $test->piece->id])->assertAccepted()->json('id');

    return $test->getJson("/api/works/$work")->assertJsonPath('state', 'done')->json('result');
}

/** @return list<string> numbers of all pencils in the plan's recipes */
function used($test): array
{
    return array_column($test->getJson($test->url.'/plan')->assertOk()->json('pullList'), 'id');
}

it('finds one palette and a recipe for every colour of the picture', function (): void {
    $targets = ZoneTarget::query()->count();
    $this->patchJson($this->url, ['paletteSize' => 5])->assertOk()->assertJsonPath('planning.paletteSize', 5);
    $result = planPicture($this);
    expect($result)->toMatchArray(['piece' => $this->piece->id, 'pencils' => 5, 'found' => $targets, 'kept' => 0]);
    $plan = $this->getJson($this->url.'/plan')->assertOk()->assertJsonPath('zonesWithoutRecipe', [])->json();
    expect(count($plan['pullList']))->toBeLessThanOrEqual(5)->and(array_sum(array_column($plan['pullList'], 'share')))->toEqualWithDelta(1.0, 0.001)
        ->and(array_column($plan['palette']['curve'], 'size'))->toBe([5, 6, 8, 12, 15])
        ->and($plan['palette']['dE00'])->toBeGreaterThanOrEqual($plan['palette']['wholeBox'] - 0.3)
        ->and($plan['palette']['pencils'])->toHaveCount(5)
        ->and($plan['minutes'])->toBeGreaterThan(0.0)->toBeLessThanOrEqual($plan['apartMinutes'] + 1)->and($plan['sessions'])->toBeGreaterThanOrEqual(1);
    expect($plan['tooAlike'])->toBeArray()->and($plan['joins'])->toBeArray();
    foreach ($plan['palette']['pencils'] as $pencil) {
        expect($pencil['loss'])->toBeGreaterThanOrEqual(0.0);
    }
});

it('pins and does without', function (): void {
    $this->patchJson($this->url, ['paletteSize' => 4]);
    planPicture($this);
    $palette = array_column($this->getJson($this->url.'/plan')->json('palette.pencils'), 'id');
    $this->patchJson($this->url, ['banned' => [$palette[0]], 'pinned' => ['QW:101']])->assertOk()->assertJsonPath('planning.banned', [$palette[0]]);
    planPicture($this);
    $again = array_column($this->getJson($this->url.'/plan')->json('palette.pencils'), 'id');
    expect($again)->not->toContain($palette[0])->toContain('QW:101')->toHaveCount(4)->and(used($this))->not->toContain($palette[0]);
    $this->patchJson($this->url, ['pinned' => ['nothing'], 'paletteSize' => 0, 'sessionMinutes' => 5, 'schools' => ['background' => 'backwards']])->assertUnprocessable()->assertJsonValidationErrors(['pinned.0', 'paletteSize', 'sessionMinutes', 'schools.background']);
});

it('leaves recipes alone that the artist has chosen, and has their pencils in the palette', function (): void {
    $target = ZoneTarget::query()->firstOrFail();
    $this->patchJson("/api/targets/{$target->id}", ['version' => $target->version, 'stack' => 'QW:716@40 > QW:610@30'])->assertOk();
    $this->patchJson($this->url, ['paletteSize' => 5]);
    expect(planPicture($this)['kept'])->toBe(1)->and($target->refresh()->recipe->stack)->toBe('QW:716@40 > QW:610@30')
        ->and(array_column($this->getJson($this->url.'/plan')->json('palette.pencils'), 'id'))->toContain('QW:716', 'QW:610');
    $this->getJson($this->url.'/plan')->assertJsonPath('ownRecipes', 1);
    // What planning has found it may find anew; who has it open elsewhere is told.
    $other = ZoneTarget::query()->whereKeyNot($target->id)->firstOrFail();
    expect($other->recipe->by_hand)->toBeFalse();
    // All anew, only because it was asked for.
    $work = $this->postJson('/api/works', ['kind' => 'planning', 'piece' => $this->piece->id, 'anew' => true])->assertAccepted()->json('id');
    $this->getJson("/api/works/$work")->assertJsonPath('result.kept', 0);
    expect($target->refresh()->recipe->by_hand)->toBeFalse();
    $this->getJson($this->url.'/plan')->assertJsonPath('ownRecipes', 0)->assertJsonPath('palette.size', 5)->assertJsonCount(5, 'palette.pencils');
});

it('orders by school and by how one goes over the picture, in sessions', function (): void {
    planPicture($this);
    $keys = fn (): array => array_column($this->getJson($this->url.'/plan')->json('steps'), 'key');
    $orders = [];
    foreach (['light-to-dark', 'dark-to-light', 'middle-first', 'form-first'] as $school) {
        $this->patchJson($this->url, ['schools' => ['value' => $school]]);
        $orders[] = $keys();
    }
    expect(array_map(static function (array $order): array {
        sort($order);

        return $order;
    }, $orders))->each->toHaveCount(count($orders[0]))->and(count(array_unique($orders, SORT_REGULAR)))->toBeGreaterThan(1);
    $this->patchJson($this->url, ['schools' => ['background' => 'zone-by-zone'], 'sessionMinutes' => 30, 'widthMm' => 400])->assertOk()->assertJsonPath('schools.chosen.background', 'zone-by-zone');
    $plan = $this->getJson($this->url.'/plan')->json();
    expect($plan['sessions'])->toBeGreaterThan(2)->and(array_column($plan['steps'], 'session'))->toBe(array_values(array_column($plan['steps'], 'session')));
});

it('shows the drawing at every stage, and checks its values', function (): void {
    planPicture($this);
    $bare = $this->get($this->url.'/simulation.png?steps=0')->assertOk()->assertHeader('Content-Type', 'image/png')->getContent();
    $done = $this->get($this->url.'/simulation.png')->assertOk()->getContent();
    expect(strlen($done))->not->toBe(strlen($bare))->and($this->get($this->url.'/simulation.png?steps=100000')->getContent())->toBe($done);
    [$width, $height] = getimagesizefromstring($done);
    expect([$width, $height])->toBe([64, 48]);
    $check = $this->getJson($this->url.'/value-check')->assertOk()->json();
    expect($check['mean'])->toBeLessThan(12.0)->and($check['photoDark'])->toBeLessThan($check['photoLight']);
    $this->getJson($this->url.'/simulation.png?steps=few')->assertUnprocessable();
});

it('can be cancelled, and changes nothing then', function (): void {
    $told = 0;
    $cancel = static function () use (&$told): void {
        if (++$told > 3) {
            throw new WorkCancelled;
        }
    };
    expect(fn () => app(PlanningWork::class)->do($this->user, ['piece' => $this->piece->id], $cancel))->toThrow(WorkCancelled::class)
        ->and(ZoneTarget::query()->has('recipe')->exists())->toBeFalse()->and($this->piece->refresh()->palette)->toBeNull();
});

it('refuses in words what cannot be planned', function (): void {
    $silent = static function (): void {
    };
    expect(fn () => app(PlanningWork::class)->do(artist(), ['piece' => $this->piece->id], $silent))->toThrow(WorkRefused::class, 'not in your studio');
    $empty = artist(withBox: false);
    $piece = pieceOf($empty);
    expect(fn () => app(PlanningWork::class)->do($empty, ['piece' => $piece->id], $silent))->toThrow(WorkRefused::class, 'no zones yet');
    app(LookWork::class)->do($empty, ['piece' => $piece->id], $silent);
    expect(fn () => app(PlanningWork::class)->do($empty, ['piece' => $piece->id], $silent))->toThrow(WorkRefused::class, 'Your box is empty');
    $this->postJson('/api/works', ['kind' => 'planning'])->assertUnprocessable();
});

describe('matching under wishes', function (): void {
    beforeEach(function (): void {
        $this->body = ['L' => 42, 'a' => 20, 'b' => 30];
        $this->ids = fn (array $more): array => array_values(array_unique(array_filter(array_map(
            static fn (array $step): ?string => $step['pencil']['id'] ?? null,
            array_merge(...array_column($this->postJson($this->url.'/recipes', [...$this->body, ...$more])->assertOk()->json('recipes'), 'steps')),
        ))));
    });

    it('leaves out what is to be left out, and keeps to few layers', function (): void {
        $used = ($this->ids)([]);
        expect(($this->ids)(['avoid' => [$used[0]]]))->not->toContain($used[0]);
        foreach ($this->postJson($this->url.'/recipes', [...$this->body, 'maxLayers' => 1])->json('recipes') as $recipe) {
            expect(count($recipe['steps']))->toBeLessThanOrEqual(1);
        }
        $this->postJson($this->url.'/recipes', [...$this->body, 'maxLayers' => 0, 'avoid' => 'QW:404'])->assertUnprocessable()->assertJsonValidationErrors(['maxLayers', 'avoid']);
    });

    it('keeps to the palette of the picture, and to pencils that last', function (): void {
        $this->patchJson($this->url, ['paletteSize' => 4]);
        planPicture($this);
        $palette = array_column($this->getJson($this->url.'/plan')->json('palette.pencils'), 'id');
        expect(array_diff(($this->ids)(['paletteOnly' => true]), $palette))->toBe([]);
        $lasting = App\Models\Pencil::query()->with('range')->whereIn('lightfastness', ['I', 'II', 'III'])->get()->map(static fn ($row): string => App\Studio\Catalogue::id($row))->all();
        expect(array_diff(($this->ids)(['lightfast' => true]), $lasting))->toBe([]);
    });

    it('says what a stack needs and why it is so', function (): void {
        $recipes = $this->postJson($this->url.'/nudges', ['stack' => 'QW:404@40 > QW:513@50', 'nudge' => 'lighter'])->assertOk()->json();
        expect($recipes)->not->toBe([])->and($recipes[0]['predicted']['L'])->toBeGreaterThan($this->postJson($this->url.'/predictions', [...$this->body, 'stack' => 'QW:404@40 > QW:513@50'])->json('recipe.predicted.L'));
        $this->postJson($this->url.'/nudges', ['stack' => 'QW:404@', 'nudge' => 'lighter'])->assertUnprocessable()->assertJsonPath('position', fn (int $at): bool => $at > 0);
        $this->postJson($this->url.'/nudges', ['stack' => '', 'nudge' => 'louder'])->assertUnprocessable();
        $notes = $this->postJson($this->url.'/why', [...$this->body, 'stack' => 'QW:404@60 > QW:113@90'])->assertOk()->json();
        expect(array_column($notes, 'what'))->toContain('In the other order')->and($notes[0]['difference']['words'])->toBeString();
        $this->actingAs(artist());
        $this->postJson($this->url.'/why', [...$this->body, 'stack' => ''])->assertNotFound();
        $this->postJson($this->url.'/nudges', ['stack' => '', 'nudge' => 'lighter'])->assertNotFound();
    });
});
