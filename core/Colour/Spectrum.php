<?php

declare(strict_types=1);

namespace Prism\Colour;

/**
 * A reflectance spectrum: 36 factors 0-1 from 380 to 730 nm in steps of 10 nm, 45/0.
 */
final readonly class Spectrum
{
    /** @param  array<int, float>  $samples */
    private function __construct(private array $samples)
    {
    }

    /**
     * @param  array<array-key, float>  $samples  36 reflectance factors
     *
     * @throws InvalidColour if there are not 36, or one is outside 0-1
     */
    public static function of(array $samples): self
    {
        $samples = array_values($samples);
        if (count($samples) !== Observer::SAMPLES) {
            throw new InvalidColour(sprintf('A spectrum has %d values from 380 to 730 nm; here are %d.', Observer::SAMPLES, count($samples)));
        }
        foreach ($samples as $i => $value) {
            if (! is_finite($value) || $value < 0.0 || $value > 1.0) {
                throw new InvalidColour(sprintf(
                    'The reflectance at %d nm is %s; it goes from 0 to 1.',
                    Observer::FIRST_NM + $i * Observer::STEP_NM,
                    is_finite($value) ? (string) $value : 'not a number',
                ));
            }
        }

        return new self($samples);
    }

    /** The smoothest spectrum of this colour; see {@see Reconstruction}. */
    public static function fromLab(Lab $lab): self
    {
        $rows = array_map(static fn (array $row): array => array_map(static fn (float $w): float => $w / array_sum($row), $row), Observer::weights());

        return new self(Reconstruction::smoothest($lab, $rows));
    }

    /** @return array<int, float> */
    public function samples(): array
    {
        return $this->samples;
    }

    /** @return array<int, float> the twelve bands of the engine */
    public function bands(): array
    {
        return Bands::fromSamples($this->samples);
    }

    public function toLab(): Lab
    {
        $relative = [];
        foreach (Observer::weights() as $row) {
            $sum = 0.0;
            foreach ($row as $i => $w) {
                $sum += $w * $this->samples[$i];
            }
            $relative[] = $sum / array_sum($row);
        }

        return Lab::fromRelativeXyz($relative[0], $relative[1], $relative[2]);
    }
}
