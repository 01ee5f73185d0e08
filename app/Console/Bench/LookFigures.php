<?php

declare(strict_types=1);

namespace App\Console\Bench;

use App\Studio\Photos\PhotoReader;
use Imagick;
use Prism\Reference\Image\Field;
use Prism\Reference\Image\Raster;
use Prism\Reference\Light\ZoneLight;
use Prism\Reference\PictureReading;
use Prism\Reference\Zones\MergeTree;
use Prism\Reference\Zones\ZoneMap;
use Prism\Reference\Zones\ZoneReader;

/**
 * How well zones follow the truth of the rendered references, and how long reading a photo takes. The truth: which thing, which
 * painted part of it, and whether the lamp lights it, half lights it or not.
 */
final class LookFigures
{
    public const PHOTOS = ['harbour', 'lantern', 'jugs'];

    /** Rendered too, but nothing was ever tuned on it. */
    public const HELD_OUT = ['shelf'];

    /** A zone lies on one thing if this share of it does; a smaller rest is the softness of a border. */
    private const ONE_THING = 0.85;

    /** A border counts as found when one of ours lies this near, in pixels of the picture that is read. */
    private const NEAR = 2;

    /** Pieces of the truth below this share of the picture are too small for a zone of their own. */
    private const LEAST_TRUTH = 0.001;

    private const ROUNDS = 12;

    /** Clicks on the slider, for how long the borders take to follow. */
    private const CLICKS = [4, 12, 24, 36, 48, 60];

    /**
     * Boundary recall, boundary precision and under-segmentation error (Neubert & Protzel 2012) of our zones, of a grid, and
     * of k-means on colour alone, which takes most of the time; all with as many parts.
     *
     * @param  list<string>  $photos  names of rendered references
     * @param  list<'ours'|'grid'|'k-means'>  $ways
     * @return list<list<string>>
     */
    public static function zones(PhotoReader $reader, int $count, array $photos = self::PHOTOS, array $ways = ['ours', 'k-means', 'grid']): array
    {
        $rows = [];
        foreach ($photos as $name) {
            $field = Field::of($reader->pixels(database_path("demo/$name.jpg")), PictureReading::EDGE);
            $truth = self::truth($name, $field->width, $field->height);
            $tree = MergeTree::of($field);
            foreach ($ways as $what) {
                $map = match ($what) {
                    'ours' => $tree->cut($count),
                    'k-means' => self::kMeans($field, $count),
                    'grid' => self::grid($field->width, $field->height, $count),
                };
                [$recall, $precision] = self::borders($map, $truth);
                $rows[] = [$name, (string) count($truth->areas()), $what, sprintf('%.2f', $recall), sprintf('%.2f', $precision), sprintf('%.3f', self::underSegmentation($map, $truth)), sprintf('%.0f %%', 100 * self::trueZones($map, $truth, self::known($name)['parts']))];
            }
        }

        return $rows;
    }

    /** @return list<list<string>> */
    public static function times(PhotoReader $reader): array
    {
        $rows = [];
        foreach ([[4000, 3000], [6000, 4000]] as [$width, $height]) {
            $file = self::enlarged($width, $height);
            [$photo, $decoding] = Clock::milliseconds(static fn () => $reader->read($file));
            $raster = Raster::of($photo->width, $photo->height, $photo->rgb);
            [$reading, $analysis] = Clock::milliseconds(static fn (): PictureReading => PictureReading::of($raster));
            [, $zones] = Clock::milliseconds(static fn (): array => (new ZoneReader(Field::of($raster, PictureReading::EDGE), $reading->tree->cut(24), $reading->light))->read());
            $slider = [];
            foreach (self::CLICKS as $count) {
                [, $slider[]] = Clock::milliseconds(static fn (): string => \Prism\Reference\Zones\Outlines::of($reading->tree->cut($count))->borders());
            }
            unlink($file);
            $rows[] = [sprintf('%d', (int) round($width * $height / 1e6)), sprintf('%.2f', $decoding / 1000), sprintf('%.2f', $analysis / 1000), sprintf('%.2f', $zones / 1000), sprintf('%.2f', ($decoding + $analysis + $zones) / 1000), sprintf('%.0f', max($slider))];
        }

        return $rows;
    }

    /** @return string path of a JPEG of this size, with a camera's noise */
    private static function enlarged(int $width, int $height): string
    {
        $image = new Imagick(database_path('demo/harbour.jpg'));
        $image->resizeImage($width, $height, Imagick::FILTER_TRIANGLE, 1.0);
        $image->addNoiseImage(Imagick::NOISE_GAUSSIAN);
        $image->setImageFormat('jpeg');
        $image->setImageCompressionQuality(92);
        $file = (string) tempnam(sys_get_temp_dir(), 'bench');
        $image->writeImage("jpeg:$file");

        return $file;
    }

