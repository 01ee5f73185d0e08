<?php

declare(strict_types=1);

use App\Models\Pencil;
use App\Models\User;
use App\Studio\Photos\PhotoStore;
use App\Studio\Planning\Paces;
use Illuminate\Database\Events\TransactionCommitted;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Testing\TestResponse;

use function Tests\Feature\artist;
use function Tests\Feature\picture;
use function Tests\Feature\pieceOf;
use function Tests\Feature\spotIn;

beforeEach(function (): void {
    config(['prism.keep_answers' => true]);
    $this->artist = artist();
    $this->piece = pieceOf($this->artist);
    $this->target = spotIn($this->piece, 'Hull', [40.0, 0.0, 0.0], 'QW:6858@50');
    $this->told = fn (string $path, array $headers = []): TestResponse => $this->actingAs(User::query()->findOrFail($this->artist->id))->get("/api/pieces/{$this->piece->id}$path", ['Accept' => 'application/json', 'Accept-Encoding' => 'gzip', ...$headers]);
    $this->read = fn (string $path): array => json_decode((string) gzdecode((string) ($this->told)($path)->assertOk()->getContent()), true, flags: JSON_THROW_ON_ERROR);
});

it('tells what was kept without working it out again, and nothing at all to who has it', function (): void {
    foreach (['', '/plan'] as $path) {
        $first = ($this->told)($path);
        DB::enableQueryLog();
        DB::flushQueryLog();
        $second = ($this->told)($path);
        $asked = count(DB::getQueryLog());
        expect($second->getContent())->toBe($first->getContent())->and($second->headers->get('ETag'))->toBe($first->headers->get('ETag'))->not->toBeNull()->and($asked)->toBeLessThan(5);
        ($this->told)($path, ['If-None-Match' => (string) $first->headers->get('ETag')])->assertStatus(304);
    }
    // Who cannot unpack is told anew.
    $this->getJson("/api/pieces/{$this->piece->id}", ['Accept-Encoding' => ''])->assertOk()->assertHeaderMissing('Content-Encoding')->assertJsonPath('id', $this->piece->id);
});

it('tells after every change what is so now', function (): void {
    $piece = "/api/pieces/{$this->piece->id}";
    $target = "/api/targets/{$this->target->id}";
    $zone = "/api/zones/{$this->target->zone_id}";
    $key = fn (): string => ($this->read)('/plan')['steps'][0]['key'];
    $version = static fn (string $table, string $id): int => (int) DB::table($table)->where('id', $id)->value('version');
    $changes = [
        'title' => fn () => $this->patchJson($piece, ['title' => 'Floats']),
        'schools' => fn () => $this->putJson('/api/schools', ['schools' => ['shadows' => 'black-first']]),
        'lamp' => fn () => $this->patchJson($piece, ['lamp' => 'warm-lamp']),
        'zone' => fn () => $this->patchJson($zone, ['version' => $version('zones', $this->target->zone_id), 'name' => 'Stern']),
        'colour' => fn () => $this->patchJson($target, ['version' => $version('zone_targets', $this->target->id), 'colour' => ['L' => 55.0, 'a' => 10.0, 'b' => 5.0]]),
        'recipe' => fn () => $this->patchJson($target, ['version' => $version('zone_targets', $this->target->id), 'stack' => 'QW:6858@40 > QW:2794@30']),
        'another zone' => fn () => $this->postJson("$piece/zones", ['name' => 'Rope', 'x' => 0.7, 'y' => 0.7, 'radius' => 0.02, 'L' => 50, 'a' => 0, 'b' => 0]),
        'a mark' => fn () => $this->postJson("$piece/drawing", ['mark' => (string) Str::ulid(), 'keys' => [$key()], 'state' => 'done']),
        'no mark' => fn () => $this->deleteJson("$piece/drawing/last"),
        'box' => fn () => $this->putJson('/api/box', ['remove' => Pencil::query()->where('number', '6858')->get()->map(fn (Pencil $pencil): string => $pencil->range->code.':'.$pencil->number)->all()]),
        'a swatch' => fn () => $this->postJson('/api/swatches', ['paper' => 'harbour-cartridge', 'stack' => 'QW:6858@40', 'colour' => '60 1 2']),
        'another photo' => fn () => $this->post("/api/references/{$this->piece->references()->valueOrFail('id')}/photo", ['photo' => picture('jpeg', 200, 150, '#884422')], ['Accept' => 'application/json']),
        'planned' => fn () => $this->postJson('/api/works', ['kind' => 'planning', 'piece' => $this->piece->id, 'anew' => true]),
    ];
    $changed = 0;
    foreach ($changes as $name => $change) {
        $before = [($this->read)(''), ($this->read)('/plan')];
        expect($change()->status())->toBeLessThan(300, $name);
        $kept = [($this->read)(''), ($this->read)('/plan')];
        $changed += $kept === $before ? 0 : 1;
        Cache::flush();
        @unlink(app(PhotoStore::class)->folderOf($this->piece->refresh()->reference()).'/seen.kept');
        expect($kept)->toBe([($this->read)(''), ($this->read)('/plan')], "after: $name");
    }
    // Nearly all of them show in one of the two; a test of what changes nothing would say nothing.
    expect($changed)->toBeGreaterThan(10);
});

