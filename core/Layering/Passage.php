<?php

declare(strict_types=1);

namespace Prism\Layering;

use Prism\Colour\Bands;
use Prism\Colour\Lab;
use Prism\Colour\Reconstruction;

/**
 * The state of a passage of the drawing: the piles of films in the tooth, bin by bin, and how they look.
 *
 * Only {@see ToothModel} makes these; once made they are not changed.
 */
final class Passage
{
    private const LEAST_REFLECTANCE = 1e-3;

    private const MOST_REFLECTANCE = 0.999;

    /**
     * @param  array<int, float>  $reflectance  60 values: bands by bins
     * @param  array<int, float>  $fill  by bin, tooth used up by film
     * @param  array<int, float>  $capacity  by bin, what crushing has left
     * @param  array<int, float>  $slick  by bin, 0-1
     * @param  list<Film>  $films  bottom to top
     * @param  array<int, float>  $veil  by band, what is seen against what the films give; empty where nobody has looked
     */
    public function __construct(
        public array $reflectance,
        public array $fill,
        public array $capacity,
        public array $slick,
        public array $films,
        public float $paperCapacity,
        public float $yuleNielsen,
        public array $veil = [],
    ) {
    }

    /**
     * The same films, looking as somebody has seen them: what the model cannot tell is laid over all that it computes as a ratio by
     * band, so that what is laid next starts from there.
     */
    public function seenAs(Lab $seen): self
    {
        $is = Reconstruction::smoothest($this->lab(), Bands::WEIGHTS);
        $veil = [];
        foreach (Reconstruction::smoothest($seen, Bands::WEIGHTS) as $band => $value) {
            $veil[] = ($this->veil[$band] ?? 1.0) * $value / max(self::LEAST_REFLECTANCE, $is[$band]);
        }
        $plain = new self(self::through($this->reflectance, $this->veil, true), $this->fill, $this->capacity, $this->slick, $this->films, $this->paperCapacity, $this->yuleNielsen);

        return $plain->under($veil);
    }

    /**
     * Seen through a veil.
     *
     * @param  array<int, float>  $veil  12 ratios of reflectance, or none
     */
    public function under(array $veil): self
    {
        return $veil === [] ? $this : new self(self::through($this->reflectance, $veil), $this->fill, $this->capacity, $this->slick, $this->films, $this->paperCapacity, $this->yuleNielsen, $veil);
    }

    /**
     * @param  array<int, float>  $reflectance  bands by bins
     * @param  array<int, float>  $veil
     * @return array<int, float>
     */
    private static function through(array $reflectance, array $veil, bool $taken = false): array
    {
        foreach ($veil === [] ? [] : $reflectance as $i => $value) {
            $ratio = $veil[intdiv($i, Tooth::BINS)];
            $reflectance[$i] = max(self::LEAST_REFLECTANCE, min(self::MOST_REFLECTANCE, $taken ? $value / $ratio : $value * $ratio));
        }

        return $reflectance;
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

    /** How uneven the passage looks: the spread of L* from peaks to valleys, one standard deviation. */
    public function grain(): float
    {
        $r = $this->reflectance;
        $luminance = array_fill(0, Tooth::BINS, 0.0);
        foreach (Bands::WEIGHTS[1] as $band => $weight) {
            for ($bin = 0; $bin < Tooth::BINS; $bin++) {
                $luminance[$bin] += $weight * $r[$band * Tooth::BINS + $bin];
            }
        }

        return KubelkaMunk::spread($luminance);
    }

    public function look(): Look
    {
        return new Look($this->lab(), $this->grain(), $this->toothLeft());
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
