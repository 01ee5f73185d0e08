<?php

declare(strict_types=1);

use App\Models\DrawingEntry;
use App\Models\DrawnStep;
use App\Models\Zone;
use App\Models\ZoneTarget;
use App\Studio\Photos\PhotoRenderer;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Prism\Planning\Order\Pace;

use function Tests\Feature\artist;
use function Tests\Feature\backTo;
use function Tests\Feature\bytes;
use function Tests\Feature\picture;
use function Tests\Feature\pieceOf;

beforeEach(function (): void {
    $user = artist();
    $this->actingAs($user);
    $this->url = '/api/pieces/'.pieceOf($user)->id;
    foreach (['float' => 'QW:5892@40 > QW:7432@90', 'rope' => 'QW:5892@40'] as $name => $stack) {
        $this->postJson($this->url.'/zones', ['name' => $name, 'x' => 0.25, 'y' => 0.25, 'radius' => 0.05, 'stack' => $stack])->assertCreated();
    }
    $this->plan = $this->getJson($this->url.'/plan')->assertOk()->json();
    $this->keys = array_column($this->plan['steps'], 'key');
    $this->mark = fn (array $keys, string $state = 'done', array $more = []) => $this->postJson($this->url.'/drawing', ['mark' => (string) Str::ulid(), 'keys' => $keys, 'state' => $state, ...$more]);
    $this->states = fn (): array => DrawnStep::query()->pluck('state', 'step_key')->sortKeys()->all();
});

test('all places of a turn are marked at one press, and taken back at one', function (): void {
    [$first, $second, $third] = $this->keys;
    ($this->mark)([$first, $second])->assertOk()->assertJsonPath('done', 2)->assertJsonPath('currentKey', $third);
    $this->deleteJson($this->url.'/drawing/last')->assertOk()->assertJsonPath('done', 0)->assertJsonPath('lastMarked', null);
});

test('a press that is sent twice is done once, even when it was taken back meanwhile', function (): void {
    $mark = ['mark' => (string) Str::ulid(), 'keys' => [$this->keys[0]], 'state' => 'done'];
    $this->postJson($this->url.'/drawing', $mark)->assertOk();
    $this->postJson($this->url.'/drawing', $mark)->assertOk()->assertJsonPath('done', 1);
    expect(DrawingEntry::query()->count())->toBe(1);
    $this->deleteJson($this->url.'/drawing/last')->assertOk();
    $this->postJson($this->url.'/drawing', $mark)->assertOk()->assertJsonPath('done', 0);
});

test('an undo that is sent twice takes back one press', function (): void {
    [$first, $second] = $this->keys;
    ($this->mark)([$first])->assertOk();
    ($this->mark)([$second])->assertOk();
    $last = $this->getJson($this->url.'/plan')->json('lastMarked');
    $this->deleteJson($this->url.'/drawing/last?mark='.$last)->assertOk()->assertJsonPath('done', 1);
    $this->deleteJson($this->url.'/drawing/last?mark='.$last)->assertOk()->assertJsonPath('done', 1);
});

test('what a press changed is as it was before once it is taken back', function (): void {
    [$first, $second] = $this->keys;
    ($this->mark)([$first], 'skipped')->assertOk();
    ($this->mark)([$first, $second])->assertOk();
    expect(($this->states)())->toBe(collect([$first => 'done', $second => 'done'])->sortKeys()->all());
    $this->deleteJson($this->url.'/drawing/last')->assertOk();
    expect(($this->states)())->toBe([$first => 'skipped']);
    ($this->mark)([$first], 'open')->assertOk()->assertJsonPath('done', 0);
    $this->deleteJson($this->url.'/drawing/last')->assertOk();
    expect(($this->states)())->toBe([$first => 'skipped']);
});

test('what two hands marked meanwhile is put together: what lies on the paper is laid once', function (): void {
    [$first, $second] = $this->keys;
    ($this->mark)([$second], 'done', ['otherwise' => ['coats' => 3]])->assertOk();
    ($this->mark)([$first, $second], 'done', ['was' => 'open'])->assertOk()->assertJsonPath('done', 2);
    expect(DrawnStep::query()->where('step_key', $second)->value('laid'))->toEndWith('x3');
    $this->deleteJson($this->url.'/drawing/last')->assertOk();
    expect(($this->states)())->toBe([$second => 'done']);
    // Left out by one, laid by the other: it is laid.
    ($this->mark)([$second], 'skipped', ['was' => 'open'])->assertOk();
    expect(($this->states)())->toBe([$second => 'done']);
    ($this->mark)([$first], 'skipped')->assertOk();
    ($this->mark)([$first], 'done', ['was' => 'open'])->assertOk();
    expect(($this->states)()[$first])->toBe('done');
});

