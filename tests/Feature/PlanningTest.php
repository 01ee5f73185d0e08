<?php

declare(strict_types=1);

use App\Models\ZoneTarget;
use App\Studio\LongWork\LookWork;
use App\Studio\LongWork\PlanningWork;
use App\Studio\LongWork\WorkCancelled;
use App\Studio\LongWork\WorkRefused;
use App\Studio\Photos\PhotoStore;
use App\Studio\Zones\Targets;
use Illuminate\Support\Str;
use Prism\Layering\Stack;
use Prism\Reference\Zones\TargetRole;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;
use function Tests\Feature\spotIn;

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
        ->and(array_map(static fn (array $point): int => count($point['hexes']), $plan['palette']['curve']))->toBe([5, 6, 8, 12, 15])
        ->and($plan['palette']['dE00'])->toBeGreaterThanOrEqual($plan['palette']['wholeBox'] - 0.3)
        ->and($plan['palette']['pencils'])->toHaveCount(5)
        ->and($plan['minutes'])->toBeGreaterThan(0.0)->toBeLessThanOrEqual($plan['apartMinutes'] + 1)->and($plan['sessions'])->toBeGreaterThanOrEqual(1);
    expect($plan['joins'])->toBeArray();
    foreach ($plan['palette']['pencils'] as $pencil) {
        expect($pencil['loss'])->toBeGreaterThanOrEqual(0.0);
    }
});

it('pins and does without', function (): void {
    $this->patchJson($this->url, ['paletteSize' => 4]);
    planPicture($this);
    $palette = array_column($this->getJson($this->url.'/plan')->json('palette.pencils'), 'id');
    $this->patchJson($this->url, ['banned' => [$palette[0]], 'pinned' => ['QW:1823']])->assertOk()->assertJsonPath('planning.banned', [$palette[0]]);
    planPicture($this);
    $again = array_column($this->getJson($this->url.'/plan')->json('palette.pencils'), 'id');
    expect($again)->not->toContain($palette[0])->toContain('QW:1823')->toHaveCount(4)->and(used($this))->not->toContain($palette[0]);
    $this->patchJson($this->url, ['pinned' => ['nothing'], 'paletteSize' => 0, 'sessionMinutes' => 5, 'schools' => ['background' => 'backwards']])->assertUnprocessable()->assertJsonValidationErrors(['pinned.0', 'paletteSize', 'sessionMinutes', 'schools.background']);
});

it('says of each zone how it is begun, of the pencils that lie first in its colours', function (): void {
    $light = ZoneTarget::query()->firstOrFail();
    foreach ([[TargetRole::Dark, 18.0], [TargetRole::Accent, 30.0]] as [$role, $darker]) {
        $other = $light->replicate()->fill(['role' => $role, 'L' => max(8.0, $light->L - $darker), 'share' => 0.3]);
        $other->zone_id = $light->zone_id;
        $other->save();
    }
    $this->patchJson($this->url, ['paletteSize' => 5]);
    planPicture($this);
    $plan = $this->getJson($this->url.'/plan')->assertOk()->json();
    $zones = array_column($this->getJson($this->url)->json('zones'), 'name', 'id');
    expect($plan['beginnings'])->not->toBe([])->and($plan['palette'])->not->toHaveKey('apart');
    foreach ($plan['beginnings'] as $begun) {
        $firsts = array_values(array_unique(array_filter(array_map(
            static fn (ZoneTarget $target): ?string => $target->recipe === null || $target->recipe->stack === '' ? null : Stack::parse($target->recipe->stack)->pencils()[0]->number,
            ZoneTarget::query()->where('zone_id', $begun['zone'])->with('recipe')->get()->all(),
        ))));
        expect($begun['name'])->toBe($zones[$begun['zone']])->and(preg_match_all('/(\\d+)(?: first,)? under/', $begun['sentence'], $found))->toBeGreaterThan(0)
            ->and(array_diff($firsts, $found[1]))->toBe([])->and(array_diff($found[1], $firsts))->toBe([]);
    }
    // What the artist has laid otherwise since is not explained by what was found then.
    expect(array_column($plan['turns'], 'round'))->each->toBeGreaterThanOrEqual(1)
        ->and(array_column($plan['turns'], 'endsRound'))->each->toBeBool();
});