it('counts on with whatever may write, and not with what only reads', function (): void {
    $revision = fn (): int => (int) DB::table('users')->where('id', $this->artist->id)->value('revision');
    $was = $revision();
    $this->actingAs($this->artist)->postJson("/api/pieces/{$this->piece->id}/samples", ['x' => 0.5, 'y' => 0.5, 'radius' => 0.01])->assertOk();
    ($this->read)('/plan');
    expect($revision())->toBe($was);
    $this->postJson("/api/pieces/{$this->piece->id}/zones/find", ['count' => 12]);
    expect($revision())->toBe($was + 1);
    // What is taken for reading is there, and is no address that writes.
    $readOnly = (new ReflectionClassConstant(App\Http\Middleware\KeptAnswers::class, 'READ_ONLY'))->getValue();
    $routes = collect(Route::getRoutes()->getRoutes())->filter(static fn ($route): bool => in_array('POST', $route->methods(), true))->map->uri();
    expect(array_diff($readOnly, $routes->all()))->toBe([]);
});

it('makes no plan anew for what is laid as it was planned, and tells of it only what has changed', function (): void {
    $url = "/api/pieces/{$this->piece->id}/drawing";
    $revisions = fn (): array => array_values((array) DB::table('users')->where('id', $this->artist->id)->first(['revision', 'plan_revision']));
    $send = fn (array $body): TestResponse => $this->actingAs(User::query()->findOrFail($this->artist->id))->postJson($url, ['mark' => (string) Str::ulid(), ...$body], ['Prefer' => 'return=minimal'])->assertOk();
    $planned = ($this->read)('/plan');
    $key = $planned['steps'][0]['key'];

    [$all, $plans] = $revisions();
    $told = $send(['keys' => [$key], 'state' => 'done'])->assertJsonMissingPath('steps')->json();
    expect($revisions()[0])->toBeGreaterThan($all)->and($revisions()[1])->toBe($plans);
    $now = ($this->read)('/plan');
    expect($now['steps'][0]['state'])->toBe('done')->and($told['states'])->toBe([$key => 'done'])->and($told['version'])->toBe($planned['version'])->toBe($now['version'])
        ->and([$told['lastMarked'], $told['begunRecipes'], $told['pace']])->toBe([$now['lastMarked'], $now['begunRecipes'], $now['pace']]);
    foreach ($told['pencils'] as $pencil) {
        foreach ($now['pullList'] as $entry) {
            if ($entry['id'] === $pencil['id']) {
                expect([$entry['needsMm'], $entry['leftMm'], $entry['short']])->toBe([$pencil['needsMm'], $pencil['leftMm'], $pencil['short']]);
            }
        }
    }
    $this->postJson("$url/notes", ['mark' => (string) Str::ulid(), 'note' => 'Soft so far.'])->assertSuccessful();
    expect($revisions()[1])->toBe($plans)->and($send(['keys' => [$key], 'state' => 'open'])->json('states'))->toBe([])->and($revisions()[1])->toBe($plans);

    // Laid otherwise, or left out, it goes on otherwise.
    $send(['keys' => [$key], 'state' => 'done', 'otherwise' => ['coats' => 3]])->assertJsonPath('steps.0.state', 'done');
    expect($revisions()[1])->toBeGreaterThan($plans)->and(($this->read)('/plan')['version'])->not->toBe($planned['version']);
    $send(['keys' => [$key], 'state' => 'open'])->assertJsonPath('version', $planned['version'])->assertJsonPath('done', 0);
    $send(['keys' => [$key], 'state' => 'skipped'])->assertJsonPath('steps.0.state', 'skipped');
    // Who does not ask for less is told the plan.
    $this->postJson($url, ['mark' => (string) Str::ulid(), 'keys' => [$key], 'state' => 'done'])->assertOk()->assertJsonPath('steps.0.state', 'done');
});

