<?php

declare(strict_types=1);

namespace App\Studio\Photos;

use App\Models\Reference;
use App\Studio\Files\Depot;
use App\Studio\Files\WholeFile;
use Closure;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use Imagick;
use Prism\Reference\Image\Field;
use Prism\Reference\Image\Raster;
use Prism\Reference\Image\Sample;
use Prism\Reference\Light\ColourMatrix;
use Prism\Reference\PictureReading;
use RuntimeException;

/**
 * Keeps the pictures of references: as decoded, without what the camera wrote of place and time, and as seen in the light that the
 * artist has told, which is what all reading and sampling is done on. A changed picture is written beside the one that is shown.
 */
final class PhotoStore
{
    /** What was not written to its end so long is not being written any more. */
    private const ABANDONED_SECONDS = 3600;

    /** What is being written is called so. */
    private const NEW = 'new-';

    /** Of all of them, by the key of their reference. */
    private const FOLDER = 'pieces';

    public function __construct(private readonly Depot $depot)
    {
    }

    /**
     * A photo beside those that are shown.
     *
     * @param  array<string, string>  $beside  bytes that belong to it, by file name; see {@see self::beside()}
     * @return string what {@see self::settle()} takes
     */
    public function put(Reference $reference, Photo $photo, array $beside = []): string
    {
        return $this->write($reference, [...$beside, 'decoded.rgb' => $photo->rgb, 'decoded.jpg' => $photo->large, ...self::rendered($photo->width, $photo->height, $photo->rgb, $photo->large, ColourMatrix::none(), null)]);
    }

    /**
     * The picture that is shown in another light, beside it.
     *
     * @param  ?Closure(string, float): void  $progress  may throw to stop: nothing is written then
     * @return string what {@see self::settle()} takes
     */
    public function relight(Reference $reference, ColourMatrix $light, ?Closure $progress = null): string
    {
        // Pictures kept before there was a light to choose have no decoded pixels of their own.
        $rgb = $this->beside($reference, 'decoded.rgb') ?? $this->pixels($reference);
        $large = $this->beside($reference, 'decoded.jpg');

        return $this->write($reference, ['decoded.rgb' => $rgb, ...($large === null ? [] : ['decoded.jpg' => $large]), ...self::rendered($reference->width, $reference->height, $rgb, $large, $light, $progress)]);
    }

    /** Gives a written picture its number, under which it is seen. While the row is locked: another may be about to give the same. */
    public function settle(Reference $reference, string $written, int $picture): void
    {
        $folder = self::FOLDER."/$reference->id";
        // One of that number is of somebody who did not come to switch to it.
        $this->depot->settle("$folder/$written", "$folder/$picture");
    }

    /** Forgets pictures that are neither shown nor to be taken back. */
    public function prune(Reference $reference): void
    {
        $folder = $this->depot->place(self::FOLDER."/$reference->id");
        $kept = [$reference->picture, $reference->before['picture'] ?? 0];
        foreach ($this->depot->folders(self::FOLDER."/$reference->id") as $old) {
            if (ctype_digit(basename($old)) && ! in_array((int) basename($old), $kept, true)) {
                $this->depot->removeFolder($old);
            }
        }
        // One that is being written, here, has no number yet.
        foreach (glob($folder.'/'.self::NEW.'*', GLOB_ONLYDIR) ?: [] as $old) {
            if (filemtime($old) < time() - self::ABANDONED_SECONDS) {
                File::deleteDirectory($old);
            }
        }
        // Of a studio that kept one picture of each reference, beside no other.
        if (! $this->depot->isShared() && array_filter($kept, static fn (int $number): bool => $number > 0 && ! is_dir("$folder/$number")) === []) {
            File::delete(array_filter(glob($folder.'/*') ?: [], is_file(...)));
        }
    }

