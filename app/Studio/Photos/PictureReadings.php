<?php

declare(strict_types=1);

namespace App\Studio\Photos;

use App\Models\Reference;
use App\Studio\Files\WholeFile;
use Closure;
use Illuminate\Support\Facades\File;
use Prism\Planning\Parcel;
use Prism\Reference\PictureReading;

/** What was read in references: computed once for each picture, whoever brings it, and kept beside it. */
final class PictureReadings
{
    /** Goes up when pictures are read differently. */
    private const VERSION = 2;

    /** Pictures whose readings are kept for whoever brings the same one again, as everybody does who opens the demo's. */
    private const KEPT = 24;

    /** @param  string  $folder  where those are */
    public function __construct(private readonly PhotoStore $photos, private readonly string $folder)
    {
    }

    /** Null if this picture was not read yet. */
    public function of(Reference $reference): ?PictureReading
    {
        $path = $this->path($reference);
        $reading = is_file($path) ? Parcel::unpack((string) file_get_contents($path)) : null;

        return $reading instanceof PictureReading ? $reading : null;
    }

    /** @param  ?Closure(string, float): void  $progress */
    public function read(Reference $reference, ?Closure $progress = null): PictureReading
    {
        $known = $this->of($reference);
        if ($known !== null) {
            return $known;
        }
        $raster = $this->photos->raster($reference);
        $reading = null;
        File::ensureDirectoryExists($this->folder);
        $packed = KeptFiles::of($this->folder, 'reading', $raster->digest().'-'.self::VERSION, self::KEPT, static function () use ($raster, $progress, &$reading): string {
            return Parcel::pack($reading = PictureReading::of($raster, $progress));
        }, 'bin');
        $reading ??= Parcel::unpack($packed);
        if (! $reading instanceof PictureReading) {
            // What was kept is damaged.
            $packed = Parcel::pack($reading = PictureReading::of($raster, $progress));
        }
        WholeFile::put($this->path($reference), $packed);
        foreach (glob($this->photos->folderOf($reference).'/reading-*') ?: [] as $old) {
            if ($old !== $this->path($reference)) {
                unlink($old);
            }
        }

        return $reading;
    }

    private function path(Reference $reference): string
    {
        return sprintf('%s/reading-%d-%d', $this->photos->folderOf($reference), self::VERSION, $reference->picture);
    }
}