it('leaves recipes alone that the artist has chosen, and has their pencils in the palette', function (): void {
    $target = ZoneTarget::query()->firstOrFail();
    $this->patchJson("/api/targets/{$target->id}", ['version' => $target->version, 'stack' => 'QW:4863@40 > QW:3131@30'])->assertOk();
    $this->patchJson($this->url, ['paletteSize' => 5]);
    expect(planPicture($this)['kept'])->toBe(1)->and($target->refresh()->recipe->stack)->toBe('QW:4863@40 > QW:3131@30')
        ->and(array_column($this->getJson($this->url.'/plan')->json('palette.pencils'), 'id'))->toContain('QW:4863', 'QW:3131');
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

it('finds once where colours lie, for all stages of the drawing, and anew where what was kept is damaged', function (): void {
    planPicture($this);
    $folder = app(PhotoStore::class)->folderOf($this->piece->refresh()->reference());
    $kept = static fn (): array => glob("$folder/places-*") ?: [];
    $draw = fn (int $steps): string => (string) $this->get($this->url."/simulation.png?steps=$steps")->assertOk()->getContent();
    $three = $draw(3);
    expect($kept())->toHaveCount(1);
    $found = (string) file_get_contents($kept()[0]);
    $draw(4);
    expect($kept())->toHaveCount(1)->and(file_get_contents($kept()[0]))->toBe($found);
    foreach (glob("$folder/drawing-*.png") ?: [] as $drawn) {
        unlink($drawn);
    }
    file_put_contents($kept()[0], 'damaged');
    expect($draw(3))->toBe($three);
});

it('tells for each pixel which colours of the plan lie there', function (): void {
    planPicture($this);
    $place = $this->getJson($this->url.'/plan')->json('turns.1.places.0');
    ['targets' => $targets, 'picture' => $picture] = $this->getJson($this->url.'/parts')->assertOk()->json();
    $image = new Imagick;
    $image->readImageBlob(base64_decode(substr($picture, strlen('data:image/png;base64,'))));
    $zone = collect($this->getJson($this->url)->json('zones'))->firstWhere('id', $place['zone']);
    $at = static function (float $x, float $y) use ($image, $targets): array {
        ['r' => $one, 'g' => $other] = $image->getImagePixelColor((int) ($x * $image->getImageWidth()), (int) ($y * $image->getImageHeight()))->getColor();

        return [$targets[$one - 1] ?? null, $targets[$other - 1] ?? null];
    };
    $own = array_column($zone['targets'], 'id');
    expect($at($zone['x'], $zone['y'])[0])->toBeIn($own)->and($at($zone['x'], $zone['y'])[1])->toBeIn($own)
        ->and($at($zone['x'] < 0.5 ? $zone['x'] + 0.5 : $zone['x'] - 0.5, $zone['y'])[0])->not->toBeIn($own);
});

it('keeps no more drawings than one goes back and forth between', function (): void {
    planPicture($this);
    $folder = app(PhotoStore::class)->folderOf($this->piece->refresh()->reference());
    foreach (range(1, 60) as $old) {
        touch("$folder/drawing-old$old.png", time() - 1000 - $old);
    }
    $this->get($this->url.'/simulation.png')->assertOk();
    expect(glob("$folder/drawing-*.png"))->toHaveCount(40)->and(is_file("$folder/drawing-old60.png"))->toBeFalse()->and(is_file("$folder/drawing-old1.png"))->toBeTrue();
});

it('leaves a recipe that was chosen while it ran, and writes none for a colour that was removed', function (): void {
    $work = fn () => app(PlanningWork::class)->do($this->user, ['piece' => $this->piece->id], function (string $doing): void {
        if ($doing === 'Writing the recipes') {
            [$chosen, $removed] = ZoneTarget::query()->orderBy('id')->take(2)->get()->all();
            $this->patchJson("/api/targets/$chosen->id", ['version' => $chosen->version, 'stack' => 'QW:6858@30'])->assertOk();
            $removed->delete();
        }
    });
    $work();
    [$chosen, $removed] = ZoneTarget::withTrashed()->orderBy('id')->take(2)->get()->all();
    expect($chosen->recipe->stack)->toBe('QW:6858@30')->and($chosen->recipe->by_hand)->toBeTrue()->and($removed->recipe)->toBeNull()
        ->and(ZoneTarget::query()->whereHas('recipe')->count())->toBe(ZoneTarget::query()->count());
});

it('takes pins of one of two windows, and tells the other', function (): void {
    $seen = $this->getJson($this->url)->json('version');
    $this->patchJson($this->url, ['version' => $seen, 'pinned' => ['QW:6858']])->assertOk()->assertJsonPath('version', $seen + 1);
    $this->patchJson($this->url, ['version' => $seen, 'pinned' => ['QW:5892']])->assertConflict()->assertJsonPath('message', static fn (string $said): bool => str_contains($said, 'changed meanwhile'));
    expect($this->getJson($this->url)->json('planning.pinned'))->toBe(['QW:6858']);
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
        $this->postJson($this->url.'/recipes', [...$this->body, 'maxLayers' => 0, 'avoid' => 'QW:6858'])->assertUnprocessable()->assertJsonValidationErrors(['maxLayers', 'avoid']);
    });

    it('keeps to the palette of the picture, and to pencils that last', function (): void {
        $this->patchJson($this->url, ['paletteSize' => 4]);
        planPicture($this);
        $palette = array_column($this->getJson($this->url.'/plan')->json('palette.pencils'), 'id');
        expect(array_diff(($this->ids)(['paletteOnly' => true]), $palette))->toBe([]);
        $lasting = App\Models\Pencil::query()->with('range')->whereIn('lightfastness', ['I', 'II', 'III'])->get()->map(static fn ($row): string => App\Studio\Pencils\Catalogue::id($row))->all();
        expect(array_diff(($this->ids)(['lightfast' => true]), $lasting))->toBe([]);
    });

    it('says what a stack needs and why it is so', function (): void {
        $recipes = $this->postJson($this->url.'/nudges', ['stack' => 'QW:6858@40 > QW:5925@50', 'nudge' => 'lighter'])->assertOk()->json();
        expect($recipes)->not->toBe([])->and($recipes[0]['predicted']['L'])->toBeGreaterThan($this->postJson($this->url.'/predictions', [...$this->body, 'stack' => 'QW:6858@40 > QW:5925@50'])->json('recipe.predicted.L'));
        $this->postJson($this->url.'/nudges', ['stack' => 'QW:6858@', 'nudge' => 'lighter'])->assertUnprocessable()->assertJsonPath('position', fn (int $at): bool => $at > 0);
        $this->postJson($this->url.'/nudges', ['stack' => '', 'nudge' => 'louder'])->assertUnprocessable();
        $notes = $this->postJson($this->url.'/why', [...$this->body, 'stack' => 'QW:6858@60 > QW:3737@90'])->assertOk()->json();
        expect(array_column($notes, 'what'))->toContain('In the other order')->and($notes[0]['difference']['words'])->toBeString();
        $this->actingAs(artist());
        $this->postJson($this->url.'/why', [...$this->body, 'stack' => ''])->assertNotFound();
        $this->postJson($this->url.'/nudges', ['stack' => '', 'nudge' => 'lighter'])->assertNotFound();
    });
});

