<?php

declare(strict_types=1);

namespace Prism\Calibration;

use Prism\Colour\Bands;
use Prism\Layering\Hand;
use Prism\Layering\PencilOptics;
use Prism\Materials\Pencil;

/**
 * A pencil as calibration knows it: the absorption it started from and how far swatches have moved it.
 *
 * Absorption moves by a few smooth shapes over the bands (cosines, on a log scale), so that the hand noise of four swatches
 * cannot bend a spectrum; scattering and transfer move as a whole. All offsets are logarithms and expected near 0.
 */
final readonly class PencilFit
{
    private const SHAPES = 7;

    /** Offset of scattering, and of transfer, in the list. */
    private const SCATTERING = 7;

    private const TRANSFER = 8;

    /** How far each offset is expected to lie from 0, one standard deviation. */
    public const SPREAD = [0.5, 0.4, 0.3, 0.25, 0.2, 0.15, 0.1, 0.8, 0.15];

    /**
     * @param  array<int, float>  $start  12 bands, absorption
     * @param  float  $coatL  L* of the heavy coat, for the prior of scattering and slickness
     * @param  array<int, float>  $offsets
     */
    public function __construct(
        private Pencil $pencil,
        private array $start,
        private float $coatL,
        public array $offsets = [0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0],
    ) {
    }

    /** Started from an optics that was found from one coat. */
    public static function from(Pencil $pencil, PencilOptics $optics, float $coatL): self
    {
        return new self($pencil, $optics->K, $coatL);
    }

    /** @return array{start: array<int, float>, coatL: float, offsets: array<int, float>} */
    public function toArray(): array
    {
        return ['start' => $this->start, 'coatL' => $this->coatL, 'offsets' => $this->offsets];
    }

    /** @param  array{start: array<int, float>, coatL: float, offsets: array<int, float>}  $kept */
    public static function fromArray(Pencil $pencil, array $kept): self
    {
        return new self($pencil, $kept['start'], $kept['coatL'], $kept['offsets']);
    }

    public function optics(Hand $hand): PencilOptics
    {
        $prior = FullCoat::prior($this->pencil, $this->coatL, $hand);
        $shapes = self::shapes();
        $K = [];
        foreach ($this->start as $band => $value) {
            $log = 0.0;
            for ($shape = 0; $shape < self::SHAPES; $shape++) {
                $log += $this->offsets[$shape] * $shapes[$shape][$band];
            }
            $K[] = $value * exp($log);
        }
        $more = exp($this->offsets[self::SCATTERING]);

        return new PencilOptics(
            $K,
            array_map(static fn (float $s): float => $s * $more, $prior->S),
            $prior->transfer * exp($this->offsets[self::TRANSFER]),
            $prior->slick,
            $prior->drag,
        );
    }

    /** @param  array<int, float>  $by  added to the offsets */
    public function moved(array $by): self
    {
        $offsets = $this->offsets;
        foreach ($by as $i => $value) {
            $offsets[$i] += $value;
        }

        return new self($this->pencil, $this->start, $this->coatL, $offsets);
    }

    /** @return list<array<int, float>> */
    private static function shapes(): array
    {
        static $shapes = null;
        if ($shapes === null) {
            $shapes = [];
            for ($shape = 0; $shape < self::SHAPES; $shape++) {
                $shapes[] = array_map(static fn (int $band): float => cos(M_PI * $shape * ($band + 0.5) / Bands::COUNT), range(0, Bands::COUNT - 1));
            }
        }

        return $shapes;
    }
}
