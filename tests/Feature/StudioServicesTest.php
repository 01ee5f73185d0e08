<?php

declare(strict_types=1);

use App\Models\Paper;
use App\Models\Pencil;
use App\Models\Piece;
use App\Models\Range;
use App\Models\User;
use App\Studio\Calibration\Calibrations;
use App\Studio\Calibration\Engine;
use App\Studio\Pencils\Catalogue;
use App\Studio\Photos\PhotoStore;
use App\Studio\Planning\ZoneRecipes;
use Database\Seeders\MaterialsSeeder;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Str;
use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Matching\EmptyBox;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\PencilId;

use function Tests\Feature\artist;
use function Tests\Feature\backTo;
use function Tests\Feature\pieceOf;
use function Tests\Feature\spotIn;

// What stands between the database and the core.

/** An engine as a new request would have it: nothing in memory. */
function freshEngine(): Engine
{
    app()->forgetScopedInstances();

    return app(Engine::class);
}

function desk(User $artist, Stack ...$stacks): Kit
{
    return app(Catalogue::class)->desk($artist, ...$stacks);
}

function engineFolder(): string
{
    return config('prism.storage').'/engine';
}

describe('the catalogue', function (): void {
    it('has every pencil by range and number, as numbers are counted', function (): void {
        $ids = app(Catalogue::class)->pencils(artist())->ids();
        expect($ids)->toHaveCount(120)->and($ids[0])->toBe('QW:1718')->and(end($ids))->toBe('LO:9871');
        $range = Range::query()->where('code', 'QW')->firstOrFail();
        $like = Pencil::query()->where('range_id', $range->id)->firstOrFail();
        foreach (['9', '80', '1000'] as $number) {
            $range->pencils()->create([...$like->only(['name', 'aliases', 'binder', 'opacity', 'lightfastness', 'bands']), 'number' => $number]);
        }
        app()->forgetScopedInstances();
        $ids = app(Catalogue::class)->pencils(artist())->ids();
        expect(array_slice($ids, 0, 3))->toBe(['QW:9', 'QW:80', 'QW:1000'])->and(array_search('QW:1718', $ids, true))->toBe(3);
    });

    it('gives each artist their own box', function (): void {
        $one = artist();
        $other = artist(withBox: false);
        $other->box()->attach(Pencil::query()->where('number', '3464')->value('id'));
        $catalogue = app(Catalogue::class);
        expect($catalogue->box($one))->toHaveCount(15)->and($catalogue->box($other)->ids())->toBe(['QW:3464']);
    });

    it('brings pencils and papers over whole', function (): void {
        $pencil = app(Catalogue::class)->pencils(artist())->get(Prism\Materials\PencilId::of('LO:6945'));
        expect($pencil->name)->toBe('Flare')->and($pencil->binder->value)->toBe('oil')->and($pencil->fullCoatBands)->toHaveCount(12)
            ->and($pencil->fullCoat?->a)->toBeGreaterThan(40.0);
        $paper = Catalogue::paper(Paper::query()->where('slug', 'fog-toned')->firstOrFail());
        expect($paper->colour->L)->toBe(66.5)->and($paper->name)->toBe('Fog Toned');
    });

    it('is seeded again without doubling, and mends what was changed', function (): void {
        Pencil::query()->where('number', '1823')->update(['name' => 'Scribbled over']);
        (new MaterialsSeeder)->run();
        expect(Pencil::query()->count())->toBe(120)->and(Paper::query()->count())->toBe(4)
            ->and(Pencil::query()->where('number', '1823')->value('name'))->toBe('Chalk Quay')
            ->and(Pencil::query()->where('number', '1823')->firstOrFail()->aliases)->toBe(['Whitewash']);
    });
});

