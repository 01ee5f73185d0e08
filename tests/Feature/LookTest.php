<?php

declare(strict_types=1);

use App\Console\Bench\LookFigures;
use App\Jobs\DoWork;
use App\Models\Piece;
use App\Models\Reference;
use App\Models\Zone;
use App\Models\ZoneTarget;
use App\Studio\ChangedMeanwhile;
use App\Studio\LongWork\BalanceWork;
use App\Studio\LongWork\LookWork;
use App\Studio\LongWork\PhotoWork;
use App\Studio\LongWork\ReservesWork;
use App\Studio\LongWork\WorkCancelled;
use App\Studio\LongWork\WorkRefused;
use App\Studio\Photos\PhotoReader;
use App\Studio\Photos\PhotoStore;
use App\Studio\Photos\References;
use App\Studio\Photos\Uploads;
use App\Studio\Zones\ZoneBook;
use Illuminate\Support\Facades\Queue;
use Prism\Colour\Lab;
use Prism\Colour\Srgb;

use function Tests\Feature\artist;
use function Tests\Feature\picture;
use function Tests\Feature\pieceOf;
use function Tests\Feature\uploaded;

// The photo is four flat quarters: red, green; blue, grey.

beforeEach(function (): void {
    $this->user = artist();
    $this->piece = pieceOf($this->user);
    $this->actingAs($this->user);
    $this->url = "/api/pieces/{$this->piece->id}";
});

/** Reads the photo and cuts it into its quarters. */
function quartered($test): array
{
    app(LookWork::class)->do($test->user, ['piece' => $test->piece->id], static function (): void {
    });

    return $test->postJson($test->url.'/zones/find', ['count' => 4])->assertOk()->json();
}

/** What must stay paper, looked for if it is not known. */
function lookedFor($test): Illuminate\Testing\TestResponse
{
    app(ReservesWork::class)->do($test->user->refresh(), ['piece' => $test->piece->id], static function (): void {
    });

    return $test->getJson($test->url.'/reserves')->assertOk();
}

/** The zone at a place. */
function at($test, float $x, float $y): Zone
{
    $map = app(ZoneBook::class)->map($test->piece->refresh());

    return $test->piece->zones()->where('label', $map->at($x, $y))->firstOrFail();
}

/** What makes up the zones of a piece, for before and after. */
function standing(Piece $piece): array
{
    return [
        $piece->refresh()->zone_map,
        $piece->zones()->get()->map(fn (Zone $zone): array => $zone->only(['id', 'name', 'label', 'share', 'outline', 'corrections']))->all(),
        ZoneTarget::query()->whereIn('zone_id', $piece->zones()->pluck('id'))->orderBy('id')->get()->map(fn (ZoneTarget $t): array => $t->only(['id', 'L', 'a', 'b', 'role', 'edited']))->all(),
    ];
}

