<?php

declare(strict_types=1);

namespace Prism\Layering;

/**
 * One film over all bins: optical depths K t and S t (bin by bin, twelve bands each), thickness and looseness by bin, and
 * the reflectance of what lies below it.
 *
 * A mutable record inside the kernel of {@see ToothModel}; nothing else writes to it.
 */
final class Film
{
    /**
     * @param  array<int, float>  $k  60 values, absorption times thickness
     * @param  array<int, float>  $s  60 values, scattering times thickness
     * @param  array<int, float>  $thickness  5 values, against what cartridge holds
     * @param  array<int, float>  $below  60 reflectances
     * @param  float  $loose  0-1: the share a kneaded eraser could take
     * @param  float  $slick  0-1
     */
    public function __construct(
        public array $k,
        public array $s,
        public array $thickness,
        public array $below,
        public float $loose,
        public float $slick,
    ) {
    }
}
