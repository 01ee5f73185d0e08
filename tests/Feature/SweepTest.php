<?php

declare(strict_types=1);

use App\Models\Chart;
use App\Models\KeptRecipe;
use App\Models\Paper;
use App\Models\Piece;
use App\Models\Restore;
use App\Models\Share;
use App\Models\Swatch;
use App\Models\Work;
use App\Studio\Drawing\DrawingPhotos;
use App\Studio\Files\Depot;
use App\Studio\Photos\PhotoStore;
use App\Studio\Sweep;
use Illuminate\Console\Scheduling\Event;
use Illuminate\Console\Scheduling\Schedule;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;
use function Tests\Feature\spotIn;

beforeEach(function (): void {
    $this->artist = artist();
    $this->storage = (string) config('prism.storage');
    $this->paper = Paper::query()->whereNull('user_id')->firstOrFail();
    /** A folder that was last written to so many days ago. */
    $this->folder = function (string $path, int $days): string {
        File::ensureDirectoryExists("$this->storage/$path");
        touch("$this->storage/$path", time() - $days * 86_400);

        return "$this->storage/$path";
    };
});

it('puts a piece away for good when it was removed long ago, with its pictures, and none before', function (): void {
    [$old, $lately, $kept] = [pieceOf($this->artist), pieceOf($this->artist), pieceOf($this->artist)];
    spotIn($old, 'Hull', [40.0, 0.0, 0.0], 'QW:6858@50');
    ($this->folder)("drawings/$old->id", 1);
    $old->delete();
    $this->travel(60)->days();
    $lately->delete();
    $this->travel(31)->days();
    $pictures = static fn (Piece $piece): string => config('prism.storage').'/pieces/'.$piece->references()->withTrashed()->valueOrFail('id');
    $gone = $pictures($old);
    expect(is_dir($gone))->toBeTrue()->and(app(Sweep::class)->pieces())->toBe(1)
        ->and(Piece::withTrashed()->pluck('id')->all())->toContain($lately->id, $kept->id)->not->toContain($old->id)
        ->and(is_dir($gone))->toBeFalse()->and(is_dir("$this->storage/drawings/$old->id"))->toBeFalse()
        ->and(is_dir($pictures($lately)))->toBeTrue()->and(is_dir($pictures($kept)))->toBeTrue();
});

it('puts away pictures that belong to nothing, but none that are being written, and nothing that is not ours', function (): void {
    $piece = pieceOf($this->artist);
    $own = "$this->storage/pieces/{$piece->reference()->id}";
    touch($own, time() - 5 * 86_400);
    $orphans = [($this->folder)('pieces/01hzzzzzzzzzzzzzzzzzzzzzz0', 2), ($this->folder)('drawings/01hzzzzzzzzzzzzzzzzzzzzzz1', 2)];
    $others = [($this->folder)('pieces/01hzzzzzzzzzzzzzzzzzzzzzz2', 0), ($this->folder)('pieces/holiday', 9)];
    app(Sweep::class)->orphans();
    expect(array_filter($orphans, is_dir(...)))->toBe([])->and(array_filter([$own, ...$others], is_dir(...)))->toBe([$own, ...$others]);
    array_map(File::deleteDirectory(...), $others);
});

it('puts away archives that nobody fetches', function (): void {
    File::ensureDirectoryExists("$this->storage/archives/{$this->artist->id}");
    [$old, $new] = ["$this->storage/archives/{$this->artist->id}/a.zip", "$this->storage/archives/{$this->artist->id}/b.zip"];
    File::put($old, 'x');
    File::put($new, 'x');
    touch($old, time() - 8 * 86_400);
    expect(app(Sweep::class)->archives())->toBeGreaterThanOrEqual(1)->and(is_file($old))->toBeFalse()->and(is_file($new))->toBeTrue();
});

