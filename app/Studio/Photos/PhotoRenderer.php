<?php

declare(strict_types=1);

namespace App\Studio\Photos;

use Imagick;
use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Reference\Image\Field;
use Prism\Reference\Light\ColourMatrix;
use Prism\Reference\Zones\ZoneReader;

/** Makes the views of a reference from its pixels. */
final class PhotoRenderer
{
    private const QUALITY = 90;

    /** L* of neither warm nor cool, and how much of it one unit of warmth is. */
    private const EVEN = 50.0;

    private const PER_WARMTH = 0.75;

    /** @throws \ImagickException */
    public static function pixels(Imagick $image): string
    {
        $copy = clone $image;
        $copy->setImageFormat('rgb');
        $copy->setImageDepth(8);

        return $copy->getImageBlob();
    }

    /** @throws \ImagickException */
    public static function image(int $width, int $height, string $rgb): Imagick
    {
        $image = new Imagick;
        $image->setSize($width, $height);
        $image->setOption('depth', '8');
        $image->setFormat('rgb');
        $image->readImageBlob($rgb, 'photo.rgb');

        return $image;
    }

    /** @return string the bytes of a PNG */
    public static function png(int $width, int $height, string $rgb): string
    {
        $image = self::image($width, $height, $rgb);
        $image->setFormat('png');
        $image->setImageFormat('png');
        // The same pixels are the same bytes, whenever they are written.
        $image->setOption('png:exclude-chunks', 'date,time');
        // A twentieth larger than at the usual level, in a third of the time.
        $image->setOption('png:compression-level', '3');
        $image->setOption('png:compression-filter', '5');

        return $image->getImageBlob();
    }

    /** A picture in another light. */
    public static function balanced(Imagick $image, ColourMatrix $light): Imagick
    {
        if ($light->isNone()) {
            return $image;
        }
        $image->transformImageColorspace(Imagick::COLORSPACE_RGB);
        $matrix = [];
        foreach ($light->rows as $row) {
            array_push($matrix, ...$row, ...[0.0, 0.0]);
        }
        $image->colorMatrixImage([...$matrix, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 0.0, 0.0, 1.0]);
        $image->transformImageColorspace(Imagick::COLORSPACE_SRGB);

        return $image;
    }

    /** Each pixel as the neutral grey of its own L*. */
    public static function value(Imagick $image): Imagick
    {
        $value = clone $image;
        // Relative luminance in linear light; as a grey of that luminance it has the same L*.
        $value->transformImageColorspace(Imagick::COLORSPACE_RGB);
        $row = [0.2225045, 0.7168786, 0.0606169, 0.0, 0.0];
        $value->colorMatrixImage([...$row, ...$row, ...$row, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 0.0, 0.0, 1.0]);
        $value->transformImageColorspace(Imagick::COLORSPACE_SRGB);

        return $value;
    }

    /** Where a picture is warm and where cool, as greys: light is warm. */
    public static function temperature(Field $field): Imagick
    {
        $grey = '';
        for ($i = 0, $count = $field->count(); $i < $count; $i++) {
            $warmth = ZoneReader::warmthOf(Lab::of($field->L[$i], $field->a[$i], $field->b[$i]));
            $grey .= str_repeat(chr(Srgb::bytes(Lab::of(max(5.0, min(97.0, self::EVEN + self::PER_WARMTH * $warmth)), 0.0, 0.0))[0]), 3);
        }

        return self::image($field->width, $field->height, $grey);
    }

    /** @throws \ImagickException */
    public static function jpeg(Imagick $image): string
    {
        $copy = clone $image;
        // Of the wand too: an image made from raw pixels would be written as such.
        $copy->setFormat('jpeg');
        $copy->setImageFormat('jpeg');
        $copy->setImageCompressionQuality(self::QUALITY);

        return $copy->getImageBlob();
    }
}
