<?php

declare(strict_types=1);

use App\Models\Paper;
use App\Studio\Photos\PhotoStore;
use Prism\Layering\Prediction;
use Prism\Matching\Recipe;
use Prism\Planning\Parcel;

use function Tests\Feature\artist;
use function Tests\Feature\picture;
use function Tests\Feature\spotIn;
use function Tests\Feature\uploaded;

beforeEach(function (): void {
    config(['prism.keep_answers' => true]);
    $this->actingAs($this->artist = artist());
    $id = uploaded($this->post('/api/pieces', ['photo' => picture(), 'title' => 'Buoy', 'paper' => 'harbour-cartridge']))['id'];
    $this->piece = $this->artist->pieces()->findOrFail($id);
    $this->piece->zones()->delete();
    $this->hull = spotIn($this->piece, 'Hull', [40.0, 0.0, 0.0], 'QW:6858@50');
    spotIn($this->piece, 'Sail', [70.0, 0.0, 10.0], 'QW:4731@40');
    $this->sigmas = fn (): array => array_map(
        static fn (array $zone): float => (float) $zone['targets'][0]['recipe']['sigma'],
        array_column($this->getJson("/api/pieces/$id")->assertOk()->json('zones'), null, 'name'),
    );
    $this->file = app(PhotoStore::class)->folderOf($this->piece->reference()).'/seen.kept';
    // What is kept says something that nobody would compute.
    $this->marked = function (): void {
        $kept = Parcel::unpack((string) gzuncompress((string) file_get_contents($this->file)));
        $marked = array_map(static function (Recipe $recipe): Recipe {
            $was = $recipe->prediction;

            return new Recipe($recipe->stack, new Prediction($was->colour, 77.0, $was->toothLeft, $was->grain, $was->sensitivity), $recipe->difference, $recipe->underlayer, $recipe->warnings, $recipe->cost);
        }, $kept);
        file_put_contents($this->file, gzcompress(Parcel::pack($marked)));
    };
});

it('sees a recipe once, and anew only where its stack or its colour is another', function (): void {
    $fresh = ($this->sigmas)();
    expect(max($fresh))->toBeLessThan(20.0);
    ($this->marked)();
    expect(($this->sigmas)())->toEqual(['Hull' => 77.0, 'Sail' => 77.0]);
    $this->hull->recipe->update(['stack' => 'QW:6858@60']);
    expect(($this->sigmas)()['Sail'])->toBe(77.0)->and(($this->sigmas)()['Hull'])->toBeLessThan(20.0);
    $this->hull->recipe->update(['stack' => 'QW:6858@50']);
    expect(($this->sigmas)()['Hull'])->toBe(77.0);
    $this->hull->update(['L' => 44.0]);
    expect(($this->sigmas)()['Hull'])->toBeLessThan(20.0);
});

it('sees all of them anew on another paper, and with a pencil that is described otherwise', function (): void {
    ($this->sigmas)();
    ($this->marked)();
    $paper = $this->piece->paper_id;
    $this->piece->update(['paper_id' => Paper::query()->where('slug', '!=', 'harbour-cartridge')->whereNull('user_id')->valueOrFail('id')]);
    expect(max(($this->sigmas)()))->toBeLessThan(20.0);
    $this->piece->update(['paper_id' => $paper]);
    expect(($this->sigmas)())->toEqual(['Hull' => 77.0, 'Sail' => 77.0]);
    $pencil = $this->artist->box()->where('number', '6858')->firstOrFail();
    $pencil->update(['lightfastness' => $pencil->lightfastness === 1 ? 2 : 1]);
    app()->forgetScopedInstances();
    expect(max(($this->sigmas)()))->toBeLessThan(20.0);
});

it('keeps what it has seen of a piece of more than three hundred colours, all of it', function (): void {
    foreach (range(1, 301) as $i) {
        spotIn($this->piece, "Spot $i", [30.0 + 0.1 * $i, 0.0, 0.0], 'QW:6858@50');
    }
    ($this->sigmas)();
    ($this->marked)();
    expect(array_unique(array_values(($this->sigmas)())))->toEqual([77.0]);
});

it('passes over what is kept and damaged', function (string $bytes): void {
    $fresh = ($this->sigmas)();
    file_put_contents($this->file, $bytes);
    expect(($this->sigmas)())->toBe($fresh);
})->with(['no bytes' => '', 'no packed bytes' => 'nonsense', 'no recipes' => (string) gzcompress(serialize(['a' => 1, 'b' => new ArrayObject]))]);
