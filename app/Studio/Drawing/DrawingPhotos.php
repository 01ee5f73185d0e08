<?php

declare(strict_types=1);

namespace App\Studio\Drawing;

use App\Models\DrawingEntry;
use App\Models\Piece;
use App\Studio\Files\Depot;
use App\Studio\Photos\PhotoReader;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Carbon;

/** Photos that an artist takes of a drawing on the way; they stand in its log. */
final class DrawingPhotos
{
    /** Pictures that are made of one when it is compared; they lie beside it. */
    public const CHECKED = ['straight', 'values', 'errors'];

    /** What was found then is told in a file that is called so. */
    public const TOLD = '.review.json';

    /** Of all pieces, by their key. */
    public const FOLDER = 'drawings';

    public function __construct(private readonly Depot $depot, private readonly PhotoReader $reader)
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
        // The file first: an entry never stands without its photo.
        $this->depot->put(self::name($piece, $mark), $photo->large);

        return $piece->drawingEntries()->firstOrCreate(['mark' => $mark], ['kind' => 'photo', ...$about, 'photo_width' => $photo->width, 'photo_height' => $photo->height, 'made_at' => $madeAt]);
    }

    /**
     * As an archive has it.
     *
     * @param  array<string, string>  $files  bytes by what follows the name of the photo, which itself has nothing behind it
     */
    public function putKept(Piece $piece, string $mark, array $files): void
    {
        foreach ($files as $end => $bytes) {
            $this->depot->put(self::name($piece, $mark).$end, $bytes);
        }
    }

    /**
     * Where a photo, or what was made of it since, lies on this machine; null if there is none.
     *
     * @param  string  $end  what follows the name of the photo
     */
    public function path(Piece $piece, string $mark, string $end = ''): ?string
    {
        // A photo is what it is; what was found in it is found anew.
        return $end === '' ? $this->depot->path(self::name($piece, $mark)) : $this->depot->latest(self::name($piece, $mark).$end);
    }

    private static function name(Piece $piece, string $mark): string
    {
        return self::FOLDER."/$piece->id/".basename($mark).'.jpg';
    }

    /**
     * All that is kept of the drawing of one piece for another; what is told in words of it is written anew.
     *
     * @param  \Closure(string): string  $told  what a text that was kept says of the other piece
     */
    public function copy(string $piece, string $for, \Closure $told): void
    {
        $this->depot->copyFolder(self::FOLDER."/$piece", self::FOLDER."/$for", static fn (string $name, string $bytes): string => $told($bytes));
    }

    /** All that is kept of the drawing of a piece, by its key. */
    public function remove(string $piece): void
    {
        $this->depot->removeFolder(self::FOLDER."/$piece");
    }
}
