<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Layering\Stack;
use Prism\Layering\Tooth;
use Prism\Layering\ToothModel;
use Prism\Reference\Field;
use Prism\Reference\TargetRole;
use Prism\Reference\ZoneMap;

/**
 * What the drawing will look like, at any stage: each pixel as the stacks of its zone look in the tooth of the paper there.
 *
 * Between the light, middle and dark of a zone colours are blended by the value that the photo has at the pixel, as a hand
 * does; accents lie where the photo is nearest to them. Over the border of a zone whose edge is soft the strokes of both sides
 * cross, so that it is a join and no outline. The grain is the paper's own: each pixel lies at some depth of the
 * tooth, and has the colour of its films there.
 */
final class Simulation
{
    /** Peaks of the paper are this far apart, about, in millimetres: where a pixel holds several, it shows their mean. */
    private const GRAIN_MM = 0.15;

    /** Peaks of the noise are this many pixels apart. */
    private const GRAIN_PIXELS = 1;

    /** A pixel is an accent if it is so much nearer to it than to the local colour, in CIELAB. */
    private const ACCENT_NEARER = 0.6;

    /** Strokes cross a soft border by this share of the width. */
    private const CROSSES = 0.006;

    /** Edge of the squares in which values are compared, in pixels; and what share of them may be specks. */
    private const SQUINT = 8;

    private const SPECKS = 0.005;

    /** @var array<string, list<array{float, float, float}>> linear light of a stack by depth of the tooth, by notation */
    private array $looks = [];

    /** How much of the spread between peaks and valleys a pixel shows, 0-1. */
    private float $grain = 1.0;

    public function __construct(private readonly ToothModel $model)
    {
    }

    /**
     * @param  Field  $photo  what is drawn, of the size of the map and of the result
     * @param  list<PictureZone>  $zones
     * @param  array<string, Stack>  $stacks  by target, as far as they are laid; a target without one is bare paper
     * @param  float  $pixelMm  of the paper that a pixel shows, as wide as high
     * @return string three bytes a pixel, sRGB
     */
    public function draw(Field $photo, ZoneMap $map, array $zones, array $stacks, float $pixelMm = self::GRAIN_MM): string
    {
        // Noise of the mean of n peaks: a share of theirs, by the root of n.
        $this->grain = min(1.0, self::GRAIN_MM / max(1e-6, $pixelMm));
        $this->looks = [];
        $values = $accents = [];
        $bare = Stack::of();
        foreach ($zones as $zone) {
            $of = [];
            foreach ($zone->targets as $target) {
                $look = $this->look($stacks[$target->id] ?? $bare);
                if (in_array($target->role, [TargetRole::Light, TargetRole::Middle, TargetRole::Dark], true)) {
                    $of[] = [$target->read->L, $target->read->a, $target->read->b, $look];
                } else {
                    $accents[$zone->label][] = [$target->read->L, $target->read->a, $target->read->b, $look];
                }
            }
            usort($of, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
            if ($of !== []) {
                $values[$zone->label] = $of;
            }
        }
        $paper = $this->look($bare);
        $depths = self::depths($photo->width, $photo->height);
        $encode = self::encodeTable();
        $rgb = '';
        $labels = self::crossed($map, $zones);
        for ($at = 0, $count = $photo->count(); $at < $count; $at++) {
            $zone = ord($labels[$at]);
            $depth = $depths[$at];
            if (! isset($values[$zone])) {
                [$r, $g, $b] = $paper[$depth];
            } else {
                $L = $photo->L[$at];
                [$low, $high, $share] = self::between($values[$zone], $L);
                if (isset($accents[$zone])) {
                    $near = self::accent($accents[$zone], $share < 0.5 ? $low : $high, $L, $photo->a[$at], $photo->b[$at]);
                    if ($near !== null) {
                        $low = $high = $near;
                    }
                }
                [$r1, $g1, $b1] = $low[3][$depth];
                [$r2, $g2, $b2] = $high[3][$depth];
                $r = $r1 + $share * ($r2 - $r1);
                $g = $g1 + $share * ($g2 - $g1);
                $b = $b1 + $share * ($b2 - $b1);
            }
            $rgb .= $encode[(int) (1023.0 * $r)].$encode[(int) (1023.0 * $g)].$encode[(int) (1023.0 * $b)];
        }

        return $rgb;
    }

    /**
     * The zone whose stroke lies at each pixel: near a soft border, here and there that of the other side.
     *
     * @param  list<PictureZone>  $zones
     */
    private static function crossed(ZoneMap $map, array $zones): string
    {
        $soft = [];
        foreach ($zones as $zone) {
            if (! $zone->crisp && $zone->label > 0) {
                $soft[chr($zone->label)] = true;
            }
        }
        $reach = (int) round(self::CROSSES * $map->width);
        if ($soft === [] || $reach === 0) {
            return $map->labels;
        }
        $labels = $map->labels;
        $crossed = $labels;
        [$width, $height] = [$map->width, $map->height];
        $span = 2 * $reach + 1;
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                $hash = ($x * 668265263 + $y * 374761393) & 0x7FFFFFFF;
                $hash = (($hash ^ ($hash >> 13)) * 1274126177) & 0x7FFFFFFF;
                $fromX = $x + ($hash >> 4) % $span - $reach;
                $fromY = $y + ($hash >> 16) % $span - $reach;
                if ($fromX < 0 || $fromY < 0 || $fromX >= $width || $fromY >= $height) {
                    continue;
                }
                $at = $y * $width + $x;
                $other = $labels[$fromY * $width + $fromX];
                if ($other !== $labels[$at] && $other !== "\0" && $labels[$at] !== "\0" && (isset($soft[$other]) || isset($soft[$labels[$at]]))) {
                    $crossed[$at] = $other;
                }
            }
        }

