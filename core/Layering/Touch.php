<?php

declare(strict_types=1);

namespace Prism\Layering;

/**
 * A pencil as it is laid: at one pressure, in so many passes, on one paper. All that a layer needs and that does not
 * depend on what lies there already, so that a search can keep it.
 *
 * Only {@see ToothModel::touch} makes these.
 */
final readonly class Touch
{
    /**
     * @param  array<int, float>  $contact  by bin, 0-1: how much of this depth the point touches
     * @param  float  $rate  film it tries to leave where it touches
     * @param  float  $limit  how high film can lie, against what the tooth holds
     * @param  float  $drag  share of the top film dragged along where it touches, in one pass
     * @param  float  $levels  share in which it levels the films below
     * @param  bool  $firm  pressed so that it moves what lies below
     * @param  float  $slick  slickness of a full film of it
     * @param  float  $loose  0-1: the share a kneaded eraser could take
     * @param  array<int, float>  $K  12 bands, absorption of a film of thickness 1 laid so
     * @param  array<int, float>  $S  the same for scattering
     * @param  array<int, float>  $decay  -2 sqrt(K (K + 2 S)), 12 bands
     * @param  array<int, float>  $deep  reflectance of the film laid without end, 12 bands
     * @param  array<int, float>  $inverse  1 / $deep
     */
    public function __construct(
        public array $contact,
        public float $rate,
        public float $limit,
        public float $crush,
        public float $drag,
        public float $levels,
        public bool $firm,
        public float $passes,
        public float $slick,
        public float $loose,
        public array $K,
        public array $S,
        public array $decay,
        public array $deep,
        public array $inverse,
    ) {
    }
}
