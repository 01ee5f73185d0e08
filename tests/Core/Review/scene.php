<?php

declare(strict_types=1);

namespace Tests\Core\Review;

use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
use Prism\Reference\Image\Field;
use Prism\Reference\Image\Raster;
use Prism\Reference\Light\ZoneLight;
use Prism\Reference\Zones\Distance;
use Prism\Reference\Zones\TargetRole;
use Prism\Reference\Zones\ZoneMap;
use Prism\Review\Review;
use Prism\Schools\Surface;
use Standin\ChartPhoto;

/** A still life of flat shapes, and a sheet on which it is drawn as somebody pleases. */
final class Scene
{
    public const WIDTH = 400;

    public const HEIGHT = 300;

    public const MM = 150.0;

    public const MARGIN = 14.0;

    /** Colours of its zones, from 1: wall, table, a round float, a mug, its handle, a rope, a box, a lid. */
    private const COLOURS = [1 => [78, -3, 4], [44, 12, 24], [52, -22, -12], [62, 30, 24], [36, 22, 14], [70, 4, 30], [33, 3, -22], [24, -4, -8]];

    public static function paper(): Lab
    {
        return Lab::of(95.4, -0.6, 1.5);
    }

    /** Which zone lies at a place, shares of width and height. */
    public static function zoneAt(float $x, float $y): int
    {
        $in = static fn (float $cx, float $cy, float $rx, float $ry): bool => (($x - $cx) / $rx) ** 2 + (($y - $cy) / $ry) ** 2 <= 1.0;

        return match (true) {
            $in(0.26, 0.5, 0.15, 0.2) => 3,
            $x > 0.5 && $x < 0.66 && $y > 0.32 && $y < 0.68 => 4,
            $in(0.68, 0.5, 0.08, 0.15) && ! $in(0.68, 0.5, 0.035, 0.08) => 5,
            abs($y - 0.8 - 0.05 * sin(14.0 * $x)) < 0.025 => 6,
            $x > 0.78 && $x < 0.93 && $y > 0.45 && $y < 0.7 => 7,
            $x > 0.76 && $x < 0.95 && $y > 0.3 && $y <= 0.45 => 8,
            $y > 0.6 + 0.03 * $x => 2,
            default => 1,
        };
    }

    public static function colour(int $zone): Lab
    {
        return Lab::of(...self::COLOURS[$zone]);
    }

    public static function reference(): Field
    {
        static $reference = null;

        return $reference ??= Field::of(self::photo(), Review::EDGE);
    }

    public static function photo(): Raster
    {
        $pixels = array_map(static fn (int $zone): string => implode('', array_map(static fn (float $value): string => chr(Srgb::encode($value)), Srgb::linear(self::colour($zone)))), array_combine(range(1, 8), range(1, 8)));
        $bytes = '';
        for ($y = 0; $y < self::HEIGHT; $y++) {
            for ($x = 0; $x < self::WIDTH; $x++) {
                $bytes .= $pixels[self::zoneAt(($x + 0.5) / self::WIDTH, ($y + 0.5) / self::HEIGHT)];
            }
        }

        return Raster::of(self::WIDTH, self::HEIGHT, $bytes);
    }

    /** @return array{ZoneMap, list<PictureZone>} */
    public static function zones(): array
    {
        static $kept = null;
        if ($kept !== null) {
            return $kept;
        }
        $labels = '';
        $areas = array_fill(1, 8, 0);
        for ($y = 0; $y < self::HEIGHT; $y++) {
            for ($x = 0; $x < self::WIDTH; $x++) {
                $zone = self::zoneAt(($x + 0.5) / self::WIDTH, ($y + 0.5) / self::HEIGHT);
                $labels .= chr($zone);
                $areas[$zone]++;
            }
        }
        $zones = array_map(static fn (int $zone): PictureZone => new PictureZone(
            (string) $zone, "zone $zone", $zone, $areas[$zone] / (self::WIDTH * self::HEIGHT), 2, Surface::Smooth, ZoneLight::Lit, Distance::Between, true, null, [],
            [new PictureTarget("$zone-1", TargetRole::Middle, self::colour($zone), self::colour($zone), 1.0)],
        ), array_keys(self::COLOURS));

        return $kept = [ZoneMap::of(self::WIDTH, self::HEIGHT, $labels), $zones];
    }

    /** @param  \Closure(int, float, float): ?Lab  $drawn  what lies on a zone at a place, shares; null: paper */
    public static function sheet(\Closure $drawn, int $pixels = 640, ?Lab $paper = null): ChartPhoto
    {
        $height = self::MM * self::HEIGHT / self::WIDTH;
        $paper ??= self::paper();
        $sheet = new ChartPhoto(self::MM + 2.0 * self::MARGIN, $height + 2.0 * self::MARGIN, $paper, $pixels);
        $was = $light = null;
        // The same dots on every sheet: which zone each lies in is asked once.
        static $zones = [];
        $dot = 0;
        $sheet->picture(self::MARGIN, self::MARGIN, self::MM, $height, static function (float $x, float $y) use ($drawn, $height, $paper, &$was, &$light, &$zones, &$dot): array {
            $zone = $zones[$dot] ??= self::zoneAt($x / self::MM, $y / $height);
            $dot++;
            $colour = $drawn($zone, $x / self::MM, $y / $height) ?? $paper;

            // What lies beside one another is mostly one colour.
            if ($was === null || $colour->L !== $was->L || $colour->a !== $was->a || $colour->b !== $was->b) {
                [$was, $light] = [$colour, Srgb::linear($colour)];
            }

            return $light;
        });

        return $sheet;
    }

    /** A picture as a camera takes it that is not held still: each pixel the mean of seven by seven. */
    public static function blurred(int $width, int $height, string $bytes): string
    {
        foreach ([3, 3 * $width] as $step) {
            $sums = $bytes;
            for ($at = 0, $last = strlen($bytes); $at < $last; $at++) {
                $sum = $count = 0;
                for ($by = -3; $by <= 3; $by++) {
                    $near = $at + $by * $step;
                    if ($near >= 0 && $near < $last) {
                        $sum += ord($bytes[$near]);
                        $count++;
                    }
                }
                $sums[$at] = chr(intdiv($sum, $count));
            }
            $bytes = $sums;
        }

        return $bytes;
    }

    /** Corners of the drawing on its sheet, mm. @return list<array{float, float}> */
    public static function corners(): array
    {
        $height = self::MM * self::HEIGHT / self::WIDTH;
        [$left, $top, $right, $bottom] = [self::MARGIN, self::MARGIN, self::MARGIN + self::MM, self::MARGIN + $height];

        return [[$left, $top], [$right, $top], [$right, $bottom], [$left, $bottom]];
    }
}