test('a mark that is taken off, and an undo, upon what is another by now are refused as a whole', function (): void {
    [$first, $second] = $this->keys;
    ($this->mark)([$second])->assertOk();
    ($this->mark)([$first, $second], 'open', ['was' => 'skipped'])->assertConflict();
    expect(($this->states)())->toBe([$second => 'done']);
    $last = $this->getJson($this->url.'/plan')->json('lastMarked');
    ($this->mark)([$first])->assertOk();
    $this->deleteJson($this->url.'/drawing/last?mark='.$last)->assertConflict();
    expect(($this->states)())->toHaveCount(2);
});

test('presses that had to wait stand in the log at the time they were made, whenever they come', function (): void {
    ($this->mark)([$this->keys[0]], 'done', ['madeAt' => '2026-11-28T10:05:00Z'])->assertOk();
    ($this->mark)([$this->keys[1]], 'skipped', ['madeAt' => '2026-11-28T10:01:00Z'])->assertOk();
    $log = $this->getJson($this->url.'/drawing')->assertOk()->json();
    expect(array_column($log, 'madeAt'))->toBe(['2026-11-28T10:05:00+00:00', '2026-11-28T10:01:00+00:00'])
        ->and(array_column($log, 'kind'))->toBe(['done', 'skipped'])
        ->and(array_column($log, 'keys'))->toBe([[$this->keys[0]], [$this->keys[1]]])
        ->and($log[0]['turn'])->toBe($this->plan['steps'][0]['turn']);
});

test('a note is written down once, with its turn, and what was taken back stays in the log as that', function (): void {
    $note = ['mark' => (string) Str::ulid(), 'note' => 'Sharpened twice; the rope wants less.', 'turn' => 2];
    $this->postJson($this->url.'/drawing/notes', $note)->assertSuccessful();
    $this->postJson($this->url.'/drawing/notes', $note)->assertSuccessful()->assertJsonPath('note', $note['note']);
    ($this->mark)([$this->keys[0]])->assertOk();
    $this->deleteJson($this->url.'/drawing/last')->assertOk();
    $log = $this->getJson($this->url.'/drawing')->json();
    expect($log)->toHaveCount(2)
        ->and(collect($log)->firstWhere('kind', 'note'))->toMatchArray(['note' => $note['note'], 'turn' => 2, 'undone' => false])
        ->and(collect($log)->firstWhere('kind', 'done')['undone'])->toBeTrue();
});

test('a note and a photo are taken back each at one undo, and the press before them at the next', function (): void {
    ($this->mark)([$this->keys[0]])->assertOk();
    $note = (string) Str::ulid();
    $this->postJson($this->url.'/drawing/notes', ['mark' => $note, 'note' => 'Less on the rope.'])->assertSuccessful();
    $photo = (string) Str::ulid();
    $this->post($this->url.'/drawing/photos', ['mark' => $photo, 'photo' => picture()])->assertSuccessful();

    expect($this->getJson($this->url.'/plan')->json('lastMarked'))->toBe($photo);
    $this->deleteJson($this->url.'/drawing/last?mark='.$photo)->assertOk()->assertJsonPath('lastMarked', $note)->assertJsonPath('done', 1);
    $this->deleteJson($this->url.'/drawing/last?mark='.$note)->assertOk()->assertJsonPath('done', 1);
    expect(collect($this->getJson($this->url.'/drawing')->json())->where('undone', false)->pluck('kind')->all())->toBe(['done']);
    $this->deleteJson($this->url.'/drawing/last')->assertOk()->assertJsonPath('done', 0)->assertJsonPath('lastMarked', null);
});

