<?php

declare(strict_types=1);

namespace App\Studio;

use Imagick;
use ImagickException;
use ImagickPixel;
use Prism\Colour\Srgb;

/**
 * Decodes an uploaded picture: checks it before decoding, turns it upright by its EXIF, converts its profile to sRGB,
 * takes the first frame of an animation, and scales it to the working size, with a larger one to look at.
 */
final class PhotoReader
{
    private const DAMAGED = 'This picture is damaged and cannot be decoded. Save it again as JPEG or PNG.';

    private const SHORTEST_EDGE = 48;

    /** Darker than this L* all over, a picture has nothing to read. */
    private const BLACK_BELOW = 4.0;

    /** Shipped with TCPDF: the profile that pictures are converted to. */
    private const SRGB_PROFILE = 'vendor/tecnickcom/tcpdf/include/sRGB.icc';

    private const LARGE_QUALITY = 88;

    private const MEMORY_MEGABYTES = 1024;

    public function __construct(private readonly int $maxMegapixels, private readonly int $workingEdge, private readonly int $largeEdge)
    {
    }

    /** @throws PhotoRefused */
    public function read(string $path): Photo
    {
        $bytes = (string) file_get_contents($path);
        $format = self::format($bytes);
        if ($format === null) {
            throw new PhotoRefused('This file is not a picture that can be read here. Choose a JPEG, PNG or WebP.');
        }
        if (! self::isWhole($format, $bytes)) {
            throw new PhotoRefused('This picture is cut off: its end is missing. Copy it again from the camera or the source.');
        }
        $edge = $this->checkSize($path);
        try {
            $image = new Imagick;
            $image->setResourceLimit(Imagick::RESOURCETYPE_MEMORY, self::MEMORY_MEGABYTES * 1024 * 1024);
            if ($format === 'jpeg' && $edge > $this->largeEdge) {
                // Lets the decoder scale while it reads; a large photo then needs a fraction of the memory.
                $image->setOption('jpeg:size', sprintf('%1$dx%1$d', $this->largeEdge));
            }
            $image->readImage($format.':'.$path.'[0]');

            return $this->prepared($image);
        } catch (ImagickException $damage) {
            throw new PhotoRefused(self::DAMAGED, previous: $damage);
        }
    }

    /**
     * Before anything is decoded.
     *
     * @return int the longer edge in pixels
     *
     * @throws PhotoRefused
     */
    private function checkSize(string $path): int
    {
        $header = @getimagesize($path);
        if ($header === false || $header[0] < 1 || $header[1] < 1) {
            throw new PhotoRefused(self::DAMAGED);
        }
        [$width, $height] = $header;
        if ($width * $height > $this->maxMegapixels * 1_000_000) {
            throw new PhotoRefused(sprintf('This picture has %d x %d pixels, %d megapixels; at most %d are read. Save a smaller copy.', $width, $height, (int) round($width * $height / 1e6), $this->maxMegapixels));
        }
        if (min($width, $height) < self::SHORTEST_EDGE) {
            throw new PhotoRefused(sprintf('This picture has only %d x %d pixels; the shorter side needs at least %d.', $width, $height, self::SHORTEST_EDGE));
        }

        return max($width, $height);
    }

    /**
     * @throws PhotoRefused
     * @throws ImagickException
     */
    private function prepared(Imagick $image): Photo
    {
        // Scaled first: there is less to convert then. The profile stays with it until it is used.
        self::within($image, $this->largeEdge);
        $this->toSrgb($image);
        $image->autoOrient();
        $image->setImageBackgroundColor(new ImagickPixel('white'));
        $image->setImageAlphaChannel(Imagick::ALPHACHANNEL_REMOVE);
        $image->stripImage();
        $image->setImageDepth(8);
        $image->setImageType(Imagick::IMGTYPE_TRUECOLOR);
        $image->setImageFormat('jpeg');
        $image->setImageCompressionQuality(self::LARGE_QUALITY);
        $large = $image->getImageBlob();
        self::within($image, $this->workingEdge);
        $rgb = PhotoRenderer::pixels($image);
        if (self::isBlack($image)) {
            throw new PhotoRefused('This picture is black all over; there is nothing to read in it. Choose one that is better exposed.');
        }

        return new Photo($image->getImageWidth(), $image->getImageHeight(), $rgb, $large);
    }

    /** @throws ImagickException */
    private static function within(Imagick $image, int $edge): void
    {
        $long = max($image->getImageWidth(), $image->getImageHeight());
        if ($long > $edge) {
            $size = static fn (int $length): int => max(1, (int) round($length * $edge / $long));
            $image->resizeImage($size($image->getImageWidth()), $size($image->getImageHeight()), Imagick::FILTER_TRIANGLE, 1.0);
        }
    }

    /** @throws ImagickException */
    private function toSrgb(Imagick $image): void
    {
        $srgb = (string) file_get_contents(base_path(self::SRGB_PROFILE));
        $profiled = $image->getImageProfiles('icc') !== [];
        if ($profiled) {
            $image->profileImage('icc', $srgb);
        }
        // Without a profile there is only the plain conversion; grey and sRGB pictures pass unchanged.
        if (! in_array($image->getImageColorspace(), [Imagick::COLORSPACE_SRGB, Imagick::COLORSPACE_GRAY], true)) {
            $image->transformImageColorspace(Imagick::COLORSPACE_SRGB);
        }
        if ($image->getImageColorspace() === Imagick::COLORSPACE_GRAY) {
            $image->transformImageColorspace(Imagick::COLORSPACE_SRGB);
        }
    }

    /** @throws ImagickException */
    private static function isBlack(Imagick $image): bool
    {
        $lightest = 0.0;
        foreach ([Imagick::CHANNEL_RED, Imagick::CHANNEL_GREEN, Imagick::CHANNEL_BLUE] as $channel) {
            $lightest = max($lightest, $image->getImageChannelRange($channel)['maxima'] / $image->getQuantum());
        }

        return Srgb::toLab(...array_fill(0, 3, (int) round(255.0 * $lightest)))->L < self::BLACK_BELOW;
    }

    private static function format(string $bytes): ?string
    {
        return match (true) {
            str_starts_with($bytes, "\xFF\xD8\xFF") => 'jpeg',
            str_starts_with($bytes, "\x89PNG\r\n\x1A\n") => 'png',
            str_starts_with($bytes, 'RIFF') && substr($bytes, 8, 4) === 'WEBP' => 'webp',
            default => null,
        };
    }

    private static function isWhole(string $format, string $bytes): bool
    {
        return match ($format) {
            'jpeg' => strrpos($bytes, "\xFF\xD9") > 0,
            'png' => str_contains(substr($bytes, -32), 'IEND'),
            default => strlen($bytes) >= (unpack('V', substr($bytes, 4, 4))[1] ?? PHP_INT_MAX) + 8,
        };
    }
}