    /** The parts, by their numbers from 1. */
    private static function truth(string $name, int $width, int $height): ZoneMap
    {
        $image = new Imagick(database_path("demo/$name.truth.png"));
        $image->setFormat('gray');
        $image->setImageFormat('gray');
        $image->setImageDepth(8);

        return ZoneMap::of($image->getImageWidth(), $image->getImageHeight(), $image->getImageBlob())->scaled($width, $height);
    }

    /** @return array{float, float} recall and precision */
    private static function borders(ZoneMap $map, ZoneMap $truth): array
    {
        $ours = self::edges($map);
        $true = self::edges(self::worthAZone($truth));
        $near = static function (array $of, array $to) use ($map): float {
            $found = 0;
            foreach (array_keys($of) as $at) {
                $x = $at % $map->width;
                for ($dy = -self::NEAR; $dy <= self::NEAR; $dy++) {
                    for ($dx = -self::NEAR; $dx <= self::NEAR; $dx++) {
                        if ($x + $dx >= 0 && $x + $dx < $map->width && isset($to[$at + $dy * $map->width + $dx])) {
                            $found++;

                            continue 3;
                        }
                    }
                }
            }

            return $found / max(1, count($of));
        };

        return [$near($true, $ours), $near($ours, $true)];
    }

    private static function worthAZone(ZoneMap $truth): ZoneMap
    {
        $small = [];
        foreach ($truth->areas() as $label => $pixels) {
            if ($pixels < self::LEAST_TRUTH * strlen($truth->labels)) {
                $small[$label] = 0;
            }
        }

        return $truth->renumbered($small);
    }

    /** @return array<int, true> pixels whose right or lower neighbour is of another part */
    private static function edges(ZoneMap $map): array
    {
        $edges = [];
        $count = strlen($map->labels);
        for ($at = 0; $at < $count; $at++) {
            foreach ([($at + 1) % $map->width === 0 ? -1 : $at + 1, $at + $map->width] as $next) {
                if ($next >= 0 && $next < $count && $map->labels[$next] !== $map->labels[$at] && $map->labels[$at] !== "\0" && $map->labels[$next] !== "\0") {
                    $edges[$at] = true;
                }
            }
        }

        return $edges;
    }

    private static function underSegmentation(ZoneMap $map, ZoneMap $truth): float
    {
        $areas = $map->areas();
        $sum = 0;
        foreach ($map->overlap($truth) as $zone => $parts) {
            foreach ($parts as $pixels) {
                $sum += min($pixels, $areas[$zone] - $pixels);
            }
        }

        return $sum / strlen($map->labels);
    }

    /**
     * The share of zones that need no touch: each nearly whole on one part of one thing, and not mixing its light with its shadow.
     *
     * @param  list<string>  $parts  of the truth by number from 1, as thing.part.light
     */
    private static function trueZones(ZoneMap $map, ZoneMap $truth, array $parts): float
    {
        $true = $zones = 0;
        foreach ($map->overlap($truth) as $overlaps) {
            $byThing = [];
            $byLight = ['0' => 0, '1' => 0, '2' => 0];
            foreach ($overlaps as $label => $pixels) {
                [$thing, $part, $light] = [...explode('.', $parts[$label - 1] ?? ''), '', '2'];
                $byThing["$thing.$part"] = ($byThing["$thing.$part"] ?? 0) + $pixels;
                $byLight[$light] = ($byLight[$light] ?? 0) + $pixels;
            }
            $all = array_sum($overlaps);
            $zones++;
            $true += max([0, ...array_values($byThing)]) >= self::ONE_THING * $all && min($byLight['0'], $byLight['2']) <= (1.0 - self::ONE_THING) * $all ? 1 : 0;
        }

        return $true / max(1, $zones);
    }

    /** @return array{parts: list<string>, lightDegrees: float} what the renderer knows of a reference, beside the map */
    private static function known(string $name): array
    {
        return json_decode((string) file_get_contents(database_path("demo/$name.truth.json")), true, flags: JSON_THROW_ON_ERROR);
    }

    /**
     * Where the light comes from, as estimated and in truth.
     *
     * @return list<list<string>>
     */
    public static function light(PhotoReader $reader): array
    {
        $rows = [];
        foreach ([...self::PHOTOS, ...self::HELD_OUT] as $name) {
            $light = PictureReading::of($reader->pixels(database_path("demo/$name.jpg")))->light;
            $true = self::known($name)['lightDegrees'];
            $rows[] = [$name, sprintf('%.0f', $true), sprintf('%.0f', $light->degrees), sprintf('%.0f', abs(fmod($light->degrees - $true + 540.0, 360.0) - 180.0)), sprintf('%.2f', $light->agreement)];
        }

        return $rows;
    }