    /**
     * @param  ?Closure(string, float): void  $progress  may throw to stop
     * @return array<string, string> bytes of the pictures, by file name
     */
    private static function rendered(int $width, int $height, string $rgb, ?string $large, ColourMatrix $light, ?Closure $progress): array
    {
        $tell = static fn (float $share) => $progress === null ? null : $progress('Setting the light', $share);
        $tell(0.02);
        $image = PhotoRenderer::balanced(PhotoRenderer::image($width, $height, $rgb), $light);
        $made = ['photo.rgb' => PhotoRenderer::pixels($image), 'photo.jpg' => PhotoRenderer::jpeg($image)];
        $tell(0.3);
        if ($large !== null) {
            $bright = new Imagick;
            $bright->readImageBlob($large);
            $made['large.jpg'] = $light->isNone() ? $large : PhotoRenderer::jpeg(PhotoRenderer::balanced($bright, $light));
        }
        $tell(0.8);

        return $made;
    }

    /**
     * @param  array<string, string>  $files
     * @return string name of the folder
     */
    private function write(Reference $reference, array $files): string
    {
        $written = self::NEW.Str::random(16);
        $folder = $this->depot->place(self::FOLDER."/$reference->id/$written");
        File::ensureDirectoryExists($folder);
        try {
            foreach ($files as $name => $bytes) {
                WholeFile::put($folder.'/'.$name, $bytes);
            }
        } catch (RuntimeException $problem) {
            File::deleteDirectory($folder);
            throw $problem;
        }

        return $written;
    }

    /** Where a view lies on this machine. */
    public function path(Reference $reference, PhotoView $view): string
    {
        if (! in_array($view, [PhotoView::Temperature, PhotoView::Value], true)) {
            return $this->here($reference, "$view->value.jpg") ?? ($view === PhotoView::Photo ? throw new RuntimeException('The photo of this reference is not there.') : $this->path($reference, PhotoView::Photo));
        }
        $path = $this->folderOf($reference)."/$view->value.jpg";
        if (! is_file($path)) {
            // Made when it is looked at first.
            WholeFile::put($path, PhotoRenderer::jpeg($view === PhotoView::Temperature ? PhotoRenderer::temperature($this->field($reference)) : PhotoRenderer::value($this->image($reference))));
        }

        return $path;
    }

    /** What was put with the picture that is shown; null if there is no such file. */
    public function beside(Reference $reference, string $file): ?string
    {
        $path = $this->here($reference, $file);

        return $path === null ? null : (string) file_get_contents($path);
    }

    /** What is worked out of the picture that is shown and takes long, for {@see self::beside()}; on every machine, where there are several. */
    public function putBeside(Reference $reference, string $file, string $bytes): void
    {
        $this->depot->put($this->nameOf($reference)."/$file", $bytes);
    }

    /** Forgets what was put so, but one. */
    public function removeBeside(Reference $reference, string $kind, string $but): void
    {
        $folder = $this->nameOf($reference);
        $old = array_filter($this->depot->files($folder), static fn (string $file): bool => str_starts_with($file, "$folder/$kind-") && $file !== "$folder/$but");
        $this->depot->remove(...array_values($old));
    }

    private function image(Reference $reference): Imagick
    {
        return PhotoRenderer::image($reference->width, $reference->height, $this->pixels($reference));
    }

    public function raster(Reference $reference): Raster
    {
        return Raster::of($reference->width, $reference->height, $this->pixels($reference));
    }

    private function pixels(Reference $reference): string
    {
        return $this->beside($reference, 'photo.rgb') ?? throw new RuntimeException('The photo of this reference is not there.');
    }

    /** @param  int  $edge  its long edge, in pixels; else that in which zones are read */
    public function field(Reference $reference, int $edge = PictureReading::EDGE): Field
    {
        return Field::of($this->raster($reference), $edge);
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
        return $this->sampled($reference, $this->here($reference, 'decoded.rgb') === null ? 'photo.rgb' : 'decoded.rgb', $x, $y, $radius);
    }

