<?php

declare(strict_types=1);

namespace Prism\Colour\Words;

use Prism\Colour\Lab;
use Prism\Colour\ValueScale;
use Prism\Colour\Wheel;

/**
 * How a colour misses a target, in numbers and as an artist would say it: value first, then hue, then cleanness.
 */
final readonly class Difference implements \JsonSerializable
{
    /** Up to this dE00 two swatches side by side pass for one. */
    public const TOLERANCE = 1.0;

    private const VALUE_NOTICED = 0.2;

    private const AB_NOTICED = 2.2;

    /** A grey and what lies so far from it in a*, b* are two colours: none leans to the other. */
    private const ANOTHER_COLOUR = 14.0;

    private function __construct(
        public float $dE00,
        public float $dL,
        public float $dChroma,
        public float $dHue,
        public float $valueSteps,
        public string $words,
    ) {
    }

    /** Of a colour from what it should be: positive dL is "too light". */
    public static function between(Lab $actual, Lab $target): self
    {
        $dE = $target->differenceTo($actual);
        $dL = $actual->L - $target->L;
        $dC = $actual->chroma() - $target->chroma();
        $da = $actual->a - $target->a;
        $db = $actual->b - $target->b;
        $squared = max(0.0, $da * $da + $db * $db - $dC * $dC);
        $side = $target->a * $actual->b - $target->b * $actual->a;
        $dH = $side < 0.0 ? -sqrt($squared) : sqrt($squared);
        $steps = $dL / ValueScale::stepSize();

        return new self($dE, $dL, $dC, $dH, $steps, self::inWords($actual, $target, $dE, $steps, $dC, $dH, $da, $db));
    }

    /** @return array{dE00: float, dL: float, dC: float, dH: float, valueSteps: float, words: string} */
    public function jsonSerialize(): array
    {
        return [
            'dE00' => round($this->dE00, 2),
            'dL' => round($this->dL, 2),
            'dC' => round($this->dChroma, 2),
            'dH' => round($this->dHue, 2),
            'valueSteps' => round($this->valueSteps, 2),
            'words' => $this->words,
        ];
    }

    private static function inWords(Lab $actual, Lab $target, float $dE, float $steps, float $dC, float $dH, float $da, float $db): string
    {
        if ($dE <= self::TOLERANCE) {
            return 'on target';
        }
        $parts = [];
        if (abs($steps) >= self::VALUE_NOTICED) {
            $parts[] = self::amountOfSteps(abs($steps)).($steps > 0.0 ? ' too light' : ' too dark');
        }
        $notice = self::AB_NOTICED * (1.0 + 0.02 * $target->chroma());
        if ($actual->isNeutral() || $target->isNeutral()) {
            $away = hypot($da, $db);
            if ($away >= self::AB_NOTICED) {
                // A grey that should be a colour lacks it; anything else has some of a hue, or is that.
                $hue = Hue::nearest(Wheel::position(Lab::of(50, $da, $db)->hueDegrees()))->value;
                $parts[] = match (true) {
                    $away < self::ANOTHER_COLOUR => "leans $hue",
                    $target->isNeutral() => "much too $hue",
                    default => 'much too dull',
                };
            }
        } else {
            if (abs($dH) >= $notice) {
                $parts[] = 'leans '.self::hueTowards($actual, $dH)->value;
            }
            if (abs($dC) >= $notice) {
                $much = abs($dC) > 4.0 * $notice ? 'much too ' : (abs($dC) > 2.0 * $notice ? 'too ' : 'a little ');
                $parts[] = $much.($dC < 0.0 ? 'dull' : 'bright');
            }
        }

        return $parts === [] ? 'very close' : implode(', ', $parts);
    }

    private static function amountOfSteps(float $steps): string
    {
        return match (true) {
            $steps < 0.38 => 'a third of a step',
            $steps < 0.75 => 'half a step',
            $steps < 1.25 => 'one step',
            $steps < 1.75 => 'one and a half steps',
            default => sprintf('%d steps', (int) round($steps)),
        };
    }

    /** The hue of the wheel that the colour is at, or comes to next on the side to which it has turned. */
    private static function hueTowards(Lab $actual, float $dH): Hue
    {
        $position = Wheel::position($actual->hueDegrees()) / 3.0;

        return Hue::turned((int) ($dH > 0.0 ? ceil($position) : floor($position)));
    }
}
