<?php

declare(strict_types=1);

namespace App\Studio\Backup;

use App\Studio\Files\Depot;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Process;
use Illuminate\Support\Facades\Schema;
use Symfony\Component\Finder\Finder;

/**
 * Backups of all that is kept: the database of one moment and the files that belong to it, in a folder each. A file that has not changed is the
 * same file as in the backup before, by a hard link, so that a month of them takes little more than one.
 */
final class Backups
{
    /** What a backup says of itself; it is written last, so that one without it is none. */
    private const ABOUT = 'backup.json';

    private const DATABASE = 'database.sql';

    private const FILES = 'files';

    /** While it is made. */
    private const MAKING = '.making';

    private const NAME = 'Y-m-d\THis\Z';

    /** Made anew when it is asked for, or brought and not taken in yet. */
    private const WITHOUT = ['engine', 'archives', 'restores'];

    /** Kept of each day, week and month that has one: the newest. */
    private const KEPT = ['Y-m-d' => 7, 'o-W' => 5, 'Y-m' => 12];

    private const SECONDS = 6 * 3600;

    public function __construct(private readonly Depot $depot, private readonly string $folder, private readonly DatabaseDump $database)
    {
    }

    /**
     * @return string the folder of the new one
     *
     * @throws BackupRefused
     */
    public function make(): string
    {
        $this->wantFolder();
        $before = array_key_first($this->all());
        $name = Carbon::now('UTC')->format(self::NAME);
        $making = "$this->folder/$name".self::MAKING;
        File::deleteDirectory($making);
        File::makeDirectory("$making/".self::FILES, 0o700, true);
        // Files are written before the rows that name them, and removed after: all files that a row of the moment between names are in one of the two.
        $this->gather("$making/".self::FILES, $before === null ? null : "$this->folder/$before/".self::FILES);
        $log = $this->database->write("$making/".self::DATABASE);
        $this->gather("$making/".self::FILES, $before === null ? null : "$this->folder/$before/".self::FILES);
        File::put("$making/".self::ABOUT, json_encode([
            'madeAt' => Carbon::now('UTC')->toIso8601ZuluString(),
            'migration' => DB::table('migrations')->max('migration'),
            'database' => hash_file('sha256', "$making/".self::DATABASE),
            // Of a server, nothing is told in it.
            'plain' => true,
            'log' => $log,
            'files' => self::listed("$making/".self::FILES, $before === null ? null : "$this->folder/$before/".self::FILES, $before === null ? [] : $this->about("$this->folder/$before")['files']),
        ], JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR));
        File::moveDirectory($making, "$this->folder/$name");

        return "$this->folder/$name";
    }

    /** @return int backups that were put away: older than those that are kept, and what was broken off */
    public function prune(): int
    {
        $kept = [];
        foreach (self::KEPT as $of => $most) {
            $newest = [];
            foreach ($this->all() as $name => $madeAt) {
                $newest[$madeAt->format($of)] ??= $name;
            }
            $kept += array_flip(array_slice($newest, 0, $most));
        }
        $old = [...array_keys(array_diff_key($this->all(), $kept)), ...array_map(basename(...), glob("$this->folder/*".self::MAKING) ?: [])];
        foreach ($old as $name) {
            File::deleteDirectory("$this->folder/$name");
        }

        return count($old);
    }

    /**
     * Brings one back into a studio in which nobody has anything yet.
     *
     * @return array{files: int, madeAt: string}
     *
     * @throws BackupRefused if it is none, is not whole, or the studio is in use; nothing is touched then
     */
    public function restore(string $from): array
    {
        $about = $this->about($from);
        $this->wantWhole($from, $about);
        if (Schema::hasTable('users') && DB::table('users')->exists()) {
            throw new BackupRefused('Artists have work in this studio. A backup is brought back only where nobody has any: into an empty database and an empty storage folder.');
        }
        foreach (array_keys($about['files']) as $file) {
            if ($this->depot->has($file)) {
                throw new BackupRefused(sprintf('%s is there already. A backup is brought back only into an empty storage folder.', $this->depot->isShared() ? $file : $this->depot->place($file)));
            }
        }
        $this->database->load("$from/".self::DATABASE);
        if ($this->depot->isShared()) {
            foreach (array_keys($about['files']) as $file) {
                $this->depot->take("$from/".self::FILES."/$file", $file);
            }
        } else {
            $this->copy("$from/".self::FILES.'/', $this->depot->place(''), null);
        }
        $this->wantSame($from, $about);

        return ['files' => count($about['files']), 'madeAt' => $about['madeAt']];
    }

    /** @return array<string, Carbon> whole ones, the newest first: when they were made, by name */
    private function all(): array
    {
        $all = [];
        foreach (glob("$this->folder/*/".self::ABOUT) ?: [] as $file) {
            $name = basename(dirname($file));
            $madeAt = Carbon::createFromFormat(self::NAME, $name, 'UTC');
            if ($madeAt instanceof Carbon && ! str_ends_with($name, self::MAKING)) {
                $all[$name] = $madeAt;
            }
        }
        krsort($all);

        return $all;
    }

