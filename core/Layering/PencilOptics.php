<?php

declare(strict_types=1);

namespace Prism\Layering;

/**
 * What the engine knows of a pencil: Kubelka-Munk absorption K and scattering S of a film of thickness 1 (what fills cartridge) in the
 * engine's bands, how much film it leaves, how slick that is, and how much of what lies below it drags along.
 */
final readonly class PencilOptics
{
    /**
     * @param  array<int, float>  $K  12 bands, 0 and up
     * @param  array<int, float>  $S  12 bands, above 0
     * @param  float  $transfer  film left, against 1 for an average wax pencil
     * @param  float  $slick  0-1: share of a following layer kept off by a full film of this
     * @param  float  $drag  0-1: share of the top film dragged along at full pressure
     */
    public function __construct(
        public array $K,
        public array $S,
        public float $transfer,
        public float $slick,
        public float $drag,
    ) {
    }

    /**
     * @param  array<int, float>  $K
     */
    public function withAbsorption(array $K): self
    {
        return new self($K, $this->S, $this->transfer, $this->slick, $this->drag);
    }

    /**
     * @param  array<int, float>  $S
     */
    public function withScattering(array $S): self
    {
        return new self($this->K, $S, $this->transfer, $this->slick, $this->drag);
    }
}