it('is taken back as a whole, but for what was chosen by hand since', function (): void {
    $this->deleteJson($this->url.'/planning/last')->assertUnprocessable()->assertJsonPath('message', 'There is no planning to take back.');
    $first = ZoneTarget::query()->orderBy('id')->firstOrFail();
    $this->patchJson("/api/targets/{$first->id}", ['version' => 1, 'stack' => 'QW:5892@40'])->assertOk();
    $stacks = fn (): array => ZoneTarget::query()->with('recipe')->orderBy('id')->get()->map(fn (ZoneTarget $t): ?string => $t->recipe?->stack)->all();
    $before = $stacks();
    $this->patchJson($this->url, ['paletteSize' => 5]);
    planPicture($this);
    expect($stacks())->not->toBe($before);
    $this->getJson($this->url.'/plan')->assertJsonPath('canTakeBack', true);
    $other = ZoneTarget::query()->orderByDesc('id')->firstOrFail();
    $this->patchJson("/api/targets/{$other->id}", ['version' => $other->version, 'stack' => 'QW:7432@60'])->assertOk();
    $this->deleteJson($this->url.'/planning/last')->assertOk()->assertJsonPath('canTakeBack', false)->assertJsonPath('palette', null);
    $before[count($before) - 1] = 'QW:7432@60';
    expect($stacks())->toBe($before);
    $this->deleteJson($this->url.'/planning/last')->assertUnprocessable();
    $this->actingAs(artist())->deleteJson($this->url.'/planning/last')->assertNotFound();
});

