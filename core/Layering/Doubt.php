<?php

declare(strict_types=1);

namespace Prism\Layering;

/**
 * How far a prediction may be off, in dE00: about two of three drawn swatches fall within it.
 *
 * It adds, in squares, what reader and paper do to every swatch, what the hand makes of the stack's pressures, what
 * layers on layers, burnishes, washes, blenders and erasers add beyond the model, and what is not known of a pencil or a
 * paper. The weights were found on held-out stacks (docs/engine.md); a studio whose own swatches scatter more or less
 * widens or narrows it.
 */
final readonly class Doubt
{
    private const BASE = 0.57;

    /** Of the colour change by 10 % of pressure in every layer. */
    private const HAND = 0.52;

    /** Of a stack of two or three layers. */
    private const USUAL_SENSITIVITY = 2.0;

    private const EACH_FURTHER_LAYER = 0.5;

    private const EACH_BURNISH = 1.9;

    private const EACH_OTHER = 0.93;

    /** By the number of swatches of a pencil: known from its table colour or from none, from one, two, three. */
    private const FEW_SWATCHES = [1.6, 1.2, 0.8, 0.5];

    /** A paper whose tooth was found from swatches, against one that is the yardstick, and one only declared. */
    public const FOUND_PAPER = 1.25;

    public const DECLARED_PAPER = 1.6;

    /**
     * @param  float  $scale  scatter of the studio's swatches, against the studio in which the weights were found
     * @param  array<string, int>  $swatches  by pencil
     * @param  float  $paper  dE00 for what is not known of the paper
     */
    public function __construct(private float $scale = 1.0, private array $swatches = [], private float $paper = 0.0)
    {
    }

    /** What is usual for a stack whose hand and pencils are not looked at: for searches, which ask it very often. */
    public static function usual(int $layers, int $burnishes, int $others): float
    {
        return sqrt(self::square($layers, $burnishes, $others) + (self::HAND * self::USUAL_SENSITIVITY) ** 2);
    }

    /** What is not known of a pencil with so many swatches, dE00. */
    public static function ofPencil(int $swatches): float
    {
        return self::FEW_SWATCHES[$swatches] ?? 0.0;
    }

    /** What a layer on another adds, dE00. */
    public static function ofLayer(): float
    {
        return self::EACH_FURTHER_LAYER;
    }

    /**
     * A doubt where layers come in rounds: one who goes back and forth sees what comes and mends it, so each member of a round is in
     * doubt once.
     *
     * @param  float  $sigma  of all layers
     */
    public static function inRounds(float $sigma, int $layers, int $members): float
    {
        $all = (self::EACH_FURTHER_LAYER * max(0, $layers - 1)) ** 2;
        $once = (self::EACH_FURTHER_LAYER * max(0, $members - 1)) ** 2;

        return sqrt(max(self::BASE ** 2, $sigma ** 2 - $all + $once));
    }

    public function of(Stack $stack, Sensitivity $sensitivity): float
    {
        $layers = $stack->layerCount();
        if ($layers === 0) {
            return self::BASE * $this->scale;
        }
        $burnishes = $others = 0;
        foreach ($stack->steps as $step) {
            $others += $step->isLayer() ? 0 : 1;
            $burnishes += $step->isLayer() && $step->isBurnish() ? 1 : 0;
        }
        $square = self::square($layers, $burnishes, $others) + (self::HAND * $sensitivity->total()) ** 2;
        $unknown = $this->paper ** 2;
        foreach (array_unique(array_map(strval(...), $stack->pencils())) as $id) {
            $unknown += (self::FEW_SWATCHES[$this->swatches[$id] ?? 0] ?? 0.0) ** 2;
        }

        return sqrt($this->scale ** 2 * $square + $unknown);
    }

    private static function square(int $layers, int $burnishes, int $others): float
    {
        return self::BASE ** 2 + (self::EACH_FURTHER_LAYER * max(0, $layers - 1)) ** 2
            + (self::EACH_BURNISH * $burnishes) ** 2 + (self::EACH_OTHER * $others) ** 2;
    }
}