describe('the engine of the studio', function (): void {
    beforeEach(function (): void {
        File::deleteDirectory(engineFolder());
        $this->user = artist();
        $this->paper = Paper::query()->where('slug', 'harbour-cartridge')->firstOrFail();
    });

    it('computes a model once and reads it from then on', function (): void {
        $first = app(Engine::class)->predictor($this->paper, $this->user, desk($this->user))->model;
        $file = File::files(engineFolder())[0];
        touch($file->getPathname(), 1_000_000_000);
        $again = freshEngine()->predictor(Paper::query()->findOrFail($this->paper->id), $this->user, desk($this->user))->model;
        expect(File::files(engineFolder()))->toHaveCount(1)
            ->and(filemtime($file->getPathname()))->toBe(1_000_000_000)
            ->and($again->draw(Stack::parse('QW:6858@50 > LO:2143@40'))->lab())->toEqual($first->draw(Stack::parse('QW:6858@50 > LO:2143@40'))->lab());
    });

    it('computes anew when the paper, a pencil or the box changes', function (): void {
        $box = app(Catalogue::class)->box($this->user);
        app(Engine::class)->library($this->paper, $this->user, $box);
        $names = fn (): array => array_map(static fn ($file): string => $file->getFilename(), File::files(engineFolder()));
        $before = $names();
        expect($before)->toHaveCount(2);

        $this->paper->update(['roughness' => 0.8]);
        freshEngine()->library($this->paper, $this->user, $box);
        expect($names())->toHaveCount(4);

        $this->user->box()->attach(Pencil::query()->where('number', '3464')->value('id'));
        freshEngine()->library($this->paper, $this->user, app(Catalogue::class)->box($this->user));
        expect($names())->toHaveCount(6);

        $pencil = Pencil::query()->where('number', '6858')->firstOrFail();
        $pencil->update(['bands' => array_map(static fn (float $band): float => 0.5 * $band, $pencil->bands)]);
        freshEngine()->library($this->paper, $this->user, app(Catalogue::class)->box($this->user));
        expect($names())->toHaveCount(8);
    });

    it('computes by the calibration in force, each artist by their own, and anew after the next', function (): void {
        $stack = Stack::parse('QW:6858@50');
        $seen = fn (User $artist): Lab => freshEngine()->predictor($this->paper, $artist, desk($artist, $stack))->predict($stack)->colour;
        $plain = $seen($this->user);
        foreach (['' => [95.4, -0.6, 1.5], 'QW:6858@30' => [80, 2, -20], 'QW:6858@50' => [68, 4, -34], 'QW:6858@90x2' => [36, 14, -58]] as $steps => [$L, $a, $b]) {
            $this->user->swatches()->create(['paper_id' => $this->paper->id, 'stack' => $steps, 'L' => $L, 'a' => $a, 'b' => $b, 'source' => 'typed']);
        }
        expect($seen($this->user))->toEqual($plain);

        $kept = app(Calibrations::class)->calibrate($this->user);
        $calibrated = $seen($this->user);
        expect($kept->swatch_count)->toBe(4)->and($kept->after)->toBeLessThan($kept->before)
            ->and($calibrated->differenceTo(Lab::of(68, 4, -34)))->toBeLessThan(4.0)
            ->and($calibrated->differenceTo($plain))->toBeGreaterThan(2.0)
            ->and($seen(User::factory()->create()))->toEqual($plain);

        $this->user->swatches()->where('stack', 'QW:6858@50')->update(['L' => 60.0]);
        app(Calibrations::class)->calibrate($this->user);
        expect($seen($this->user)->L)->toBeLessThan($calibrated->L);
    });

    it('reads a calibration back as it was made, with pencils that came later', function (): void {
        $this->user->swatches()->create(['paper_id' => $this->paper->id, 'stack' => 'QW:6858@50', 'L' => 68.0, 'a' => 4.0, 'b' => -34.0, 'source' => 'typed']);
        $id = app(Calibrations::class)->calibrate($this->user)->id;
        Pencil::query()->where('number', '6858')->firstOrFail()->replicate()->fill(['number' => '9404', 'name' => 'Later'])->save();
        $calibration = (new Calibrations(new Catalogue))->read($id, (new Catalogue)->pencils($this->user));
        expect($calibration->knows(PencilId::of('QW:9404')))->toBeTrue()
            ->and($calibration->pencils['QW:6858']['swatches'])->toBe(1)
            ->and($calibration->model(Catalogue::paper($this->paper))->draw(Stack::parse('QW:6858@50'))->lab()->differenceTo(Lab::of(68, 4, -34)))->toBeLessThan(4.0);
    });

    it('makes anew what was cut off or is foreign', function (string $content): void {
        $box = app(Catalogue::class)->box($this->user);
        $good = app(Engine::class)->library($this->paper, $this->user, $box)->L;
        foreach (File::files(engineFolder()) as $file) {
            File::put($file->getPathname(), $content);
        }
        expect(freshEngine()->library($this->paper, $this->user, $box)->L[7])->toEqualWithDelta($good[7], 1e-3);
    })->with(['', 'x', serialize(['not', 'a model']), serialize(new ArrayObject)]);

    it('refuses to search an empty box', function (): void {
        expect(fn () => app(Engine::class)->search($this->paper, $this->user, Kit::of([])))->toThrow(EmptyBox::class);
    });

    it('searches the box and predicts every pencil, owned or not', function (): void {
        $recipes = app(Engine::class)->search($this->paper, $this->user, app(Catalogue::class)->box($this->user))->find(Target::colour(Lab::of(50, 20, 20)));
        expect($recipes)->not->toBe([]);
        expect(app(Engine::class)->predictor($this->paper, $this->user, desk($this->user, Stack::parse('QW:4973@50')))->predict(Stack::parse('QW:4973@50'))->colour->L)->toBeLessThan(95.0);
    });

    it('sees the same stack otherwise on toned paper', function (): void {
        $toned = Paper::query()->where('slug', 'fog-toned')->firstOrFail();
        $stack = Stack::parse('QW:3737@60');
        $white = app(Engine::class)->predictor($this->paper, $this->user, desk($this->user))->predict($stack)->colour;
        expect(app(Engine::class)->predictor($toned, $this->user, desk($this->user))->predict($stack)->colour->L)->toBeLessThan($white->L - 8.0);
    });
});

