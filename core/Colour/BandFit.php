<?php

declare(strict_types=1);

namespace Prism\Colour;

use Prism\Maths\LinearSystem;

/**
 * Derives the weights of {@see Bands}: the linear map from band reflectances to white-relative X, Y, Z that is nearest,
 * in least squares over many smooth spectra, to the full 36-sample sum of CIE 15, and exact for a perfect white.
 *
 * Plain block weights are off by up to a dE00 of one for steep pencil spectra; the fitted ones by a few hundredths.
 * The constants in Bands are what this class returns; a test keeps the two together.
 */
final class BandFit
{
    /**
     * @return list<array<int, float>> three rows (X, Y, Z) of Bands::COUNT weights, each row summing to 1
     */
    public static function derive(): array
    {
        $samples = self::training();
        $n = Bands::COUNT;
        $rows = [];
        foreach (Observer::weights() as $full) {
            $white = array_sum($full);
            $normal = array_fill(0, $n, array_fill(0, $n, 0.0));
            $right = array_fill(0, $n, 0.0);
            foreach ($samples as [$spectrum, $bands]) {
                $truth = 0.0;
                foreach ($full as $i => $w) {
                    $truth += $w / $white * $spectrum[$i];
                }
                // Lightness responds to the cube root, so a dark sample's error counts more.
                $weight = 1.0 / (0.004 + $truth ** (4.0 / 3.0));
                self::accumulate($normal, $right, $bands, $truth, $weight);
            }
            self::accumulate($normal, $right, array_fill(0, $n, 1.0), 1.0, 1e7);
            for ($i = 0; $i < $n; $i++) {
                $normal[$i][$i] += 0.5;
            }
            $row = LinearSystem::solve($normal, $right);
            $sum = array_sum($row);
            $rows[] = array_map(static fn (float $w): float => round($w / $sum, 7), $row);
        }

        return $rows;
    }

    /**
     * Bumps, dips and edges of many places and widths, singly and multiplied, as pigments have them.
     *
     * @return list<array{array<int, float>, array<int, float>}> the 36 samples and their bands
     */
    private static function training(): array
    {
        $shapes = [];
        for ($centre = 390.0; $centre <= 720.0; $centre += 15.0) {
            foreach ([18.0, 30.0, 55.0] as $width) {
                foreach ([[0.04, 0.85], [0.85, -0.8], [0.3, 0.35]] as [$base, $height]) {
                    $shapes[] = self::sampled(static fn (float $nm): float => $base + $height * exp(-0.5 * (($nm - $centre) / $width) ** 2));
                    $shapes[] = self::sampled(static fn (float $nm): float => $base + $height / (1.0 + exp(-($nm - $centre) / ($width * 0.5))));
                }
            }
        }
        $all = $shapes;
        $count = count($shapes);
        for ($i = 0; $i < $count; $i++) {
            $other = $shapes[($i * 37 + 11) % $count];
            $all[] = array_map(static fn (float $a, float $b): float => $a * $b, $shapes[$i], $other);
        }

        return array_map(static fn (array $spectrum): array => [$spectrum, Bands::fromSamples($spectrum)], $all);
    }

    /**
     * @param  callable(float): float  $reflectance
     * @return array<int, float>
     */
    private static function sampled(callable $reflectance): array
    {
        $samples = [];
        for ($i = 0; $i < Observer::SAMPLES; $i++) {
            $samples[] = $reflectance((float) (Observer::FIRST_NM + $i * Observer::STEP_NM));
        }

        return $samples;
    }

    /**
     * @param  list<array<int, float>>  $normal
     * @param  array<int, float>  $right
     * @param  array<int, float>  $row
     */
    private static function accumulate(array &$normal, array &$right, array $row, float $truth, float $weight): void
    {
        foreach ($row as $i => $a) {
            $right[$i] += $weight * $a * $truth;
            foreach ($row as $j => $b) {
                $normal[$i][$j] += $weight * $a * $b;
            }
        }
    }
}
