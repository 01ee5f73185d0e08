<?php

declare(strict_types=1);

use App\Jobs\PrepareBox;
use App\Models\DrawingEntry;
use App\Models\DrawnStep;
use App\Models\Piece;
use App\Models\Zone;
use App\Studio\Photos\PhotoStore;
use Illuminate\Support\Arr;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;

beforeEach(function (): void {
    $this->user = artist();
    $this->piece = pieceOf($this->user);
    $this->actingAs($this->user);
    $this->url = "/api/pieces/{$this->piece->id}";
});

function addZone($test, array $more = []): array
{
    return $test->postJson($test->url.'/zones', ['name' => 'red quarter', 'x' => 0.25, 'y' => 0.25, 'radius' => 0.05, ...$more])->assertCreated()->json();
}

it('samples a colour with its words', function (): void {
    $this->postJson($this->url.'/samples', ['x' => 0.25, 'y' => 0.25, 'radius' => 0.05])->assertOk()
        ->assertJsonPath('colour.hex', '#b43c32')
        ->assertJsonPath('colour.appearance.family', 'red with some orange')
        ->assertJsonPath('colour.appearance.valueStep', 4);
    $this->postJson($this->url.'/samples', ['x' => 0.75, 'y' => 0.75, 'radius' => 0])->assertJsonPath('colour.appearance.family', 'grey')->assertJsonPath('spread', 0);
    $this->postJson($this->url.'/samples', ['x' => 1.2, 'y' => 'left', 'radius' => 1])->assertUnprocessable()->assertJsonValidationErrors(['x', 'y', 'radius']);
});

it('finds recipes from the box only, with the nearest single pencil', function (): void {
    $found = $this->postJson($this->url.'/recipes', ['L' => 42, 'a' => 45, 'b' => 30])->assertOk()->json();
    expect(count($found['recipes']))->toBeGreaterThanOrEqual(3)->and($found['boxCount'])->toBe(15)
        ->and($found['nearest']['steps'])->toHaveCount(1);
    $owned = array_merge(...array_map(static fn (string $range, array $numbers): array => array_map(static fn (string $n): string => "$range:$n", $numbers), array_keys(Tests\Feature\BOX), Tests\Feature\BOX));
    foreach ($found['recipes'] as $recipe) {
        expect($recipe['toothLeft'])->toBeGreaterThanOrEqual(0)->and($recipe['difference']['words'])->toBeString();
        foreach ($recipe['steps'] as $step) {
            expect($owned)->toContain($step['pencil']['id']);
        }
    }
    $few = $this->postJson($this->url.'/recipes', ['L' => 42, 'a' => 45, 'b' => 30, 'maxPencils' => 1, 'noBlack' => true])->json();
    foreach ($few['recipes'] as $recipe) {
        expect(count(array_unique(array_column(array_column($recipe['steps'], 'pencil'), 'id'))))->toBeLessThanOrEqual(1);
    }
    $this->postJson($this->url.'/recipes', ['L' => 'dark', 'a' => 0, 'b' => 999])->assertUnprocessable()->assertJsonValidationErrors(['L', 'b']);
});

it('says what to do with an empty box', function (): void {
    $other = artist(withBox: false);
    $piece = pieceOf($other);
    $this->actingAs($other)->postJson("/api/pieces/{$piece->id}/recipes", ['L' => 50, 'a' => 0, 'b' => 0])
        ->assertUnprocessable()->assertJsonPath('errors.box.0', 'There are no pencils to choose from. Put pencils in the box, or allow more of them.');
});

it('predicts a stack layer by layer', function (): void {
    $body = ['L' => 42, 'a' => 45, 'b' => 30, 'stack' => 'QW:5892@40 > QW:7432@60x2 > wash'];
    $answer = $this->postJson($this->url.'/predictions', $body)->assertOk()->json();
    expect($answer['strip'])->toHaveCount(4)->and($answer['section'])->toHaveCount(5)
        ->and($answer['recipe']['stack'])->toBe($body['stack'])
        ->and($answer['recipe']['steps'][1])->toMatchArray(['pressureWord' => 'medium', 'passes' => 2])
        ->and($answer['recipe']['predicted']['hex'])->toBe($answer['strip'][3]['colour']['hex'])
        ->and($answer['room'])->toBeInt();
    $this->postJson($this->url.'/predictions', [...$body, 'stack' => ''])->assertOk()->assertJsonCount(1, 'strip');
});

