<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Piece;
use App\Models\User;
use App\Studio\Archive\Archives;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;
use ZipArchive;

/** Saves a studio, or a piece of it. @return string path of the archive */
function saved(User $artist, ?Piece $piece = null): string
{
    $made = app(Archives::class)->make($artist, $piece, static fn () => null);
    $copy = (string) tempnam(sys_get_temp_dir(), 'archive');
    copy((string) app(Archives::class)->path($artist, $made['archive']), $copy);
    register_shutdown_function(static fn (): bool => @unlink($copy));

    return $copy;
}

/** @return array<string, string> what is taken in again, by name; without what each writing has of its own */
function within(string $path): array
{
    $zip = new ZipArchive;
    $zip->open($path);
    $files = [];
    for ($i = 0; $i < $zip->numFiles; $i++) {
        $name = (string) $zip->getNameIndex($i);
        if ($name !== 'tables/swatches.csv' && ! str_ends_with($name, '.pdf')) {
            $files[$name] = (string) $zip->getFromIndex($i);
        }
    }
    ksort($files);

    return $files;
}

function brought(TestCase $test, string $path): TestResponse
{
    return $test->post('/api/archives', ['archive' => new UploadedFile($path, 'archive.zip', null, null, true)]);
}

/**
 * @param  array<string, mixed>  $wish
 * @return array<string, mixed> what the work tells of it
 */
function taken(TestCase $test, string $path, array $wish = []): array
{
    $file = brought($test, $path)->assertOk()->json('file');
    $work = $test->postJson('/api/works', ['kind' => 'restore', 'file' => $file, ...$wish])->assertAccepted()->json();
    expect($work['problem'])->toBe('')->and($work['state'])->toBe('done');

    return $work['result'];
}
