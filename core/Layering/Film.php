<?php

declare(strict_types=1);

namespace Prism\Layering;

use Prism\Colour\Bands;

/**
 * One film over all bins: of a single pencil, or a mixture.
 *
 * A film of one pencil keeps only its thickness and how it was laid; a mixture keeps its optical depths, bin by bin.
 */
final readonly class Film
{
    /**
     * @param  array<int, float>  $thickness  5 values, against what cartridge holds
     * @param  float  $loose  0-1: the share a kneaded eraser could take
     * @param  ?Touch  $touch  the pencil, for a film of one pencil
     * @param  array<int, float>  $k  60 values, absorption times thickness, for a mixture
     * @param  array<int, float>  $s  60 values, scattering times thickness, for a mixture
     */
    private function __construct(
        public array $thickness,
        public float $loose,
        private ?Touch $touch,
        private array $k,
        private array $s,
    ) {
    }

    /** @param  array<int, float>  $thickness */
    public static function of(Touch $touch, array $thickness): self
    {
        return new self($thickness, $touch->loose, $touch, [], []);
    }

    /**
     * @param  array<int, float>  $thickness
     * @param  array<int, float>  $k
     * @param  array<int, float>  $s
     */
    public static function mixture(array $thickness, array $k, array $s, float $loose): self
    {
        return new self($thickness, $loose, null, $k, $s);
    }

    /**
     * What is seen of it over a ground.
     *
     * @param  array<int, float>  $ground  60 reflectances
     * @return array<int, float> 60 reflectances
     */
    public function over(array $ground): array
    {
        return $this->touch === null
            ? KubelkaMunk::over($this->k, $this->s, $ground)
            : KubelkaMunk::coat($this->touch, $this->thickness, $ground);
    }

    /**
     * Optical depths, K t and S t.
     *
     * @return array{array<int, float>, array<int, float>} 60 values each
     */
    public function depths(): array
    {
        if ($this->touch === null) {
            return [$this->k, $this->s];
        }
        $k = $s = [];
        for ($band = 0; $band < Bands::COUNT; $band++) {
            foreach ($this->thickness as $t) {
                $k[] = $t * $this->touch->K[$band];
                $s[] = $t * $this->touch->S[$band];
            }
        }

        return [$k, $s];
    }

    /** The film with only these shares of it left, by bin. @param  array<int, float>  $left */
    public function thinned(array $left): self
    {
        $thickness = $this->thickness;
        foreach ($left as $bin => $share) {
            $thickness[$bin] *= $share;
        }
        if ($this->touch !== null) {
            return new self($thickness, $this->loose, $this->touch, [], []);
        }
        $k = $this->k;
        $s = $this->s;
        foreach ($k as $i => $value) {
            $share = $left[$i % Tooth::BINS];
            $k[$i] = $share * $value;
            $s[$i] *= $share;
        }

        return new self($thickness, $this->loose, null, $k, $s);
    }

    /** The film flowed by a share towards the same thickness everywhere. */
    public function levelled(float $share): self
    {
        $thickness = self::flowed($this->thickness, $share);
        if ($this->touch !== null) {
            return new self($thickness, $this->loose, $this->touch, [], []);
        }

        return new self($thickness, $this->loose, null, self::flowed($this->k, $share), self::flowed($this->s, $share));
    }

    /**
     * @param  array<int, float>  $values  one for each bin, band after band
     * @return array<int, float>
     */
    private static function flowed(array $values, float $share): array
    {
        for ($from = 0, $count = count($values); $from < $count; $from += Tooth::BINS) {
            $mean = 0.0;
            foreach (Tooth::SHARES as $bin => $part) {
                $mean += $part * $values[$from + $bin];
            }
            for ($at = $from; $at < $from + Tooth::BINS; $at++) {
                $values[$at] += $share * ($mean - $values[$at]);
            }
        }

        return $values;
    }
}