it('forgets rows that are of no use any more, and only those', function (): void {
    $piece = pieceOf($this->artist);
    $swatch = ['paper_id' => $this->paper->id, 'stack' => 'QW:6858@50', 'L' => 50, 'a' => 0, 'b' => 0, 'source' => 'typed', 'technique' => 'even'];
    $kept = ['paper_id' => $this->paper->id, 'stack' => 'QW:6858@50', 'L' => 50, 'a' => 0, 'b' => 0];
    foreach (['old', 'new'] as $when) {
        $this->artist->swatches()->create($swatch + ['note' => $when])->delete();
        $this->artist->keptRecipes()->create($kept + ['name' => $when])->delete();
        $this->artist->charts()->create(['paper_id' => $this->paper->id, 'title' => $when, 'kind' => 'stacks', 'page' => 'a4', 'stacks' => []])->delete();
        $this->artist->works()->create(['kind' => 'look', 'wish' => ['when' => $when]])->update(['state' => 'done']);
        (new Restore(['title' => $when, 'made' => [], 'away' => [], 'before' => []]))->forceFill(['user_id' => $this->artist->id])->save();
        $piece->shares()->create(['kind' => 'plan', 'token' => $when, 'digest' => hash('sha256', $when), 'expires_at' => now()->addDay()]);
        $when === 'old' && $this->travel(95)->days();
    }
    $this->artist->swatches()->create($swatch + ['note' => 'there']);
    $running = $this->artist->works()->create(['kind' => 'audit', 'wish' => []]);
    $running->forceFill(['state' => 'waiting', 'updated_at' => now()->subYear()])->saveQuietly();
    $this->artisan('model:prune')->assertSuccessful();
    expect(Swatch::withTrashed()->where('user_id', $this->artist->id)->orderBy('id')->pluck('note')->all())->toBe(['new', 'there'])
        ->and(KeptRecipe::withTrashed()->where('user_id', $this->artist->id)->pluck('name')->all())->toBe(['new'])
        ->and(Chart::withTrashed()->where('user_id', $this->artist->id)->pluck('title')->all())->toBe(['new'])
        ->and(Restore::query()->where('user_id', $this->artist->id)->pluck('title')->all())->toBe(['new'])
        ->and(Share::query()->where('piece_id', $piece->id)->count())->toBe(1)
        ->and(Work::query()->where('user_id', $this->artist->id)->orderBy('id')->pluck('kind')->all())->toBe(['look', 'audit']);
});

it('is called each night', function (): void {
    $events = array_map(static fn (Event $event): string => $event->expression.' '.substr((string) $event->command, (int) strrpos((string) $event->command, ' ') + 1), app(Schedule::class)->events());
    expect($events)->toBe(['40 3 * * * model:prune', '40 2 * * * prism:backup', '50 3 * * * prism:sweep']);
    $this->artisan('prism:sweep')->assertSuccessful();
});

it('puts away what was kept for a while once its time is over', function (): void {
    $row = static fn (string $key, int $ends): array => ['key' => $key, 'value' => 'x', 'expiration' => time() + $ends];
    DB::table('cache')->insert([$row('over', -10), $row('kept', 500)]);
    expect(app(Sweep::class)->kept())->toBe(1)->and(DB::table('cache')->pluck('key')->all())->toBe(['kept']);
});

it('lets go of what can be made anew, longest not looked at first, down to what it may take; photos and readings stay', function (): void {
    $storage = (string) config('prism.storage').'/made';
    $folder = "$storage/pieces/01jzzzzzzzzzzzzzzzzzzzzzzz/1";
    File::ensureDirectoryExists($folder);
    foreach (['drawing-a.png' => 5, 'plan-b.parcel' => 3, 'parts-c.png' => 1, 'reading-1-1' => 9, 'photo.rgb' => 9] as $name => $days) {
        File::put("$folder/$name", str_repeat('x', 1000));
        touch("$folder/$name", time() - $days * 86_400);
    }
    $sweep = new Sweep(new Depot($storage), app(PhotoStore::class), app(DrawingPhotos::class));
    $there = static fn (): array => array_map(basename(...), glob("$folder/*") ?: []);
    expect($sweep->made(3000))->toBe(0)->and($there())->toHaveCount(5)
        ->and($sweep->made(2500))->toBe(1)->and($there())->toBe(['parts-c.png', 'photo.rgb', 'plan-b.parcel', 'reading-1-1'])
        ->and($sweep->made(0))->toBe(2)->and($there())->toBe(['photo.rgb', 'reading-1-1']);
    File::deleteDirectory($storage);
});
