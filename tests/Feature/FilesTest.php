<?php

declare(strict_types=1);

use App\Models\Work;
use App\Studio\Files\NoRoom;
use App\Studio\Files\WholeFile;
use App\Studio\LongWork\LookWork;
use App\Studio\LongWork\WorkKind;
use App\Studio\LongWork\Works;
use App\Studio\Photos\KeptFiles;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Route;

use function Tests\Feature\artist;

const FULL = 'file_put_contents(): Write of 8192 bytes failed with errno=28 No space left on device';

beforeEach(function (): void {
    $this->folder = config('prism.storage').'/files';
    File::ensureDirectoryExists($this->folder);
});

afterEach(fn () => File::deleteDirectory($this->folder));

it('writes files whole or not at all, and leaves nothing beside them', function (): void {
    WholeFile::put("$this->folder/a", 'first');
    WholeFile::put("$this->folder/a", 'second');
    WholeFile::copy("$this->folder/a", "$this->folder/b");
    expect(file_get_contents("$this->folder/a"))->toBe('second')->and(file_get_contents("$this->folder/b"))->toBe('second')
        ->and(fn () => WholeFile::put("$this->folder/nowhere/a", 'x'))->toThrow(RuntimeException::class, 'a cannot be written')
        ->and(fn () => WholeFile::copy("$this->folder/missing", "$this->folder/a"))->toThrow(RuntimeException::class, 'a cannot be written')
        ->and(file_get_contents("$this->folder/a"))->toBe('second')
        ->and(array_values(array_diff((array) scandir($this->folder), ['.', '..'])))->toBe(['a', 'b']);
});

it('knows a full disk by what PHP and the libraries say of one, and by nothing else', function (string $said, bool $is): void {
    expect(NoRoom::isMeant($said))->toBe($is)->and(NoRoom::isIn(new RuntimeException('Not drawn', 0, new ErrorException($said))))->toBe($is);
})->with([
    [FULL, true],
    ['file_put_contents(): Only 0 of 1000 bytes written, possibly out of free disk space', true],
    ['copy(): write failed, Disk quota exceeded', true],
    ['ZipArchive::close(): Write error: No space left on device', true],
    ["SQLSTATE[HY000]: General error: 1114 The table 'drawing_entries' is full", true],
    ['SQLSTATE[HY000]: General error: 1021 Disk full (/tmp/x); waiting for someone to free some space... (errno: 28)', true],
    ['file_put_contents(/x): Failed to open stream: Permission denied', false],
]);

it('takes no word of an artist for a full disk', function (): void {
    $query = static fn (string $said): QueryException => new QueryException('mariadb', 'insert into notes (note) values (?)', ['Disk full of blue, no space left'], new PDOException($said));
    expect(NoRoom::isIn($query('SQLSTATE[23000]: Duplicate entry')))->toBeFalse()
        ->and(NoRoom::isIn($query("SQLSTATE[HY000]: General error: 1114 The table 'notes' is full")))->toBeTrue();
});

it('says that there is no room, to who sent something and to who waits for work', function (): void {
    Route::post('api/full', static fn () => throw new ErrorException(FULL))->middleware('web');
    $this->actingAs($artist = artist())->postJson('/api/full')->assertStatus(507)->assertExactJson(['message' => NoRoom::WORDS]);
    $this->app->bind(LookWork::class, static fn () => throw new ErrorException(FULL));
    try {
        app(Works::class)->begin($artist, WorkKind::Look, ['piece' => 'x']);
    } catch (ErrorException) {
        // The queue writes it down.
    }
    $work = Work::query()->where('user_id', $artist->id)->sole();
    expect($work->state)->toBe('failed')->and($work->problem)->toBe(NoRoom::WORDS);
});

/** A disk on which nothing finds room: PHP says of it what it says of one that is full. */
final class FullDisk
{
    /** @var resource */
    public $context;

    public function stream_open(string $path, string $mode): bool
    {
        return str_starts_with($mode, 'w');
    }

    public function stream_write(string $data): int
    {
        return 0;
    }

    public function stream_close(): void
    {
    }

    /** @return array<string, int>|false */
    public function url_stat(string $path, int $flags): array|false
    {
        return false;
    }

    public function unlink(string $path): bool
    {
        return true;
    }
}

it('says that a disk is full, and tells what can be made anew where there is no room to keep it', function (): void {
    stream_wrapper_register('full', FullDisk::class);
    try {
        expect(fn () => WholeFile::put('full://disk/a', 'x'))->toThrow(NoRoom::class)
            ->and(KeptFiles::of('full://disk', 'drawing', 'k', 3, static fn (): string => 'made'))->toBe('made');
    } finally {
        stream_wrapper_unregister('full');
    }
});