test('what is no press is refused in words, and nothing is marked', function (): void {
    $key = $this->keys[0];
    foreach ([
        [['mark' => 'x', 'keys' => [$key], 'state' => 'done'], 'mark'],
        [['mark' => (string) Str::ulid(), 'keys' => [], 'state' => 'done'], 'keys'],
        [['mark' => (string) Str::ulid(), 'keys' => [$key, $key], 'state' => 'done'], 'keys.0'],
        [['mark' => (string) Str::ulid(), 'keys' => [$key], 'state' => 'rubbed'], 'state'],
        [['mark' => (string) Str::ulid(), 'keys' => [$key], 'state' => 'done', 'madeAt' => '2199-01-01'], 'madeAt'],
        [['mark' => (string) Str::ulid(), 'keys' => [$key], 'state' => 'done', 'madeAt' => 1.0e+308], 'madeAt'],
    ] as [$body, $field]) {
        $this->postJson($this->url.'/drawing', $body)->assertUnprocessable()->assertJsonValidationErrors([$field]);
    }
    ($this->mark)([$key, 'gone'])->assertUnprocessable();
    $this->postJson($this->url.'/drawing/notes', ['mark' => (string) Str::ulid(), 'note' => ''])->assertUnprocessable();
    expect(DrawnStep::query()->count())->toBe(0)->and(DrawingEntry::query()->count())->toBe(0);
});

test('another artist sees nothing of the log and writes nothing into it', function (): void {
    $this->actingAs(artist());
    $this->getJson($this->url.'/drawing')->assertNotFound();
    ($this->mark)([$this->keys[0]])->assertNotFound();
    $this->postJson($this->url.'/drawing/notes', ['mark' => (string) Str::ulid(), 'note' => 'mine'])->assertNotFound();
    $this->deleteJson($this->url.'/drawing/last')->assertNotFound();
    expect(DrawingEntry::query()->count())->toBe(0);
});

test('the list of pieces tells how far a drawing is, turn by turn, once its plan was seen', function (): void {
    $progress = fn (): ?array => $this->getJson('/api/pieces')->assertOk()->json('0.progress');
    $turns = collect($this->plan['turns']);
    $left = static fn (array $plan): float => round(array_sum(array_column(array_filter($plan['steps'], static fn (array $step): bool => $step['state'] === 'open'), 'minutes')), 1);
    expect($progress())->toMatchArray(['turns' => $turns->count(), 'done' => 0])->and($progress()['minutesLeft'])->toEqualWithDelta($left($this->plan), 0.2);
    $first = $turns->first();
    $plan = ($this->mark)(array_merge(...array_column($first['places'], 'keys')))->assertOk()->json();
    expect($progress()['done'])->toBe(1)->and($progress()['minutesLeft'])->toEqualWithDelta($left($plan), 0.2)->toBeLessThan($left($this->plan));
    $this->deleteJson($this->url.'/drawing/last')->assertOk();
    expect($progress()['done'])->toBe(0);
});

test('the pace is told by when a press was made, not by when it came', function (): void {
    $at = now()->subMinutes(60);
    // Ten minutes apart, sent together once the network was back.
    foreach ($this->keys as $i => $key) {
        ($this->mark)([$key], 'done', ['madeAt' => $at->copy()->addMinutes(10 * $i)->toIso8601String()])->assertOk();
    }
    $minutes = DrawingEntry::query()->orderBy('made_at')->pluck('minutes')->all();
    expect($minutes[0])->toBeNull()->and($minutes[1])->toEqualWithDelta(10.0 - Pace::CHANGE_MINUTES, 0.05)->and($minutes[2])->toEqualWithDelta(10.0 - Pace::CHANGE_MINUTES, 0.05);
});

test('what was marked before there was a log is in the log, with its pace, and can be taken back', function (): void {
    [$first, $second] = $this->keys;
    ($this->mark)([$first], 'done', ['madeAt' => now()->subMinutes(9)->toIso8601String()])->assertOk();
    ($this->mark)([$second], 'skipped')->assertOk();
    DrawingEntry::query()->where('kind', 'done')->update(['minutes' => 4.0]);
    $this->artisan('migrate:rollback', ['--step' => backTo('2026_11_28_000014_log_the_drawing'), '--force' => true])->assertSuccessful();
    expect((float) DB::table('drawn_steps')->where('step_key', $first)->value('minutes'))->toBe(4.0);
    DB::table('drawn_steps')->where('step_key', $first)->update(['updated_at' => now()->subMinutes(9)]);
    $this->artisan('migrate', ['--force' => true])->assertSuccessful();
    $log = $this->getJson($this->url.'/drawing')->assertOk()->json();
    expect(array_column($log, 'kind'))->toBe(['skipped', 'done'])->and(array_column($log, 'keys'))->toBe([[$second], [$first]])
        ->and((float) DrawingEntry::query()->where('kind', 'done')->value('minutes'))->toBe(4.0);
    $this->deleteJson($this->url.'/drawing/last?mark='.$log[0]['mark'])->assertOk()->assertJsonPath('lastMarked', $log[1]['mark']);
    expect(($this->states)())->toBe([$first => 'done']);
});

