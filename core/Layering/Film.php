<?php

declare(strict_types=1);

namespace Prism\Layering;

use Prism\Colour\Bands;

/**
 * One film over all bins: of a single pencil as it was laid, or a mixture that a firm hand, a wash or a blender made. A
 * mixture is kept as its optical depths alone, so that it costs the same however often it was mixed.
 */
final readonly class Film
{
    /**
     * @param  ?Touch  $touch  the pencil as it was laid; null for a mixture
     * @param  array<int, float>  $thickness  5 values, against what cartridge holds
     * @param  array<int, float>  $k  optical depth K t of a mixture, bands by bins; empty for a single pencil
     * @param  array<int, float>  $s  the same for scattering
     * @param  float  $loose  0-1: the share a kneaded eraser could take
     */
    private function __construct(private ?Touch $touch, public array $thickness, private array $k, private array $s, public float $loose)
    {
    }

    /** @param  array<int, float>  $thickness */
    public static function of(Touch $touch, array $thickness): self
    {
        return new self($touch, $thickness, [], [], $touch->loose);
    }

    /**
     * Films made into one: their optical depths add up.
     *
     * @param  non-empty-list<self>  $films
     */
    public static function mixture(array $films, float $loose): self
    {
        $thickness = $films[0]->thickness;
        [$k, $s] = $films[0]->optics();
        for ($n = 1, $count = count($films); $n < $count; $n++) {
            $film = $films[$n];
            [$t0, $t1, $t2, $t3, $t4] = $film->thickness;
            [$a, $b, $c, $d, $e] = $thickness;
            $thickness = [$a + $t0, $b + $t1, $c + $t2, $d + $t3, $e + $t4];
            if ($film->touch === null) {
                foreach ($film->k as $i => $value) {
                    $k[$i] += $value;
                    $s[$i] += $film->s[$i];
                }

                continue;
            }
            $scattering = $film->touch->S;
            $i = 0;
            foreach ($film->touch->K as $band => $value) {
                $scatter = $scattering[$band];
                $k[$i] += $t0 * $value;
                $s[$i++] += $t0 * $scatter;
                $k[$i] += $t1 * $value;
                $s[$i++] += $t1 * $scatter;
                $k[$i] += $t2 * $value;
                $s[$i++] += $t2 * $scatter;
                $k[$i] += $t3 * $value;
                $s[$i++] += $t3 * $scatter;
                $k[$i] += $t4 * $value;
                $s[$i++] += $t4 * $scatter;
            }
        }

        return new self(null, $thickness, $k, $s, $loose);
    }

    /**
     * What is seen of it over a ground.
     *
     * @param  array<int, float>  $ground  60 reflectances
     * @return array<int, float> 60 reflectances
     */
    public function over(array $ground): array
    {
        return $this->touch !== null
            ? KubelkaMunk::coat($this->touch, $this->thickness, $ground)
            : KubelkaMunk::mixture($this->k, $this->s, $ground);
    }

    /**
     * Optical depths K t and S t in one bin.
     *
     * @return array{array<int, float>, array<int, float>} 12 bands each
     */
    public function depths(int $bin): array
    {
        [$k, $s] = $this->optics();
        $ofBin = static fn (array $all): array => array_map(static fn (int $band): float => $all[$band * Tooth::BINS + $bin], range(0, Bands::COUNT - 1));

        return [$ofBin($k), $ofBin($s)];
    }

    /**
     * The film with only these shares of it left.
     *
     * @param  array<int, float>  $left  by bin
     */
    public function thinned(array $left): self
    {
        [$a, $b, $c, $d, $e] = $left;
        [$t0, $t1, $t2, $t3, $t4] = $this->thickness;
        $k = $this->k;
        $s = $this->s;
        for ($i = 0, $count = count($k); $i < $count; $i += Tooth::BINS) {
            $k[$i] *= $a;
            $k[$i + 1] *= $b;
            $k[$i + 2] *= $c;
            $k[$i + 3] *= $d;
            $k[$i + 4] *= $e;
            $s[$i] *= $a;
            $s[$i + 1] *= $b;
            $s[$i + 2] *= $c;
            $s[$i + 3] *= $d;
            $s[$i + 4] *= $e;
        }

        return new self($this->touch, [$a * $t0, $b * $t1, $c * $t2, $d * $t3, $e * $t4], $k, $s, $this->loose);
    }

    /** The film flowed by a share towards the same thickness everywhere. */
    public function levelled(float $share): self
    {
        return new self($this->touch, self::flowed($this->thickness, $share), self::flowed($this->k, $share), self::flowed($this->s, $share), $this->loose);
    }

    /** The film optically stronger, and clearer. */
    public function strengthened(float $strength, float $clear): self
    {
        [$k, $s] = $this->optics();
        $clear *= $strength;
        foreach ($k as $i => $value) {
            $k[$i] = $strength * $value;
            $s[$i] *= $clear;
        }

        return new self(null, $this->thickness, $k, $s, $this->loose);
    }

    /** @return array{array<int, float>, array<int, float>} K t and S t, bands by bins */
    private function optics(): array
    {
        if ($this->touch === null) {
            return [$this->k, $this->s];
        }
        $k = $s = [];
        $scattering = $this->touch->S;
        [$t0, $t1, $t2, $t3, $t4] = $this->thickness;
        foreach ($this->touch->K as $band => $value) {
            $scatter = $scattering[$band];
            $k[] = $t0 * $value;
            $k[] = $t1 * $value;
            $k[] = $t2 * $value;
            $k[] = $t3 * $value;
            $k[] = $t4 * $value;
            $s[] = $t0 * $scatter;
            $s[] = $t1 * $scatter;
            $s[] = $t2 * $scatter;
            $s[] = $t3 * $scatter;
            $s[] = $t4 * $scatter;
        }

        return [$k, $s];
    }

    /**
     * @param  array<int, float>  $values  by bin, once or for each band
     * @return array<int, float>
     */
    private static function flowed(array $values, float $share): array
    {
        [$w0, $w1, $w2, $w3, $w4] = Tooth::SHARES;
        $kept = 1.0 - $share;
        for ($i = 0, $count = count($values); $i < $count; $i += Tooth::BINS) {
            $a = $values[$i];
            $b = $values[$i + 1];
            $c = $values[$i + 2];
            $d = $values[$i + 3];
            $e = $values[$i + 4];
            $mean = $share * ($w0 * $a + $w1 * $b + $w2 * $c + $w3 * $d + $w4 * $e);
            $values[$i] = $mean + $kept * $a;
            $values[$i + 1] = $mean + $kept * $b;
            $values[$i + 2] = $mean + $kept * $c;
            $values[$i + 3] = $mean + $kept * $d;
            $values[$i + 4] = $mean + $kept * $e;
        }

        return $values;
    }
}
