<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Colour\Lab;
use Prism\Matching\EmptyBox;
use Prism\Matching\Gamut;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Target;
use Prism\Reference\RangeMode;
use Prism\Reference\ToneMap;

/**
 * Brings the colours of a picture into what box and paper reach under the rules: values are compressed in their order, hue is
 * kept, chroma is brought inside. A picture that lies within reach stays as it is.
 */
final readonly class Fitting
{
    /** How far chroma is taken in at most, and in what steps, as shares. */
    private const LEAST_CHROMA = 0.5;

    private const CHROMA_STEP = 0.05;

    private function __construct(private ToneMap $tone, private Gamut $gamut)
    {
    }

    /**
     * @param  list<Lab>  $read  the colours of the picture
     * @param  Gamut  $gamut  what the box makes
     *
     * @throws EmptyBox
     */
    public static function of(array $read, Search $search, Gamut $gamut, float $paperL): self
    {
        $L = array_map(static fn (Lab $lab): float => $lab->L, $read);
        $dark = $L === [] ? 0.0 : min($L);
        $light = $L === [] ? 100.0 : max($L);
        $reach = self::darkest($search);
        $exceeds = $dark < $reach || $light > $paperL;
        $tone = $exceeds && $dark < $light && $reach < $paperL ? ToneMap::of(RangeMode::Compress, $dark, $light, $reach, $paperL) : ToneMap::none();

        return new self($tone, $gamut);
    }

    /** L* of the darkest that the box reaches by the schools of practice. @throws EmptyBox */
    public static function darkest(Search $search, Limits $limits = new Limits(top: 1, maxLayers: 8)): float
    {
        return $search->find(Target::value(Lab::of(0.0, 0.0, 0.0)), $limits)[0]->prediction->colour->L;
    }

    public function isNeeded(): bool
    {
        return $this->tone->mode !== RangeMode::AsIs;
    }

    public function colour(Lab $read): Lab
    {
        $fitted = $this->tone->colour($read);
        for ($share = 1.0; $share >= self::LEAST_CHROMA && ! $this->gamut->has($fitted); $share -= self::CHROMA_STEP) {
            $fitted = Lab::of($fitted->L, $share * $read->a, $share * $read->b);
        }

        return $fitted;
    }
}
