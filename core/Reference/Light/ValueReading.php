<?php

declare(strict_types=1);

namespace Prism\Reference\Light;

use Prism\Colour\ValueScale;
use Prism\Reference\Image\Field;
use Prism\Reference\LookRefused;

/** How the values of a picture are spread. */
final readonly class ValueReading
{
    /** Bars of the histogram; each is two L* wide. */
    public const BARS = 50;

    /** This share of the pixels may lie beyond the range at either end: glints and specks are no values. */
    private const BEYOND = 0.005;

    /** Lightest and darkest spots: how many, how large and how far apart, as shares of the long edge. */
    private const SPOTS = 3;

    private const SPOT = 0.008;

    private const APART = 0.1;

    /**
     * @param  array<int, float>  $histogram  share of the picture in each bar, darkest first
     * @param  float  $dark  L* that nearly all of the picture is lighter than
     * @param  float  $light  L* that nearly all of it is darker than
     * @param  list<array{x: float, y: float, L: float}>  $lightest  spots, shares of width and height
     * @param  list<array{x: float, y: float, L: float}>  $darkest
     */
    private function __construct(public array $histogram, public float $dark, public float $middle, public float $light, public array $lightest, public array $darkest)
    {
    }

    public static function of(Field $field): self
    {
        $fine = array_fill(0, 1001, 0);
        foreach ($field->L as $L) {
            $fine[(int) ($L * 10.0)]++;
        }
        $count = $field->count();
        $at = static function (float $share) use ($fine, $count): float {
            $sum = 0;
            foreach ($fine as $tenth => $n) {
                $sum += $n;
                if ($sum >= $share * $count) {
                    return $tenth / 10.0;
                }
            }

            return 100.0;
        };
        $histogram = array_fill(0, self::BARS, 0.0);
        foreach ($fine as $tenth => $n) {
            $histogram[min(self::BARS - 1, intdiv($tenth, 20))] += $n / $count;
        }

        return new self(
            array_map(static fn (float $share): float => round($share, 5), $histogram),
            $at(self::BEYOND),
            $at(0.5),
            max($at(1.0 - self::BEYOND), $at(self::BEYOND) + 0.1),
            self::spots($field, 1),
            self::spots($field, -1),
        );
    }

    /**
     * Where the rungs of a value scale part, as sRGB codes of neutral greys, and the codes of the rungs.
     *
     * @param  int  $steps  3-10
     * @return array{limits: list<float>, rungs: list<float>} L* of each limit between two rungs, and of each rung
     */
    public static function scale(int $steps): array
    {
        if ($steps < 3 || $steps > 10) {
            throw new LookRefused(sprintf('A value scale of %d steps; choose 3 to 10.', $steps));
        }
        $rungs = $limits = [];
        for ($step = 1; $step <= $steps; $step++) {
            $rungs[] = ValueScale::lightnessOf($step, $steps);
            if ($step > 1) {
                $limits[] = ($rungs[$step - 2] + $rungs[$step - 1]) / 2.0;
            }
        }

        return ['limits' => $limits, 'rungs' => $rungs];
    }

    /**
     * @param  int  $sign  1 for the lightest, -1 for the darkest
     * @return list<array{x: float, y: float, L: float}>
     */
    private static function spots(Field $field, int $sign): array
    {
        [$width, $height] = [$field->width, $field->height];
        $long = max($width, $height);
        $size = max(1, (int) round(self::SPOT * $long));
        $means = [];
        for ($y = 0; $y + $size <= $height; $y += $size) {
            for ($x = 0; $x + $size <= $width; $x += $size) {
                $sum = 0.0;
                for ($row = $y; $row < $y + $size; $row++) {
                    for ($at = $row * $width + $x, $end = $at + $size; $at < $end; $at++) {
                        $sum += $field->L[$at];
                    }
                }
                $means[] = [$sign * $sum / $size ** 2, $x + $size / 2, $y + $size / 2];
            }
        }
        rsort($means);
        $spots = [];
        foreach ($means as [$signed, $x, $y]) {
            foreach ($spots as $spot) {
                if (hypot($x - $spot['x'] * $width, $y - $spot['y'] * $height) < self::APART * $long) {
                    continue 2;
                }
            }
            $spots[] = ['x' => round($x / $width, 4), 'y' => round($y / $height, 4), 'L' => round($sign * $signed, 1)];
            if (count($spots) === self::SPOTS) {
                break;
            }
        }

        return $spots;
    }
}
