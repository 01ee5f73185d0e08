<?php

declare(strict_types=1);

namespace Prism\Exchange\Archive;

use RuntimeException;
use ZipArchive;

/** A zip file that is being written: whole at {@see self::close()}, or not at all. */
final class ArchiveWriter
{
    /** What is packed already. */
    private const PACKED = '/\.(jpg|png|pdf)$/';

    private function __construct(private readonly ZipArchive $zip, private readonly string $path)
    {
    }

    public static function to(string $path): self
    {
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::CREATE | ZipArchive::OVERWRITE) !== true) {
            throw new RuntimeException('There is no room for the archive in the studio.');
        }

        return new self($zip, $path);
    }

    public function put(string $name, string $bytes): void
    {
        $this->zip->addFromString($name, $bytes);
        $this->settle($name);
    }

    /** @param  array<mixed>  $told */
    public function json(string $name, array $told): void
    {
        $this->put($name, json_encode($told, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRETTY_PRINT));
    }

    /** A file that lies there until the archive is closed. */
    public function file(string $name, string $path): void
    {
        $this->zip->addFile($path, $name);
        $this->settle($name);
    }

    /** @return int bytes */
    public function close(): int
    {
        if (! $this->zip->close()) {
            throw new RuntimeException('There is no room for the archive in the studio.');
        }

        return (int) filesize($this->path);
    }

    private function settle(string $name): void
    {
        if (preg_match(self::PACKED, $name) === 1) {
            $this->zip->setCompressionName($name, ZipArchive::CM_STORE);
        }
    }
}
