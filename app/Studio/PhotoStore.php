<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\Reference;
use Closure;
use Illuminate\Support\Facades\File;
use Imagick;
use Prism\Reference\ColourMatrix;
use Prism\Reference\Field;
use Prism\Reference\PictureReading;
use Prism\Reference\Raster;
use Prism\Reference\Sample;

/**
 * Keeps the pictures of references: as they came, as decoded, and as seen in the light that the artist has told, which is
 * what all reading and sampling is done on.
 */
final class PhotoStore
{
    public function __construct(private readonly string $folder)
    {
    }

    /** @param  string  $original  path of the file as it was uploaded */
    public function put(Reference $reference, Photo $photo, string $original): void
    {
        $folder = $this->folderOf($reference);
        if (! is_dir($folder)) {
            mkdir($folder, 0o755, true);
        }
        copy($original, $folder.'/original');
        file_put_contents($folder.'/decoded.rgb', $photo->rgb);
        file_put_contents($folder.'/decoded.jpg', $photo->large);
        $this->render($reference, ColourMatrix::none());
    }

    /**
     * The pictures anew, in another light: all of them or, if it is stopped, none.
     *
     * @param  ?Closure(string, float): void  $progress  may throw to stop
     */
    public function render(Reference $reference, ColourMatrix $light, ?Closure $progress = null): void
    {
        $tell = static fn (float $share) => $progress === null ? null : $progress('Setting the light', $share);
        $tell(0.02);
        $folder = $this->folderOf($reference);
        // Pictures kept before there was a light to choose have no decoded pixels of their own.
        $decoded = is_file($folder.'/decoded.rgb') ? $folder.'/decoded.rgb' : $folder.'/photo.rgb';
        $rgb = (string) file_get_contents($decoded);
        if ($decoded !== $folder.'/decoded.rgb') {
            file_put_contents($folder.'/decoded.rgb', $rgb);
        }
        $image = PhotoRenderer::balanced(PhotoRenderer::image($reference->width, $reference->height, $rgb), $light);
        $made = ['photo.rgb' => PhotoRenderer::pixels($image), 'photo.jpg' => PhotoRenderer::jpeg($image)];
        $tell(0.3);
        $made['value.jpg'] = PhotoRenderer::jpeg(PhotoRenderer::value($image));
        $tell(0.5);
        if (is_file($folder.'/decoded.jpg')) {
            $made['large.jpg'] = $light->isNone()
                ? (string) file_get_contents($folder.'/decoded.jpg')
                : PhotoRenderer::jpeg(PhotoRenderer::balanced(new Imagick($folder.'/decoded.jpg'), $light));
        }
        $tell(0.8);
        foreach ($made as $name => $bytes) {
            file_put_contents($folder.'/'.$name, $bytes);
        }
        @unlink($folder.'/temperature.jpg');
    }

    public function path(Reference $reference, PhotoView $view): string
    {
        $path = $this->folderOf($reference).'/'.$view->value.'.jpg';
        if ($view === PhotoView::Temperature && ! is_file($path)) {
            file_put_contents($path, PhotoRenderer::jpeg(PhotoRenderer::temperature($this->field($reference))));
        }
        if ($view === PhotoView::Large && ! is_file($path)) {
            return $this->path($reference, PhotoView::Photo);
        }

        return $path;
    }

    public function raster(Reference $reference): Raster
    {
        return Raster::of($reference->width, $reference->height, (string) file_get_contents($this->folderOf($reference).'/photo.rgb'));
    }

    /** At the size in which zones are read. */
    public function field(Reference $reference): Field
    {
        return Field::of($this->raster($reference), PictureReading::EDGE);
    }

    /**
     * @param  float  $x  centre as a share of the width, 0-1
     * @param  float  $y  centre as a share of the height, 0-1
     * @param  float  $radius  as a share of the width
     */
    public function sample(Reference $reference, float $x, float $y, float $radius): Sample
    {
        return $this->sampled($reference, 'photo.rgb', $x, $y, $radius);
    }

    /** The same before the light was told: what tells the light must not depend on what was told before. */
    public function sampleAsDecoded(Reference $reference, float $x, float $y, float $radius): Sample
    {
        return $this->sampled($reference, is_file($this->folderOf($reference).'/decoded.rgb') ? 'decoded.rgb' : 'photo.rgb', $x, $y, $radius);
    }

    /** Of a piece that never came to be. */
    public function forget(Reference $reference): void
    {
        File::deleteDirectory($this->folderOf($reference));
    }

    public function folderOf(Reference $reference): string
    {
        return $this->folder.'/'.$reference->id;
    }

    private function sampled(Reference $reference, string $file, float $x, float $y, float $radius): Sample
    {
        $width = $reference->width;
        $height = $reference->height;
        $centre = $y * $height;
        $reach = (int) ceil($radius * $width) + 1;
        $first = max(0, min($height - 1, (int) floor($centre) - $reach));
        $last = max($first, min($height - 1, (int) floor($centre) + $reach));
        $bytes = (string) file_get_contents($this->folderOf($reference).'/'.$file, false, null, 3 * $width * $first, max(0, 3 * $width * ($last - $first + 1)));

        return Raster::of($width, $last - $first + 1, $bytes)->sample($x * $width, $centre - $first, $radius * $width);
    }
}
