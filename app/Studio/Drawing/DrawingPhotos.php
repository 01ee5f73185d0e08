<?php

declare(strict_types=1);

namespace App\Studio\Drawing;

use App\Models\DrawingEntry;
use App\Models\Piece;
use App\Studio\Files\WholeFile;
use App\Studio\Photos\PhotoReader;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\File;

/** Photos that an artist takes of a drawing on the way; they stand in its log. */
final class DrawingPhotos
{
    /** Pictures that are made of one when it is compared; they lie beside it. */
    public const CHECKED = ['straight', 'values', 'errors'];

    public function __construct(private readonly string $folder, private readonly PhotoReader $reader)
    {
    }

    /**
     * @param  string  $mark  what was sent before is not kept again
     * @param  array{note?: ?string, turn?: ?int, zone?: ?string}  $about
     *
     * @throws \App\Studio\Photos\PhotoRefused
     */
    public function keep(Piece $piece, string $mark, UploadedFile $upload, array $about, Carbon $madeAt): DrawingEntry
    {
        return $this->keepFile($piece, $mark, $upload->getPathname(), $about, $madeAt);
    }

    /**
     * The same from a file that lies there.
     *
     * @param  array{note?: ?string, turn?: ?int, zone?: ?string}  $about
     *
     * @throws \App\Studio\Photos\PhotoRefused
     */
    public function keepFile(Piece $piece, string $mark, string $file, array $about, Carbon $madeAt): DrawingEntry
    {
        $entries = $piece->drawingEntries();
        $there = $entries->where('mark', $mark)->first();
        if ($there !== null) {
            return $there;
        }
        $photo = $this->reader->read($file);
        File::ensureDirectoryExists($this->folder.'/'.$piece->id, 0o700);
        // The file first: an entry never stands without its photo.
        WholeFile::put($this->path($piece, $mark), $photo->large);

        return $piece->drawingEntries()->firstOrCreate(['mark' => $mark], ['kind' => 'photo', ...$about, 'photo_width' => $photo->width, 'photo_height' => $photo->height, 'made_at' => $madeAt]);
    }

    /**
     * As an archive has it.
     *
     * @param  array<string, string>  $files  bytes by what follows the name of the photo, which itself has nothing behind it
     */
    public function putKept(Piece $piece, string $mark, array $files): void
    {
        File::ensureDirectoryExists($this->folder.'/'.$piece->id, 0o700);
        foreach ($files as $end => $bytes) {
            WholeFile::put($this->path($piece, $mark).$end, $bytes);
        }
    }

    public function path(Piece $piece, string $mark): string
    {
        return $this->folder.'/'.$piece->id.'/'.basename($mark).'.jpg';
    }

    /**
     * All that is kept of the drawing of one piece for another; what is told in words of it is written anew.
     *
     * @param  \Closure(string): string  $told  what a text that was kept says of the other piece
     */
    public function copy(string $piece, string $for, \Closure $told): void
    {
        $from = $this->folder.'/'.$piece;
        if (! is_dir($from)) {
            return;
        }
        File::ensureDirectoryExists($this->folder.'/'.$for, 0o700);
        foreach (File::files($from) as $file) {
            $to = $this->folder.'/'.$for.'/'.$file->getFilename();
            if ($file->getExtension() === 'json') {
                WholeFile::put($to, $told((string) file_get_contents($file->getPathname())));
            } elseif (! @link($file->getPathname(), $to)) {
                copy($file->getPathname(), $to);
            }
        }
    }

    /** All that is kept of the drawing of a piece, by its key. */
    public function remove(string $piece): void
    {
        File::deleteDirectory($this->folder.'/'.$piece);
    }
}
