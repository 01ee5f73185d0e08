<?php

declare(strict_types=1);

use App\Studio\Files\Depot;
use App\Studio\Files\Unreachable;
use App\Studio\Photos\PhotoStore;
use App\Studio\Sweep;
use Illuminate\Filesystem\FilesystemAdapter;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Storage;
use League\Flysystem\Filesystem;
use League\Flysystem\FilesystemAdapter as Adapter;
use League\Flysystem\UnableToCheckFileExistence;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;

// Two machines, each with a folder of its own, over one store.

beforeEach(function (): void {
    $this->root = storage_path('testing/depot');
    File::deleteDirectory($this->root);
    $store = Storage::build(['driver' => 'local', 'root' => "$this->root/store", 'throw' => true]);
    foreach (['one', 'other'] as $machine) {
        File::ensureDirectoryExists("$this->root/$machine");
        $this->$machine = new Depot("$this->root/$machine", $store);
    }
    $this->read = static fn (?string $path): ?string => $path === null ? null : (string) file_get_contents($path);
    /** A store that is away. */
    $this->away = function (): Depot {
        $adapter = Mockery::mock(Adapter::class);
        $adapter->shouldReceive('fileExists')->andThrow(UnableToCheckFileExistence::forLocation('photo.jpg'));

        return new Depot("$this->root/one", new FilesystemAdapter(new Filesystem($adapter), $adapter, ['throw' => true]));
    };
});

afterEach(fn () => File::deleteDirectory($this->root));

it('gives one machine what another has written, as old on both', function (): void {
    $this->one->put('uploads/a', 'a photo');
    expect($this->other->has('uploads/a'))->toBeTrue()->and(($this->read)($path = $this->other->path('uploads/a')))->toBe('a photo')
        ->and(filemtime($path))->toBe(filemtime($this->one->path('uploads/a')))
        ->and($this->other->path('uploads/b'))->toBeNull()->and($this->other->files('uploads'))->toBe(['uploads/a'])
        ->and($this->other->about('uploads')['uploads/a']['bytes'])->toBe(7)->and($this->other->digest('uploads/a'))->toBe(hash('sha256', 'a photo'));
});

it('gives the latest of what is written again under its name, and nothing once it is gone', function (): void {
    $this->one->put('drawings/p/m.json', 'first');
    expect(($this->read)($this->other->latest('drawings/p/m.json')))->toBe('first');
    $this->one->put('drawings/p/m.json', 'and second');
    expect(($this->read)($this->other->latest('drawings/p/m.json')))->toBe('and second');
    $this->one->remove('drawings/p/m.json');
    expect($this->other->latest('drawings/p/m.json'))->toBeNull()->and(is_file($this->other->place('drawings/p/m.json')))->toBeFalse();
});

it('shows under a number what was settled last, whoever had begun to settle it before and did not come to say so', function (): void {
    foreach (['one' => 'given up', 'other' => 'shown'] as $machine => $bytes) {
        File::ensureDirectoryExists($this->$machine->place('pieces/r/new-x'));
        File::put($this->$machine->place('pieces/r/new-x/photo.rgb'), $bytes);
        $this->$machine->settle('pieces/r/new-x', 'pieces/r/2');
    }
    expect(($this->read)($this->one->path('pieces/r/2/photo.rgb')))->toBe('shown')->and(($this->read)($this->other->path('pieces/r/2/photo.rgb')))->toBe('shown')
        ->and($this->one->folders('pieces/r'))->toBe(['pieces/r/2']);
});

it('copies a folder for another, and what is told in it anew', function (bool $isShared): void {
    $depot = $isShared ? $this->one : new Depot("$this->root/alone");
    $depot->put('drawings/p/m.jpg', 'a photo');
    $depot->put('drawings/p/m.jpg.review.json', '"p"');
    $depot->copyFolder('drawings/p', 'drawings/q', static fn (string $name, string $bytes): string => strtr($bytes, 'p', 'q'));
    expect(($this->read)($depot->path('drawings/q/m.jpg')))->toBe('a photo')->and(($this->read)($depot->latest('drawings/q/m.jpg.review.json')))->toBe('"q"')
        ->and(($this->read)($depot->latest('drawings/p/m.jpg.review.json')))->toBe('"p"');
    $depot->removeFolder('drawings/p');
    expect($depot->files('drawings'))->toEqualCanonicalizing(['drawings/q/m.jpg', 'drawings/q/m.jpg.review.json']);
})->with(['of a store' => true, 'of a machine alone' => false]);