    /** @throws BackupRefused */
    private function wantFolder(): void
    {
        if ($this->folder === '') {
            throw new BackupRefused('No folder is set for backups. Name one in PRISM_BACKUPS, on another disk than the studio’s.');
        }
        if (! is_dir($this->folder) || ! is_writable($this->folder)) {
            throw new BackupRefused(sprintf('The folder for backups, %s, is not there or cannot be written to.', $this->folder));
        }
    }

    /**
     * @param  array{database: string, files: array<string, string>, ...}  $about
     *
     * @throws BackupRefused
     */
    private function wantWhole(string $from, array $about): void
    {
        if (! is_file("$from/".self::DATABASE) || hash_file('sha256', "$from/".self::DATABASE) !== $about['database']) {
            throw new BackupRefused('The database in this backup is not the one that was written. Take an older backup.');
        }
        foreach ($about['files'] as $file => $hash) {
            if (! is_file("$from/".self::FILES."/$file") || hash_file('sha256', "$from/".self::FILES."/$file") !== $hash) {
                throw new BackupRefused(sprintf('%s is missing from this backup, or is not what was written. Take an older backup.', $file));
            }
        }
    }

    /**
     * That what was brought back is what was written down.
     *
     * @param  array{database: string, files: array<string, string>, ...}  $about
     *
     * @throws BackupRefused
     */
    private function wantSame(string $from, array $about): void
    {
        $again = tempnam(sys_get_temp_dir(), 'prism');
        try {
            $this->database->write($again, ! ($about['plain'] ?? false));
            if (hash_file('sha256', $again) !== $about['database']) {
                throw new BackupRefused(sprintf('The database was brought back, but is not the one in %s/%s. Is this the MariaDB that wrote it?', $from, self::DATABASE));
            }
        } finally {
            File::delete($again);
        }
        foreach ($about['files'] as $file => $hash) {
            if ($this->depot->digest($file) !== $hash) {
                throw new BackupRefused(sprintf('%s was brought back, but is not what was written.', $file));
            }
        }
    }

    /**
     * @return array{madeAt: string, database: string, files: array<string, string>, ...}
     *
     * @throws BackupRefused
     */
    private function about(string $of): array
    {
        $about = is_file("$of/".self::ABOUT) ? json_decode((string) file_get_contents("$of/".self::ABOUT), true) : null;
        if (! is_array($about) || ! is_string($about['madeAt'] ?? null) || ! is_string($about['database'] ?? null) || ! is_array($about['files'] ?? null)) {
            throw new BackupRefused(sprintf('%s is no backup: it has no %s that can be read.', $of, self::ABOUT));
        }

        return $about;
    }

    /**
     * What lies in a folder; what is the same file as in the backup before is not read again.
     *
     * @param  array<string, string>  $known  of the backup before
     * @return array<string, string> SHA-256 by path
     */
    private static function listed(string $folder, ?string $before, array $known): array
    {
        $listed = [];
        foreach (Finder::create()->files()->ignoreDotFiles(false)->in($folder)->sortByName() as $file) {
            $path = $file->getRelativePathname();
            $isSame = isset($known[$path]) && is_file("$before/$path") && fileinode("$before/$path") === $file->getInode();
            $listed[$path] = $isSame ? $known[$path] : (string) hash_file('sha256', $file->getPathname());
        }

        return $listed;
    }

    /**
     * All files that count, into a folder of a backup; what has not changed since the one before is linked.
     *
     * @throws BackupRefused
     */
    private function gather(string $to, ?string $same): void
    {
        if (! $this->depot->isShared()) {
            $this->copy($this->depot->place(''), "$to/", $same);

            return;
        }
        $kept = array_filter($this->depot->about(''), static fn (string $file): bool => ! in_array(strstr($file, '/', true), self::WITHOUT, true), ARRAY_FILTER_USE_KEY);
        foreach ($kept as $file => $about) {
            $isIt = static fn (string $path): bool => is_file($path) && [filesize($path), filemtime($path)] === [$about['bytes'], $about['at']];
            if ($isIt("$to/$file")) {
                continue;
            }
            File::ensureDirectoryExists(dirname("$to/$file"), 0o700);
            File::delete("$to/$file");
            if ($same === null || ! $isIt("$same/$file") || ! link("$same/$file", "$to/$file")) {
                $this->depot->copyOut($file, "$to/$file");
            }
        }
    }

    /** @throws BackupRefused */
    private function copy(string $from, string $to, ?string $same): void
    {
        $without = array_map(static fn (string $folder): string => "--exclude=/$folder/", self::WITHOUT);
        $result = Process::timeout(self::SECONDS)->run(['rsync', '--archive', '--no-owner', '--no-group', '--modify-window=-1', ...$without, ...$same === null ? [] : ['--link-dest='.realpath($same)], $from, $to]);
        // Times to the last digit: what is written anew within a second is another file. 24: what was removed on the way is no fault.
        if ($result->failed() && $result->exitCode() !== 24) {
            throw new BackupRefused(sprintf('The files cannot be copied: %s', trim($result->errorOutput()) ?: 'rsync is missing; install it.'));
        }
    }
}
