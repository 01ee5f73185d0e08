<?php

declare(strict_types=1);

namespace Prism\Layering;

/**
 * The constants of a hand and of what wax and oil do under it: the part of the tooth model that is the same for all
 * pencils. Pressures are 0-1 here, thicknesses in what cartridge paper holds.
 *
 * The defaults are the prior of calibration; what each of them buys is measured in docs/engine.md.
 */
final readonly class Hand
{
    /** From here on pressure mixes the films below and drags them along, 0-1. */
    public const MIXES_FROM = 0.5;

    /** How late pressure piles film higher than the tooth, makes it denser, clears it, and levels what lies below. */
    private const PILE_POWER = 5.0;

    private const DENSITY_POWER = 4.0;

    private const CLEARING_POWER = 3.0;

    private const LEVEL_POWER = 1.3;

    private const CRUSH_FROM = 0.5;

    private const CRUSH_WIDTH = 0.32;

    /** No stroke takes, or crushes, all there is. */
    private const MOST = 0.97;

    /**
     * @param  float  $reachBase  depth of tooth that the lightest touch reaches
     * @param  float  $reachGain  what full pressure adds to it
     * @param  float  $reachPower  how late that comes
     * @param  float  $reachSoftness  width of the edge between touched and untouched tooth
     * @param  float  $depositGain  film that one pass at full pressure tries to leave
     * @param  float  $depositPower  how film grows with pressure
     * @param  float  $passPower  how film grows with the number of passes, 1 for proportional
     * @param  float  $pile  how far above the tooth full pressure can pile film, as a share of what the tooth holds
     * @param  float  $yuleNielsen  weight of the light that the sheet scatters sideways between valleys and peaks, 0-1
     * @param  float  $oilTransfer  film that oil leaves, against 1 for wax
     * @param  float  $waxDrag  share of the top film that wax at full pressure drags into itself, a pass
     * @param  float  $oilDrag  the same for oil
     * @param  float  $waxSlick  how much a full wax film keeps a following layer off
     * @param  float  $paleSlick  what a pale wax adds to it
     * @param  float  $oilSlick  the same for oil
     * @param  float  $flatten  how strongly full pressure crushes the free tooth
     * @param  float  $density  gain in optical depth of a film pressed at full pressure
     * @param  float  $clearing  how far full pressure closes the air that makes a loose film scatter
     * @param  float  $level  share in which full pressure levels the films below between peaks and valleys, a pass
     * @param  float  $scattering  Kubelka-Munk S of a film of thickness 1 of a semi-opaque pencil of middle lightness
     * @param  float  $opacityPower  how S follows the maker's word on opacity
     * @param  float  $paleScattering  how S grows towards white pencils that the maker calls opaque
     * @param  float  $washFlow  what a solvent wash of plenty of pigment levels
     * @param  float  $washReturn  share of the filled or crushed tooth that a wash gives back
     * @param  float  $washStrength  gain in optical depth by a wash
     * @param  float  $washClearing  scattering lost by a wash
     * @param  float  $blendFlow  what a colourless blender levels
     * @param  float  $blendCrush  share of the free tooth that it closes
     * @param  float  $blendSlick  slickness it leaves
     * @param  float  $blendStrength  gain in optical depth by it
     * @param  float  $blendClearing  scattering lost by it
     * @param  float  $liftShare  share of a loose film that a kneaded eraser takes
     * @param  float  $weight  how hard it presses against what it is told, 1 for as hard
     */
    public function __construct(
        public float $reachBase = 0.048,
        public float $reachGain = 0.904,
        public float $reachPower = 0.853,
        public float $reachSoftness = 0.102,
        public float $depositGain = 0.547,
        public float $depositPower = 0.888,
        public float $passPower = 0.906,
        public float $pile = 0.484,
        public float $yuleNielsen = 0.03,
        public float $oilTransfer = 0.725,
        public float $waxDrag = 0.627,
        public float $oilDrag = 0.116,
        public float $waxSlick = 0.2,
        public float $paleSlick = 0.2,
        public float $oilSlick = 0.1,
        public float $flatten = 0.95,
        public float $density = 0.391,
        public float $clearing = 0.3,
        public float $level = 0.416,
        public float $scattering = 0.428,
        public float $opacityPower = 0.422,
        public float $paleScattering = 1.8,
        public float $washFlow = 0.98,
        public float $washReturn = 0.238,
        public float $washStrength = 0.0357,
        public float $washClearing = 0.0463,
        public float $blendFlow = 0.415,
        public float $blendCrush = 0.95,
        public float $blendSlick = 0.36,
        public float $blendStrength = 0.294,
        public float $blendClearing = 0.662,
        public float $liftShare = 0.261,
        public float $weight = 1.0,
    ) {
    }

    /**
     * This hand with some constants multiplied.
     *
     * @param  array<string, float>  $factors  by the name of a constant
     */
    public function scaled(array $factors): self
    {
        $constants = get_object_vars($this);
        foreach ($factors as $name => $factor) {
            $constants[$name] *= $factor;
        }

        return new self(...$constants);
    }

    /** How hard it presses, 0-1, when it is told to press so hard. */
    public function pressing(float $pressure): float
    {
        return min(1.0, $this->weight * $pressure);
    }

    /** Depth of tooth reached at a pressure of 0-1. */
    public function reach(float $pressure): float
    {
        return $this->reachBase + $this->reachGain * $pressure ** $this->reachPower;
    }

    /** Share of the free tooth that a pressure of 0-1 crushes; nothing below a firm hand. */
    public function crush(float $pressure): float
    {
        $above = max(0.0, ($pressure - self::CRUSH_FROM) / self::CRUSH_WIDTH);

        return min(self::MOST, $this->flatten * $above * $above);
    }

    /** How high film can lie at this pressure, against what the tooth holds. */
    public function limit(float $pressure): float
    {
        return 1.0 + $this->pile * $pressure ** self::PILE_POWER;
    }

    /** Optical depth of a film at this pressure, against one laid without any. */
    public function densityAt(float $pressure): float
    {
        return 1.0 + $this->density * $pressure ** self::DENSITY_POWER;
    }

    /** Scattering of a film at this pressure, against one laid without any, besides its density. */
    public function clearingAt(float $pressure): float
    {
        return exp(-$this->clearing * $pressure ** self::CLEARING_POWER);
    }

    /** Share in which so many passes level the films below between peaks and valleys, 0-1. */
    public function levels(float $pressure, float $passes): float
    {
        $above = self::mixing($pressure);

        return $above <= 0.0 ? 0.0 : 1.0 - (1.0 - min(self::MOST, $this->level * $above ** self::LEVEL_POWER)) ** $passes;
    }

    /** How far a pressure mixes what lies below, 0 for a light hand to 1. */
    public static function mixing(float $pressure): float
    {
        return max(0.0, ($pressure - self::MIXES_FROM) / (1.0 - self::MIXES_FROM));
    }
}
