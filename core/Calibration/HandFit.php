<?php

declare(strict_types=1);

namespace Prism\Calibration;

use Prism\Layering\Hand;

/** A hand as calibration knows it: the hand one starts from, and how far swatches have moved its constants (logarithms). */
final readonly class HandFit
{
    /** Constants that swatches may move, and how far each is expected to lie from the start, one standard deviation. */
    public const SPREAD = [
        'reachBase' => 0.1, 'reachGain' => 0.075, 'reachPower' => 0.075, 'reachSoftness' => 0.075,
        'depositGain' => 0.125, 'depositPower' => 0.075, 'passPower' => 0.05, 'pile' => 0.15,
        'yuleNielsen' => 0.15, 'oilTransfer' => 0.1, 'waxDrag' => 0.15, 'oilDrag' => 0.15, 'flatten' => 0.075,
        'density' => 0.15, 'clearing' => 0.1, 'level' => 0.1,
        'scattering' => 0.15, 'opacityPower' => 0.1, 'paleScattering' => 0.1,
        'washFlow' => 0.1, 'washReturn' => 0.15, 'washStrength' => 0.15, 'washClearing' => 0.15,
        'blendFlow' => 0.1, 'blendSlick' => 0.15, 'blendStrength' => 0.15, 'blendClearing' => 0.15,
        'liftShare' => 0.4,
    ];

    /** @param  array<int, float>  $offsets  in the order of SPREAD */
    public function __construct(private Hand $start, public array $offsets)
    {
    }

    public static function from(Hand $start): self
    {
        return new self($start, array_fill(0, count(self::SPREAD), 0.0));
    }

    /** @return array{start: array<string, float>, offsets: array<int, float>} */
    public function toArray(): array
    {
        return ['start' => get_object_vars($this->start), 'offsets' => $this->offsets];
    }

    /** @param  array{start: array<string, float>, offsets: array<int, float>}  $kept */
    public static function fromArray(array $kept): self
    {
        return new self(new Hand(...array_map(floatval(...), $kept['start'])), $kept['offsets']);
    }

    public function hand(): Hand
    {
        return $this->start->scaled(array_combine(array_keys(self::SPREAD), array_map(exp(...), $this->offsets)));
    }

    /** The same hand, pressing so much harder. */
    public function pressing(float $by): self
    {
        return new self($this->start->scaled(['weight' => $by]), $this->offsets);
    }

    /** How hard it presses against what it is told. */
    public function weight(): float
    {
        return $this->start->weight;
    }

    /** @param  array<int, float>  $by  added to the offsets */
    public function moved(array $by): self
    {
        $offsets = $this->offsets;
        foreach ($by as $i => $value) {
            $offsets[$i] += $value;
        }

        return new self($this->start, $offsets);
    }
}