it('plans by value only: hues are as the pencils give them', function (): void {
    $this->patchJson($this->url, ['paletteSize' => 3, 'valueOnly' => true])->assertOk()->assertJsonPath('planning.valueOnly', true);
    planPicture($this);
    $palette = $this->getJson($this->url.'/plan')->json('palette');
    expect($palette['valueError'])->toBeLessThan(0.6)->and($palette['dE00'])->toBeGreaterThan(2.0);
    $this->patchJson($this->url, ['valueOnly' => false]);
    planPicture($this);
    $this->getJson($this->url.'/plan')->assertJsonPath('palette.valueError', null);
});

it('sets a few given pencils to light, middle and dark', function (): void {
    $found = $this->postJson($this->url.'/designation', ['pencils' => ['QW:5892', 'QW:6858', 'QW:7432']])->assertOk()->json();
    expect(array_column($found['pencils'], 'part'))->toBe(['light', 'middle', 'dark'])->and($found['combinations'])->toHaveCount(9)->and($found['ladder'])->toHaveCount(9)
        ->and($found['combinations'][1]['stack'])->toStartWith($found['pencils'][0]['id'])->toContain($found['pencils'][1]['id']);
    $steps = $found['gradient']['steps'];
    expect($steps)->toHaveCount(5)->and($steps[0]['stack'])->toStartWith($found['pencils'][0]['id'])->and($steps[4]['stack'])->toStartWith($found['pencils'][2]['id'])
        ->and($steps[4]['to'])->toEqual(1)->and($steps[0]['apart'])->toBeNull()->and(array_column($steps, 'toldApart'))->toBe([true, true, true, true, true]);
    $this->postJson($this->url.'/designation', ['pencils' => ['QW:5892']])->assertUnprocessable()->assertJsonPath('errors.pencils.0', 'Choose 2 to 5 pencils.');
    $this->postJson($this->url.'/designation', ['pencils' => ['QW:5892', 'QW:5892']])->assertUnprocessable();
    $this->postJson($this->url.'/designation', ['pencils' => ['QW:5892', 'ZZ:1']])->assertUnprocessable()->assertJsonPath('errors.pencils.0', 'ZZ:1 is not in your box.');
    $this->actingAs(artist())->postJson($this->url.'/designation', ['pencils' => ['QW:5892', 'QW:6858']])->assertNotFound();
});

