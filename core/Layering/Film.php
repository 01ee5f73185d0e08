<?php

declare(strict_types=1);

namespace Prism\Layering;

use Prism\Colour\Bands;

/**
 * One film over all bins: of a single pencil, or a mixture of several that a firm hand, a wash or a blender made. Each part
 * is a pencil as it was laid with its thickness bin by bin; parts of a mixture may have lost some of their scattering.
 */
final readonly class Film
{
    /**
     * @param  non-empty-list<array{touch: Touch, thickness: array<int, float>, clear: float}>  $parts
     * @param  array<int, float>  $thickness  5 values, against what cartridge holds
     * @param  float  $loose  0-1: the share a kneaded eraser could take
     */
    private function __construct(public array $parts, public array $thickness, public float $loose)
    {
    }

    /** @param  array<int, float>  $thickness */
    public static function of(Touch $touch, array $thickness): self
    {
        return new self([['touch' => $touch, 'thickness' => $thickness, 'clear' => 1.0]], $thickness, $touch->loose);
    }

    /**
     * Films made into one.
     *
     * @param  non-empty-list<self>  $films
     */
    public static function mixture(array $films, float $loose): self
    {
        $parts = [];
        $thickness = array_fill(0, Tooth::BINS, 0.0);
        foreach ($films as $film) {
            foreach ($film->parts as $part) {
                $parts[] = $part;
            }
            foreach ($film->thickness as $bin => $t) {
                $thickness[$bin] += $t;
            }
        }

        return new self($parts, $thickness, $loose);
    }

    /**
     * What is seen of it over a ground.
     *
     * @param  array<int, float>  $ground  60 reflectances
     * @return array<int, float> 60 reflectances
     */
    public function over(array $ground): array
    {
        $first = $this->parts[0];

        return count($this->parts) === 1 && $first['clear'] === 1.0
            ? KubelkaMunk::coat($first['touch'], $first['thickness'], $ground)
            : KubelkaMunk::mixture($this->parts, $ground);
    }

    /**
     * Optical depths K t and S t in one bin.
     *
     * @return array{array<int, float>, array<int, float>} 12 bands each
     */
    public function depths(int $bin): array
    {
        $k = $s = array_fill(0, Bands::COUNT, 0.0);
        foreach ($this->parts as ['touch' => $touch, 'thickness' => $thickness, 'clear' => $clear]) {
            foreach ($touch->K as $band => $value) {
                $k[$band] += $thickness[$bin] * $value;
                $s[$band] += $thickness[$bin] * $clear * $touch->S[$band];
            }
        }

        return [$k, $s];
    }

    /**
     * The film with only these shares of it left.
     *
     * @param  array<int, float>  $left  by bin
     */
    public function thinned(array $left): self
    {
        [$a, $b, $c, $d, $e] = $left;
        $parts = [];
        foreach ($this->parts as $part) {
            [$t0, $t1, $t2, $t3, $t4] = $part['thickness'];
            $part['thickness'] = [$a * $t0, $b * $t1, $c * $t2, $d * $t3, $e * $t4];
            $parts[] = $part;
        }
        [$t0, $t1, $t2, $t3, $t4] = $this->thickness;

        return new self($parts, [$a * $t0, $b * $t1, $c * $t2, $d * $t3, $e * $t4], $this->loose);
    }

    /** The film flowed by a share towards the same thickness everywhere. */
    public function levelled(float $share): self
    {
        $parts = [];
        foreach ($this->parts as $part) {
            $part['thickness'] = self::flowed($part['thickness'], $share);
            $parts[] = $part;
        }

        return new self($parts, self::flowed($this->thickness, $share), $this->loose);
    }

    /** The film optically stronger, and clearer. */
    public function strengthened(float $strength, float $clear): self
    {
        $parts = [];
        foreach ($this->parts as $part) {
            foreach ($part['thickness'] as $bin => $t) {
                $part['thickness'][$bin] = $strength * $t;
            }
            $part['clear'] *= $clear;
            $parts[] = $part;
        }

        return new self($parts, $this->thickness, $this->loose);
    }

    /**
     * @param  array<int, float>  $thickness
     * @return array<int, float>
     */
    private static function flowed(array $thickness, float $share): array
    {
        [$t0, $t1, $t2, $t3, $t4] = $thickness;
        [$w0, $w1, $w2, $w3, $w4] = Tooth::SHARES;
        $mean = $share * ($w0 * $t0 + $w1 * $t1 + $w2 * $t2 + $w3 * $t3 + $w4 * $t4);
        $kept = 1.0 - $share;

        return [$mean + $kept * $t0, $mean + $kept * $t1, $mean + $kept * $t2, $mean + $kept * $t3, $mean + $kept * $t4];
    }
}