describe('the pictures of a piece', function (): void {
    beforeEach(function (): void {
        $this->piece = pieceOf(artist());
        $this->photos = app(PhotoStore::class);
    });

    it('are sampled where the spot is', function (float $x, float $y, string $hex): void {
        expect($this->photos->sample($this->piece->reference(), $x, $y, 0.05)->colour->toHex())->toBe($hex);
    })->with([[0.25, 0.25, '#b43c32'], [0.75, 0.25, '#468250'], [0.25, 0.75, '#3c5a96'], [0.75, 0.75, '#808080']]);

    it('are sampled at their very edges, large and small', function (float $x, float $y, float $radius): void {
        $sample = $this->photos->sample($this->piece->reference(), $x, $y, $radius);
        expect($sample->pixels)->toBeGreaterThan(0)->and($sample->colour->L)->toBeGreaterThan(20.0);
    })->with([[0.0, 0.0, 0.0], [1.0, 1.0, 0.0], [0.0, 1.0, 0.1], [1.0, 0.0, 0.1], [0.5, 0.5, 0.1]]);

    it('mix where quarters meet, and say how much', function (): void {
        $meeting = $this->photos->sample($this->piece->reference(), 0.5, 0.5, 0.08);
        expect($meeting->spread)->toBeGreaterThan(20.0)->and($this->photos->sample($this->piece->reference(), 0.25, 0.25, 0.08)->spread)->toBeLessThan(0.01);
    });

    it('do not reach into the pictures of another piece', function (): void {
        $other = pieceOf(artist());
        File::put($this->photos->path($other->reference(), App\Studio\Photos\PhotoView::Photo), 'theirs');
        expect(File::get($this->photos->path($this->piece->reference(), App\Studio\Photos\PhotoView::Photo)))->toStartWith("\xFF\xD8\xFF");
    });
});