it('is proved on a chart: each recipe as the turns lay it once, numbered, ready to be read into the swatch book', function (): void {
    $this->postJson($this->url.'/proof', ['page' => 'a4'])->assertUnprocessable()->assertJsonPath('errors.piece.0', fn (string $said): bool => str_contains($said, 'nothing to prove'));
    $this->patchJson($this->url, ['paletteSize' => 5]);
    planPicture($this);
    $chart = $this->postJson($this->url.'/proof', ['page' => 'a4'])->assertCreated()->assertJsonPath('kind', 'proof')->json();
    $laid = [];
    foreach ($this->getJson($this->url.'/plan')->json('steps') as $step) {
        if ($step['step'] !== null) {
            $laid[$step['zone']['target']][] = $step['step']['notation'];
        }
    }
    $planned = array_values(array_unique(array_map(static fn (array $steps): string => implode(' > ', $steps), $laid)));
    expect($chart['fields'][0])->toBe('')->and(array_slice($chart['fields'], 1))->toEqualCanonicalizing($planned);
    $this->get("/api/charts/{$chart['id']}/chart.pdf")->assertOk()->assertHeader('Content-Type', 'application/pdf');
    $this->postJson($this->url.'/proof', ['page' => 'a0'])->assertUnprocessable();
    $this->actingAs(artist())->postJson($this->url.'/proof', ['page' => 'a4'])->assertNotFound();
});

it('is worked in turns: every step at one place of one turn, done when all its places are', function (): void {
    $this->patchJson($this->url, ['paletteSize' => 5]);
    planPicture($this);
    $plan = $this->getJson($this->url.'/plan')->assertOk()->json();
    $keys = array_merge(...array_map(static fn (array $turn): array => array_merge(...array_column($turn['places'], 'keys')), $plan['turns']));
    expect($keys)->toEqualCanonicalizing(array_column($plan['steps'], 'key'))->and(count(array_unique($keys)))->toBe(count($keys))
        ->and(count($plan['turns']))->toBeLessThanOrEqual(count($plan['steps']))->and($plan['built'])->toBeGreaterThan(0.0);
    foreach ($plan['turns'] as $turn) {
        foreach ($turn['places'] as $place) {
            foreach ($place['keys'] as $key) {
                $step = $plan['steps'][array_search($key, array_column($plan['steps'], 'key'), true)];
                expect($step['turn'])->toBe($turn['number'])->and($step['step']['pencil']['id'] ?? null)->toBe($turn['step']['pencil']['id'] ?? null)
                    ->and($step['step']['pressurePercent'] ?? null)->toBe($turn['step']['pressurePercent'] ?? null);
            }
        }
    }
    // A turn of several places is open until the last of them is done.
    $turn = collect($plan['turns'])->first(static fn (array $turn): bool => count(array_merge(...array_column($turn['places'], 'keys'))) > 1);
    $of = array_merge(...array_column($turn['places'], 'keys'));
    $state = fn (): string => $this->getJson($this->url.'/plan')->json('turns.'.($turn['number'] - 1).'.state');
    foreach ($of as $i => $key) {
        $this->postJson($this->url.'/drawing', ['mark' => (string) Str::ulid(), 'keys' => [$key], 'state' => 'done'])->assertOk();
        expect($state())->toBe($i === count($of) - 1 ? 'done' : 'open');
    }
});

it('has a sheet of few pages, with the photo, the drawing at three stages and where each turn goes', function (): void {
    $this->patchJson($this->url, ['paletteSize' => 5]);
    planPicture($this);
    $pdf = $this->get($this->url.'/plan.pdf')->assertOk()->getContent();
    expect(preg_match_all('#/Subtype /Image#', $pdf))->toBe(4 + count($this->getJson($this->url.'/plan')->json('turns')))->and(preg_match_all('#/Type /Page\b#', $pdf))->toBeGreaterThanOrEqual(2)->toBeLessThanOrEqual(6)->and($pdf)->toContain('/FontFile2');
});