        return $crossed;
    }

    /**
     * The two values that a lightness lies between, and how far it is on the way from the darker to the lighter.
     *
     * @param  non-empty-list<array{float, float, float, list<array{float, float, float}>}>  $values  darkest first
     * @return array{array{float, float, float, list<array{float, float, float}>}, array{float, float, float, list<array{float, float, float}>}, float}
     */
    private static function between(array $values, float $L): array
    {
        $last = count($values) - 1;
        if ($L <= $values[0][0]) {
            return [$values[0], $values[0], 0.0];
        }
        for ($i = 0; $i < $last; $i++) {
            if ($L < $values[$i + 1][0]) {
                return [$values[$i], $values[$i + 1], ($L - $values[$i][0]) / max(1e-6, $values[$i + 1][0] - $values[$i][0])];
            }
        }

        return [$values[$last], $values[$last], 0.0];
    }

    /**
     * @param  non-empty-list<array{float, float, float, list<array{float, float, float}>}>  $accents
     * @param  array{float, float, float, list<array{float, float, float}>}  $local
     * @return ?array{float, float, float, list<array{float, float, float}>}
     */
    private static function accent(array $accents, array $local, float $L, float $a, float $b): ?array
    {
        $least = self::ACCENT_NEARER * sqrt(($L - $local[0]) ** 2 + ($a - $local[1]) ** 2 + ($b - $local[2]) ** 2);
        $near = null;
        foreach ($accents as $accent) {
            $distance = sqrt(($L - $accent[0]) ** 2 + ($a - $accent[1]) ** 2 + ($b - $accent[2]) ** 2);
            if ($distance < $least) {
                $least = $distance;
                $near = $accent;
            }
        }

        return $near;
    }

    /** @return list<array{float, float, float}> linear light at each depth of the tooth, 0-1 */
    private function look(Stack $stack): array
    {
        $key = (string) $stack;
        if (! isset($this->looks[$key])) {
            $passage = $this->model->draw($stack);
            // The bins together must look as the passage does from a distance.
            $seen = Srgb::linear($passage->lab());
            $mean = [0.0, 0.0, 0.0];
            $bins = [];
            for ($bin = 0; $bin < Tooth::BINS; $bin++) {
                $bins[] = $linear = Srgb::linear($passage->binLab($bin));
                foreach ($linear as $i => $value) {
                    $mean[$i] += Tooth::SHARES[$bin] * $value;
                }
            }
            $this->looks[$key] = array_map(fn (array $linear): array => [
                max(0.0, min(1.0, $seen[0] + $this->grain * ($linear[0] - $mean[0]))),
                max(0.0, min(1.0, $seen[1] + $this->grain * ($linear[1] - $mean[1]))),
                max(0.0, min(1.0, $seen[2] + $this->grain * ($linear[2] - $mean[2]))),
            ], $bins);
        }

        return $this->looks[$key];
    }

    /**
     * Which depth of the tooth each pixel lies at: noise that is the same every time, in the shares that the paper has.
     *
     * @return array<int, int>
     */
    private static function depths(int $width, int $height): array
    {
        $limits = [];
        $sum = 0.0;
        foreach (Tooth::SHARES as $share) {
            $sum += $share;
            $limits[] = $sum;
        }
        $depths = [];
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                $hash = (intdiv($x, self::GRAIN_PIXELS) * 374761393 + intdiv($y, self::GRAIN_PIXELS) * 668265263 + ($x * 3 + $y * 7) % 2 * 1274126177) & 0x7FFFFFFF;
                $hash = (($hash ^ ($hash >> 13)) * 1274126177) & 0x7FFFFFFF;
                $u = (($hash ^ ($hash >> 16)) & 0xFFFF) / 65536.0;
                $depths[] = $u < $limits[0] ? 0 : ($u < $limits[1] ? 1 : ($u < $limits[2] ? 2 : ($u < $limits[3] ? 3 : 4)));
            }
        }

        return $depths;
    }

    /** @return list<string> the byte for each of 1024 levels of linear light */
    private static function encodeTable(): array
    {
        return array_map(static fn (int $level): string => chr(Srgb::encode($level / 1023.0)), range(0, 1023));
    }

    /**
     * How far the drawing is from the photo, by value, seen from where the grain closes: squares of {@see self::SQUINT} pixels.
     *
     * @param  string  $rgb  as {@see self::draw()} gives it
     * @return array{mean: float, dark: float, light: float, photoDark: float, photoLight: float} mean error of L* over the
     *                                                                                            picture, and the darkest and
     *                                                                                            lightest of both
     */
    public static function valueCheck(Field $photo, string $rgb): array
    {
        $decode = Srgb::decodeTable();
        $drawn = $seen = [];
        $sum = 0.0;
        $size = min(self::SQUINT, $photo->width, $photo->height);
        for ($top = 0; $top + $size <= $photo->height; $top += $size) {
            for ($left = 0; $left + $size <= $photo->width; $left += $size) {
                $Y = $photoY = 0.0;
                for ($y = $top; $y < $top + $size; $y++) {
                    for ($x = $left; $x < $left + $size; $x++) {
                        $at = $y * $photo->width + $x;
                        $Y += 0.2225045 * $decode[ord($rgb[3 * $at])] + 0.7168786 * $decode[ord($rgb[3 * $at + 1])] + 0.0606169 * $decode[ord($rgb[3 * $at + 2])];
                        $photoY += self::luminance($photo->L[$at]);
                    }
                }
                $L = self::lightness($Y / $size ** 2);
                $was = self::lightness($photoY / $size ** 2);
                $sum += abs($L - $was);
                $drawn[] = $L;
                $seen[] = $was;
            }
        }
        sort($drawn);
        sort($seen);
        $last = count($drawn) - 1;

        return [
            'mean' => $sum / count($drawn),
            'dark' => $drawn[(int) (self::SPECKS * $last)], 'light' => $drawn[(int) ((1.0 - self::SPECKS) * $last)],
            'photoDark' => $seen[(int) (self::SPECKS * $last)], 'photoLight' => $seen[(int) ((1.0 - self::SPECKS) * $last)],
        ];
    }

    /** CIE 1976, inverted. */
    private static function luminance(float $L): float
    {
        return $L > 8.0 ? (($L + 16.0) / 116.0) ** 3 : $L * 27.0 / 24389.0;
    }

    private static function lightness(float $Y): float
    {
        return Lab::fromRelativeXyz($Y, $Y, $Y)->L;
    }
}
