<?php

declare(strict_types=1);

namespace Prism\Layering;

use Prism\Colour\Bands;
use Prism\Colour\Reconstruction;
use Prism\Materials\Paper;

/**
 * A paper cut into bins from peak to valley, as the tooth model computes with it.
 *
 * Five Gauss-Legendre nodes over the distribution of depths: as near as a few dozen equal bins for these smooth curves.
 */
final readonly class Tooth
{
    public const BINS = 5;

    public const NODES = [0.04691008, 0.23076534, 0.5, 0.76923466, 0.95308992];

    public const SHARES = [0.11846344, 0.23931434, 0.28444444, 0.23931434, 0.11846344];

    /** How far the depths gather in the middle, away from peaks and valleys. */
    private const SHAPE = 0.0568;

    /**
     * @param  array<int, float>  $reflectance  of the bare paper, 12 bands
     * @param  array<int, float>  $depth  by bin, peak to valley
     * @param  array<int, float>  $capacity  by bin, against what cartridge holds
     */
    private function __construct(
        public array $reflectance,
        public array $depth,
        public array $capacity,
        public float $totalCapacity,
        public float $adhesion,
    ) {
    }

    public static function of(Paper $paper): self
    {
        $depth = [];
        $capacity = [];
        $total = 0.0;
        foreach (self::NODES as $bin => $node) {
            $depth[] = $paper->roughness * ($node + self::SHAPE * sin(2.0 * M_PI * $node));
            $holds = $paper->capacity * (0.7 + 0.6 * $node);
            $capacity[] = $holds;
            $total += self::SHARES[$bin] * $holds;
        }

        return new self(Reconstruction::smoothest($paper->colour, Bands::WEIGHTS), $depth, $capacity, $total, $paper->adhesion);
    }
}