it('learns the pace from the steps that are marked, breaks and catching up left out', function (): void {
    // So small that no step takes longer than what is told from a break.
    $this->piece->update(['width_mm' => 100, 'height_mm' => 75]);
    $this->patchJson($this->url, ['paletteSize' => 5]);
    planPicture($this);
    $this->piece->zones()->first()->targets()->first()->recipe()->update(['stack' => 'QW:5925@40 > QW:7432@40 > LO:2143@55 > QW:6858@45 > QW:7432@50 > QW:5925@55']);
    $plan = fn (): array => $this->getJson($this->url.'/plan')->json();
    $steps = $plan()['steps'];
    expect($plan()['pace'])->toBe(['pace' => 350, 'steps' => 0]);
    $this->travelTo(now());
    $before = $plan()['minutes'];
    foreach (array_slice($steps, 0, min(12, count($steps))) as $i => $step) {
        // Half as long again as reckoned; once a break, once two at a time.
        $this->travel((int) round(60 * match ($i) {
            3 => 300, 5 => 0.1, default => 0.5 + 1.5 * $step['minutes'],
        }))->seconds();
        $this->postJson($this->url.'/drawing', ['mark' => (string) Str::ulid(), 'keys' => [$step['key']], 'state' => 'done'])->assertOk();
    }
    $pace = $plan()['pace'];
    expect($pace['steps'])->toBeGreaterThanOrEqual(5)->and($pace['pace'])->toBeLessThan(300)->toBeGreaterThan(200)->and($plan()['minutes'])->toBeGreaterThan($before);
});

it('says what brings the picture together', function (): void {
    planPicture($this);
    $advice = $this->getJson($this->url.'/plan')->json('advice');
    expect(array_unique(array_column($advice, 'kind')))->toContain('Finish')->and(array_column($advice, 'zone'))->toContain($this->piece->zones()->firstOrFail()->id);
});

it('offers recipes chosen before, in any piece, where they fit', function (): void {
    $elsewhere = pieceOf($this->user);
    $zone = $elsewhere->zones()->create(['name' => 'Rim', 'x' => 0.5, 'y' => 0.5, 'radius' => 0.01, 'position' => 1]);
    $target = $zone->targets()->create(['role' => 'middle', 'L' => 50, 'a' => 0, 'b' => 0, 'spread' => 1, 'share' => 1, 'x' => 0.5, 'y' => 0.5]);
    $target->recipe()->create(['stack' => 'QW:6858@45 > QW:5892@30', 'by_hand' => true]);
    $look = $this->postJson($this->url.'/predictions', ['stack' => 'QW:6858@45 > QW:5892@30', 'L' => 50, 'a' => 0, 'b' => 0])->json('recipe.predicted');
    $found = fn (array $lab): array => $this->postJson($this->url.'/recipes', $lab)->assertOk()->json('book');
    $near = ['L' => $look['L'] + 0.5, 'a' => $look['a'], 'b' => $look['b']];
    expect($found($near))->toHaveCount(1)->and($found($near)[0]['recipe']['stack'])->toBe('QW:6858@45 > QW:5892@30')->and($found($near)[0]['from'])->toBe($elsewhere->title.', Rim');
    expect($found(['L' => 20, 'a' => 30, 'b' => 30]))->toBe([]);
    // Not those of somebody else.
    $other = artist();
    $theirs = pieceOf($other);
    expect($this->actingAs($other)->postJson("/api/pieces/{$theirs->id}/recipes", $near)->assertOk()->json('book'))->toBe([]);
});

it('takes a colour as it is typed', function (): void {
    $this->postJson('/api/colours', ['text' => '#804020'])->assertOk()->assertJsonPath('hex', '#804020');
    $this->postJson('/api/colours', ['text' => '50 10 -20'])->assertOk()->assertJsonPath('L', 50)->assertJsonPath('b', -20);
    $this->postJson('/api/colours', ['text' => 'QW:5892'])->assertOk();
    $this->postJson('/api/colours', ['text' => 'QW:99999'])->assertUnprocessable()->assertJsonPath('errors.text.0', fn (string $said): bool => str_contains($said, 'no pencil QW:99999'));
    $this->postJson('/api/colours', ['text' => 'nice blue'])->assertUnprocessable()->assertJsonPath('errors.text.0', fn (string $said): bool => str_contains($said, 'is not a colour'));
    $this->postJson('/api/colours', [])->assertUnprocessable();
});

