<?php

declare(strict_types=1);

namespace App\Studio\Files;

use Closure;
use FilesystemIterator;
use Illuminate\Filesystem\FilesystemAdapter;
use Illuminate\Support\Facades\File;
use League\Flysystem\FileAttributes;
use League\Flysystem\FilesystemException;
use League\Flysystem\StorageAttributes;
use League\Flysystem\UnableToRetrieveMetadata;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;

/**
 * Where the files of all artists lie: in a folder of this machine, or, where there are several, in a store that they share, of which the folder
 * then has what was asked for here. Files are named by their place in it, as in pieces/…/1/photo.rgb.
 *
 * A file of a store is written under its name once ({@see self::path()}), or asked for as one that may have been written again ({@see self::latest()}).
 * What can be made anew from these lies in the folder alone, and each machine makes its own.
 */
final class Depot
{
    /** What nobody on this machine has looked at for so long is fetched again when somebody does. */
    private const FETCHED_DAYS = 14;

    /** Nobody writes on one file or folder for so long. */
    private const SETTLED_SECONDS = 86_400;

    /** What artists made, by the folder it lies in; all else can be made anew. */
    public const KINDS = ['archives', 'charts', 'drawings', 'pieces', 'restores', 'uploads'];

    /**
     * @param  string  $folder  of this machine
     * @param  ?FilesystemAdapter  $shared  the store; null where the folder is all there is. One that throws.
     */
    public function __construct(private readonly string $folder, private readonly ?FilesystemAdapter $shared = null)
    {
    }

    /** Whether what lies on this machine is only what was fetched. */
    public function isShared(): bool
    {
        return $this->shared !== null;
    }

    /** Where a file or a folder would lie on this machine, whether it is there or not. */
    public function place(string $file): string
    {
        return "$this->folder/$file";
    }

    /**
     * Where a file lies on this machine, fetched if it has to be; null if there is none.
     *
     * @throws Unreachable
     */
    public function path(string $file): ?string
    {
        $path = $this->place($file);
        if (is_file($path)) {
            return $path;
        }

        return $this->asked(fn (FilesystemAdapter $shared): bool => $shared->fileExists($file)) === true ? $this->fetched($file, $path) : null;
    }

    /** @throws Unreachable */
    public function has(string $file): bool
    {
        return $this->shared === null ? is_file($this->place($file)) : (bool) $this->asked(static fn (FilesystemAdapter $shared): bool => $shared->fileExists($file));
    }

    /**
     * The same of one that is written again under its name, though not twice in a second with as many bytes.
     *
     * @throws Unreachable
     */
    public function latest(string $file): ?string
    {
        $path = $this->place($file);
        if ($this->shared === null) {
            return is_file($path) ? $path : null;
        }
        $about = $this->asked(static function (FilesystemAdapter $shared) use ($file): ?FileAttributes {
            try {
                return $shared->getAdapter()->lastModified($file);
            } catch (UnableToRetrieveMetadata) {
                // It is not there, or nobody answers.
                return $shared->fileExists($file) ? $shared->getAdapter()->lastModified($file) : null;
            }
        });
        if ($about === null) {
            File::delete($path);

            return null;
        }
        clearstatcache(true, $path);

        return is_file($path) && filemtime($path) === $about->lastModified() && filesize($path) === ($about->fileSize() ?? $this->asked(static fn (FilesystemAdapter $shared): int => $shared->size($file))) ? $path : $this->fetched($file, $path);
    }

    /**
     * @throws NoRoom
     * @throws Unreachable
     */
    public function put(string $file, string $bytes): void
    {
        $path = $this->room($file);
        WholeFile::put($path, $bytes);
        $this->send($file, $path);
    }

    /**
     * A file of this machine, under a name of its own.
     *
     * @throws NoRoom
     * @throws Unreachable
     */
    public function take(string $from, string $file): void
    {
        $path = $this->room($file);
        WholeFile::copy($from, $path);
        $this->send($file, $path);
    }

