<?php

declare(strict_types=1);

use App\Jobs\DoWork;
use App\Models\Work;
use App\Studio\Drawing\DrawingPhotos;
use App\Studio\LongWork\WorkKind;
use App\Studio\Photos\PhotoStore;
use App\Studio\Photos\PictureReadings;
use App\Studio\Photos\Uploads;
use App\Studio\Swatches\ChartPictures;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Process;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;

use function Tests\Feature\artist;
use function Tests\Feature\picture;
use function Tests\Feature\small;

// A store that speaks S3, and two machines over it, each with a folder of its own.

beforeEach(function (): void {
    Queue::fake();
    $this->root = storage_path('testing/machines');
    File::deleteDirectory($this->root);
    File::ensureDirectoryExists("$this->root/bucket");
    $port = 4570;
    while (@fsockopen('127.0.0.1', $port, $code, $words, 0.2) !== false) {
        $port++;
    }
    $this->bucket = Process::start(['node', base_path('hosting/bucket/start.cjs'), (string) $port, "$this->root/bucket"]);
    for ($tries = 0; @fsockopen('127.0.0.1', $port, $code, $words, 0.2) === false && $tries < 100; $tries++) {
        usleep(100_000);
    }
    config(['filesystems.disks.bucket' => [...config('filesystems.disks.bucket'), 'key' => 'S3RVER', 'secret' => 'S3RVER', 'bucket' => 'prism', 'endpoint' => "http://127.0.0.1:$port", 'use_path_style_endpoint' => true], 'prism.store' => 'bucket']);
    $this->before = (string) config('prism.storage');
    /** From now on it is this machine that is asked. */
    $this->on = function (string $machine): void {
        File::ensureDirectoryExists("$this->root/$machine");
        // Each works out its own; here that was done before.
        File::ensureDirectoryExists("$this->before/engine");
        is_link("$this->root/$machine/engine") || symlink((string) realpath("$this->before/engine"), "$this->root/$machine/engine");
        config(['prism.storage' => "$this->root/$machine"]);
        foreach ([PhotoStore::class, PictureReadings::class, ChartPictures::class, DrawingPhotos::class, Uploads::class] as $class) {
            $this->app->forgetInstance($class);
        }
    };
    /** What waits is done by that machine, the oldest first; of that it tells what came of it. */
    $this->doneOn = function (string $machine): array {
        ($this->on)($machine);
        $works = Work::query()->where('state', 'waiting')->orderBy('id')->get();
        foreach ($works as $work) {
            $this->app->call([new DoWork(WorkKind::from($work->kind)->queue()), 'handle']);
        }

        return $works->firstOrFail()->refresh()->result ?? throw new RuntimeException("{$works[0]->state}: {$works[0]->problem}");
    };
});

afterEach(function (): void {
    $this->bucket->stop(1);
    Storage::forgetDisk('bucket');
    config(['prism.storage' => $this->before, 'prism.store' => null]);
    File::deleteDirectory($this->root);
});

it('takes a photo in on one machine, reads it on another, and shows, lights and saves it on any', function (): void {
    $this->actingAs($artist = artist());
    ($this->on)('web');
    $this->post('/api/pieces', ['title' => 'Jugs', 'paper' => 'harbour-cartridge', 'photo' => new UploadedFile(small('jugs'), 'jugs.png', 'image/png', null, true)], ['Accept' => 'application/json'])->assertStatus(202);
    $piece = $artist->pieces()->findOrFail(($this->doneOn)('worker')['piece']);
    ($this->doneOn)('another worker');
    $address = "/api/references/{$piece->reference()->id}/photos/photo";
    $shown = function (string $machine) use ($address): string {
        ($this->on)($machine);

        return (string) file_get_contents($this->get($address)->assertOk()->baseResponse->getFile()->getPathname());
    };
    $before = $shown('web');
    expect($shown('another web'))->toBe($before)->and(strlen($before))->toBeGreaterThan(5000)
        ->and($piece->refresh()->zones()->count())->toBeGreaterThan(3);

    // The light is told on one, worked out on another; and taken back.
    ($this->on)('web');
    $this->putJson("/api/references/{$piece->reference()->id}/balance", ['balance' => ['by' => 'neutral', 'x' => 0.5, 'y' => 0.9, 'radius' => 0.02]])->assertAccepted();
    ($this->doneOn)('worker');
    $lit = $shown('another web');
    expect($lit)->not->toBe($before)->and($shown('web'))->toBe($lit);

    // A photo of the drawing.
    ($this->on)('another web');
    $mark = '01hzzzzzzzzzzzzzzzzzzzzzzz';
    $this->post("/api/pieces/$piece->id/drawing/photos", ['mark' => $mark, 'photo' => picture(), 'madeAt' => now()->toIso8601String()], ['Accept' => 'application/json'])->assertSuccessful();
    ($this->on)('web');
    $this->get("/api/pieces/$piece->id/drawing/photos/$mark")->assertOk();

    // A copy of it, as whoever opens the demo has, within the store.
    $twin = $artist->pieces()->create(['title' => 'Twin', 'paper_id' => $piece->paper_id])->references()->create($piece->refresh()->reference()->only(['name', 'role', 'width', 'height', 'position', 'picture']));
    app(PhotoStore::class)->copy($piece->reference()->id, $twin->id);
    ($this->on)('another web');
    expect(file_get_contents($this->get("/api/references/$twin->id/photos/photo")->assertOk()->baseResponse->getFile()->getPathname()))->toBe($lit);
    ($this->on)('web');

    // What was read anew in that light is not needed here.
    $artist->works()->where('state', 'waiting')->delete();
    // All of it in one archive, made on one and fetched on another.
    $this->postJson('/api/works', ['kind' => 'archive', 'piece' => $piece->id])->assertStatus(202);
    $archive = ($this->doneOn)('worker')['archive'];
    ($this->on)('another web');
    expect(file_get_contents($this->get("/api/archives/$archive")->assertOk()->baseResponse->getFile()->getPathname(), false, null, 0, 2))->toBe('PK');
});