it('looks at a stack, and at every recipe found, under the lamp that the piece is drawn by', function (): void {
    $asked = ['stack' => 'QW:6858@45 > QW:5892@30', 'L' => 60, 'a' => 2, 'b' => 10];
    $this->postJson($this->url.'/predictions', $asked)->assertOk()->assertJsonPath('recipe.underLamp', null);
    $this->postJson($this->url.'/recipes', $asked)->assertOk()->assertJsonPath('recipes.0.underLamp', null);
    $this->patchJson($this->url, ['lamp' => 'warm-lamp'])->assertOk();
    $recipe = $this->postJson($this->url.'/predictions', $asked)->assertOk()->assertJsonPath('recipe.underLamp.name', 'Warm lamp')->json('recipe');
    $seen = $recipe['underLamp'];
    expect($seen['target']['b'])->toBeGreaterThan(10)->and($seen['predicted']['b'])->toBeGreaterThan($recipe['predicted']['b'])->and($seen['difference']['words'])->not->toBe('');
    $found = $this->postJson($this->url.'/recipes', $asked)->assertOk()->json();
    foreach ([...$found['recipes'], $found['nearest']] as $recipe) {
        // One colour is asked for; each stack turns under the lamp in its own way.
        expect($recipe['underLamp']['target'])->toBe($seen['target'])->and($recipe['underLamp']['predicted']['b'])->toBeGreaterThan($recipe['predicted']['b']);
    }
    $target = spotIn($this->piece, 'Spot', [60, 2, 10], 'QW:6858@45');
    $this->getJson($this->url)->assertOk()->assertJsonPath('zones', fn (array $zones): bool => array_values(array_filter($zones, fn (array $zone): bool => $zone['id'] === $target->zone_id))[0]['targets'][0]['recipe']['underLamp']['name'] === 'Warm lamp');
});

it('goes freely with black and white on toned paper, which never meet, and refuses that on white paper', function (): void {
    $black = ['QW:3769'];
    $white = ['QW:1823'];
    $with = function (array $lab) {
        return array_map(fn (array $recipe): array => array_values(array_unique(array_filter(array_map(fn (array $step): ?string => $step['pencil']['id'] ?? null, $recipe['steps'])))), $this->postJson($this->url.'/recipes', ['L' => $lab[0], 'a' => $lab[1], 'b' => $lab[2], 'toned' => true])->assertOk()->json('recipes'));
    };
    $this->postJson($this->url.'/recipes', ['L' => 80, 'a' => 0, 'b' => 2, 'toned' => true])->assertUnprocessable()->assertJsonPath('errors.toned.0', fn (string $said): bool => str_contains($said, 'This paper is white'));
    $this->patchJson($this->url, ['paper' => 'fog-toned'])->assertOk()->assertJsonPath('paper.toned', true);
    $lights = $with([80, 0, 2]);
    $darks = $with([35, 0, 1]);
    expect($lights[0])->toContain(...$white)->and(array_merge(...$darks))->toContain(...$black);
    foreach ([...$lights, ...$darks] as $pencils) {
        expect(array_intersect($pencils, $black) !== [] && array_intersect($pencils, $white) !== [])->toBeFalse();
    }
});

