<?php

declare(strict_types=1);

namespace Standin;

use Prism\Colour\Observer;
use Prism\Colour\Spectrum;

/** A patch of simulated paper: a relief of heights in two dimensions, felted from noise of three sizes. */
final readonly class Sheet
{
    public const SIZE = 28;

    /** Widths of the felt, in points, and how much each counts. */
    private const FELT = [[1, 0.35], [2, 0.45], [4, 0.3]];

    /**
     * @param  array<int, float>  $height  SIZE by SIZE, 0 in the deepest valley to 1 on the highest peak
     * @param  float  $depth  how deep the valleys are for a point, about 1 for cartridge
     * @param  float  $holds  film that a valley can hold
     */
    private function __construct(public Spectrum $colour, public array $height, public float $depth, public float $holds)
    {
    }

    public static function of(Spectrum $colour, float $depth, float $holds, string $seed): self
    {
        $dice = new Dice($seed);
        $points = self::SIZE ** 2;
        $height = array_fill(0, $points, 0.0);
        foreach (self::FELT as [$width, $weight]) {
            $noise = [];
            for ($i = 0; $i < $points; $i++) {
                $noise[] = $dice->normal();
            }
            $smooth = self::blurred($noise, $width);
            $spread = sqrt(array_sum(array_map(static fn (float $v): float => $v * $v, $smooth)) / $points);
            foreach ($smooth as $i => $value) {
                $height[$i] += $weight * $value / $spread;
            }
        }
        // Every height as often as any other.
        asort($height);
        $rank = 0;
        foreach (array_keys($height) as $i) {
            $height[$i] = $rank++ / ($points - 1);
        }
        ksort($height);

        return new self($colour, $height, $depth, $holds);
    }

    /** The same with ink all over it, which fills none of its tooth. */
    public function printed(float $ink): self
    {
        return new self(Spectrum::of(array_fill(0, Observer::SAMPLES, $ink)), $this->height, $this->depth, $this->holds);
    }

    /**
     * Means over a square; the sheet goes on at its other side.
     *
     * @param  array<int, float>  $field
     * @return array<int, float>
     */
    public static function blurred(array $field, int $reach): array
    {
        foreach ([1, self::SIZE] as $stride) {
            $result = [];
            for ($i = 0; $i < self::SIZE ** 2; $i++) {
                $row = $stride === 1 ? intdiv($i, self::SIZE) * self::SIZE : $i % self::SIZE;
                $at = $stride === 1 ? $i % self::SIZE : intdiv($i, self::SIZE);
                $sum = 0.0;
                for ($by = -$reach; $by <= $reach; $by++) {
                    $sum += $field[$row + (($at + $by + self::SIZE) % self::SIZE) * $stride];
                }
                $result[] = $sum / (2 * $reach + 1);
            }
            $field = $result;
        }

        return $field;
    }
}
