<?php

declare(strict_types=1);

namespace App\Studio\Photos;

use App\Studio\Files\WholeFile;
use Closure;
use Illuminate\Support\Facades\File;

/** What takes a while to make, kept beside the photo it is made of; what was made or seen last stays longest. */
final class KeptFiles
{
    /**
     * @param  string  $kind  first part of its file name
     * @param  string  $key  changes with whatever it rests on
     * @param  int  $most  of one kind are kept
     * @param  Closure(): string  $make  its bytes
     * @param  string  $suffix  of its file name
     */
    public static function of(string $folder, string $kind, string $key, int $most, Closure $make, string $suffix = 'png'): string
    {
        $path = "$folder/$kind-$key.$suffix";
        if (is_file($path)) {
            @touch($path);

            return (string) file_get_contents($path);
        }
        // Who asks for the same meanwhile waits for it, and does not make it a second time.
        $lock = @fopen("$folder/.$kind-".substr($key, 0, 1).'.lock', 'c');
        if ($lock !== false) {
            flock($lock, LOCK_EX);
        }
        try {
            clearstatcache(true, $path);
            if (is_file($path)) {
                return (string) file_get_contents($path);
            }
            $bytes = $make();
            WholeFile::keep($path, $bytes);
        } finally {
            if ($lock !== false) {
                fclose($lock);
            }
        }
        self::prune("$folder/$kind-*.$suffix", $most);

        return $bytes;
    }

    private static function prune(string $pattern, int $most): void
    {
        $seen = [];
        foreach (glob($pattern) ?: [] as $path) {
            // Another worker may have pruned it just now.
            $seen[$path] = (int) @filemtime($path);
        }
        arsort($seen);
        foreach (array_slice(array_keys($seen), $most) as $path) {
            @unlink($path);
        }
    }
}