it('refuses a stack by position, and an unknown pencil by name', function (): void {
    $body = ['L' => 42, 'a' => 45, 'b' => 30];
    $this->postJson($this->url.'/predictions', [...$body, 'stack' => 'QW:5892@40 > QW:7432@'])->assertUnprocessable()->assertJsonPath('position', 22)->assertJsonPath('message', fn (string $said): bool => str_starts_with($said, 'At character 22: the pressure is missing'));
    $this->postJson($this->url.'/predictions', [...$body, 'stack' => 'QW:5892@40 > ZZ:1@20'])->assertUnprocessable()->assertJsonPath('message', 'There is no pencil ZZ:1 here; check its range and number.');
    $this->postJson($this->url.'/zones', ['name' => 'x', 'x' => 0.5, 'y' => 0.5, 'radius' => 0.01, 'stack' => 'ZZ:1@20'])->assertUnprocessable();
    expect(Zone::query()->count())->toBe(0);
});

it('keeps a named zone with its recipe, and all of it survives', function (): void {
    $zone = addZone($this, ['stack' => ' qw:5892@40>QW:7432 @60x2 ']);
    expect($zone['targets'][0]['recipe']['stack'])->toBe('QW:5892@40 > QW:7432@60x2')->and($zone['targets'][0]['colour']['hex'])->toBe('#b43c32');
    $this->getJson($this->url)->assertJsonPath('zones.0.name', 'red quarter')->assertJsonPath('zones.0.targets.0.recipe.stack', 'QW:5892@40 > QW:7432@60x2');
    $target = $zone['targets'][0];
    $url = "/api/targets/{$target['id']}";
    $this->patchJson($url, ['version' => $target['version'], 'stack' => 'QW:7432@70'])->assertOk()->assertJsonPath('recipe.stack', 'QW:7432@70')->assertJsonPath('version', 2);
    $this->patchJson($url, ['version' => 2, 'stack' => ''])->assertJsonPath('recipe.stack', '');
    $this->patchJson($url, ['version' => 3, 'stack' => null])->assertJsonPath('recipe', null);
    $this->patchJson($url, ['version' => 3, 'stack' => 'QW:7432@70'])->assertConflict();
    $this->patchJson("/api/zones/{$zone['id']}", ['version' => 1, 'name' => ''])->assertUnprocessable();
});

it('does not let two windows overwrite each other', function (): void {
    $zone = addZone($this);
    $this->patchJson("/api/zones/{$zone['id']}", ['version' => 1, 'name' => 'first'])->assertOk();
    $this->patchJson("/api/zones/{$zone['id']}", ['version' => 1, 'name' => 'second'])->assertConflict()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'changed meanwhile'));
    expect(Zone::query()->firstOrFail()->name)->toBe('first');
});

it('takes back what was removed', function (): void {
    $zone = addZone($this, ['stack' => 'QW:7432@70']);
    $this->deleteJson("/api/zones/{$zone['id']}")->assertOk()->assertJsonPath('zones', [])->assertJsonPath('undo', 'red quarter removed');
    $this->postJson($this->url.'/zones/undo')->assertOk()->assertJsonPath('undo', 'red quarter kept');
    $this->getJson($this->url)->assertJsonPath('zones.0.targets.0.recipe.stack', 'QW:7432@70');
    $this->deleteJson($this->url)->assertNoContent();
    $this->getJson($this->url)->assertNotFound()->assertJsonPath('message', 'There is no such piece in your studio.');
    $this->postJson($this->url.'/restore')->assertNoContent();
    $this->getJson($this->url)->assertOk();
});

it('changes paper, school and title', function (): void {
    $this->patchJson($this->url, ['paper' => 'fog-toned', 'schools' => ['value' => 'form-first'], 'title' => 'Evening'])
        ->assertOk()->assertJsonPath('paper.id', 'fog-toned')->assertJsonPath('schools.chosen.value', 'form-first')->assertJsonPath('schools.own', ['value'])->assertJsonPath('title', 'Evening');
    $this->patchJson($this->url, ['paper' => 'bark', 'schools' => ['value' => 'upside-down']])->assertUnprocessable()->assertJsonValidationErrors(['paper', 'schools.value']);
});

