<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Layering\Stack;
use Prism\Layering\Tooth;
use Prism\Layering\ToothModel;
use Prism\Reference\Image\Field;
use Prism\Reference\Light\ToneMap;

/**
 * What the drawing will look like, at any stage: each pixel as the stacks of the colours that it lies between
 * ({@see PartMap}) look in the tooth of the paper there. The grain is the paper's own: each pixel has the colour of
 * the films on the few peaks and valleys that lie in it.
 */
final class Simulation
{
    /** Peaks of the paper are this far apart, about, in millimetres: where a pixel holds several, it shows their mean. */
    private const GRAIN_MM = 0.08;

    /** No more of them are averaged in a pixel; beyond, their spread is scaled down. */
    private const MOST_PEAKS = 9;

    /** Looks of a stack in the tooth: as many as are told apart from pixel to pixel. */
    private const LOOKS = 64;

    /** Edge of the squares in which values are compared, in pixels; and what share of them may be specks. */
    private const SQUINT = 8;

    private const SPECKS = 0.005;

    /** @var array<string, list<array{float, float, float}>> linear light of a stack where some peaks and valleys lie in a pixel, by notation */
    private array $looks = [];

    /** @var non-empty-list<list<int>> depths of the tooth that lie in a pixel together, for each look */
    private array $together = [[0]];

    /** How much of the spread that is left then a pixel shows, 0-1. */
    private float $grain = 1.0;

    /** @param  array<string, ToothModel>  $grounds  by colour, for those that stand on a ground of their own */
    public function __construct(private readonly ToothModel $model, private readonly array $grounds = [])
    {
    }

    /**
     * @param  PartMap  $parts  what is drawn, of the size of the result
     * @param  array<string, Stack>  $stacks  by target, as far as they are laid; a target without one is bare paper
     * @param  float  $pixelMm  of the paper that a pixel shows, as wide as high
     * @return string three bytes a pixel, sRGB
     */
    public function draw(PartMap $parts, array $stacks, float $pixelMm = self::GRAIN_MM): string
    {
        $in = max(1.0, ($pixelMm / self::GRAIN_MM) ** 2);
        $peaks = max(1, min(self::MOST_PEAKS, (int) round($in)));
        $this->together = self::together($peaks);
        // Noise of the mean of n peaks: a share of theirs, by the root of n.
        $this->grain = min(1.0, sqrt($peaks / $in));
        $this->looks = [];
        $bare = Stack::of();
        $looks = array_map(fn (PictureTarget $target): array => $this->look($stacks[$target->id] ?? $bare, $this->grounds[$target->id] ?? $this->model), $parts->targets);
        $paper = $this->look($bare, $this->model);
        $noise = self::noise($parts->width, $parts->height);
        $encode = self::encodeTable();
        $rgb = '';
        for ($at = 0, $count = $parts->count(); $at < $count; $at++) {
            $look = $noise[$at];
            $lies = $parts->at($at);
            if ($lies === null) {
                [$r, $g, $b] = $paper[$look];
            } else {
                [$low, $high, $share] = $lies;
                [$r1, $g1, $b1] = $looks[$low][$look];
                [$r2, $g2, $b2] = $looks[$high][$look];
                $r = $r1 + $share * ($r2 - $r1);
                $g = $g1 + $share * ($g2 - $g1);
                $b = $b1 + $share * ($b2 - $b1);
            }
            $rgb .= $encode[(int) (1023.0 * $r)].$encode[(int) (1023.0 * $g)].$encode[(int) (1023.0 * $b)];
        }

        return $rgb;
    }

    /** @return list<array{float, float, float}> linear light of each look, 0-1 */
    private function look(Stack $stack, ToothModel $model): array
    {
        $key = spl_object_id($model).' '.$stack;
        if (! isset($this->looks[$key])) {
            $passage = $model->draw($stack);
            $bins = array_map(static fn (int $bin): array => Srgb::linear($passage->binLab($bin)), range(0, Tooth::BINS - 1));
            $looks = [];
            $mean = [0.0, 0.0, 0.0];
            foreach ($this->together as $depths) {
                $look = [0.0, 0.0, 0.0];
                foreach ($depths as $bin) {
                    foreach ($bins[$bin] as $i => $value) {
                        $look[$i] += $value / max(1, count($depths));
                    }
                }
                $looks[] = $look;
                foreach ($look as $i => $value) {
                    $mean[$i] += $value / self::LOOKS;
                }
            }
            // Together they must look as the passage does from a distance.
            $seen = Srgb::linear($passage->lab());
            $this->looks[$key] = array_map(fn (array $linear): array => [
                max(0.0, min(1.0, $seen[0] + $this->grain * ($linear[0] - $mean[0]))),
                max(0.0, min(1.0, $seen[1] + $this->grain * ($linear[1] - $mean[1]))),
                max(0.0, min(1.0, $seen[2] + $this->grain * ($linear[2] - $mean[2]))),
            ], $looks);
        }

        return $this->looks[$key];
    }

    /**
     * So many depths of the tooth together, in the shares that the paper has, the same every time.
     *
     * @return non-empty-list<list<int>>
     */
    private static function together(int $peaks): array
    {
        $limits = [];
        $sum = 0.0;
        foreach (Tooth::SHARES as $share) {
            $sum += $share;
            $limits[] = $sum;
        }
        $together = [];
        for ($look = 0; $look < self::LOOKS; $look++) {
            $depths = [];
            for ($peak = 0; $peak < $peaks; $peak++) {
                // Evenly spread over the looks, and each peak in an order of its own.
                $u = ((($look * (2 * $peak + 1) * 37 + 11 * $peak) % self::LOOKS) + 0.5) / self::LOOKS;
                $depth = 0;
                while ($depth < Tooth::BINS - 1 && $u >= $limits[$depth]) {
                    $depth++;
                }
                $depths[] = $depth;
            }
            $together[] = $depths;
        }

        return $together;
    }

    /**
     * Which look each pixel has: noise that is the same every time.
     *
     * @return array<int, int>
     */
    private static function noise(int $width, int $height): array
    {
        $noise = [];
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                $hash = ($x * 374761393 + $y * 668265263 + ($x * 3 + $y * 7) % 2 * 1274126177) & 0x7FFFFFFF;
                $hash = (($hash ^ ($hash >> 13)) * 1274126177) & 0x7FFFFFFF;
                $noise[] = (($hash ^ ($hash >> 16)) & 0xFFFF) % self::LOOKS;
            }
        }

        return $noise;
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
     * @param  ?ToneMap  $tone  by which the photo's values are fitted to what box and paper reach; null: taken as they are
     * @return array{mean: float, dark: float, light: float, photoDark: float, photoLight: float} mean error of L* over the
     *                                                                                            picture, and the darkest and
     *                                                                                            lightest of both
     */
    public static function valueCheck(Field $photo, string $rgb, ?ToneMap $tone = null): array
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
                        $photoY += self::luminance($tone?->lightness($photo->L[$at]) ?? $photo->L[$at]);
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