describe('finding zones', function (): void {
    it('is work that is told, watched, and done once; a new piece gets its first zones', function (): void {
        $this->getJson($this->url.'/look')->assertOk()->assertJsonPath('mostZones', null);
        $this->getJson($this->url.'/cut?count=8')->assertUnprocessable()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'not read yet'));
        $this->postJson($this->url.'/zones/find', ['count' => 8])->assertUnprocessable();
        $work = $this->postJson('/api/works', ['kind' => 'look', 'piece' => $this->piece->id])->assertAccepted()->json('id');
        $this->getJson("/api/works/$work")->assertJsonPath('state', 'done')->assertJsonPath('result.piece', $this->piece->id);
        $this->getJson('/api/works?kind=look&piece='.$this->piece->id)->assertJsonPath('work.id', $work);
        $this->getJson('/api/works?kind=look&piece=another')->assertJsonPath('work', null);
        expect($this->piece->zones()->count())->toBeGreaterThanOrEqual(4)->toBeLessThan(8)
            ->and($this->getJson($this->url.'/look')->json('mostZones'))->toBeGreaterThanOrEqual(4);
    });

    it('runs for one piece while it waits for another, and once for each', function (): void {
        Queue::fake();
        $other = pieceOf($this->user);
        $ids = array_map(fn (string $piece): string => $this->postJson('/api/works', ['kind' => 'look', 'piece' => $piece])->json('id'), [$this->piece->id, $other->id, $this->piece->id]);
        expect($ids[0])->toBe($ids[2])->not->toBe($ids[1]);
        Queue::assertPushed(DoWork::class, 2);
    });

    it('can be cancelled, and refuses another artist\'s piece', function (): void {
        $stop = static fn () => throw new WorkCancelled;
        expect(fn () => app(LookWork::class)->do($this->user, ['piece' => $this->piece->id], $stop))->toThrow(WorkCancelled::class)
            ->and($this->piece->zones()->exists())->toBeFalse()
            ->and(fn () => app(LookWork::class)->do(artist(), ['piece' => $this->piece->id], static fn () => null))->toThrow(WorkRefused::class, 'not in your studio');
        $this->postJson('/api/works', ['kind' => 'look'])->assertUnprocessable()->assertJsonValidationErrorFor('piece');
    });

    it('cuts along the quarters, names them, gives each its colours and neighbours', function (): void {
        $piece = quartered($this);
        expect($piece['zones'])->toHaveCount(4);
        $red = at($this, 0.2, 0.2);
        $grey = at($this, 0.8, 0.8);
        expect($red->name)->toContain('upper left')->toContain('red')->and($red->share)->toEqualWithDelta(0.25, 0.02)
            ->and($grey->id)->not->toBe($red->id)->and($grey->name)->toContain('lower right')->toContain('grey');
        $shown = array_values(array_filter($piece['zones'], static fn (array $zone): bool => $zone['id'] === $red->id))[0];
        expect($shown['outline'])->toStartWith('M')->and($shown['targets'][0]['colour']['hex'])->toBe('#b43c32')->and($shown['targets'][0]['recipe'])->toBeNull()
            ->and($shown['traits']['surface'])->toBe('smooth')->and($shown['traits']['corrected'])->toBe([])
            ->and(count($shown['touching']))->toBeGreaterThanOrEqual(2);
    });

    it('shows where borders would be without changing anything', function (): void {
        quartered($this);
        $before = standing($this->piece);
        $this->getJson($this->url.'/cut?count=4')->assertOk()->assertJsonPath('zones', 4)->assertJsonPath('borders', fn (string $path): bool => str_starts_with($path, 'M'));
        expect(standing($this->piece))->toBe($before);
        $this->getJson($this->url.'/cut?count=3')->assertUnprocessable()->assertJsonPath('errors.count.0', 'Choose from 4 to 60 zones.');
        $this->getJson($this->url.'/cut?count=many')->assertUnprocessable();
    });

    it('keeps name, corrections and recipes of a zone that is found again', function (): void {
        quartered($this);
        $red = at($this, 0.2, 0.2);
        $this->patchJson("/api/zones/{$red->id}", ['version' => $red->version, 'name' => 'Jug', 'corrections' => ['surface' => 'hard', 'importance' => 3]])->assertOk()
            ->assertJsonPath('traits.surface', 'hard')->assertJsonPath('traits.corrected', ['surface', 'importance']);
        $target = $red->targets()->firstOrFail();
        $this->patchJson("/api/targets/{$target->id}", ['version' => 1, 'stack' => 'QW:7432@70'])->assertOk();
        $this->postJson($this->url.'/zones/find', ['count' => 5])->assertOk();
        $this->postJson($this->url.'/zones/find', ['count' => 4])->assertOk();
        $again = at($this, 0.2, 0.2);
        expect($again->id)->toBe($red->id)->and($again->name)->toBe('Jug')->and($again->corrections)->toBe(['surface' => 'hard', 'importance' => 3])
            ->and($target->refresh()->recipe->stack)->toBe('QW:7432@70');
        $this->patchJson("/api/zones/{$red->id}", ['version' => $again->version, 'corrections' => ['surface' => null, 'importance' => null]])->assertOk()->assertJsonPath('traits.corrected', []);
    });
});

