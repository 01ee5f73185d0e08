<?php

declare(strict_types=1);

namespace App\Studio\Photos;

use App\Studio\Files\WholeFile;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;

/** Uploaded pictures on their way to whoever decodes them. They go when they are decoded or refused; one whose worker died goes later. */
final class Uploads
{
    /** Nothing waits that long for its turn. */
    private const LEFT_BEHIND_SECONDS = 86_400;

    public function __construct(private readonly string $folder, private readonly PhotoReader $reader)
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
        File::ensureDirectoryExists($this->folder, 0o700);
        foreach (File::files($this->folder) as $file) {
            if ($file->getMTime() < time() - self::LEFT_BEHIND_SECONDS) {
                File::delete($file->getPathname());
            }
        }
        WholeFile::copy($upload->getPathname(), $this->path($name));

        return $name;
    }

    public function path(string $name): string
    {
        return $this->folder.'/'.basename($name);
    }

    public function forget(string $name): void
    {
        File::delete($this->path($name));
    }
}
