<?php

declare(strict_types=1);

namespace App\Studio\Photos;

use App\Models\Piece;
use App\Models\Reference;
use Illuminate\Support\Facades\DB;
use Imagick;
use Prism\Colour\Lab;
use Prism\Planning\Parcel;
use Prism\Reference\Image\Field;
use Prism\Reference\Image\Raster;
use Prism\Reference\Light\LightDirection;
use Prism\Reference\Lines\AreaPaint;
use Prism\Reference\Lines\Colouring;
use Prism\Reference\Lines\Ink;
use Prism\Reference\Lines\LineDrawing;
use Prism\Reference\LookRefused;
use Prism\Reference\PictureReading;
use Prism\Reference\Zones\ZoneMap;
use RuntimeException;

/** The line drawing that a piece is begun from, and the picture of it coloured, which then stands where a photo would. */
final class LinePictures
{
    private const FILE = 'lines.bin';

    public function __construct(private readonly PhotoReader $reader, private readonly PhotoStore $photos)
    {
    }

    /**
     * @param  string  $path  of the uploaded file
     *
     * @throws PhotoRefused
     * @throws LookRefused
     */
    public function read(string $path): LineDrawing
    {
        return LineDrawing::of($this->reader->pixels($path));
    }

    /** Of a new reference: nothing is coloured yet. */
    public function begin(Reference $reference, LineDrawing $drawing): void
    {
        $none = ZoneMap::none($drawing->areas->width, $drawing->areas->height);
        $written = $this->photos->put($reference, self::inked($none, str_repeat("\xff", 3 * strlen($none->labels)), $drawing), self::kept($drawing));
        $this->photos->settle($reference, $written, $reference->picture);
    }

    public function of(Reference $reference): LineDrawing
    {
        $bytes = $this->photos->beside($reference, self::FILE);
        $drawing = $bytes === null ? null : Parcel::unpack((string) gzuncompress($bytes));

        return $drawing instanceof LineDrawing ? $drawing : throw new RuntimeException('The line drawing of this piece is damaged.');
    }

    /**
     * What belongs to a reference beside its pictures, from lines as they were read once.
     *
     * @return array<string, string> bytes by file name
     *
     * @throws LookRefused if they close nothing
     */
    public static function files(Ink $ink): array
    {
        return self::kept(LineDrawing::ofInk($ink));
    }

    /**
     * The picture as it is coloured now, in place of the one that is shown.
     *
     * @param  array<int, AreaPaint>  $paints  by zone
     * @return Field its colours without the lines, of the size of the map
     */
    public function show(Piece $piece, ZoneMap $zones, array $paints, LightDirection $light): Field
    {
        $reference = $piece->reference();
        $drawing = $this->of($reference);
        $row = Reference::query()->whereKey($reference->id);
        $row->lockForUpdate();
        $reference->picture = $row->firstOrFail()->picture;
        $paper = Lab::of($piece->paper->L, $piece->paper->a, $piece->paper->b);
        $rgb = Colouring::of(LineDrawing::grown($zones), $zones, $paints, $light, $paper);
        $picture = $reference->nextPicture();
        $written = $this->photos->put($reference, self::inked($zones, $rgb, $drawing), self::kept($drawing));
        $this->photos->settle($reference, $written, $picture);
        $reference->update(['picture' => $picture, 'before' => null]);
        DB::afterCommit(fn () => $this->photos->prune($reference));

        return Field::of(Raster::of($zones->width, $zones->height, $rgb), PictureReading::EDGE);
    }

    /** @return array<string, string> */
    private static function kept(LineDrawing $drawing): array
    {
        return [self::FILE => (string) gzcompress(Parcel::pack($drawing), 1)];
    }

    /** The colours under the lines, at the size of those. */
    private static function inked(ZoneMap $zones, string $rgb, LineDrawing $drawing): Photo
    {
        $ink = $drawing->ink;
        $image = PhotoRenderer::image($zones->width, $zones->height, $rgb);
        $image->resizeImage($ink->width, $ink->height, Imagick::FILTER_CUBIC, 1.0);
        $lines = new Imagick;
        $lines->setSize($ink->width, $ink->height);
        $lines->setOption('depth', '8');
        $lines->setFormat('gray');
        $bytes = implode('', array_map(chr(...), range(0, 255)));
        $lines->readImageBlob(strtr($ink->darkness, $bytes, strrev($bytes)), 'lines.gray');
        $image->compositeImage($lines, Imagick::COMPOSITE_MULTIPLY, 0, 0);

        return new Photo($ink->width, $ink->height, PhotoRenderer::pixels($image), PhotoRenderer::jpeg($image));
    }
}
