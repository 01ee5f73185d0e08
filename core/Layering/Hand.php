<?php

declare(strict_types=1);

namespace Prism\Layering;

/**
 * The constants of a hand and of what wax and oil do under it: the part of the tooth model that is the same for all
 * pencils. Pressures are 0-1 here, thicknesses in what cartridge
 * paper holds at most. Calibration may replace any of them.
 */
final readonly class Hand
{
    /**
     * @param  float  $reachBase  depth of tooth that the lightest touch reaches
     * @param  float  $reachGain  what full pressure adds to it
     * @param  float  $reachPower  how late that comes
     * @param  float  $reachSoftness  width of the edge between touched and untouched tooth
     * @param  float  $depositGain  film that one pass at full pressure tries to leave, in papers-full of cartridge
     * @param  float  $depositPower  how film grows with pressure
     * @param  float  $passPower  how film grows with the number of passes, 1 for proportional
     * @param  float  $crowdPower  how soon films already there keep a layer off, 1 in proportion to the tooth they fill
     * @param  float  $rise  how much a full coat lifts the ground of a valley towards the point
     * @param  float  $yuleNielsen  share of the light that the sheet scatters sideways between valleys and peaks, 0-1
     * @param  float  $oilTransfer  film that oil leaves, against 1 for wax
     * @param  float  $waxDrag  share of the top film that wax at full pressure drags into itself
     * @param  float  $oilDrag  the same for oil
     * @param  float  $waxSlick  how much a full wax film keeps a following layer off
     * @param  float  $paleSlick  what a pale wax adds to it
     * @param  float  $oilSlick  the same for oil
     * @param  float  $flatten  share of the free tooth that full pressure crushes
     * @param  float  $scattering  Kubelka-Munk S of a film of thickness 1 of a semi-opaque pencil
     */
    public function __construct(
        public float $reachBase = 0.0673,
        public float $reachGain = 0.546,
        public float $reachPower = 1.37,
        public float $reachSoftness = 0.155,
        public float $depositGain = 3.18,
        public float $depositPower = 1.82,
        public float $passPower = 0.923,
        public float $crowdPower = 0.763,
        public float $rise = 0.119,
        public float $yuleNielsen = 0.0875,
        public float $oilTransfer = 0.491,
        public float $waxDrag = 0.1,
        public float $oilDrag = 0.0254,
        public float $waxSlick = 0.179,
        public float $paleSlick = 0.2,
        public float $oilSlick = 0.04,
        public float $flatten = 0.9,
        public float $scattering = 0.0904,
    ) {
    }

    /** Depth of tooth reached at a pressure of 0-1. */
    public function reach(float $pressure): float
    {
        return $this->reachBase + $this->reachGain * $pressure ** $this->reachPower;
    }

    /** Share of the free tooth that a pressure of 0-1 crushes; nothing below a light hand. */
    public function crush(float $pressure): float
    {
        $above = max(0.0, ($pressure - 0.3) / 0.65);

        return min(0.97, $this->flatten * $above * $above);
    }
}
