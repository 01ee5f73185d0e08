<?php

declare(strict_types=1);

namespace Prism\Calibration;

use Prism\Colour\Lab;
use Prism\Layering\Tooth;
use Prism\Materials\Paper;

/**
 * A paper as calibration knows it: what it was declared to be, and how far swatches have moved its tooth. A rougher paper
 * also holds more, so capacity is expected to follow roughness. Offsets are logarithms.
 */
final readonly class PaperFit
{
    /** Roughness, capacity against roughness, adhesion: how far each is expected to lie from what was declared. */
    public const SPREAD = [0.5, 0.1, 0.5];

    private const LEAST = [0.05, 0.2, 0.1];

    private const MOST = [3.0, 10.0, 3.0];

    /** @param  array{float, float, float}  $offsets */
    public function __construct(private Paper $declared, public array $offsets = [0.0, 0.0, 0.0])
    {
    }

    public function paper(): Paper
    {
        [$roughness, $capacity, $adhesion] = $this->offsets;
        $figure = fn (int $i, float $declared, float $offset): float => max(self::LEAST[$i], min(self::MOST[$i], $declared * exp($offset)));

        return Paper::of(
            $this->declared->id,
            $this->declared->name,
            $this->declared->colour,
            $figure(0, $this->declared->roughness, $roughness),
            $figure(1, $this->declared->capacity, $roughness + $capacity),
            $figure(2, $this->declared->adhesion, $adhesion),
        );
    }

    /** @return array{id: string, name: string, colour: array{float, float, float}, tooth: array{float, float, float}, offsets: array{float, float, float}} */
    public function toArray(): array
    {
        $paper = $this->declared;

        return [
            'id' => $paper->id, 'name' => $paper->name,
            'colour' => [$paper->colour->L, $paper->colour->a, $paper->colour->b],
            'tooth' => [$paper->roughness, $paper->capacity, $paper->adhesion],
            'offsets' => $this->offsets,
        ];
    }

    /** @param  array{id: string, name: string, colour: array{float, float, float}, tooth: array{float, float, float}, offsets: array{float, float, float}}  $kept */
    public static function fromArray(array $kept): self
    {
        return new self(Paper::of($kept['id'], $kept['name'], Lab::of(...$kept['colour']), ...$kept['tooth']), $kept['offsets']);
    }

    /** The same tooth under another reading of the bare paper. */
    public function ofColour(Lab $colour): self
    {
        $paper = $this->declared;

        return new self(Paper::of($paper->id, $paper->name, $colour, $paper->roughness, $paper->capacity, $paper->adhesion), $this->offsets);
    }

    public function tooth(): Tooth
    {
        return Tooth::of($this->paper());
    }

    /** @param  array<int, float>  $by  added to the offsets */
    public function moved(array $by): self
    {
        [$roughness, $capacity, $adhesion] = $this->offsets;

        return new self($this->declared, [$roughness + ($by[0] ?? 0.0), $capacity + ($by[1] ?? 0.0), $adhesion + ($by[2] ?? 0.0)]);
    }
}
