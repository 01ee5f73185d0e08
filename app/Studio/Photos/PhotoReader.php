<?php

declare(strict_types=1);

namespace App\Studio\Photos;

use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use Prism\Reference\Image\Raster;
use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\PhpExecutableFinder;
use Symfony\Component\Process\Process;

/**
 * Reads an uploaded picture: checks it before it is decoded, and has it decoded ({@see PhotoDecoder}) where it can do no harm.
 */
final class PhotoReader
{
    public const DAMAGED = 'This picture is damaged and cannot be decoded. Save it again as JPEG or PNG.';

    private const SHORTEST_EDGE = 48;

    private const TOO_MUCH = 'This picture takes more time or memory to decode than a photo does. Save it again as JPEG, without what it carries beside the picture.';

    /** What decoding one may take. */
    private const MEMORY_MEGABYTES = 2048;

    private const CPU_SECONDS = 20;

    private const SECONDS = 40.0;

    public function __construct(private readonly int $maxMegapixels, private readonly int $workingEdge, private readonly int $largeEdge, private readonly int $memoryMegabytes = self::MEMORY_MEGABYTES)
    {
    }

    /**
     * What can be said without decoding it.
     *
     * @throws PhotoRefused
     */
    public function check(string $path): void
    {
        $this->checked($path, (string) file_get_contents($path));
    }

    /** @throws PhotoRefused */
    public function read(string $path): Photo
    {
        return $this->of($path, $this->largeEdge);
    }

    /**
     * For its pixels alone: nothing larger than the working size is made.
     *
     * @throws PhotoRefused
     */
    public function pixels(string $path): Raster
    {
        $photo = $this->of($path, $this->workingEdge);

        return Raster::of($photo->width, $photo->height, $photo->rgb);
    }

    /** @throws PhotoRefused */
    private function of(string $path, int $largeEdge): Photo
    {
        $bytes = (string) file_get_contents($path);
        $format = $this->checked($path, $bytes);
        $folder = sys_get_temp_dir().'/prism-'.Str::random(16);
        File::makeDirectory($folder, 0o700);
        try {
            if ($format === 'png') {
                file_put_contents($folder.'/plain', PngChunks::withoutExtras($bytes));
                $path = $folder.'/plain';
            }

            return $this->decoded($path, $format, $folder, $largeEdge);
        } finally {
            File::deleteDirectory($folder);
        }
    }

    /**
     * @return string its format
     *
     * @throws PhotoRefused
     */
    private function checked(string $path, string $bytes): string
    {
        $format = self::format($bytes);
        if ($format === null) {
            throw new PhotoRefused('This file is not a picture that can be read here. Choose a JPEG, PNG or WebP.');
        }
        if (! self::isWhole($format, $bytes)) {
            throw new PhotoRefused('This picture is cut off: its end is missing. Copy it again from the camera or the source.');
        }
        $this->checkSize($path);

        return $format;
    }

    /**
     * By a process of its own, which may take so much time and memory and no more.
     *
     * @throws PhotoRefused
     */
    private function decoded(string $path, string $format, string $folder, int $largeEdge): Photo
    {
        $limits = sprintf('ulimit -t %d && ulimit -v %d && exec "$@"', self::CPU_SECONDS, 1024 * $this->memoryMegabytes);
        $process = new Process(
            ['sh', '-c', $limits, 'sh', (new PhpExecutableFinder)->find(false) ?: 'php', '-d', 'opcache.enable_cli=0', '-d', 'memory_limit='.$this->memoryMegabytes.'M', base_path('bin/decode'), $path, $format, $folder, (string) $largeEdge, (string) $this->workingEdge],
            env: ['MAGICK_CONFIGURE_PATH' => base_path('bin/magick'), 'OMP_NUM_THREADS' => '1'],
            timeout: self::SECONDS,
        );
        try {
            $process->run();
        } catch (ProcessTimedOutException $late) {
            throw new PhotoRefused(self::TOO_MUCH, previous: $late);
        }
        if ($process->getExitCode() === 2) {
            throw new PhotoRefused($process->getOutput());
        }
        if (! $process->isSuccessful()) {
            throw new PhotoRefused(self::TOO_MUCH);
        }
        [$width, $height] = array_map(intval(...), explode(' ', $process->getOutput()));

        return new Photo($width, $height, (string) file_get_contents($folder.'/photo.rgb'), (string) file_get_contents($folder.'/large.jpg'));
    }

    /**
     * Before anything is decoded.
     *
     * @throws PhotoRefused
     */
    private function checkSize(string $path): void
    {
        $header = @getimagesize($path);
        if ($header === false || $header[0] < 1 || $header[1] < 1) {
            throw new PhotoRefused(self::DAMAGED);
        }
        [$width, $height] = $header;
        if ($width * $height > $this->maxMegapixels * 1_000_000) {
            throw new PhotoRefused(sprintf('This picture has %d x %d pixels, %d megapixels; at most %d are read. Save a smaller copy.', $width, $height, (int) round($width * $height / 1e6), $this->maxMegapixels));
        }
        if (min($width, $height) < self::SHORTEST_EDGE) {
            throw new PhotoRefused(sprintf('This picture has only %d x %d pixels; the shorter side needs at least %d.', $width, $height, self::SHORTEST_EDGE));
        }
    }

    private static function format(string $bytes): ?string
    {
        return match (true) {
            str_starts_with($bytes, "\xFF\xD8\xFF") => 'jpeg',
            str_starts_with($bytes, "\x89PNG\r\n\x1A\n") => 'png',
            str_starts_with($bytes, 'RIFF') && substr($bytes, 8, 4) === 'WEBP' => 'webp',
            default => null,
        };
    }

    private static function isWhole(string $format, string $bytes): bool
    {
        return match ($format) {
            'jpeg' => strrpos($bytes, "\xFF\xD9") > 0,
            'png' => str_contains(substr($bytes, -32), 'IEND'),
            default => strlen($bytes) >= (unpack('V', substr($bytes, 4, 4))[1] ?? PHP_INT_MAX) + 8,
        };
    }
}