    /**
     * What a reference is made of, as open files: its pixels as decoded, large, and both again in the light that was told.
     *
     * @return array<string, string> bytes by file name
     *
     * @see self::putKept()
     */
    public function kept(Reference $reference): array
    {
        $files = [];
        foreach (['decoded' => 'decoded', 'photo' => 'large'] as $pixels => $large) {
            $rgb = $this->beside($reference, "$pixels.rgb");
            $jpeg = $this->beside($reference, "$large.jpg");
            if ($rgb !== null && ($pixels === 'decoded' || $rgb !== $this->beside($reference, 'decoded.rgb'))) {
                $files["$pixels.png"] = PhotoRenderer::png($reference->width, $reference->height, $rgb);
            }
            if ($jpeg !== null && ($large === 'decoded' || $jpeg !== $this->beside($reference, 'decoded.jpg'))) {
                $files["$large.jpg"] = $jpeg;
            }
        }

        return $files;
    }

    /**
     * The same in a new reference.
     *
     * @param  string  $decoded  pixels, three bytes each
     * @param  ?string  $lit  in the light that was told; null where there is none
     * @param  array<string, string>  $large  bytes of decoded.jpg and large.jpg, where there are such
     */
    public function putKept(Reference $reference, string $decoded, ?string $lit, array $large): void
    {
        $shown = $lit ?? $decoded;
        $files = [
            ...$large, 'photo.rgb' => $shown, 'photo.jpg' => PhotoRenderer::jpeg(PhotoRenderer::image($reference->width, $reference->height, $shown)), 'decoded.rgb' => $decoded,
            ...(isset($large['decoded.jpg']) ? ['large.jpg' => $large['large.jpg'] ?? $large['decoded.jpg']] : []),
        ];
        $this->settle($reference, $this->write($reference, $files), $reference->picture);
    }

    /** Of a piece that never came to be. */
    public function forget(Reference $reference): void
    {
        $this->remove($reference->id);
    }

    /** All pictures of a reference, by its key. */
    public function remove(string $reference): void
    {
        $this->depot->removeFolder(self::FOLDER."/$reference");
    }

    /** The pictures of one reference for another. */
    public function copy(string $reference, string $for): void
    {
        $this->depot->copyFolder(self::FOLDER."/$reference", self::FOLDER."/$for");
    }

    /** A folder of this machine for what can be made anew of the picture that is shown. */
    public function folderOf(Reference $reference): string
    {
        $folder = $this->depot->place($this->nameOf($reference));
        File::ensureDirectoryExists($folder, 0o700);

        return $folder;
    }

    private function nameOf(Reference $reference): string
    {
        $folder = self::FOLDER."/$reference->id";

        // A studio that kept one picture of each reference had no numbers.
        return $this->depot->isShared() || is_dir($this->depot->place("$folder/$reference->picture")) ? "$folder/$reference->picture" : $folder;
    }

    /** Where a file of the picture that is shown lies on this machine; null if there is none. */
    private function here(Reference $reference, string $file): ?string
    {
        return $this->depot->path($this->nameOf($reference)."/$file");
    }

    private function sampled(Reference $reference, string $file, float $x, float $y, float $radius): Sample
    {
        $width = $reference->width;
        $height = $reference->height;
        $centre = $y * $height;
        $reach = (int) ceil($radius * $width) + 1;
        $first = max(0, min($height - 1, (int) floor($centre) - $reach));
        $last = max($first, min($height - 1, (int) floor($centre) + $reach));
        $bytes = (string) file_get_contents($this->here($reference, $file) ?? throw new RuntimeException('The photo of this reference is not there.'), false, null, 3 * $width * $first, max(0, 3 * $width * ($last - $first + 1)));

        return Raster::of($width, $last - $first + 1, $bytes)->sample($x * $width, $centre - $first, $radius * $width);
    }
}