describe('changing zones', function (): void {
    beforeEach(function (): void {
        quartered($this);
        $this->before = standing($this->piece);
        $this->red = at($this, 0.2, 0.2);
        $this->green = at($this, 0.8, 0.2);
    });

    it('merges two, and takes it back to the letter', function (): void {
        $this->postJson($this->url.'/zones/merge', ['into' => $this->red->id, 'gone' => $this->green->id])->assertOk()->assertJsonCount(3, 'zones')->assertJsonPath('undo', fn (string $what): bool => str_contains($what, 'merged'));
        expect(at($this, 0.8, 0.2)->id)->toBe($this->red->id)->and($this->red->refresh()->share)->toEqualWithDelta(0.5, 0.03)->and($this->red->targets()->count())->toBeGreaterThan(1);
        $this->postJson($this->url.'/zones/undo')->assertOk()->assertJsonCount(4, 'zones');
        expect(standing($this->piece))->toEqual($this->before);
        $this->postJson($this->url.'/zones/merge', ['into' => $this->red->id, 'gone' => $this->red->id])->assertUnprocessable();
        $this->postJson($this->url.'/zones/merge', ['into' => $this->red->id, 'gone' => 'nowhere'])->assertNotFound();
    });

    it('changes no zones that another window has changed since they were seen', function (): void {
        $seen = $this->getJson($this->url)->json('zonesVersion');
        $now = $this->postJson($this->url.'/zones/merge', ['into' => $this->red->id, 'gone' => $this->green->id, 'zonesVersion' => $seen])->assertOk()->json('zonesVersion');
        expect($now)->toBeGreaterThan($seen);
        $after = standing($this->piece);
        $line = [[0.1, 0.6], [0.4, 0.6], [0.4, 0.9]];
        foreach ([
            ['post', $this->url.'/zones/find', ['count' => 12]], ['post', $this->url.'/zones/merge', ['into' => $this->red->id, 'gone' => at($this, 0.2, 0.8)->id]], ['post', $this->url.'/zones/lasso', ['line' => $line, 'how' => 'new']],
            ['post', "/api/zones/{$this->red->id}/split", []], ['post', $this->url.'/zones/undo', []], ['delete', "/api/zones/{$this->red->id}", []],
        ] as [$method, $url, $body]) {
            $this->json($method, $url.($body === [] ? "?zonesVersion=$seen" : ''), $body === [] ? [] : [...$body, 'zonesVersion' => $seen])->assertConflict()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'changed meanwhile'));
        }
        expect(standing($this->piece))->toEqual($after);
        // What is taken back is as it was seen then.
        $this->postJson($this->url."/zones/undo?zonesVersion=$now")->assertOk()->assertJsonPath('zonesVersion', $seen);
    });

    it('splits what was two, refuses what is even', function (): void {
        $this->postJson($this->url.'/zones/merge', ['into' => $this->red->id, 'gone' => $this->green->id]);
        $this->postJson("/api/zones/{$this->red->id}/split")->assertOk()->assertJsonCount(4, 'zones');
        expect(at($this, 0.2, 0.2)->id)->not->toBe(at($this, 0.8, 0.2)->id);
        $flat = Piece::factory()->for($this->user)->create();
        $spot = $flat->zones()->create(['name' => 'spot', 'x' => 0.5, 'y' => 0.5, 'radius' => 0.01, 'position' => 1]);
        $spot->targets()->create(['role' => 'middle', 'L' => 50, 'a' => 0, 'b' => 0, 'spread' => 0, 'share' => 1, 'x' => 0.5, 'y' => 0.5]);
        $spot->setRelation('piece', $this->piece);
        expect(fn () => app(ZoneBook::class)->split($spot))->toThrow(App\Studio\Zones\ZoneRefused::class, 'a mere spot');
    });

    it('takes in and gives away by lasso, and draws new ones', function (): void {
        $line = [[0.4, 0.1], [0.7, 0.1], [0.7, 0.4], [0.4, 0.4]];
        $this->postJson($this->url.'/zones/lasso', ['line' => $line, 'how' => 'add', 'zone' => $this->red->id])->assertOk()->assertJsonCount(4, 'zones');
        expect(at($this, 0.65, 0.25)->id)->toBe($this->red->id)->and($this->red->refresh()->share)->toBeGreaterThan(0.27);
        $this->postJson($this->url.'/zones/lasso', ['line' => $line, 'how' => 'take', 'zone' => $this->red->id])->assertOk();
        expect(at($this, 0.65, 0.25)->id)->toBe($this->green->id);
        $this->postJson($this->url.'/zones/lasso', ['line' => $line, 'how' => 'new'])->assertOk()->assertJsonCount(5, 'zones');
        expect(at($this, 0.55, 0.25)->name)->toStartWith('upper, ');
        for ($i = 0; $i < 3; $i++) {
            $this->postJson($this->url.'/zones/undo')->assertOk();
        }
        expect(standing($this->piece))->toEqual($this->before);
    });

    it('refuses a lasso that holds nothing, has no line, or knows no zone', function (): void {
        $away = [[0.9, 0.9], [0.95, 0.9], [0.95, 0.95]];
        $this->postJson($this->url.'/zones/lasso', ['line' => $away, 'how' => 'take', 'zone' => $this->red->id])->assertUnprocessable()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'took nothing'));
        $this->postJson($this->url.'/zones/lasso', ['line' => [[0.5, 0.5], [0.5, 0.5], [0.5, 0.5]], 'how' => 'new'])->assertUnprocessable()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'holds nothing'));
        $this->postJson($this->url.'/zones/lasso', ['line' => [[0, 0], [1, 1]], 'how' => 'new'])->assertUnprocessable()->assertJsonValidationErrorFor('line');
        $this->postJson($this->url.'/zones/lasso', ['line' => $away, 'how' => 'add'])->assertUnprocessable()->assertJsonValidationErrorFor('zone');
        expect(standing($this->piece))->toEqual($this->before);
    });

    it('gives what a removed zone had to its neighbours', function (): void {
        $this->deleteJson("/api/zones/{$this->red->id}")->assertOk()->assertJsonCount(3, 'zones');
        expect(at($this, 0.2, 0.2)->id)->not->toBe($this->red->id);
        $this->postJson($this->url.'/zones/undo');
        expect(standing($this->piece))->toEqual($this->before);
    });

    it('takes names and corrections back as well', function (): void {
        $this->patchJson("/api/zones/{$this->red->id}", ['version' => $this->red->version, 'name' => 'Jug'])->assertOk();
        $this->getJson($this->url)->assertJsonPath('undo', fn (string $what): bool => str_ends_with($what, 'renamed to Jug'));
        $this->postJson($this->url.'/zones/undo');
        expect(standing($this->piece))->toEqual($this->before);
        $this->patchJson("/api/zones/{$this->red->id}", ['version' => 999, 'name' => 'Jug'])->assertConflict();
        $this->patchJson("/api/zones/{$this->red->id}", ['version' => $this->red->refresh()->version, 'corrections' => ['surface' => 'sticky', 'importance' => 9]])->assertUnprocessable()->assertJsonValidationErrors(['corrections.surface', 'corrections.importance']);
    });

    it('has nothing to undo at the end', function (): void {
        for ($i = 0; $i < 4; $i++) {
            $this->postJson($this->url.'/zones/undo')->assertOk();
        }
        $this->getJson($this->url)->assertJsonPath('undo', null);
    });
});

