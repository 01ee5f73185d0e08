<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Colour\Lab;
use Prism\Matching\EmptyBox;
use Prism\Matching\Gamut;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Target;
use Prism\Reference\Light\ChromaReach;
use Prism\Reference\Light\RangeMode;
use Prism\Reference\Light\ToneMap;

/**
 * Brings the colours of a picture into what box and paper reach under the rules: values are compressed in their order, hue is
 * kept, chroma is brought inside. A picture that lies within reach stays as it is.
 */
final readonly class Fitting
{
    private function __construct(private ToneMap $tone, private bool $isNeeded)
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
        $chroma = self::chroma($gamut);
        $tone = $dark < $light && $reach < $paperL
            ? ToneMap::of(RangeMode::Compress, $dark, $light, $reach, $paperL, $chroma)
            : ToneMap::none();

        return new self($tone, $exceeds || array_filter($read, static fn (Lab $lab): bool => $chroma->colour($lab) !== $lab) !== []);
    }

    /** L* of the darkest that the box reaches by the schools of practice. @throws EmptyBox */
    public static function darkest(Search $search, Limits $limits = new Limits(top: 1, maxLayers: 8)): float
    {
        return $search->find(Target::value(Lab::of(0.0, 0.0, 0.0)), $limits)[0]->prediction->colour->L;
    }

    /** How coloured a box can be: the middles of the cells it fills, and what lies in them beyond. */
    public static function chroma(Gamut $gamut): ChromaReach
    {
        return ChromaReach::of(array_map(static function (Lab $lab): Lab {
            $share = 1.0 + Gamut::CELL / 2.0 / max(Gamut::CELL, $lab->chroma());

            return Lab::of($lab->L, $share * $lab->a, $share * $lab->b);
        }, $gamut->colours()));
    }

    /** Whether any colour of the picture changes. */
    public function isNeeded(): bool
    {
        return $this->isNeeded;
    }

    public function colour(Lab $read): Lab
    {
        return $this->isNeeded ? $this->tone->colour($read) : $read;
    }
}