it('tells a plan that stays as it was with what is drawn since, without gathering it again', function (): void {
    spotIn($this->piece, 'Deck', [62.0, 12.0, 20.0], 'QW:7432@40x2 > QW:6858@30');
    spotIn($this->piece, 'Rope', [78.0, 2.0, 18.0], 'QW:2794@35');
    $url = "/api/pieces/{$this->piece->id}/drawing";
    $press = fn (array $keys, string $state): TestResponse => $this->actingAs(User::query()->findOrFail($this->artist->id))->postJson($url, ['mark' => (string) Str::ulid(), 'keys' => $keys, 'state' => $state], ['Prefer' => 'return=minimal'])->assertOk();
    $keys = array_column(($this->read)('/plan')['steps'], 'key');
    $seen = [];
    foreach ([[[$keys[0]], 'done'], [array_slice($keys, 1), 'done'], [[$keys[2]], 'open'], [[$keys[0], $keys[1]], 'open']] as [$which, $state]) {
        $press($which, $state);
        DB::enableQueryLog();
        DB::flushQueryLog();
        $kept = ($this->read)('/plan');
        expect(implode(' ', array_column(DB::getQueryLog(), 'query')))->toContain('drawn_steps')->not->toContain('`zones`.`piece_id` =');
        Cache::flush();
        expect($kept)->toBe(($this->read)('/plan'));
        $seen[] = [$kept['done'], $kept['currentKey']];
    }
    expect($seen)->toBe([[1, $keys[1]], [count($keys), null], [count($keys) - 1, $keys[2]], [count($keys) - 3, $keys[0]]]);
    // Left out, what follows is another plan: it is gathered.
    $press([$keys[0]], 'skipped');
    $kept = ($this->read)('/plan');
    Cache::flush();
    expect($kept)->toBe(($this->read)('/plan'))->and($kept['steps'][0]['state'])->toBe('skipped');
});

it('marks a step of a plan that is known without reading a recipe', function (): void {
    $key = ($this->read)('/plan')['steps'][0]['key'];
    DB::enableQueryLog();
    $asks = function (string $state) use ($key): string {
        DB::flushQueryLog();
        $this->actingAs(User::query()->findOrFail($this->artist->id))->postJson("/api/pieces/{$this->piece->id}/drawing", ['mark' => (string) Str::ulid(), 'keys' => [$key], 'state' => $state], ['Prefer' => 'return=minimal'])->assertOk();

        return implode(' ', array_column(DB::getQueryLog(), 'query'));
    };
    expect($asks('done'))->toContain('drawn_steps')->not->toContain('`recipes`')->not->toContain('`zones`')->and($asks('open'))->not->toContain('`recipes`');
    // After a change it is gathered anew: that step is there no more.
    $this->patchJson("/api/targets/{$this->target->id}", ['version' => (int) DB::table('zone_targets')->where('id', $this->target->id)->value('version'), 'stack' => 'QW:6858@35'])->assertOk();
    $this->postJson("/api/pieces/{$this->piece->id}/drawing", ['mark' => (string) Str::ulid(), 'keys' => [$key], 'state' => 'done'])->assertUnprocessable();
});

it('makes a plan anew by a hand that is faster or slower, and not for each mark of one', function (): void {
    $entry = fn (float $pace) => $this->piece->drawingEntries()->create(['mark' => (string) Str::ulid(), 'kind' => 'done', 'turn' => 1, 'before' => [], 'made_at' => now(), 'laid_mm2' => $pace, 'minutes' => 1.0]);
    $pace = fn (): float => app(Paces::class)->forPiece($this->piece->refresh())->mm2PerMinute;
    array_map($entry, [400.0, 400.0, 400.0, 400.0, 400.0]);
    $first = $pace();
    expect(abs(log($first / 400.0)))->toBeLessThanOrEqual(0.025);
    $entry(404.0);
    $entry(408.0);
    expect(app(Paces::class)->of($this->artist)['pace'])->toBeGreaterThanOrEqual(400.0)->and($pace())->toBe($first);
    array_map($entry, array_fill(0, 9, 800.0));
    expect($pace() / $first)->toBeGreaterThan(1.8);
});

it('counts on as soon as something is committed, before the answer is worked out', function (): void {
    $revision = fn (): int => (int) DB::table('users')->where('id', $this->artist->id)->value('revision');
    $was = $revision();
    event(new TransactionCommitted(DB::connection()));
    expect($revision())->toBe($was);
    // As if somewhere in what a request writes.
    Route::post('api/writes', static fn () => tap(response()->noContent(), static fn () => event(new TransactionCommitted(DB::connection()))))->middleware('web');
    Route::get('api/writes', static fn () => tap(response()->noContent(), static fn () => event(new TransactionCommitted(DB::connection()))))->middleware('web');
    $this->actingAs($this->artist)->getJson('/api/writes')->assertNoContent();
    expect($revision())->toBe($was);
    $this->postJson('/api/writes')->assertNoContent();
    expect($revision())->toBe($was + 1);
});

it('keeps nothing of one artist for another', function (): void {
    $first = ($this->told)('')->headers->get('ETag');
    $this->actingAs(artist())->get("/api/pieces/{$this->piece->id}", ['Accept' => 'application/json', 'Accept-Encoding' => 'gzip', 'If-None-Match' => (string) $first])->assertNotFound();
});