it('plans a picture on toned paper with black, white and one colour', function (): void {
    $this->postJson($this->url.'/toned', ['colour' => null])->assertUnprocessable()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'This paper is white'));
    $this->patchJson($this->url, ['paper' => 'fog-toned', 'valueOnly' => true, 'banned' => ['QW:3769']]);
    $this->postJson($this->url.'/toned', ['colour' => null])->assertOk()->assertJsonPath('planning.pinned', ['QW:3769', 'QW:1823'])->assertJsonPath('planning.paletteSize', 3)->assertJsonPath('planning.banned', [])->assertJsonPath('planning.valueOnly', false)->assertJsonPath('schools.chosen.blackAndWhite', 'toned');
    planPicture($this);
    $palette = array_column($this->getJson($this->url.'/plan')->json('palette.pencils'), 'id');
    expect($palette)->toHaveCount(3)->toContain('QW:3769', 'QW:1823');
    foreach (ZoneTarget::query()->with('recipe')->get() as $target) {
        expect(str_contains($target->recipe->stack, 'QW:3769') && str_contains($target->recipe->stack, 'QW:1823'))->toBeFalse();
    }
    // Colour is strong where the eye should go, and drifts off elsewhere.
    $target = ZoneTarget::query()->get()->sortByDesc(fn (ZoneTarget $one): float => hypot($one->a, $one->b))->firstOrFail();
    $chroma = static function (int $importance) use ($target): float {
        $target->zone->update(['corrections' => [...$target->zone->corrections ?? [], 'importance' => $importance]]);

        return Targets::interpreted(ZoneTarget::query()->findOrFail($target->id))->chroma();
    };
    expect($chroma(1))->toBeLessThan($chroma(2))->and($chroma(2))->toBeLessThan($chroma(3));
    // Or with the colour that one wants.
    $this->postJson($this->url.'/toned', ['colour' => 'LO:3512'])->assertOk()->assertJsonPath('planning.pinned', ['QW:3769', 'QW:1823', 'LO:3512']);
    planPicture($this);
    expect(array_column($this->getJson($this->url.'/plan')->json('palette.pencils'), 'id'))->toEqualCanonicalizing(['QW:3769', 'QW:1823', 'LO:3512']);
    foreach (['blue' => 'not a pencil', 'QW:999' => 'not in your box'] as $colour => $said) {
        $this->postJson($this->url.'/toned', ['colour' => $colour])->assertUnprocessable()->assertJsonPath('message', fn (string $message): bool => str_contains($message, $said));
    }
    $this->putJson('/api/box', ['remove' => ['QW:1823', 'LO:9659']])->assertNoContent();
    app()->forgetScopedInstances();
    $this->postJson($this->url.'/toned', ['colour' => null])->assertUnprocessable()->assertJsonPath('message', 'Your box has no white pencil. Put one in the box first.');
    $this->actingAs(artist())->postJson($this->url.'/toned', ['colour' => null])->assertNotFound();
});

it('shades with pencils that are given, or with those of a zone along its form, and finishes as one likes', function (): void {
    $given = $this->postJson($this->url.'/gradient', ['pencils' => ['QW:6858', 'QW:5892'], 'finish' => 'blender'])->assertOk()->json();
    expect($given['gradient']['steps'])->toHaveCount(3)->and($given['gradient']['steps'][0]['stack'])->toStartWith('QW:5892')->toEndWith('blend')->and($given['lengthMm'])->toBeNull();
    $zone = $this->piece->zones()->first();
    foreach ([['light', 80, 'QW:5892@30'], ['dark', 30, 'QW:6858@50x4']] as [$role, $L, $stack]) {
        $target = $zone->targets()->create(['role' => $role, 'L' => $L, 'a' => 0, 'b' => 0, 'spread' => 1, 'share' => 0.4, 'x' => $zone->x, 'y' => $zone->y]);
        $target->recipe()->create(['stack' => $stack]);
    }
    $zone->targets()->where('role', 'middle')->delete();
    $own = $this->postJson($this->url.'/gradient', ['zone' => $zone->id])->assertOk()->json();
    expect($own['gradient']['steps'])->toHaveCount(3)->and(array_column($own['gradient']['steps'], 'stack'))->toBe(['QW:5892@30', 'QW:5892@30 > QW:6858@50x2', 'QW:6858@50x4'])->and($own['lengthMm'])->toBeGreaterThan(1.0);
    foreach ([[['pencils' => ['QW:6858']], 'Choose'], [[], 'Choose two pencils'], [['pencils' => ['QW:6858', 'ZZ:1']], 'ZZ:1 is not in your box.'], [['zone' => $this->piece->zones()->get()[1]->id], 'one value only'], [['pencils' => ['QW:6858', 'QW:5892'], 'finish' => 'glitter'], '']] as [$wish, $says]) {
        expect($this->postJson($this->url.'/gradient', $wish)->assertUnprocessable()->json('message'))->toContain($says);
    }
    $this->actingAs(artist());
    $this->postJson($this->url.'/gradient', ['zone' => $zone->id])->assertNotFound();
});