it('plans, marks, skips and takes back, and remembers where one was', function (): void {
    addZone($this, ['stack' => 'QW:5892@40 > QW:7432@90']);
    addZone($this, ['name' => 'paper', 'stack' => '']);
    addZone($this, ['name' => 'later']);
    $plan = $this->getJson($this->url.'/plan')->assertOk()->json();
    expect(array_column($plan['steps'], 'role'))->toBe(['reserve', 'layer', 'burnish'])
        ->and(array_column($plan['pullList'], 'number'))->toBe(['5892', '7432'])
        ->and($plan['zonesWithoutRecipe'])->toBe(['later'])
        ->and($plan['currentKey'])->toBe($plan['steps'][0]['key'])
        ->and($plan['cautions'])->not->toBe([]);
    $mark = fn (int $step, string $state) => $this->postJson($this->url.'/drawing', ['mark' => (string) Str::ulid(), 'keys' => [$plan['steps'][$step]['key']], 'state' => $state]);
    $mark(0, 'done')->assertOk()->assertJsonPath('done', 1)->assertJsonPath('currentKey', $plan['steps'][1]['key']);
    $mark(1, 'skipped')->assertJsonPath('steps.1.state', 'skipped');
    $this->getJson($this->url.'/plan')->assertJsonPath('currentKey', $plan['steps'][2]['key']);
    // Another window has marked meanwhile: neither is what it did overwritten, nor taken back unseen.
    $this->postJson($this->url.'/drawing', ['mark' => (string) Str::ulid(), 'keys' => [$plan['steps'][1]['key']], 'state' => 'open', 'was' => 'done'])->assertConflict()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'The drawing was changed meanwhile'));
    $this->deleteJson($this->url.'/drawing/last?mark='.Str::ulid())->assertConflict();
    expect($this->getJson($this->url.'/plan')->json('lastMarked'))->toBe(DrawingEntry::query()->latest('id')->value('mark'));
    $this->deleteJson($this->url.'/drawing/last')->assertJsonPath('currentKey', $plan['steps'][1]['key']);
    $this->deleteJson($this->url.'/drawing/last')->assertJsonPath('done', 0);
    $this->deleteJson($this->url.'/drawing/last')->assertOk()->assertJsonPath('done', 0);
    $this->postJson($this->url.'/drawing', ['mark' => (string) Str::ulid(), 'keys' => ['gone'], 'state' => 'done'])->assertUnprocessable()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'no longer in the plan'));
    $mark(0, 'rubbed')->assertUnprocessable();
    expect(DrawnStep::query()->count())->toBe(0);
});

it('prints the plan as PDF with its fonts', function (): void {
    for ($i = 1; $i <= 9; $i++) {
        addZone($this, ['name' => "zone $i", 'stack' => 'QW:5892@40 > QW:7432@60 > wash > LO:3512@30 > blend']);
    }
    $pdf = $this->get($this->url.'/plan.pdf')->assertOk()->assertHeader('Content-Type', 'application/pdf')->getContent();
    expect(str_starts_with($pdf, '%PDF'))->toBeTrue()->and(preg_match('#/Type /Page\b#', $pdf))->toBe(1)
        ->and(preg_match_all('#/Type /Page\b#', $pdf))->toBeGreaterThan(1)->and($pdf)->toContain('/FontFile2')->not->toContain('Helvetica');
});

it('keeps the box: all or nothing, and prepares it in the queue', function (): void {
    Queue::fake();
    $this->putJson('/api/box', ['add' => ['QW:3464'], 'remove' => ['QW:1823']])->assertNoContent();
    Queue::assertPushed(PrepareBox::class);
    $owned = array_column(array_filter($this->getJson('/api/pencils')->json('pencils'), static fn (array $pencil): bool => $pencil['owned']), 'id');
    expect($owned)->toHaveCount(15)->toContain('QW:3464')->not->toContain('QW:1823');
    $this->putJson('/api/box', ['add' => ['QW:4973', 'QW:9999']])->assertUnprocessable()->assertJsonPath('errors.add.0', 'There is no pencil QW:9999 in any range.');
    expect($this->user->box()->count())->toBe(15);
});

it('prepares the pair library of a box', function (): void {
    $folder = config('prism.storage').'/engine';
    array_map(unlink(...), glob($folder.'/pairs-*') ?: []);
    PrepareBox::dispatchSync($this->user);
    expect(glob($folder.'/pairs-*'))->toHaveCount(1);
    $before = $this->postJson($this->url.'/recipes', ['L' => 42, 'a' => 20, 'b' => 30])->json('recipes.0.stack');
    // A file that was cut off is made anew.
    file_put_contents(glob($folder.'/pairs-*')[0], 'cut off');
    expect($this->postJson($this->url.'/recipes', ['L' => 42, 'a' => 20, 'b' => 30])->json('recipes.0.stack'))->toBe($before);
});

