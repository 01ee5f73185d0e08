<?php

declare(strict_types=1);

use App\Models\User;
use App\Studio\Backup\DatabaseDump;
use App\Studio\Photos\PhotoStore;
use Database\Seeders\MaterialsSeeder;
use Illuminate\Console\Scheduling\Event;
use Illuminate\Console\Scheduling\Schedule;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Facades\Storage;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;
use function Tests\Feature\spotIn;

// What is in a transaction is in no backup: these studios have a database of their own.

beforeEach(function (): void {
    $this->before = [config('database.default'), config('prism.storage')];
    $this->root = storage_path('testing/backup');
    File::deleteDirectory($this->root);
    File::ensureDirectoryExists("$this->root/backups");
    config([
        'database.connections.kept' => [...config('database.connections.mariadb'), 'database' => config('database.connections.mariadb.database').'_kept'],
        'prism.backups' => "$this->root/backups", 'prism.storage' => "$this->root/app",
    ]);
    DB::setDefaultConnection('kept');
    app()->forgetInstance(PhotoStore::class);
    $this->artisan('db:wipe', ['--force' => true])->assertSuccessful();
    /** As on a machine that was just set up: no row, no file. */
    $this->fresh = function (): void {
        $this->artisan('db:wipe', ['--force' => true])->assertSuccessful();
        File::deleteDirectory("$this->root/app");
    };
    $this->backup = function (): string {
        $this->artisan('prism:backup')->assertSuccessful();

        return (string) collect(File::directories("$this->root/backups"))->sort()->last();
    };
});

afterEach(function (): void {
    DB::purge('kept');
    DB::setDefaultConnection($this->before[0]);
    config(['prism.storage' => $this->before[1]]);
    File::deleteDirectory($this->root);
});

/** A studio with one artist and one piece. */
function studioToKeep(): User
{
    test()->artisan('migrate', ['--force' => true])->assertSuccessful();
    test()->seed(MaterialsSeeder::class);
    $artist = artist();
    spotIn(pieceOf($artist), 'Hull', [40.0, 0.0, 0.0], 'QW:6858@50');

    return $artist;
}

/** @return array<string, string> */
function filesOf(string $folder): array
{
    return collect(File::allFiles($folder))->mapWithKeys(static fn (SplFileInfo $file): array => [substr($file->getPathname(), strlen($folder)) => md5_file($file->getPathname())])->sortKeys()->all();
}

it('brings rows and files back as they were on a machine that has nothing, and the studio goes on there', function (): void {
    $artist = studioToKeep();
    File::ensureDirectoryExists("$this->root/app/uploads");
    File::put("$this->root/app/uploads/waits-for-the-queue", 'a photo that was taken in');
    DB::table('sessions')->insert(['id' => 'signed-in', 'payload' => '', 'last_activity' => 1]);
    $rows = static fn (): array => array_map(static fn (string $table): array => DB::table($table)->get()->map(static fn (object $row): string => serialize($row))->sort()->values()->all(), array_combine($tables = array_diff(Schema::getTableListing(DB::connection()->getDatabaseName(), false), ['sessions', 'cache', 'cache_locks', 'jobs', 'migrations']), $tables));
    [$was, $files] = [$rows(), filesOf("$this->root/app")];
    $backup = ($this->backup)();
    ($this->fresh)();
    expect(Schema::hasTable('users'))->toBeFalse();

    $this->artisan('prism:restore', ['backup' => $backup])->expectsOutputToContain('the same byte by byte')->assertSuccessful();
    expect($rows())->toBe($was)->and($was['pieces'])->toHaveCount(1)->and(filesOf("$this->root/app"))->toBe($files)->and($files)->not->toBe([])
        ->and(DB::table('sessions')->count())->toBe(0);
    $this->actingAs($artist)->getJson('/api/pieces')->assertOk()->assertJsonCount(1);
});

it('has what lies in the store of several machines, and brings it back into one, from whichever of them', function (): void {
    config(['filesystems.disks.ours' => ['driver' => 'local', 'root' => "$this->root/store", 'throw' => true], 'prism.store' => 'ours']);
    studioToKeep();
    $was = filesOf("$this->root/store");
    expect($was)->not->toBe([])->and(is_dir("$this->root/other"))->toBeFalse();
    config(['prism.storage' => "$this->root/other"]);
    $this->travelTo(Carbon::parse('2026-11-20 02:40', 'UTC'));
    $first = ($this->backup)();
    expect(filesOf("$first/files"))->toBe($was);
    $this->travelTo(Carbon::parse('2026-11-21 02:40', 'UTC'));
    $second = ($this->backup)();
    $file = (string) array_key_first($was);
    expect(fileinode("$first/files$file"))->toBe(fileinode("$second/files$file"));

    $this->artisan('db:wipe', ['--force' => true])->assertSuccessful();
    $this->artisan('prism:restore', ['backup' => $second])->expectsOutputToContain(ltrim($file, '/').' is there already')->assertFailed();
    File::deleteDirectory("$this->root/store");
    $this->artisan('prism:restore', ['backup' => $second])->expectsOutputToContain('the same byte by byte')->assertSuccessful();
    expect(filesOf("$this->root/store"))->toBe($was);
    Storage::forgetDisk('ours');
    config(['prism.store' => null]);
});

