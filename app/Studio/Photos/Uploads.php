<?php

declare(strict_types=1);

namespace App\Studio\Photos;

use App\Studio\Files\Depot;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;

/** Uploaded pictures on their way to whoever decodes them. They go when they are decoded or refused; one whose worker died goes later. */
final class Uploads
{
    /** Nothing waits that long for its turn. */
    private const LEFT_BEHIND_SECONDS = 86_400;

    private const FOLDER = 'uploads';

    public function __construct(private readonly Depot $depot, private readonly PhotoReader $reader)
    {
    }

    /**
     * Keeps what can be a picture, until it is forgotten.
     *
     * @return string its name here
     *
     * @throws PhotoRefused if it is seen without decoding that it cannot be read
     */
    public function keep(UploadedFile $upload): string
    {
        $this->reader->check($upload->getPathname());
        $name = (string) Str::ulid();
        $old = array_filter($this->depot->about(self::FOLDER), static fn (array $about): bool => $about['at'] < time() - self::LEFT_BEHIND_SECONDS);
        $this->depot->remove(...array_keys($old));
        $this->depot->take($upload->getPathname(), self::name($name));

        return $name;
    }

    /** Where it lies on this machine. */
    public function path(string $name): string
    {
        return $this->depot->path(self::name($name)) ?? $this->depot->place(self::name($name));
    }

    public function forget(string $name): void
    {
        $this->depot->remove(self::name($name));
    }

    private static function name(string $name): string
    {
        return self::FOLDER.'/'.basename($name);
    }
}