describe('the colours of a zone', function (): void {
    beforeEach(function (): void {
        quartered($this);
        $this->red = at($this, 0.2, 0.2);
        $this->target = $this->red->targets()->firstOrFail();
    });

    it('are set by number and back to the photo', function (): void {
        $url = "/api/targets/{$this->target->id}";
        $this->patchJson($url, ['version' => 1, 'colour' => ['L' => 60, 'a' => 10, 'b' => 20]])->assertOk()->assertJsonPath('edited', true)->assertJsonPath('colour.L', 60);
        // What the artist has set stays when zones are read anew.
        $this->patchJson($this->url, ['lightDegrees' => 30])->assertOk();
        expect($this->target->refresh()->L)->toBe(60.0);
        $this->patchJson($url, ['version' => $this->target->version, 'colour' => null])->assertOk()->assertJsonPath('edited', false)->assertJsonPath('colour.hex', '#b43c32');
        $this->patchJson($url, ['version' => 1, 'colour' => null])->assertConflict();
        $this->patchJson($url, ['version' => $this->target->refresh()->version, 'colour' => ['L' => 160, 'a' => 'x', 'b' => 0]])->assertUnprocessable()->assertJsonValidationErrors(['colour.L', 'colour.a']);
    });

    it('can be more, sampled, and fewer, but for the last', function (): void {
        $added = $this->postJson("/api/zones/{$this->red->id}/targets", ['role' => 'accent', 'x' => 0.8, 'y' => 0.8, 'radius' => 0.02])->assertCreated()->assertJsonPath('colour.hex', '#808080')->json();
        expect($added['name'])->toEndWith(': accent');
        $this->deleteJson("/api/targets/{$added['id']}")->assertNoContent();
        $this->deleteJson("/api/targets/{$this->target->id}")->assertUnprocessable()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'at least one colour'));
        $this->postJson("/api/targets/{$added['id']}/restore")->assertNoContent();
        expect($this->red->targets()->count())->toBe(2);
        $this->postJson("/api/zones/{$this->red->id}/targets", ['role' => 'loud', 'x' => 2, 'y' => 0.8, 'radius' => 0.02])->assertUnprocessable()->assertJsonValidationErrors(['role', 'x']);
    });

    it('are brought within reach as chosen, and recipes are for what is to be drawn', function (): void {
        $dark = $this->postJson("/api/zones/{$this->red->id}/targets", ['role' => 'dark', 'x' => 0.2, 'y' => 0.2, 'radius' => 0.02])->json('id');
        ZoneTarget::query()->whereKey($dark)->update(['L' => 4, 'edited' => false]);
        $reach = $this->getJson($this->url.'/look')->json('reach');
        expect($reach['dark'])->toBeGreaterThan(5.0)->toBeLessThan($reach['light']);
        $shown = fn (): float => array_values(array_filter(array_merge(...array_column($this->getJson($this->url)->json('zones'), 'targets')), static fn (array $t): bool => $t['id'] === $dark))[0]['colour']['L'];
        expect($shown())->toEqual(4);
        $this->patchJson($this->url, ['tone' => 'clip'])->assertOk()->assertJsonPath('tone', 'clip');
        expect($shown())->toEqualWithDelta($reach['dark'], 0.1);
        $this->patchJson($this->url, ['tone' => 'as-is'])->assertJsonPath('tone', 'as-is');
        expect($shown())->toEqual(4);
        $this->patchJson($this->url, ['tone' => 'louder'])->assertUnprocessable();
    });

    it('need a box to know what is within reach', function (): void {
        $other = artist(withBox: false);
        $piece = pieceOf($other);
        $this->actingAs($other)->patchJson("/api/pieces/{$piece->id}", ['tone' => 'compress'])->assertUnprocessable()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'Your box is empty'));
        expect($this->getJson("/api/pieces/{$piece->id}/look")->json('reach'))->toBeNull();
    });
});