it('lets go of what nobody on a machine has looked at for two weeks, and fetches it again', function (): void {
    $this->one->put('pieces/r/1/photo.rgb', 'pixels');
    $this->one->put('pieces/r/1/photo.jpg', 'picture');
    touch($this->one->place('pieces/r/1/photo.rgb'), time() - 15 * 86_400);
    expect($this->one->forgetFetched())->toBe(1)->and(is_file($this->one->place('pieces/r/1/photo.rgb')))->toBeFalse()->and(is_file($this->one->place('pieces/r/1/photo.jpg')))->toBeTrue()
        ->and(($this->read)($this->one->path('pieces/r/1/photo.rgb')))->toBe('pixels')
        // Alone, it is all there is.
        ->and((new Depot("$this->root/store"))->forgetFetched())->toBe(0);
});

it('lets go of what another machine has taken out of the store, once nobody can be writing it', function (): void {
    $this->one->put('pieces/gone/1/photo.rgb', 'pixels');
    $this->one->put('pieces/stays/1/photo.rgb', 'pixels');
    $this->other->removeFolder('pieces/gone');
    expect($this->one->forgetFetched())->toBe(0);
    $this->travel(2)->days();
    expect($this->one->forgetFetched())->toBe(1)->and(is_dir($this->one->place('pieces/gone')))->toBeFalse()->and(is_dir($this->one->place('pieces/stays')))->toBeTrue();
});

it('takes the folder of a machine that was alone into the store, pictures without a number under theirs; what is made anew stays behind', function (): void {
    $piece = pieceOf(artist());
    $reference = $piece->reference()->id;
    $alone = new Depot("$this->root/one");
    foreach (["pieces/$reference/photo.rgb", "pieces/$reference/plan-a.parcel", 'drawings/p/m.jpg', 'engine/pairs-x'] as $file) {
        $alone->put($file, $file);
    }
    $this->artisan('prism:store')->expectsOutputToContain('No store is named')->assertFailed();
    $this->app->instance(Depot::class, $this->one);
    $this->artisan('prism:store')->expectsOutputToContain('2 files')->assertSuccessful();
    expect($this->other->files(''))->toEqualCanonicalizing(["pieces/$reference/1/photo.rgb", 'drawings/p/m.jpg']);
    $this->artisan('prism:store')->expectsOutputToContain('0 files')->assertSuccessful();
});

it('says in words that the store does not answer, and is not healthy then', function (): void {
    $away = ($this->away)();
    expect(fn () => $away->path('uploads/a'))->toThrow(Unreachable::class)->and($away->answers())->toBeFalse()->and($this->one->answers())->toBeTrue();
    $this->app->instance(Depot::class, $away);
    $this->getJson('/up')->assertStatus(503)->assertJson(['database' => true, 'storage' => false]);
});

it('answers with 503 in words where a picture cannot be fetched', function (): void {
    $piece = pieceOf($artist = artist());
    $this->app->instance(PhotoStore::class, new PhotoStore(($this->away)()));
    $this->actingAs($artist)->getJson("/api/references/{$piece->reference()->id}/photos/photo")->assertStatus(503)
        ->assertJson(['message' => 'The studio cannot be reached just now. Nothing that was saved is lost; try again in a little while.']);
});

it('sweeps away in the store what belongs to no photo, and leaves what is being written', function (): void {
    $old = '01jzzzzzzzzzzzzzzzzzzzzzz1';
    $new = '01jzzzzzzzzzzzzzzzzzzzzzz2';
    foreach ([$old, $new] as $key) {
        $this->one->put("pieces/$key/1/photo.rgb", 'pixels');
    }
    touch("$this->root/store/pieces/$old/1/photo.rgb", time() - 2 * 86_400);
    $this->app->instance(Depot::class, $this->other);
    expect(app(Sweep::class)->orphans())->toBe(1)->and($this->other->files('pieces'))->toBe(["pieces/$new/1/photo.rgb"]);
});
