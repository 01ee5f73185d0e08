<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\Piece;
use Prism\Reference\Raster;
use Prism\Reference\Sample;

/** Keeps the pictures of a piece, and samples them without decoding them again. */
final class PhotoStore
{
    public function __construct(private readonly string $folder)
    {
    }

    /** @param  string  $original path of the file as it was uploaded */
    public function put(Piece $piece, Photo $photo, string $original): void
    {
        $folder = $this->folderOf($piece);
        if (! is_dir($folder)) {
            mkdir($folder, 0o755, true);
        }
        copy($original, $folder.'/original');
        file_put_contents($folder.'/photo.jpg', $photo->jpeg);
        file_put_contents($folder.'/value.jpg', $photo->valueJpeg);
        file_put_contents($folder.'/photo.rgb', $photo->rgb);
    }

    public function path(Piece $piece, PhotoView $view): string
    {
        return $this->folderOf($piece).'/'.$view->value.'.jpg';
    }

    /**
     * @param  float  $x  centre as a share of the width, 0-1
     * @param  float  $y  centre as a share of the height, 0-1
     * @param  float  $radius  as a share of the width
     */
    public function sample(Piece $piece, float $x, float $y, float $radius): Sample
    {
        $width = $piece->photo_width;
        $height = $piece->photo_height;
        $centre = $y * $height;
        $reach = (int) ceil($radius * $width) + 1;
        $first = max(0, min($height - 1, (int) floor($centre) - $reach));
        $last = max($first, min($height - 1, (int) floor($centre) + $reach));
        $bytes = (string) file_get_contents($this->folderOf($piece).'/photo.rgb', false, null, 3 * $width * $first, max(0, 3 * $width * ($last - $first + 1)));

        return Raster::of($width, $last - $first + 1, $bytes)->sample($x * $width, $centre - $first, $radius * $width);
    }

    private function folderOf(Piece $piece): string
    {
        return $this->folder.'/'.$piece->id;
    }
}