describe('the sheet', function (): void {
    it('crops: zones outside are set aside and come back with the crop', function (): void {
        quartered($this);
        $green = at($this, 0.8, 0.2);
        $this->patchJson($this->url, ['crop' => ['x' => 0, 'y' => 0, 'width' => 0.45, 'height' => 1]])->assertOk()->assertJsonPath('format.crop.width', 0.45)
            // Nothing is stretched: the sheet takes the shape of the crop.
            ->assertJsonPath('format.heightMm', 240)->assertJsonPath('format.widthMm', 144);
        $this->getJson($this->url)->assertJsonCount(2, 'zones');
        expect(Zone::query()->findOrFail($green->id)->outside)->toBeTrue();
        $this->postJson($this->url.'/zones/find', ['count' => 4])->assertOk();
        $this->patchJson($this->url, ['crop' => null])->assertOk()->assertJsonPath('format.crop', null);
        expect(at($this, 0.8, 0.2)->outside)->toBeFalse();
    });

    it('has a size, of which one side follows the other', function (): void {
        $this->patchJson($this->url, ['widthMm' => 400])->assertJsonPath('format.heightMm', 300);
        $this->patchJson($this->url, ['heightMm' => 150])->assertJsonPath('format.widthMm', 200);
        $this->patchJson($this->url, ['unit' => 'in'])->assertJsonPath('format.unit', 'in');
    });

    it('refuses what is no sheet', function (array $change, string $says): void {
        $this->patchJson($this->url, $change)->assertUnprocessable()->assertJsonPath('message', fn (string $said): bool => str_contains($said, $says));
        expect($this->piece->refresh()->only(['crop', 'width_mm', 'unit']))->toEqual(['crop' => null, 'width_mm' => 240.0, 'unit' => 'mm']);
    })->with([
        [['crop' => ['x' => 0.6, 'y' => 0, 'width' => 0.6, 'height' => 1]], 'reaches beyond the photo'],
        [['crop' => ['x' => 0, 'y' => 0, 'width' => 0.001, 'height' => 1]], 'too small'],
        [['widthMm' => 4], '20 to 1500 mm'], [['widthMm' => 'wide'], '20 to 1500 mm'], [['unit' => 'ell'], 'unit'],
    ]);

    it('is printed in true size to be transferred, tiled, with lines that do not stain', function (): void {
        $this->get($this->url.'/transfer.pdf', ['Accept' => 'application/json'])->assertUnprocessable();
        quartered($this);
        $this->patchJson($this->url, ['widthMm' => 400]);
        $pdf = $this->get($this->url.'/transfer.pdf?page=a4')->assertOk()->assertHeader('Content-Type', 'application/pdf')->getContent();
        expect(preg_match_all('#/Type /Page\b#', $pdf))->toBe(4)->and($pdf)->toContain('/FontFile2');
        $this->get($this->url.'/transfer.pdf?page=a0', ['Accept' => 'application/json'])->assertUnprocessable();
        $this->patchJson($this->url, ['crop' => ['x' => 0, 'y' => 0, 'width' => 0.75, 'height' => 1], 'widthMm' => 1500]);
        $this->get($this->url.'/transfer.pdf?page=letter', ['Accept' => 'application/json'])->assertUnprocessable()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'smaller format'));
    });

    it('reads what stays paper, with advice by the way of the artist', function (): void {
        quartered($this);
        $this->getJson($this->url.'/reserves')->assertOk()->assertJsonPath('reserves', null);
        lookedFor($this)->assertJsonPath('reserves.paperShare', 0)->assertJsonPath('reserves.mask', fn (string $mask): bool => str_starts_with($mask, 'data:image/png;base64,'));
        // A corner of the paper's own colour must stay paper.
        $store = app(PhotoStore::class);
        $file = $store->folderOf($this->piece->reference()).'/photo.rgb';
        $rgb = (string) file_get_contents($file);
        $paper = implode('', array_map(chr(...), Srgb::bytes(Lab::of($this->piece->paper->L, $this->piece->paper->a, $this->piece->paper->b))));
        for ($y = 0; $y < 8; $y++) {
            $rgb = substr_replace($rgb, str_repeat($paper, 8), 3 * 64 * $y, 24);
        }
        file_put_contents($file, $rgb);
        rename(dirname($file), dirname($file, 2).'/2');
        $this->piece->reference()->increment('picture');
        $this->piece->unsetRelation('references');
        $this->patchJson($this->url, ['schools' => ['highlights' => 'impress']])->assertOk();
        $reserves = lookedFor($this)->json('reserves');
        expect($reserves['paperShare'])->toBeGreaterThan(0.01)->and($reserves['places'][0]['kind'])->toBe('paper')->and($reserves['places'][0]['advice'])->toContain('too wide to impress')->and($reserves['places'][0]['zone'])->toContain('red');
    });
});

it('looks anew for what stays paper when box, paper or crop change, and keeps it else', function (): void {
    quartered($this);
    lookedFor($this)->assertJsonPath('reserves.paperShare', 0);
    $this->patchJson($this->url, ['schools' => ['highlights' => 'white-first'], 'title' => 'Another'])->assertOk();
    $this->getJson($this->url.'/reserves')->assertJsonPath('reserves.paperShare', 0);
    $own = $this->user->box()->first();
    foreach ([fn () => $this->patchJson($this->url, ['paper' => 'fog-toned']), fn () => $this->putJson('/api/box', ['remove' => [(string) $own->range->code.':'.$own->number]]), fn () => $this->patchJson($this->url, ['crop' => ['x' => 0, 'y' => 0, 'width' => 0.5, 'height' => 0.5]])] as $change) {
        lookedFor($this);
        $change()->assertSuccessful();
        app()->forgetScopedInstances();
        $this->getJson($this->url.'/reserves')->assertJsonPath('reserves', null);
    }
});

it('leaves what stays paper unknown when looking for it is cancelled', function (): void {
    quartered($this);
    expect(fn () => app(ReservesWork::class)->do($this->user, ['piece' => $this->piece->id], static fn () => throw new WorkCancelled))->toThrow(WorkCancelled::class);
    $this->getJson($this->url.'/reserves')->assertJsonPath('reserves', null);
});

