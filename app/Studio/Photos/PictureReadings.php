<?php

declare(strict_types=1);

namespace App\Studio\Photos;

use App\Models\Reference;
use Closure;
use Illuminate\Support\Facades\File;
use Prism\Planning\Parcel;
use Prism\Reference\PictureReading;

/** What was read in references: computed once for each picture, whoever brings it, and kept beside it. */
final class PictureReadings
{
    /** Goes up when pictures are read differently. */
    private const VERSION = 2;

    private const KIND = 'reading';

    /** Pictures whose readings are kept for whoever brings the same one again, as everybody does who opens the demo's. */
    private const KEPT = 24;

    /** @param  string  $folder  where those are */
    public function __construct(private readonly PhotoStore $photos, private readonly string $folder)
    {
    }

    /** Null if this picture was not read yet. */
    public function of(Reference $reference): ?PictureReading
    {
        $kept = $this->photos->beside($reference, self::file($reference));
        $reading = $kept === null ? null : Parcel::unpack($kept);

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
        $packed = KeptFiles::of($this->folder, self::KIND, $raster->digest().'-'.self::VERSION, self::KEPT, static function () use ($raster, $progress, &$reading): string {
            return Parcel::pack($reading = PictureReading::of($raster, $progress));
        }, 'bin');
        $reading ??= Parcel::unpack($packed);
        if (! $reading instanceof PictureReading) {
            // What was kept is damaged.
            $packed = Parcel::pack($reading = PictureReading::of($raster, $progress));
        }
        $this->photos->putBeside($reference, self::file($reference), $packed);
        $this->photos->removeBeside($reference, self::KIND, self::file($reference));

        return $reading;
    }

    private static function file(Reference $reference): string
    {
        return sprintf('%s-%d-%d', self::KIND, self::VERSION, $reference->picture);
    }
}
