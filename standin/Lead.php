<?php

declare(strict_types=1);

namespace Standin;

use Prism\Colour\Spectrum;

/** What a pencil is in the simulated studio: the truth that nobody there is told. */
final readonly class Lead
{
    /** Scattering of a film of thickness 1, by the word on the barrel. */
    private const SCATTERS = ['transparent' => 0.22, 'semi' => 0.34, 'opaque' => 0.55];

    /** Less of it in darks, which hold little but soot and dye: the share of a lead that reflects nothing, and what its lightest band adds. */
    private const DARK_SCATTERS = 0.3;

    private const LIGHT_ADDS = 1.4;

    /** More of it in pale leads, which hold white. */
    private const WHITE_SCATTERS = 6.0;

    private const THICK_COAT = 0.75;

    private const LEAST_REFLECTANCE = 0.012;

    /**
     * @param  list<float>  $K  36 samples, absorption of a film of thickness 1
     * @param  float  $S  scattering of it
     * @param  float  $soft  film left by a pass at full pressure
     * @param  float  $smear  share of what lies below that a heavy stroke takes up
     * @param  float  $slip  how much a full film keeps the next stroke off
     */
    private function __construct(public array $K, public float $S, public float $soft, public float $smear, public float $slip)
    {
    }

    /** Of a pencil of which nobody said what colour it is: something between two others, as deep as that makes it. */
    public static function between(string $id, self $one, self $other, bool $wax): self
    {
        $dice = new Dice("$id between");
        $share = 0.25 + 0.5 * $dice->uniform();
        $K = array_map(static fn (float $k, float $l): float => exp((1.0 - $share) * log($k) + $share * log($l)), $one->K, $other->K);

        return new self($K, (1.0 - $share) * $one->S + $share * $other->S, ($wax ? 0.95 : 0.68) * exp(0.06 * $dice->normal()), $wax ? 0.4 : 0.15, $wax ? 0.2 : 0.06);
    }

    /** About what a heavy coat of it reflects over white paper. */
    public function looks(): Spectrum
    {
        return Spectrum::of(array_map(static fn (float $k): float => 0.93 * exp(-2.0 * self::THICK_COAT * $k), $this->K));
    }

    /** From the measured heavy coat, with a character of its own drawn from the pencil's name. */
    public static function of(string $id, Spectrum $coat, bool $wax, string $opacity): self
    {
        $dice = new Dice($id);
        $white = max(0.0, (min($coat->samples()) - 0.35) / 0.6);
        $S = self::SCATTERS[$opacity] * min(1.0, self::DARK_SCATTERS + self::LIGHT_ADDS * max($coat->samples())) * exp(0.25 * $dice->normal()) + self::WHITE_SCATTERS * $white ** 3;
        $K = [];
        foreach ($coat->samples() as $i => $value) {
            $r = max(self::LEAST_REFLECTANCE, min(0.985, $value));
            // A coat of this thickness over white paper: light goes through twice.
            $K[] = max(0.004, -log($r / 0.93) / (2.0 * self::THICK_COAT) + $S * 0.08 * (1.0 - $r)) * exp(0.04 * sin(0.4 * $i + 6.0 * $dice->uniform()));
        }

        return new self($K, $S, ($wax ? 0.95 : 0.68) * exp(0.06 * $dice->normal()), $wax ? 0.4 : 0.15, $wax ? 0.16 + 0.2 * $white : 0.06);
    }
}