describe('references', function (): void {
    it('are several, each with a name and a role, and the first holds the zones', function (): void {
        $piece = uploaded($this->post($this->url.'/references', ['photo' => picture('png', 80, 60, '#446688'), 'name' => 'Evening', 'role' => 'light']));
        expect(array_column($piece['references'], 'role'))->toBe(['colour', 'light']);
        [$first, $second] = array_column($piece['references'], 'id');
        $this->get($piece['references'][1]['temperatureUrl'])->assertOk()->assertHeader('Content-Type', 'image/jpeg');
        $this->patchJson("/api/references/$second", ['name' => 'Dusk', 'role' => 'form'])->assertOk()->assertJsonPath('references.1.name', 'Dusk');
        $this->patchJson("/api/references/$second", ['name' => '', 'role' => 'smell'])->assertUnprocessable()->assertJsonValidationErrors(['name', 'role']);
        $this->deleteJson("/api/references/$first")->assertUnprocessable()->assertJsonPath('errors.reference.0', fn (string $said): bool => str_contains($said, 'Zones are read in this photo'));
        $this->patchJson("/api/references/$second", ['first' => true])->assertOk()->assertJsonPath('photo.id', $second);
        $this->deleteJson("/api/references/$first")->assertNoContent();
        $this->getJson($this->url)->assertJsonCount(1, 'references');
        $this->postJson("/api/references/$first/restore")->assertNoContent();
        $this->getJson($this->url)->assertJsonCount(2, 'references');
    });

    it('refuse what is no photo, and too many', function (): void {
        $this->post($this->url.'/references', ['photo' => Tests\Feature\bytes('a.jpg', 'no photo'), 'name' => 'x', 'role' => 'form'], ['Accept' => 'application/json'])->assertUnprocessable()->assertJsonPath('errors.photo.0', fn (string $said): bool => str_contains($said, 'not a picture'));
        $this->postJson($this->url.'/references', [])->assertUnprocessable()->assertJsonValidationErrors(['photo', 'name', 'role']);
        for ($i = 2; $i <= 12; $i++) {
            $this->piece->references()->create(['name' => "r$i", 'role' => 'form', 'width' => 10, 'height' => 10, 'position' => $i]);
        }
        $this->post($this->url.'/references', ['photo' => picture(), 'name' => 'x', 'role' => 'form'], ['Accept' => 'application/json'])->assertUnprocessable()->assertJsonPath('errors.photo.0', fn (string $said): bool => str_contains($said, 'at most 12'));
    });

    it('show the same spot of the subject, aligned by pairs', function (): void {
        $second = uploaded($this->post($this->url.'/references', ['photo' => picture('png', 80, 60, '#446688'), 'name' => 'Evening', 'role' => 'light']))['references'][1]['id'];
        $spot = ['x' => 0.25, 'y' => 0.25, 'radius' => 0.02];
        $this->postJson($this->url.'/same-spot', $spot)->assertOk()->assertJsonPath('0.sample.colour.hex', '#b43c32')->assertJsonPath('1.sample.colour.hex', '#446688')->assertJsonPath('1.x', 0.25);
        $this->patchJson("/api/references/$second", ['pairs' => [[0.5, 0.5, 0.1, 0.5]]])->assertOk();
        $this->postJson($this->url.'/same-spot', $spot)->assertJsonPath('1.sample', null);
        $this->patchJson("/api/references/$second", ['pairs' => [[0.5, 0.5, 0.1, 0.5], [0.5, 0.5, 0.2, 0.5]]])->assertUnprocessable()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'start from one spot'));
        $this->patchJson("/api/references/$second", ['pairs' => [[0.5, 0.5]]])->assertUnprocessable();
        expect(Reference::query()->findOrFail($second)->pairs)->toHaveCount(1);
    });

    it('are set in another light by a neutral, a card or the lamp; zones and targets follow', function (): void {
        quartered($this);
        $reference = $this->piece->reference()->id;
        $grey = fn (): array => $this->postJson($this->url.'/samples', ['x' => 0.75, 'y' => 0.75, 'radius' => 0.02])->json('colour');
        $url = "/api/references/$reference/balance";
        // By the green quarter as if it were neutral: the grey one then leans to magenta.
        $this->putJson($url, ['balance' => ['by' => 'neutral', 'x' => 0.75, 'y' => 0.25, 'radius' => 0.02]])->assertAccepted()->assertJsonPath('kind', 'balance');
        $this->getJson($this->url)->assertJsonPath('photo.balance.by', 'neutral');
        expect($grey()['a'])->toBeGreaterThan(8.0)->and(at($this, 0.8, 0.8)->targets()->firstOrFail()->a)->toBeGreaterThan(8.0);
        $this->putJson($url, ['balance' => ['by' => 'grey-card', 'x' => 0.75, 'y' => 0.75, 'radius' => 0.02]])->assertAccepted();
        expect($grey()['L'])->toEqualWithDelta(49.5, 1.0)->and(abs($grey()['a']))->toBeLessThan(1.0);
        $this->putJson($url, ['balance' => ['by' => 'lamp', 'lamp' => 'warm-lamp']])->assertAccepted();
        expect($grey()['b'])->toBeLessThan(-10.0);
        $this->putJson($url, ['balance' => null])->assertAccepted();
        $this->getJson($this->url)->assertJsonPath('photo.balance', null);
        expect($grey()['hex'])->toBe('#808080');
        $this->putJson($url, ['balance' => ['by' => 'neutral', 'x' => 0.25, 'y' => 0.25, 'radius' => 0.02]])->assertUnprocessable()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'no grey under any lamp'));
        $this->putJson($url, ['balance' => ['by' => 'lamp', 'lamp' => 'candle']])->assertUnprocessable();
        $this->putJson($url, ['balance' => ['by' => 'neutral']])->assertUnprocessable();
    });

    it('stay in the light they were in when another is not wanted any more, or fails', function (): void {
        quartered($this);
        $reference = $this->piece->reference();
        $wish = ['piece' => $this->piece->id, 'reference' => $reference->id, 'balance' => ['by' => 'lamp', 'lamp' => 'warm-lamp']];
        $store = app(PhotoStore::class);
        $bytes = fn (): array => array_map(fn (string $name): string => md5_file($store->folderOf($reference).'/'.$name), ['photo.rgb', 'photo.jpg', 'large.jpg']);
        $before = $bytes();
        expect(fn () => app(BalanceWork::class)->do($this->user, $wish, static fn (string $doing, float $share) => $share > 0.7 ? throw new WorkCancelled : null))->toThrow(WorkCancelled::class)
            ->and($bytes())->toBe($before)->and($reference->refresh()->balance)->toBeNull();
        // A photo that was removed meanwhile, and a piece of somebody else.
        expect(fn () => app(BalanceWork::class)->do($this->user, ['reference' => 'gone'] + $wish, static function (): void {
        }))->toThrow(WorkRefused::class, 'not in the piece any more')
            ->and(fn () => app(BalanceWork::class)->do(artist(), $wish, static function (): void {
            }))->toThrow(WorkRefused::class, 'not in your studio');
    });

    it('are exchanged whole or not at all, and taken back', function (): void {
        quartered($this);
        $reference = $this->piece->reference();
        $store = app(PhotoStore::class);
        $first = $store->folderOf($reference);
        $bytes = static fn (): array => array_map(md5_file(...), glob("$first/*.{rgb,jpg}", GLOB_BRACE));
        $before = $bytes();
        $change = fn () => $this->post("/api/references/$reference->id/photo", ['photo' => picture('jpeg', 200, 150)], ['Accept' => 'application/json']);
        // Nothing of the photo that is shown is touched, even where the studio fails before it is exchanged.
        Reference::saved(static fn () => throw new RuntimeException('power cut'));
        $change()->assertInternalServerError();
        expect($bytes())->toBe($before)->and($reference->refresh()->picture)->toBe(1)->and($reference->width)->toBe(64);
        Reference::flushEventListeners();
        uploaded($change());
        expect($bytes())->toBe($before)->and($reference->refresh()->picture)->toBe(2)->and($reference->width)->toBe(200);
        $this->deleteJson("/api/references/$reference->id/photo")->assertOk()->assertJsonPath('references.0.width', 64);
        expect($store->folderOf($reference->refresh()))->toBe($first);
        // Of older ones nothing is kept.
        uploaded($change());
        uploaded($change());
        expect($reference->refresh()->picture)->toBe(4)->and(array_map(basename(...), glob(dirname($first).'/*')))->toBe(['3', '4']);
        // One that was uploaded for a photo which is another by now.
        $wish = ['piece' => $this->piece->id, 'reference' => $reference->id, 'picture' => 3, 'file' => app(Uploads::class)->keep(picture())];
        expect(fn () => app(PhotoWork::class)->do($this->user, $wish, static fn () => null))->toThrow(WorkRefused::class, 'This photo was changed meanwhile')
            ->and($reference->refresh()->picture)->toBe(4);
        $this->deleteJson('/api/references/'.$this->piece->references()->create(['name' => 'Other', 'role' => 'colour', 'width' => 9, 'height' => 9, 'position' => 2])->id.'/photo')
            ->assertUnprocessable()->assertJsonPath('errors.photo.0', 'Neither the photo nor its light was changed; there is nothing to take back.');
    });

    it('are changed by one of two windows, and the other is told', function (): void {
        quartered($this);
        $here = $this->piece->reference();
        $there = Reference::query()->findOrFail($here->id);
        app(References::class)->balance($there, ['by' => 'lamp', 'lamp' => 'led']);
        $shown = app(PhotoStore::class)->folderOf($there->refresh());
        $pixels = md5_file("$shown/photo.rgb");
        expect(fn () => app(References::class)->balance($here, ['by' => 'lamp', 'lamp' => 'warm-lamp']))->toThrow(ChangedMeanwhile::class, 'changed meanwhile')
            ->and($here->refresh()->balance)->toBe(['by' => 'lamp', 'lamp' => 'led'])->and(md5_file("$shown/photo.rgb"))->toBe($pixels);
    });

    it('are set in one light at a time', function (): void {
        Queue::fake();
        $url = "/api/references/{$this->piece->reference()->id}/balance";
        $this->putJson($url, ['balance' => ['by' => 'lamp', 'lamp' => 'led']])->assertAccepted()->assertJsonPath('state', 'waiting');
        $this->putJson($url, ['balance' => ['by' => 'lamp', 'lamp' => 'led']])->assertAccepted();
        $this->putJson($url, ['balance' => null])->assertUnprocessable()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'being set just now'));
        $this->postJson('/api/works', ['kind' => 'balance', 'piece' => $this->piece->id])->assertUnprocessable();
    });

    it('are replaced without losing zones; those that no longer fit are marked', function (): void {
        quartered($this);
        $red = at($this, 0.2, 0.2);
        $grey = at($this, 0.8, 0.8);
        $target = $grey->targets()->firstOrFail();
        $this->patchJson("/api/targets/{$target->id}", ['version' => 1, 'stack' => 'QW:3769@30'])->assertOk();
        $reference = $this->piece->reference();
        $piece = uploaded($this->post("/api/references/{$reference->id}/photo", ['photo' => picture('png', 128, 96, '#828282')]));
        expect($piece['zones'])->toHaveCount(4)->and($red->refresh()->fits)->toBeFalse()->and($grey->refresh()->fits)->toBeTrue()->and($target->refresh()->recipe->stack)->toBe('QW:3769@30')
            ->and($reference->refresh()->width)->toBe(128);
        $this->post("/api/references/{$reference->id}/photo", ['photo' => Tests\Feature\bytes('a.jpg', 'no photo')], ['Accept' => 'application/json'])->assertUnprocessable();
        expect($reference->refresh()->width)->toBe(128);
    });

    it('tell two patches apart in words', function (): void {
        $this->postJson($this->url.'/beside', ['x' => 0.25, 'y' => 0.25, 'radius' => 0.02, 'beside' => ['x' => 0.75, 'y' => 0.75, 'radius' => 0.02]])->assertOk()
            ->assertJsonPath('first.colour.hex', '#b43c32')->assertJsonPath('second.colour.hex', '#808080')->assertJsonPath('difference.words', fn (string $words): bool => str_contains($words, 'too dull'));
        $this->postJson($this->url.'/beside', ['x' => 0.25, 'y' => 0.25, 'radius' => 0.02])->assertUnprocessable();
    });
});