it('keeps a plan until something that it rests on changes, and makes a broken one anew', function (): void {
    $zone = addZone($this, ['stack' => 'QW:5892@40 > QW:7432@90']);
    $kept = fn (): array => glob(app(PhotoStore::class)->folderOf($this->piece->reference()).'/plan-*.parcel') ?: [];
    $plan = fn (): array => Arr::except($this->getJson($this->url.'/plan')->assertOk()->json(), ['pace']);
    $first = $plan();
    expect($kept())->toHaveCount(1)->and($plan())->toBe($first)->and($kept())->toHaveCount(1);
    file_put_contents($kept()[0], 'no plan');
    expect($plan())->toBe($first);
    $this->patchJson("/api/targets/{$zone['targets'][0]['id']}", ['version' => 1, 'stack' => 'QW:6858@30'])->assertOk();
    expect(array_column($plan()['pullList'], 'number'))->toBe(['6858'])->and($kept())->toHaveCount(2);
});

it('shows another artist nothing: 404 on every address', function (): void {
    $zone = addZone($this);
    [$target, $reference] = [$zone['targets'][0]['id'], $this->piece->reference()->id];
    $this->actingAs(artist());
    foreach ([
        ['get', $this->url], ['patch', $this->url], ['delete', $this->url], ['post', $this->url.'/restore'],
        ['get', $this->url.'/look'], ['get', $this->url.'/cut?count=8'], ['get', $this->url.'/reserves'], ['get', $this->url.'/transfer.pdf'], ['get', $this->url.'/simulation.png'], ['get', $this->url.'/parts'], ['get', $this->url.'/value-check'], ['get', $this->url.'/plan'],
        ['post', $this->url.'/zones/undo'], ['get', "/api/references/{$reference}/photos/photo"], ['delete', "/api/references/{$reference}"], ['post', "/api/references/{$reference}/restore"],
        ['delete', "/api/targets/{$target}"], ['post', "/api/targets/{$target}/restore"], ['post', "/api/zones/{$zone['id']}/split"], ['get', $this->url.'/plan.pdf'],
        ['delete', $this->url.'/drawing/last'], ['delete', "/api/zones/{$zone['id']}"],
    ] as [$method, $url]) {
        $this->json($method, $url)->assertNotFound();
    }
    $this->postJson($this->url.'/samples', ['x' => 0.5, 'y' => 0.5, 'radius' => 0])->assertNotFound();
    $this->postJson($this->url.'/zones', ['name' => 'x', 'x' => 0.5, 'y' => 0.5, 'radius' => 0])->assertNotFound();
    $this->postJson($this->url.'/recipes', ['L' => 50, 'a' => 0, 'b' => 0])->assertNotFound();
    $this->postJson($this->url.'/predictions', ['L' => 50, 'a' => 0, 'b' => 0, 'stack' => ''])->assertNotFound();
    $this->postJson($this->url.'/drawing', ['mark' => (string) Str::ulid(), 'keys' => ['x'], 'state' => 'done'])->assertNotFound();
    $this->patchJson("/api/zones/{$zone['id']}", ['version' => 1, 'name' => 'mine'])->assertNotFound();
    $this->patchJson("/api/targets/{$target}", ['version' => 1, 'stack' => ''])->assertNotFound();
    $this->patchJson("/api/references/{$reference}", ['name' => 'mine'])->assertNotFound();
    $this->putJson("/api/references/{$reference}/balance", ['balance' => null])->assertNotFound();
    $this->postJson($this->url.'/zones/find', ['count' => 8])->assertNotFound();
    $this->postJson($this->url.'/zones/merge', ['into' => $zone['id'], 'gone' => 'x'])->assertNotFound();
    $this->postJson($this->url.'/zones/lasso', ['line' => [[0, 0], [1, 0], [1, 1]], 'how' => 'new'])->assertNotFound();
    $this->postJson($this->url.'/same-spot', ['x' => 0.5, 'y' => 0.5, 'radius' => 0])->assertNotFound();
    $this->postJson($this->url.'/beside', ['x' => 0.5, 'y' => 0.5, 'radius' => 0, 'beside' => ['x' => 0.5, 'y' => 0.5, 'radius' => 0]])->assertNotFound();
    $this->postJson("/api/zones/{$zone['id']}/targets", ['role' => 'dark', 'x' => 0.5, 'y' => 0.5, 'radius' => 0])->assertNotFound();
    $this->getJson('/api/pieces')->assertExactJson([]);
    expect(Piece::query()->count())->toBe(1)->and(Zone::query()->firstOrFail()->name)->toBe('red quarter');
});
