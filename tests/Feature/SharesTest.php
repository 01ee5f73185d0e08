<?php

declare(strict_types=1);

use App\Models\Share;
use App\Studio\Drawing\DrawingPhotos;
use App\Studio\Sharing\Shares;
use Illuminate\Support\Facades\DB;

use function Tests\Feature\artist;
use function Tests\Feature\blob;
use function Tests\Feature\pieceOf;
use function Tests\Feature\spotIn;

beforeEach(function (): void {
    $this->artist = artist();
    $this->piece = pieceOf($this->artist);
    spotIn($this->piece, 'Hull', [40.0, 5.0, -20.0], 'QW:6858@65x2 > LO:9659@35');
    $this->actingAs($this->artist);
    $this->link = fn (array $wish = []): array => $this->postJson("/api/pieces/{$this->piece->id}/shares", ['kind' => 'plan', 'days' => 30, ...$wish])->assertCreated()->json();
    /** As somebody who has no studio here. */
    $this->stranger = fn (string $path) => tap($this, fn () => $this->app['auth']->forgetGuards())->getJson("/api$path");
});

it('shows the plan to whoever has the link, and nothing that leads on', function (): void {
    $path = ($this->link)()['path'];
    $shared = ($this->stranger)($path)->assertOk()->json();
    expect($shared)->toMatchArray(['kind' => 'plan', 'title' => $this->piece->title, 'withPhoto' => false, 'record' => null])
        ->and(array_column($shared['plan']['pencils'], 'number'))->toEqualCanonicalizing(['6858', '9659'])
        ->and($shared['plan']['turns'])->not->toBe([])
        ->and($shared['plan']['turns'][0]['places'][0]['name'])->toContain('Hull')
        ->and(json_encode($shared))->not->toContain($this->piece->id)->not->toContain($this->artist->email)->not->toContain($this->artist->name);
    ($this->stranger)("$path/preview")->assertOk()->assertHeader('Content-Type', 'image/png');
    // It opens nothing of the studio.
    ($this->stranger)('/pieces')->assertUnauthorized();
    ($this->stranger)("/pieces/{$this->piece->id}")->assertUnauthorized();
    ($this->stranger)("/pieces/{$this->piece->id}/shares")->assertUnauthorized();
});

it('shows the reference only where the artist lets it', function (): void {
    ($this->stranger)(($this->link)()['path'].'/photo')->assertNotFound();
    $this->actingAs($this->artist);
    ($this->stranger)(($this->link)(['withPhoto' => true])['path'].'/photo')->assertOk()->assertHeader('Content-Type', 'image/jpeg');
});

it('shows the record with its photos of the drawing, and no plan', function (): void {
    $mark = '01hzzzzzzzzzzzzzzzzzzzzzzz';
    $this->piece->drawingEntries()->create(['mark' => $mark, 'kind' => 'photo', 'made_at' => '2026-11-01 10:00:00']);
    app(DrawingPhotos::class)->putKept($this->piece, $mark, ['' => blob(), '.straight.png' => blob('png'), '.review.json' => json_encode(['meanErrorWords' => 'half a step off'])]);
    $path = ($this->link)(['kind' => 'record'])['path'];
    $shared = ($this->stranger)($path)->assertOk()->json();
    expect($shared['plan'])->toBeNull()->and($shared['record']['caption'])->toStartWith($this->piece->title)
        ->and($shared['record']['checks'])->toBe([['photo' => $mark, 'at' => '2026-11-01T10:00:00Z', 'words' => 'half a step off']]);
    ($this->stranger)("$path/checks/$mark")->assertOk();
    ($this->stranger)("$path/preview")->assertNotFound();
    // Nor does a link to the plan show the drawing.
    $this->actingAs($this->artist);
    ($this->stranger)(($this->link)()['path']."/checks/$mark")->assertNotFound();
});

it('leads nowhere once it is ended, over, or its piece is removed; and says the same of all', function (): void {
    $words = ($this->stranger)('/shared/'.str_repeat('a', 43))->assertNotFound()->json('message');
    $this->actingAs($this->artist);
    [$ended, $over, $removed] = [($this->link)(), ($this->link)(['days' => 7]), ($this->link)(['days' => 90])];
    $this->deleteJson("/api/shares/{$ended['id']}")->assertNoContent();
    expect(($this->stranger)($ended['path'])->assertNotFound()->json('message'))->toBe($words);
    ($this->stranger)($over['path'])->assertOk();
    $this->travel(8)->days();
    expect(($this->stranger)($over['path'])->assertNotFound()->json('message'))->toBe($words);
    ($this->stranger)($removed['path'])->assertOk();
    $this->piece->delete();
    expect(($this->stranger)($removed['path'])->assertNotFound()->json('message'))->toBe($words);
});

it('is not guessed, and not kept readable', function (): void {
    $paths = array_map(fn (): string => ($this->link)()['path'], range(1, 20));
    expect(array_unique($paths))->toHaveCount(20);
    foreach ($paths as $path) {
        expect($path)->toMatch('~^/shared/[A-Za-z0-9_-]{43}$~');
    }
    $token = substr($paths[0], 8);
    expect(json_encode(DB::table('shares')->get()))->not->toContain($token)
        ->and(Share::query()->where('digest', hash('sha256', $token))->exists())->toBeTrue();
    // No more than so many of one piece.
    expect(Shares::MOST)->toBe(20);
    $this->postJson("/api/pieces/{$this->piece->id}/shares", ['kind' => 'plan', 'days' => 7])->assertUnprocessable();
});

it('is listed by no robot, told to no other address, and asked for so often and no more', function (): void {
    $path = ($this->link)()['path'];
    ($this->stranger)($path)->assertHeader('X-Robots-Tag', 'noindex, nofollow, noarchive')->assertHeader('Referrer-Policy', 'no-referrer');
    $this->get($path)->assertOk()->assertHeader('X-Robots-Tag', 'noindex, nofollow, noarchive')->assertHeader('Referrer-Policy', 'no-referrer');
    expect(file_get_contents(public_path('robots.txt')))->toContain('Disallow: /shared/');
    foreach (range(1, 70) as $i) {
        $last = ($this->stranger)('/shared/'.str_repeat('b', 42).($i % 10));
    }
    expect($last->status())->toBe(429);
});

it('is made, seen and ended by its artist alone, and refuses in words', function (): void {
    $share = ($this->link)();
    expect($this->getJson("/api/pieces/{$this->piece->id}/shares")->assertOk()->json('0'))->toBe($share);
    expect($this->postJson("/api/pieces/{$this->piece->id}/shares", ['kind' => 'all', 'days' => 400])->assertUnprocessable()->json('errors'))
        ->toBe(['kind' => ['Say what is to be seen: the plan or the record.'], 'days' => ['A link holds 7, 30 or 90 days.']]);
    $this->actingAs(artist());
    $this->getJson("/api/pieces/{$this->piece->id}/shares")->assertNotFound();
    $this->postJson("/api/pieces/{$this->piece->id}/shares", ['kind' => 'plan', 'days' => 7])->assertNotFound();
    $this->deleteJson("/api/shares/{$share['id']}")->assertNotFound();
});

it('says so where nothing is planned yet', function (): void {
    $this->piece->zones()->delete();
    expect(($this->stranger)(($this->link)()['path'])->assertOk()->json('plan'))->toBeNull();
});