it('measures a line on the paper, and against the same in the drawing', function (): void {
    // Half of it is drawn, 200 mm wide and 100 mm high.
    $this->patchJson($this->url, ['crop' => ['x' => 0.5, 'y' => 0.0, 'width' => 0.5, 'height' => 1.0], 'widthMm' => 200])->assertOk();
    $height = Piece::query()->whereKey($this->piece->id)->valueOrFail('height_mm');
    $this->postJson($this->url.'/lines', ['line' => [0.5, 0.25, 1.0, 0.25]])->assertOk()->assertExactJson(['photo' => '200 mm long, level', 'mine' => null, 'difference' => null]);
    $this->postJson($this->url.'/lines', ['line' => [0.75, 0.0, 0.75, 1.0], 'mine' => [0.8, 0.5, 0.8, 1.0]])->assertOk()
        ->assertExactJson(['photo' => sprintf('%.0f mm long, plumb', $height), 'mine' => sprintf('%.0f mm long, plumb', $height / 2), 'difference' => sprintf('%.0f mm too short', $height / 2)]);
    foreach ([['line' => [0.5, 0.5, 0.5, 0.5]], ['line' => [0.5, 0.5, 0.5]], ['line' => [0.5, 0.5, 0.6, 1.2]], ['line' => [0.5, 0.5, 0.6, 0.6], 'mine' => ['a', 0, 0, 0]], ['line' => ['a' => 0.1, 'b' => 0.1, 'c' => 0.5, 'd' => 0.5]], []] as $wrong) {
        $this->postJson($this->url.'/lines', $wrong)->assertUnprocessable();
    }
    $this->actingAs(artist())->postJson($this->url.'/lines', ['line' => [0.5, 0.25, 1.0, 0.25]])->assertNotFound();
});

