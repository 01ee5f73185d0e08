<?php

declare(strict_types=1);

namespace Prism\Layering;

use Prism\Colour\Bands;
use Prism\Colour\Lab;

/**
 * The state of a passage of the drawing: the piles of films in the tooth, bin by bin, and how they look.
 *
 * Only {@see ToothModel} makes these; once made they are not changed.
 */
final class Passage
{
    /**
     * @param  array<int, float>  $reflectance  60 values: bands by bins
     * @param  array<int, float>  $fill  by bin, tooth used up by film
     * @param  array<int, float>  $capacity  by bin, what crushing has left
     * @param  array<int, float>  $slick  by bin, 0-1
     * @param  list<Film>  $films  bottom to top
     */
    public function __construct(
        public array $reflectance,
        public array $fill,
        public array $capacity,
        public array $slick,
        public array $films,
        public float $paperCapacity,
        public float $yuleNielsen,
    ) {
    }

    /** The colour seen from the distance at which the grain closes. */
    public function lab(): Lab
    {
        return Bands::toLab($this->bands());
    }

    /**
     * Mean reflectance over the bins. Light that enters the sheet over a valley may leave under a peak, which darkens a
     * grainy passage: for part of the light the mean of roots squared is taken (Yule & Nielsen 1951, n = 2), here to second
     * order, mean - variance / (4 mean).
     *
     * @return array<int, float> 12 bands
     */
    public function bands(): array
    {
        $r = $this->reflectance;
        [$w0, $w1, $w2, $w3, $w4] = Tooth::SHARES;
        $sideways = 0.25 * $this->yuleNielsen;
        $bands = [];
        for ($i = 0, $count = count($r); $i < $count; $i += Tooth::BINS) {
            $a = $r[$i];
            $b = $r[$i + 1];
            $c = $r[$i + 2];
            $d = $r[$i + 3];
            $e = $r[$i + 4];
            $mean = $w0 * $a + $w1 * $b + $w2 * $c + $w3 * $d + $w4 * $e;
            $square = $w0 * $a * $a + $w1 * $b * $b + $w2 * $c * $c + $w3 * $d * $d + $w4 * $e * $e;
            $bands[] = $mean > 0.0 ? $mean - $sideways * ($square / $mean - $mean) : 0.0;
        }

        return $bands;
    }

    /** Share of the paper's tooth that is still free, 0-1. */
    public function toothLeft(): float
    {
        $free = 0.0;
        foreach (Tooth::SHARES as $bin => $share) {
            $free += $share * max(0.0, $this->capacity[$bin] - $this->fill[$bin]);
        }

        return max(0.0, min(1.0, $free / $this->paperCapacity));
    }

    /** How uneven the passage looks: the spread of L* from peaks to valleys. */
    public function grain(): float
    {
        $lightness = $this->binLightness();
        $mean = 0.0;
        foreach (Tooth::SHARES as $bin => $share) {
            $mean += $share * $lightness[$bin];
        }
        $variance = 0.0;
        foreach (Tooth::SHARES as $bin => $share) {
            $variance += $share * ($lightness[$bin] - $mean) ** 2;
        }

        return sqrt($variance);
    }

    /** @return array<int, float> L* of each bin, peak to valley */
    public function binLightness(): array
    {
        return array_map(fn (int $bin): float => $this->binLab($bin)->L, range(0, Tooth::BINS - 1));
    }

    /** Colour of one bin alone: what a lens would see. */
    public function binLab(int $bin): Lab
    {
        $bands = [];
        for ($band = 0; $band < Bands::COUNT; $band++) {
            $bands[] = $this->reflectance[$band * Tooth::BINS + $bin];
        }

        return Bands::toLab($bands);
    }
}