    /**
     * A file that was written on the depot's own disk, under its lasting name: an archive may be large, and is not copied.
     *
     * @throws Unreachable
     */
    public function move(string $from, string $file): void
    {
        $path = $this->room($file);
        rename($from, $path);
        $this->send($file, $path);
    }

    /**
     * What was written into a folder of this machine, all of it at once under its lasting name; what lay there goes.
     *
     * @param  string  $written  beside it
     *
     * @throws NoRoom
     * @throws Unreachable
     */
    public function settle(string $written, string $folder): void
    {
        $this->removeFolder($folder);
        rename($this->place($written), $this->place($folder));
        try {
            foreach ($this->shared === null ? [] : File::files($this->place($folder), true) as $file) {
                $this->send("$folder/{$file->getFilename()}", $file->getPathname());
            }
        } finally {
            if ($this->shared !== null) {
                // Whoever gave it this name may not come to say so: it is fetched once it counts.
                File::deleteDirectory($this->place($folder));
            }
        }
    }

    /**
     * What lies in one folder for another, without room of its own where that can be: files are only ever exchanged, never written into.
     *
     * @param  ?Closure(string, string): ?string  $changed  the bytes of one that is not the same there, by its name and bytes; null: the same
     *
     * @throws Unreachable
     */
    public function copyFolder(string $from, string $to, ?Closure $changed = null): void
    {
        foreach ($this->files($from) as $file) {
            $name = substr($file, strlen($from) + 1);
            $other = $changed === null || ! str_ends_with($name, '.json') ? null : $changed($name, (string) file_get_contents($this->latest($file) ?? ''));
            if ($other !== null) {
                $this->put("$to/$name", $other);
            } elseif ($this->shared !== null) {
                $this->asked(static fn (FilesystemAdapter $shared): bool => $shared->copy($file, "$to/$name"));
            } elseif (! @link($this->place($file), $this->room("$to/$name"))) {
                WholeFile::copy($this->place($file), $this->place("$to/$name"));
            }
        }
    }

    /**
     * A file as it is kept, to somewhere else on this machine, as old as it is; one that goes meanwhile is left out.
     *
     * @throws NoRoom
     * @throws Unreachable
     */
    public function copyOut(string $file, string $path): void
    {
        if (! $this->has($file)) {
            return;
        }
        if ($this->shared === null) {
            WholeFile::copy($this->place($file), $path);
            touch($path, (int) filemtime($this->place($file)));
        } else {
            $this->fetch($file, $path);
        }
    }

    /**
     * @return string SHA-256 of a file as it is kept
     *
     * @throws Unreachable
     */
    public function digest(string $file): string
    {
        return $this->shared === null ? (string) hash_file('sha256', $this->place($file)) : (string) $this->asked(static fn (FilesystemAdapter $shared): string => hash('sha256', (string) $shared->get($file)));
    }

    /** @throws Unreachable */
    public function remove(string ...$files): void
    {
        foreach ($files as $file) {
            File::delete($this->place($file));
        }
        $this->asked(static fn (FilesystemAdapter $shared): bool => $files === [] || $shared->delete($files));
    }

    /** @throws Unreachable */
    public function removeFolder(string $folder): void
    {
        File::deleteDirectory($this->place($folder));
        $this->asked(static fn (FilesystemAdapter $shared): bool => $shared->deleteDirectory($folder));
    }

    /**
     * @return list<string> all files of a folder and of those in it, by name
     *
     * @throws Unreachable
     */
    public function files(string $folder): array
    {
        return array_keys($this->about($folder));
    }

    /**
     * @return list<string> the folders in one
     *
     * @throws Unreachable
     */
    public function folders(string $folder): array
    {
        if ($this->shared === null) {
            return array_map(static fn (string $path): string => "$folder/".basename($path), glob($this->place($folder).'/*', GLOB_ONLYDIR) ?: []);
        }

        return array_values($this->asked(static fn (FilesystemAdapter $shared): array => $shared->directories($folder)) ?? []);
    }

