<?php

declare(strict_types=1);

namespace Prism\Exchange\Archive;

use ZipArchive;

/**
 * A zip file that somebody brings. Nothing of it is ever written under a name that it tells; before anything is unpacked it is known how
 * much there is.
 */
final class ArchiveReader
{
    private const MOST_FILES = 20_000;

    private const MOST_BYTES = 4_000_000_000;

    private const MOST_BYTES_OF_ONE = 64_000_000;

    /** What packs better than this is made to burst; a JSON of many zeros reaches a few hundred. */
    private const MOST_PACKED = 1_000;

    /** @param  array<string, int>  $sizes  unpacked, bytes, by name */
    private function __construct(private readonly ZipArchive $zip, private readonly array $sizes)
    {
    }

    /**
     * @param  int  $mostBytes  of all of it, unpacked
     *
     * @throws ArchiveRefused
     */
    public static function open(string $path, int $mostBytes = self::MOST_BYTES): self
    {
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::RDONLY | ZipArchive::CHECKCONS) !== true) {
            throw new ArchiveRefused('This is no whole zip file. Choose an archive that was saved from a studio, and copy it again if it came over a network.');
        }
        if ($zip->numFiles > self::MOST_FILES) {
            throw new ArchiveRefused(sprintf('The archive holds %d files; one of a studio holds at most %d.', $zip->numFiles, self::MOST_FILES));
        }
        $sizes = [];
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $stat = $zip->statIndex($i);
            $name = (string) ($stat['name'] ?? '');
            $size = (int) ($stat['size'] ?? 0);
            if ($stat === false || preg_match('~(^|/)\.\.?(/|$)|^/|\\\\|:|[\x00-\x1f]~', $name) === 1) {
                throw new ArchiveRefused(sprintf('"%s" in the archive leads out of it. Choose an archive that was saved from a studio.', substr(addcslashes($name, "\0..\37"), 0, 80)));
            }
            if ($stat['encryption_method'] !== ZipArchive::EM_NONE) {
                throw new ArchiveRefused('The archive is locked with a password. Save it without one.');
            }
            if ($size > self::MOST_BYTES_OF_ONE || $size > self::MOST_PACKED * max(1, (int) $stat['comp_size']) + 1_000_000) {
                throw new ArchiveRefused(sprintf('"%s" would unpack to %d megabytes, more than a studio ever saves. Choose an archive that was saved from one.', substr($name, 0, 80), intdiv($size, 1_000_000)));
            }
            if (isset($sizes[$name])) {
                throw new ArchiveRefused(sprintf('"%s" is twice in the archive. Choose an archive that was saved from a studio.', substr($name, 0, 80)));
            }
            $sizes[$name] = $size;
        }
        if (array_sum($sizes) > $mostBytes) {
            throw new ArchiveRefused(sprintf('The archive would unpack to %d megabytes; at most %d are taken in.', intdiv(array_sum($sizes), 1_000_000), intdiv($mostBytes, 1_000_000)));
        }

        return new self($zip, $sizes);
    }

    public function has(string $name): bool
    {
        return isset($this->sizes[$name]);
    }

    /**
     * @return string its bytes
     *
     * @throws ArchiveRefused if it is not there, or damaged
     */
    public function bytes(string $name): string
    {
        if (! isset($this->sizes[$name])) {
            throw new ArchiveRefused(sprintf('"%s" is missing in the archive. Save it again, whole.', $name));
        }
        $bytes = $this->zip->getFromName($name);
        if ($bytes === false || strlen($bytes) !== $this->sizes[$name] || crc32($bytes) !== (int) ($this->zip->statName($name)['crc'] ?? -1)) {
            throw new ArchiveRefused(sprintf('"%s" in the archive is damaged. Copy the archive again, or choose an older one.', $name));
        }

        return $bytes;
    }

    /**
     * @return array<string, mixed>
     *
     * @throws ArchiveRefused if it is not there, or no JSON object
     */
    public function json(string $name): array
    {
        try {
            $told = json_decode($this->bytes($name), true, 64, JSON_THROW_ON_ERROR);
        } catch (\JsonException $broken) {
            throw new ArchiveRefused(sprintf('"%s" in the archive is no JSON: %s.', $name, $broken->getMessage()), previous: $broken);
        }
        if (! is_array($told) || ($told !== [] && array_is_list($told))) {
            throw new ArchiveRefused(sprintf('"%s" in the archive is no object.', $name));
        }

        return $told;
    }
}