    /**
     * How zones are said to be lit, against the renderer: of each zone what most of its pixels are. Shadow is right where the lamp
     * does not reach, whether the thing turns away or another stands before it; glass has no light side.
     *
     * @param  list<string>  $photos  names of rendered references
     * @return list<list<string>>
     */
    public static function lights(PhotoReader $reader, int $count, array $photos = [...self::PHOTOS, ...self::HELD_OUT]): array
    {
        $rows = [];
        foreach ($photos as $name) {
            $raster = $reader->pixels(database_path("demo/$name.jpg"));
            $reading = PictureReading::of($raster);
            $map = $reading->tree->cut($count);
            $lit = self::litness($map, self::truth($name, $map->width, $map->height), self::known($name)['parts']);
            $zones = (new ZoneReader(Field::of($raster, PictureReading::EDGE), $map, $reading->light))->read();
            $right = $opposite = 0;
            foreach ($lit as $zone => $true) {
                $said = match ($zones[$zone]->light) {
                    ZoneLight::Lit => 2,
                    ZoneLight::HalfLit => 1,
                    ZoneLight::Shadow, ZoneLight::CastShadow => 0,
                };
                $right += $said === $true ? 1 : 0;
                $opposite += abs($said - $true) === 2 ? 1 : 0;
            }
            $of = static fn (int $class): string => (string) count(array_keys($lit, $class, true));
            $rows[] = [$name, (string) count($lit), "{$of(2)} / {$of(1)} / {$of(0)}", (string) $right, (string) $opposite];
        }

        return $rows;
    }

    /**
     * @param  list<string>  $parts
     * @return array<int, int> by zone: 2 lit, 1 half lit, 0 in shadow, as most of it is; without zones that are mostly of no light side
     */
    private static function litness(ZoneMap $map, ZoneMap $truth, array $parts): array
    {
        $lit = [];
        foreach ($map->overlap($truth) as $zone => $overlaps) {
            $by = [];
            foreach ($overlaps as $label => $pixels) {
                $known = explode('.', $parts[$label - 1] ?? '');
                $by[(int) ($known[2] ?? 3)] = ($by[(int) ($known[2] ?? 3)] ?? 0) + $pixels;
            }
            arsort($by);
            if ($zone > 0 && array_key_first($by) < 3) {
                $lit[$zone] = (int) array_key_first($by);
            }
        }

        return $lit;
    }

    private static function grid(int $width, int $height, int $count): ZoneMap
    {
        $columns = max(1, (int) round(sqrt($count * $width / $height)));
        $rows = max(1, (int) round($count / $columns));
        $labels = '';
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                $labels .= chr(1 + intdiv($y * $rows, $height) * $columns + intdiv($x * $columns, $width));
            }
        }

        return ZoneMap::of($width, $height, $labels);
    }

    /** Plain k-means (Lloyd 1957) on L*, a*, b*, from centres spread evenly over the pixels by lightness. */
    private static function kMeans(Field $field, int $count): ZoneMap
    {
        $byLightness = $field->L;
        asort($byLightness);
        $order = array_keys($byLightness);
        $centres = [];
        for ($k = 0; $k < $count; $k++) {
            $at = $order[(int) (($k + 0.5) * count($order) / $count)];
            $centres[] = [$field->L[$at], $field->a[$at], $field->b[$at]];
        }
        $of = [];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $sumL = $sumA = $sumB = $size = array_fill(0, $count, 0.0);
            for ($at = 0, $pixels = $field->count(); $at < $pixels; $at++) {
                $least = INF;
                $best = 0;
                for ($k = 0; $k < $count; $k++) {
                    $square = ($field->L[$at] - $centres[$k][0]) ** 2 + ($field->a[$at] - $centres[$k][1]) ** 2 + ($field->b[$at] - $centres[$k][2]) ** 2;
                    if ($square < $least) {
                        $least = $square;
                        $best = $k;
                    }
                }
                $of[$at] = $best;
                $sumL[$best] += $field->L[$at];
                $sumA[$best] += $field->a[$at];
                $sumB[$best] += $field->b[$at];
                $size[$best] += 1.0;
            }
            foreach ($size as $k => $n) {
                if ($n > 0.0) {
                    $centres[$k] = [$sumL[$k] / $n, $sumA[$k] / $n, $sumB[$k] / $n];
                }
            }
        }

        return ZoneMap::of($field->width, $field->height, implode('', array_map(static fn (int $k): string => chr(1 + $k), $of)));
    }
}