    /**
     * @return array<string, array{bytes: int, at: int}> how large each file is and when it was written, in seconds since 1970, by name; of one that
     *                                                   goes meanwhile nothing
     *
     * @throws Unreachable
     */
    public function about(string $folder): array
    {
        $about = [];
        if ($this->shared !== null) {
            $listed = $this->asked(static fn (FilesystemAdapter $shared): array => $shared->getDriver()->listContents($folder, true)->filter(static fn (StorageAttributes $of): bool => $of->isFile())->toArray()) ?? [];
            foreach ($listed as $of) {
                $about[$of->path()] = ['bytes' => (int) $of['file_size'], 'at' => (int) $of->lastModified()];
            }

            return $about;
        }
        if (is_dir($this->place($folder))) {
            foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($this->place($folder), FilesystemIterator::SKIP_DOTS)) as $file) {
                $about[substr($file->getPathname(), strlen($this->folder) + 1)] = ['bytes' => (int) @filesize($file->getPathname()), 'at' => (int) @filemtime($file->getPathname())];
            }
        }

        return $about;
    }

    /** Whether files can be written and read. */
    public function answers(): bool
    {
        try {
            $this->asked(static fn (FilesystemAdapter $shared): bool => $shared->fileExists('answers'));
        } catch (Unreachable) {
            return false;
        }

        return is_dir($this->folder) && is_writable($this->folder);
    }

    /** @return int files and folders fetched from a store, and made of such, that nobody here has looked at for a while, or that are in it no more */
    public function forgetFetched(): int
    {
        $forgotten = 0;
        foreach ($this->shared === null ? [] : self::KINDS as $kind) {
            $there = $this->asked(static fn (FilesystemAdapter $shared): array => $shared->getDriver()->listContents($kind)->map(static fn (StorageAttributes $of): string => $of->path())->toArray()) ?? [];
            $gone = array_diff(array_map(static fn (string $path): string => "$kind/".basename($path), glob($this->place($kind).'/*') ?: []), $there);
            foreach (array_map($this->place(...), $gone) as $path) {
                // What is being written is not there yet.
                if (filectime($path) < now()->getTimestamp() - self::SETTLED_SECONDS) {
                    is_dir($path) ? File::deleteDirectory($path) : File::delete($path);
                    $forgotten++;
                }
            }
        }
        foreach ($this->shared === null ? [] : new RecursiveIteratorIterator(new RecursiveDirectoryIterator($this->folder, FilesystemIterator::SKIP_DOTS)) as $file) {
            if (max(@fileatime($file->getPathname()), @filemtime($file->getPathname())) < time() - self::FETCHED_DAYS * 86_400) {
                File::delete($file->getPathname());
                $forgotten++;
            }
        }

        return $forgotten;
    }

    private function room(string $file): string
    {
        File::ensureDirectoryExists(dirname($this->place($file)), 0o700);

        return $this->place($file);
    }

    private function fetched(string $file, string $path): string
    {
        $this->room($file);
        $this->fetch($file, $path);

        return $path;
    }

    private function fetch(string $file, string $path): void
    {
        $at = $this->asked(static fn (FilesystemAdapter $shared): int => $shared->lastModified($file));
        WholeFile::put($path, (string) $this->asked(static fn (FilesystemAdapter $shared): ?string => $shared->get($file)));
        touch($path, (int) $at, time());
    }

    private function send(string $file, string $path): void
    {
        $at = $this->asked(static function (FilesystemAdapter $shared) use ($file, $path): int {
            $stream = fopen($path, 'r');
            try {
                $shared->writeStream($file, $stream === false ? throw new Unreachable("$file is not here any more.") : $stream);
            } finally {
                is_resource($stream) && fclose($stream);
            }

            return $shared->lastModified($file);
        });
        if (is_int($at)) {
            // On every machine it is as old.
            touch($path, $at, time());
        }
    }

    /**
     * @template T
     *
     * @param  Closure(FilesystemAdapter): T  $ask
     * @return T|null null where there is no store
     *
     * @throws Unreachable
     */
    private function asked(Closure $ask): mixed
    {
        try {
            return $this->shared === null ? null : $ask($this->shared);
        } catch (FilesystemException $problem) {
            throw new Unreachable('The store of the pictures: '.$problem->getMessage(), previous: $problem);
        }
    }
}