it('tells values, light and lamps of a photo', function (): void {
    $look = $this->getJson($this->url.'/look')->assertOk()->json();
    expect(array_sum($look['values']['histogram']))->toEqualWithDelta(1.0, 0.01)->and($look['scales'])->toHaveCount(8)->and($look['lamps'])->toHaveCount(4)
        ->and($look['light']['corrected'])->toBeFalse();
    $this->patchJson($this->url, ['lightDegrees' => 45, 'lamp' => 'led'])->assertOk()->assertJsonPath('lamp', 'led');
    $this->getJson($this->url.'/look')->assertJsonPath('light.words', 'upper right')->assertJsonPath('light.corrected', true);
    $this->patchJson($this->url, ['lightDegrees' => null]);
    $this->getJson($this->url.'/look')->assertJsonPath('light.corrected', false);
    $this->patchJson($this->url, ['lightDegrees' => 500])->assertUnprocessable();
});

it('follows the truth of the rendered references better than a grid', function (): void {
    $rows = LookFigures::zones(app(PhotoReader::class), 24, ['jugs'], ['ours', 'grid']);
    $figures = [];
    foreach ($rows as [, , $what, $recall, $precision, $error]) {
        $figures[$what] = [(float) $recall, (float) $precision, (float) $error];
    }
    expect($figures['ours'][0])->toBeGreaterThan(0.6)->and($figures['ours'][1])->toBeGreaterThan(2 * $figures['grid'][1])
        ->and($figures['ours'][2])->toBeLessThan(0.6 * $figures['grid'][2]);
});

it('tells how most zones of a rendered reference are lit, and hardly ever the opposite', function (): void {
    [, $zones, , $right, $opposite] = LookFigures::lights(app(PhotoReader::class), 24, ['shelf'])[0];
    expect((int) $right / (int) $zones)->toBeGreaterThan(0.75)->and((int) $opposite)->toBeLessThanOrEqual(2);
});