describe('the plan of a piece', function (): void {
    it('is made of the zones with recipes, in the school of the piece', function (): void {
        $piece = pieceOf(artist());
        foreach (['dark' => 'QW:3769@50', 'light' => 'QW:1823@40', 'none' => null] as $name => $stack) {
            spotIn($piece, $name, [50, 0, 0], $stack);
        }
        $order = fn (): array => array_map(static fn ($step): string => $step->zone->name, app(ZoneRecipes::class)->plan(Piece::query()->findOrFail($piece->id))->steps);
        expect($order())->toBe(['light', 'dark']);
        $piece->update(['schools' => ['value' => 'dark-to-light']]);
        expect($order())->toBe(['dark', 'light']);
    });

    it('forgets a mark when the stack below it changes, and keeps the others', function (): void {
        $user = artist();
        $piece = pieceOf($user);
        $this->actingAs($user);
        $zone = $this->postJson("/api/pieces/{$piece->id}/zones", ['name' => 'a', 'x' => 0.2, 'y' => 0.2, 'radius' => 0.01, 'stack' => 'QW:5892@40 > QW:7432@50'])->json();
        $plan = $this->getJson("/api/pieces/{$piece->id}/plan")->json();
        foreach ($plan['steps'] as $step) {
            $this->postJson("/api/pieces/{$piece->id}/drawing", ['mark' => (string) Str::ulid(), 'keys' => [$step['key']], 'state' => 'done']);
        }
        $this->patchJson("/api/targets/{$zone['targets'][0]['id']}", ['version' => 1, 'stack' => 'QW:5892@40 > QW:7432@60']);
        $states = array_column($this->getJson("/api/pieces/{$piece->id}/plan")->json('steps'), 'state');
        expect($states)->toBe(['done', 'open']);
        // Back to what was drawn: the mark is there again.
        $this->patchJson("/api/targets/{$zone['targets'][0]['id']}", ['version' => 2, 'stack' => 'QW:5892@40 > QW:7432@50']);
        expect($this->getJson("/api/pieces/{$piece->id}/plan")->json('currentKey'))->toBeNull();
    });

    it('names pencils that are in a recipe but not in the box', function (): void {
        $user = artist();
        $piece = pieceOf($user);
        $this->actingAs($user)->postJson("/api/pieces/{$piece->id}/zones", ['name' => 'a', 'x' => 0.2, 'y' => 0.2, 'radius' => 0.01, 'stack' => 'QW:5892@40 > QW:3464@50'])->assertCreated();
        $list = $this->getJson("/api/pieces/{$piece->id}/plan")->json('pullList');
        expect(array_column($list, 'owned', 'number'))->toBe(['5892' => true, '3464' => false]);
    });
});

describe('the database', function (): void {
    it('goes back and forwards', function (): void {
        $this->artisan('migrate:rollback', ['--step' => backTo('2026_11_23_000002_create_studio_tables'), '--force' => true])->assertSuccessful();
        expect(Schema::hasTable('pieces'))->toBeFalse();
        $this->artisan('migrate', ['--force' => true])->assertSuccessful();
        expect(Schema::hasTable('pieces'))->toBeTrue();
    });

    it('takes everything of an artist along when they go', function (): void {
        $user = artist();
        $piece = pieceOf($user);
        spotIn($piece, 'a', [50, 0, 0], '');
        $piece->drawnSteps()->create(['step_key' => 'k', 'state' => 'done']);
        User::query()->whereKey($user->id)->delete();
        foreach (['pieces', 'reference_pictures', 'zones', 'zone_targets', 'zone_changes', 'recipes', 'drawn_steps', 'box_pencils'] as $table) {
            $this->assertDatabaseEmpty($table);
        }
    });
});
