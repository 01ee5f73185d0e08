<?php

declare(strict_types=1);

namespace Prism\Reference\Light;

use Prism\Colour\Lab;
use Prism\Reference\LookRefused;

/** Brings the colours of a photo into those that a paper and a box can reach: values first, then chroma. Hue stays. */
final readonly class ToneMap
{
    private function __construct(
        public RangeMode $mode,
        public float $photoDark,
        public float $photoLight,
        public float $reachDark,
        public float $reachLight,
        private ChromaReach $chroma,
    ) {
    }

    public static function none(): self
    {
        return new self(RangeMode::AsIs, 0.0, 100.0, 0.0, 100.0, ChromaReach::unlimited());
    }

    /**
     * @param  float  $photoDark  L* of the photo's darkest and lightest
     * @param  float  $reachDark  L* of the darkest and lightest that can be drawn
     *
     * @throws LookRefused if dark is not darker than light
     */
    public static function of(RangeMode $mode, float $photoDark, float $photoLight, float $reachDark, float $reachLight, ?ChromaReach $chroma = null): self
    {
        if ($photoDark >= $photoLight || $reachDark >= $reachLight) {
            throw new LookRefused('The darkest value must be darker than the lightest.');
        }

        return new self($mode, $photoDark, $photoLight, $reachDark, $reachLight, $chroma ?? ChromaReach::unlimited());
    }

    public function lightness(float $L): float
    {
        return match ($this->mode) {
            RangeMode::AsIs => $L,
            RangeMode::Clip => max($this->reachDark, min($this->reachLight, $L)),
            RangeMode::Compress => $this->compressed($L),
        };
    }

    public function colour(Lab $colour): Lab
    {
        return $this->chroma->colour($colour->withLightness(max(0.0, min(100.0, $this->lightness($colour->L)))));
    }

    /** @return array{mode: string, photoDark: float, photoLight: float, reachDark: float, reachLight: float, chroma: array<string, float>} */
    public function toArray(): array
    {
        return ['mode' => $this->mode->value, 'photoDark' => $this->photoDark, 'photoLight' => $this->photoLight, 'reachDark' => $this->reachDark, 'reachLight' => $this->reachLight, 'chroma' => $this->chroma->toArray()];
    }

    /** Nothing is stretched: a photo with less range than the paper keeps its values. */
    private function compressed(float $L): float
    {
        $dark = max($this->photoDark, $this->reachDark);
        $light = min($this->photoLight, $this->reachLight);
        if ($dark >= $light) {
            return max($this->reachDark, min($this->reachLight, $L));
        }
        $share = max(0.0, min(1.0, ($L - $this->photoDark) / ($this->photoLight - $this->photoDark)));

        return $dark + $share * ($light - $dark);
    }
}