it('refuses in words what is no backup, what is damaged, and a studio that is in use, and touches nothing', function (): void {
    $artist = studioToKeep();
    $backup = ($this->backup)();
    $this->artisan('prism:restore', ['backup' => $backup])->expectsOutputToContain('Artists have work in this studio')->assertFailed();
    expect(User::query()->sole()->id)->toBe($artist->id);
    ($this->fresh)();
    $this->artisan('prism:restore', ['backup' => "$this->root/nothing"])->expectsOutputToContain('is no backup')->assertFailed();

    $file = (string) array_key_first(filesOf("$backup/files"));
    $bytes = File::get("$backup/files$file");
    File::put("$backup/files$file", strrev($bytes));
    $this->artisan('prism:restore', ['backup' => $backup])->expectsOutputToContain(ltrim($file, '/').' is missing from this backup, or is not what was written')->assertFailed();
    File::put("$backup/files$file", $bytes);
    File::append("$backup/database.sql", 'drop table users;');
    $this->artisan('prism:restore', ['backup' => $backup])->expectsOutputToContain('The database in this backup is not the one that was written')->assertFailed();
    expect(Schema::hasTable('users'))->toBeFalse()->and(is_dir("$this->root/app"))->toBeFalse();
});

it('keeps what has not changed once, and what has changed as it was in each', function (): void {
    studioToKeep();
    [$same, $other] = array_map(fn (string $file): string => "$this->root/app$file", array_slice(array_keys(filesOf("$this->root/app")), 0, 2));
    $this->travelTo(Carbon::parse('2026-11-20 02:40', 'UTC'));
    $first = ($this->backup)();
    File::put($other, strrev(File::get($other)).'more');
    $this->travelTo(Carbon::parse('2026-11-21 02:40', 'UTC'));
    $second = ($this->backup)();
    $in = fn (string $backup, string $file): string => $backup.'/files'.substr($file, strlen("$this->root/app"));
    expect(fileinode($in($first, $same)))->toBe(fileinode($in($second, $same)))
        ->and(md5_file($in($second, $other)))->toBe(md5_file($other))->not->toBe(md5_file($in($first, $other)));
    ($this->fresh)();
    $this->artisan('prism:restore', ['backup' => $first])->assertSuccessful();
});

it('keeps the newest of seven days, five weeks and twelve months, and nothing that was broken off', function (): void {
    studioToKeep();
    $day = Carbon::parse('2025-10-01 02:40', 'UTC');
    for ($n = 0; $n < 420; $n++) {
        $folder = "$this->root/backups/".$day->copy()->addDays($n)->format('Y-m-d\THis\Z');
        File::ensureDirectoryExists("$folder/files");
        File::put("$folder/backup.json", json_encode(['madeAt' => '', 'database' => '', 'files' => []]));
    }
    File::ensureDirectoryExists("$this->root/backups/2026-01-01T024000Z.making");
    $this->travelTo($day->copy()->addDays(420));
    ($this->backup)();
    $kept = collect(File::directories("$this->root/backups"))->map(basename(...))->sort()->values();
    // 25 November 2026 is the last; the month's last days of twelve months, the Sundays of weeks, seven days.
    expect($kept->last())->toBe('2026-11-25T024000Z')->and($kept->slice(-7)->first())->toBe('2026-11-19T024000Z')
        ->and($kept->contains('2026-11-15T024000Z'))->toBeTrue()->and($kept->contains('2026-10-31T024000Z'))->toBeTrue()->and($kept->first())->toBe('2025-12-31T024000Z')
        ->and($kept->count())->toBe(7 + 3 + 11)->and($kept->contains(fn (string $name): bool => str_ends_with($name, '.making')))->toBeFalse();
});

it('says in words that no folder is set, or that it is not there, and is made each night where one is', function (): void {
    config(['prism.backups' => '']);
    $nightly = collect(app(Schedule::class)->events())->first(static fn (Event $event): bool => str_contains((string) $event->command, 'prism:backup'));
    $this->artisan('prism:backup')->expectsOutputToContain('Name one in PRISM_BACKUPS')->assertFailed();
    expect($nightly?->expression)->toBe('40 2 * * *')->and($nightly->filtersPass(app()))->toBeFalse();
    config(['prism.backups' => "$this->root/nowhere"]);
    $this->artisan('prism:backup')->expectsOutputToContain('is not there or cannot be written to')->assertFailed();
    expect($nightly->filtersPass(app()))->toBeTrue();
});

it('tells nothing of the server in a backup, so that another writes the same bytes; one that did is brought back, too', function (): void {
    studioToKeep();
    $backup = ($this->backup)();
    expect((string) file_get_contents("$backup/database.sql"))->not->toContain('Server version')->not->toContain('CHANGE MASTER');
    // As backups were before.
    (new DatabaseDump((array) config('database.connections.kept')))->write("$backup/database.sql", true);
    $about = json_decode((string) file_get_contents("$backup/backup.json"), true, flags: JSON_THROW_ON_ERROR);
    expect((string) file_get_contents("$backup/database.sql"))->toContain('Server version')->and($about['plain'])->toBeTrue()->and($about)->toHaveKey('log');
    unset($about['plain'], $about['log']);
    File::put("$backup/backup.json", json_encode([...$about, 'database' => hash_file('sha256', "$backup/database.sql")], JSON_THROW_ON_ERROR));
    ($this->fresh)();
    $this->artisan('prism:restore', ['backup' => $backup])->assertSuccessful();
    expect(User::query()->count())->toBe(1);
});