test('a pencil is shorter by what was laid with it since it was measured, and the plan says when it will not last', function (): void {
    // Zones of this test are mere spots.
    Zone::query()->update(['share' => 0.1]);
    ZoneTarget::query()->update(['share' => 1.0]);
    $this->patchJson('/api/box/QW:5892', ['lengthMm' => 30, 'spare' => 0])->assertNoContent();
    $entry = fn (): array => collect($this->getJson($this->url.'/plan')->json('pullList'))->firstWhere('id', 'QW:5892');
    $before = $entry();
    expect($before['leftMm'])->toEqual(30)->and($before['needsMm'])->toBeGreaterThan(0.0);
    $keys = collect($this->getJson($this->url.'/plan')->json('steps'))->filter(fn (array $step): bool => ($step['step']['pencil']['id'] ?? '') === 'QW:5892')->pluck('key')->all();
    ($this->mark)([$keys[0]], 'done', ['otherwise' => ['pressurePercent' => 90, 'coats' => 4]])->assertOk();
    $after = $entry();
    expect($after['leftMm'])->toBeLessThan(30)->and($after['needsMm'])->toBeLessThan($before['needsMm'])->and($after['short'])->toBeTrue();
    $page = $this->getJson('/api/pencils/QW:5892')->assertOk()->json();
    expect($page['usedMm'])->toBeGreaterThan(1.0)->and($page['leftMm'])->toEqual($after['leftMm'])->and($page['lengthMm'])->toBe(30);
    $this->patchJson('/api/box/QW:5892', ['spare' => 1])->assertNoContent();
    expect($entry()['short'])->toBeFalse();
    // Measured anew it counts from now; what was laid before is in it.
    $this->travel(1)->minutes();
    $this->patchJson('/api/box/QW:5892', ['lengthMm' => 28])->assertNoContent();
    expect($entry()['leftMm'])->toEqual(28);
});

test('a photo of the drawing stands in the log once, with what it is about, and only its artist sees it', function (): void {
    $mark = (string) Str::ulid();
    $send = fn (string $content, string $mark) => $this->post($this->url.'/drawing/photos', ['mark' => $mark, 'turn' => 2, 'zone' => 'rope', 'note' => 'Too blue.', 'photo' => bytes('drawing.jpg', $content)], ['Accept' => 'application/json']);
    $jpeg = PhotoRenderer::jpeg(PhotoRenderer::image(80, 60, str_repeat("\x80\x60\x40", 4800)));
    $url = $send($jpeg, $mark)->assertSuccessful()->assertJsonPath('photo.width', 80)->json('photo.url');
    $send($jpeg, $mark)->assertSuccessful();
    $log = $this->getJson($this->url.'/drawing')->assertOk()->json();
    expect($log)->toHaveCount(1)->and($log[0])->toMatchArray(['kind' => 'photo', 'turn' => 2, 'zone' => 'rope', 'note' => 'Too blue.']);
    $this->get($url)->assertOk()->assertHeader('Content-Type', 'image/jpeg');
    // It is no press, but can be taken back as one.
    expect($this->getJson($this->url.'/plan')->json())->toMatchArray(['lastMarked' => $mark, 'done' => 0]);
    $send('no picture', (string) Str::ulid())->assertUnprocessable()->assertJsonValidationErrors('photo');
    $send(substr($jpeg, 0, 300), (string) Str::ulid())->assertUnprocessable()->assertJsonValidationErrors('photo');
    $this->get($this->url.'/drawing/photos/'.Str::ulid())->assertNotFound();
    $this->actingAs(artist());
    $this->get($url)->assertNotFound();
    $send($jpeg, (string) Str::ulid())->assertNotFound();
    expect(DrawingEntry::query()->count())->toBe(1);
});
