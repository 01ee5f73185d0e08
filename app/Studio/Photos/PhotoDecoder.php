<?php

declare(strict_types=1);

namespace App\Studio\Photos;

use Imagick;
use ImagickException;
use ImagickPixel;
use Prism\Colour\Srgb;

/**
 * Decodes a picture: turns it upright by its EXIF, converts its profile to sRGB, takes the first frame of an animation, and scales it
 * to the working size, with a larger one to look at. Without the framework: it runs in a process of its own (bin/decode).
 */
final class PhotoDecoder
{
    /** Darker than this L* all over, a picture has nothing to read. */
    private const BLACK_BELOW = 4.0;

    /** Shipped with TCPDF: the profile that pictures are converted to. */
    private const SRGB_PROFILE = __DIR__.'/../../../vendor/tecnickcom/tcpdf/include/sRGB.icc';

    private const LARGE_QUALITY = 88;

    public function __construct(private readonly int $largeEdge, private readonly int $workingEdge)
    {
    }

    /** @throws PhotoRefused */
    public function decode(string $path, string $format): Photo
    {
        try {
            $image = new Imagick;
            [$width, $height] = getimagesize($path) ?: [0, 0];
            $scale = $this->largeEdge / max(1, $width, $height);
            if ($format === 'jpeg' && $scale < 1.0) {
                // Lets the decoder scale while it reads, by both sides; a large photo then needs a fraction of the time and memory.
                $image->setOption('jpeg:size', sprintf('%dx%d', ceil($scale * $width), ceil($scale * $height)));
            }
            $image->readImage($format.':'.$path.'[0]');

            return $this->prepared($image);
        } catch (ImagickException $damage) {
            throw new PhotoRefused(PhotoReader::DAMAGED, previous: $damage);
        }
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
        $srgb = (string) file_get_contents(self::SRGB_PROFILE);
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
}
